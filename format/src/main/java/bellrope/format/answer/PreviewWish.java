package bellrope.format.answer;

import bellrope.format.json.JsonValue;
import org.jspecify.annotations.Nullable;

/**
 * An effect to be played for its own sake.
 *
 * @param effect its number
 * @param rope number of the rope whose feeds and facing are used; null for none
 * @param payload of the pull, where it differs from the usual one; null for the usual one
 * @param surface ground, wall or ceiling; null for ground
 * @param side left or right: where the blow comes from; null for left
 * @param velocity of the source, units a second; null to let it move only if the effect lives off its way
 * @param stopAfter seconds after which a loop is stopped; null to let it run
 * @param alone emitter that is played without the others; null for all
 * @param set parameters turned by hand, by name; null for none
 */
public record PreviewWish(
        long effect,
        @Nullable Long rope,
        @Nullable JsonValue payload,
        @Nullable String surface,
        @Nullable String side,
        double @Nullable [] velocity,
        long seed,
        @Nullable Double stopAfter,
        @Nullable String alone,
        @Nullable JsonValue set) {}
