package bellrope.format.answer;

import bellrope.core.value.Problem;
import bellrope.format.json.JsonValue;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A trace as a score.
 *
 * @param sound how many lines could be read
 * @param wrong how many could not, and are left out
 * @param problems of those; at most a hundred, then their number
 * @param tagged pulls whose tags a score does not keep
 * @param moving pulls whose velocity a score does not keep
 * @param gone ends of subjects, which a score from a trace does not keep
 * @param score its body; none where nothing could be read
 */
public record TraceView(
        double sound,
        double wrong,
        List<Problem> problems,
        int tagged,
        int moving,
        int gone,
        @Nullable JsonValue score) {}
