package bellrope.format.answer;

import bellrope.format.json.JsonValue;
import java.util.List;

/** The ropes as they fit, in the order in which they came. */
public record FittedView(List<JsonValue> ropes) {}
