package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a rope on a span or a state adds to what runs while it lasts.
 *
 * @param start effect that plays once when it begins, or when the state is entered
 * @param end effect that plays once when it ends, or when the state is left
 * @param fadeIn seconds that stand instead of a loop's own wind-up
 * @param fadeOut seconds that stand instead of a loop's own fade-out
 * @param longest seconds after which a span ends by itself
 * @param again what a beginning does while one of the same subject still lasts
 * @param order whether a state fades in while the one before fades out, or after it
 */
public record Run(
        Optional<String> start,
        Optional<String> end,
        OptionalDouble fadeIn,
        OptionalDouble fadeOut,
        OptionalDouble longest,
        Again again,
        Order order) {
    /** What a second beginning does. */
    public enum Again {
        /** What runs is stopped, and another begins. */
        RESTART,
        /** What runs goes on; nothing begins. */
        CONTINUE,
        /** Another begins beside it; each end ends the one that began first. */
        STACK
    }

    /** How one value of a state follows another. */
    public enum Order {
        TOGETHER,
        AFTER
    }

    public static final Bounds FADE = Bounds.of(0, 60);
    public static final Bounds LONGEST = Bounds.above(0, 3600);

    public static final Run PLAIN = new Run(
            Optional.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            Again.CONTINUE,
            Order.TOGETHER);

    public Run {
        start.ifPresent(name -> Demand.name("start", name));
        end.ifPresent(name -> Demand.name("end", name));
        FADE.check("fadeIn", fadeIn);
        FADE.check("fadeOut", fadeOut);
        LONGEST.check("longest", longest);
    }
}
