package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Gradient;
import bellrope.core.value.Pace;
import bellrope.core.value.Rgba;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * Gives birth to particles.
 *
 * @param name unique within its effect
 * @param seed part of the address of its random draws, unique within its effect, 0 to 65,535. A new seed is a new
 *     draw of everything; a new name is not
 * @param playback how many times as fast as written everything in it happens: that of its effect, unless a parameter turns it
 * @param off whether it is switched off: it spawns nothing, and nothing spawns it
 */
public record Emitter(String name, int seed, Birth birth, Look look, Life life, End end, double playback, boolean off) {
    public static final Bounds PLAYBACK = Bounds.of(Course.SLOWEST, Course.FASTEST);
    public static final Bounds SEED = Bounds.of(0, 65535);

    public Emitter {
        PLAYBACK.check("playback", playback);
        Demand.name("name", name);
        SEED.check("seed", seed);
    }

    public Emitter(String name, int seed, Birth birth, Look look, Life life, End end) {
        this(name, seed, birth, look, life, end, 1, false);
    }

    public Emitter(String name, int seed, Birth birth, Look look, Life life) {
        this(name, seed, birth, look, life, End.NONE);
    }

    /** Returns how many steps one of its seconds takes: those of a faster playback are shorter. */
    public double stepsPerSecond(Pace pace) {
        return pace.stepsPerSecond() / playback;
    }

    /** Returns this emitter at another speed of playback; the very same if it is that already. */
    public Emitter withPlayback(double other) {
        return other == playback ? this : new Emitter(name, seed, birth, look, life, end, other, off);
    }

    /** Returns this emitter switched on or off. */
    public Emitter switched(boolean isOff) {
        return new Emitter(name, seed, birth, look, life, end, playback, isOff);
    }

    // Spawns nothing by itself, and none of those that are off.
    Emitter playing(Set<String> silent) {
        Emitter heard = this;
        if (off) {
            heard = heard.withBirth(birth.with(d -> {
                d.bursts = List.of();
                d.stream = Optional.empty();
                d.perUnit = OptionalDouble.empty();
            }));
        }
        boolean spawns = end.children().stream()
                .anyMatch(c -> c.emitter().filter(silent::contains).isPresent());
        return spawns
                ? heard.withEnd(end.withChildren(end.children().stream()
                        .filter(c -> c.emitter().filter(silent::contains).isEmpty())
                        .toList()))
                : heard;
    }

    public Emitter withBirth(Birth other) {
        return new Emitter(name, seed, other, look, life, end, playback, off);
    }

    public Emitter withLife(Life other) {
        return new Emitter(name, seed, birth, look, other, end, playback, off);
    }

    public Emitter withLook(Look other) {
        return new Emitter(name, seed, birth, other, life, end, playback, off);
    }

    public Emitter withEnd(End other) {
        return new Emitter(name, seed, birth, look, life, other, playback, off);
    }

    /**
     * Returns the brightness at which the first component of its brightest colour reaches 1: above it, brighter only
     * bleaches. Infinite for black.
     */
    public double saturation() {
        double brightest = 0;
        for (Rgba own : colours(birth.colour())) {
            for (Gradient.Stop over : life.replaces(Life.Lane.COLOUR)
                    ? List.<Gradient.Stop>of()
                    : life.colour().stops()) {
                Rgba c = over.colour();
                brightest = Math.max(brightest, own.linearRed() * c.linearRed());
                brightest = Math.max(brightest, own.linearGreen() * c.linearGreen());
                brightest = Math.max(brightest, own.linearBlue() * c.linearBlue());
            }
        }
        if (life.replaces(Life.Lane.COLOUR)) {
            for (Gradient.Stop stop : life.colour().stops()) {
                Rgba c = stop.colour();
                brightest = Math.max(brightest, Math.max(c.linearRed(), Math.max(c.linearGreen(), c.linearBlue())));
            }
        }
        return 1 / brightest;
    }

    private static List<Rgba> colours(Tint tint) {
        return tint.match(
                between -> List.of(between.from(), between.to()),
                oneOf -> oneOf.colours(),
                from -> from.gradient().stops().stream()
                        .map(Gradient.Stop::colour)
                        .toList());
    }
}
