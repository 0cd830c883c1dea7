package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * When a rope does not answer although its conditions hold. Times are counted from one answer to the next; what a limit
 * stopped does not count.
 *
 * @param cooldown seconds after an answer in which it stays silent
 * @param perSecond most answers a second: the next is allowed at now + 1/n
 * @param once whether each subject is answered once, until it is gone or the rope is reset
 * @param until event that resets <i>once</i>; empty for none
 * @param alive most instances at once
 * @param together whether those of all ropes of its group are counted
 * @param whenFull what happens at an answer more than {@code alive} allows
 * @param distance units from where it last answered, within which it stays silent
 * @param chance that it answers at all
 */
public record Limits(
        double cooldown,
        OptionalDouble perSecond,
        boolean once,
        Optional<String> until,
        OptionalInt alive,
        boolean together,
        WhenFull whenFull,
        double distance,
        double chance) {
    public static final Bounds COOLDOWN = Bounds.of(0, 3600);
    public static final Bounds PER_SECOND = Bounds.above(0, 1000);
    public static final Bounds ALIVE = Bounds.of(1, 1000);
    public static final Bounds DISTANCE = Bounds.of(0, 10_000);
    public static final Bounds CHANCE = Bounds.above(0, 1);

    /** What happens when as many play as may. */
    public enum WhenFull {
        SKIP("stays silent"),
        OLDEST("removes the oldest"),
        LOWEST_WEIGHT("removes the one of lowest weight");

        private final String words;

        WhenFull(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public static final Limits NONE = new Limits(
            0, OptionalDouble.empty(), false, Optional.empty(), OptionalInt.empty(), false, WhenFull.SKIP, 0, 1);

    public Limits {
        COOLDOWN.check("cooldown", cooldown);
        PER_SECOND.check("perSecond", perSecond);
        until.ifPresent(event -> Demand.name("until", event));
        ALIVE.check("alive", alive);
        DISTANCE.check("distance", distance);
        CHANCE.check("chance", chance);
    }

    /** At most once in so many seconds. */
    public static Limits cooldown(double seconds) {
        return new Limits(
                seconds,
                OptionalDouble.empty(),
                false,
                Optional.empty(),
                OptionalInt.empty(),
                false,
                WhenFull.SKIP,
                0,
                1);
    }

    /** At most so many at once. */
    public static Limits alive(int most, WhenFull whenFull) {
        return new Limits(
                0, OptionalDouble.empty(), false, Optional.empty(), OptionalInt.of(most), false, whenFull, 0, 1);
    }

    public boolean none() {
        return equals(NONE);
    }

    /** Returns the least seconds from one answer to the next. */
    public double pause() {
        return Math.max(cooldown, perSecond.isPresent() ? 1 / perSecond.getAsDouble() : 0);
    }
}
