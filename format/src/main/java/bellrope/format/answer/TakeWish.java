package bellrope.format.answer;

import bellrope.format.json.JsonValue;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A take to be computed.
 *
 * @param rope number of the one rope to play; null for all that listen
 * @param event that is pulled; null for the one that the rope listens to
 * @param payload of the pull; null for the usual one that the rope answers to
 * @param value that a state takes; null for the one that the rope answers to
 * @param held seconds after which a span or state ends; null for 1.5
 * @param channels what channels say; those not named say what the rope needs, or what is usual
 * @param seed of the pull
 */
public record TakeWish(
        @Nullable Long rope,
        @Nullable String event,
        @Nullable JsonValue payload,
        @Nullable String value,
        @Nullable Double held,
        @Nullable Map<String, Double> channels,
        long seed) {}
