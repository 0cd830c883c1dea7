package bellrope.core.rope;

import bellrope.core.event.Pull;
import java.util.Map;

/**
 * A pull with what must be so around it.
 *
 * @param channels what channels say before it comes; those not named say what is usual
 * @param since seconds since other events last came; those not named never did
 */
public record Trial(Pull pull, Map<String, Double> channels, Map<String, Double> since) {
    public Trial {
        channels = Map.copyOf(channels);
        since = Map.copyOf(since);
    }

    /** A pull with nothing around it. */
    public static Trial of(Pull pull) {
        return new Trial(pull, Map.of(), Map.of());
    }
}
