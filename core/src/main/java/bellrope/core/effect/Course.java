package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;

/**
 * How an effect runs through time.
 *
 * <p>A one-shot ends by itself: streams stop at its duration at the latest, and what they bore lives on. A looping effect
 * begins again each duration until it is told to stop; over its wind-up ever more of its births come true, from none to
 * all, and over its fade-out, once told, ever fewer. Which of them do is drawn for each birth by its own address, so
 * changing either time never reshuffles the others.
 *
 * @param duration seconds, 0.02 to 60: of a one-shot, or of one cycle of a loop
 * @param windUp seconds, 0 to 60; 0 for a one-shot
 * @param fadeOut seconds, 0 to 60; 0 for a one-shot
 * @param playback how many times as fast as written everything in the effect happens, 0.1 to 10: births, motion, forces, lives
 *     and curves alike. All times are those as written
 */
public record Course(boolean looping, double duration, double windUp, double fadeOut, double playback) {
    public static final Bounds PLAYBACK = Bounds.of(Course.SLOWEST, Course.FASTEST);
    public static final Bounds DURATION = Bounds.of(0.02, 60);
    public static final Bounds WIND_UP = Bounds.of(0, 60);
    public static final Bounds FADE_OUT = Bounds.of(0, 60);

    public static final double SLOWEST = 0.1;
    public static final double FASTEST = 10;

    public Course(boolean looping, double duration, double windUp, double fadeOut) {
        this(looping, duration, windUp, fadeOut, 1);
    }

    /** Returns this course at another speed. */
    public Course played(double times) {
        return new Course(looping, duration, windUp, fadeOut, times);
    }

    public Course {
        PLAYBACK.check("playback", playback);
        DURATION.check("duration", duration);
        WIND_UP.check("windUp", windUp);
        FADE_OUT.check("fadeOut", fadeOut);
        if (!looping && windUp > 0) {
            throw new Refused("windUp", Words.number(windUp), "0 for a one-shot; a loop winds up");
        }
        if (!looping && fadeOut > 0) {
            throw new Refused("fadeOut", Words.number(fadeOut), "0 for a one-shot; a loop fades out when told to stop");
        }
    }

    public static Course once(double duration) {
        return new Course(false, duration, 0, 0);
    }

    public static Course looping(double period) {
        return new Course(true, period, 0, 0);
    }
}
