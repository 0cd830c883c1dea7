package bellrope.format.answer;

import bellrope.format.json.JsonValue;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Ropes to be brought to fit, and one thing to fit them to.
 *
 * @param ropes as in a bundle
 * @param event that they answer from now on
 * @param effect that they play from now on
 * @param feed that they get
 * @param field of the event, for a condition
 * @param channel for a condition
 */
public record FitWish(
        List<JsonValue> ropes,
        @Nullable String event,
        @Nullable String effect,
        @Nullable FeedWish feed,
        @Nullable String field,
        @Nullable String channel) {}
