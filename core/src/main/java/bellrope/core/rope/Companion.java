package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Done;
import bellrope.core.value.Rgba;
import bellrope.core.value.Words;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;

/** What answers a pull besides particles. */
public sealed interface Companion {
    /** A function for each kind. */
    record Cases<R>(
            Function<Shake, R> shake,
            Function<Flash, R> flash,
            Function<ScreenTint, R> tint,
            Function<HitPause, R> hitPause,
            Function<Notice, R> notice) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(
            Function<Shake, R> shake,
            Function<Flash, R> flash,
            Function<ScreenTint, R> tint,
            Function<HitPause, R> hitPause,
            Function<Notice, R> notice) {
        return match(new Cases<>(shake, flash, tint, hitPause, notice));
    }

    /** Does what belongs to its kind. */
    default void visit(
            Consumer<Shake> shake,
            Consumer<Flash> flash,
            Consumer<ScreenTint> tint,
            Consumer<HitPause> hitPause,
            Consumer<Notice> notice) {
        match(Done.by(shake), Done.by(flash), Done.by(tint), Done.by(hitPause), Done.by(notice));
    }

    /** Returns it as it reads in a sentence. */
    String words();

    /**
     * The camera shakes: {@code size · e^(−3t/decay)} units, so that a twentieth is left after the decay.
     *
     * @param size units at the first instant
     * @param frequency swings a second
     * @param decay seconds
     */
    record Shake(double size, double frequency, double decay) implements Companion {
        public static final Bounds SIZE = Bounds.above(0, 10);
        public static final Bounds FREQUENCY = Bounds.of(1, 60);
        public static final Bounds DECAY = Bounds.above(0, 10);

        public Shake {
            SIZE.check("size", size);
            FREQUENCY.check("frequency", frequency);
            DECAY.check("decay", decay);
        }

        @Override
        public String words() {
            return "shake the camera " + Words.number(size) + " u for " + Words.number(decay) + " s";
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.shake().apply(this);
        }
    }

    /**
     * The screen lights up in a colour and goes back evenly.
     *
     * @param opacity at the first instant
     * @param seconds until nothing of it is left
     */
    record Flash(Rgba colour, double opacity, double seconds) implements Companion {
        public static final Bounds OPACITY = Bounds.above(0, 1);
        public static final Bounds SECONDS = Bounds.above(0, 5);

        public Flash {
            OPACITY.check("opacity", opacity);
            SECONDS.check("seconds", seconds);
        }

        @Override
        public String words() {
            return "flash " + colour.toString().substring(0, 7) + " for " + Words.number(seconds) + " s";
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.flash().apply(this);
        }
    }

    /**
     * The screen takes on a colour for a while: evenly in, held, evenly out.
     *
     * @param opacity while it is held
     * @param area what of the screen is covered
     * @param in seconds until it is all there
     * @param hold seconds that it stays
     * @param out seconds until nothing of it is left
     */
    record ScreenTint(Rgba colour, double opacity, Area area, double in, double hold, double out) implements Companion {
        public static final Bounds OPACITY = Bounds.above(0, 1);
        public static final Bounds IN = Bounds.of(0, 60);
        public static final Bounds HOLD = Bounds.of(0, 600);
        public static final Bounds OUT = Bounds.of(0, 60);

        /** What of the screen a tint covers. */
        public enum Area {
            WHOLE,
            /** Its edges, towards which it grows; the middle stays clear. */
            EDGES
        }

        public ScreenTint {
            OPACITY.check("opacity", opacity);
            IN.check("in", in);
            HOLD.check("hold", hold);
            OUT.check("out", out);
            Demand.above("in", in + hold + out, 0);
        }

        public double seconds() {
            return in + hold + out;
        }

        /** Returns its opacity so many seconds after it began. */
        public double at(double seconds) {
            if (seconds < in) {
                return opacity * seconds / in;
            }
            double left = seconds() - seconds;
            return left >= out ? opacity : Math.max(0, opacity * left / out);
        }

        @Override
        public String words() {
            return "tint " + (area == Area.EDGES ? "the edges of the screen " : "the screen ")
                    + colour.toString().substring(0, 7) + " for " + Words.number(seconds()) + " s";
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.tint().apply(this);
        }
    }

    /**
     * The game stands still for a moment.
     *
     * @param seconds above 0 to 1
     */
    record HitPause(double seconds) implements Companion {
        public static final Bounds SECONDS = Bounds.above(0, 1);

        public HitPause {
            SECONDS.check("seconds", seconds);
        }

        @Override
        public String words() {
            return "hit pause " + Words.number(seconds) + " s";
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.hitPause().apply(this);
        }
    }

    /**
     * Game code is told, by a name that both sides know.
     *
     * @param after seconds
     * @param values what it carries, at most 8
     */
    record Notice(String name, double after, List<NoticeValue> values) implements Companion {
        public static final Bounds AFTER = Bounds.of(0, 600);

        public Notice {
            Demand.name("name", name);
            AFTER.check("after", after);
            values = NoticeValue.unique(values);
        }

        /** A notice that carries nothing. */
        public Notice(String name, double after) {
            this(name, after, List.of());
        }

        @Override
        public String words() {
            String carried = values.isEmpty()
                    ? ""
                    : " with "
                            + Words.all(values.stream().map(NoticeValue::name).toList());
            return "tell the game “" + name + "”" + carried + (after > 0 ? " after " + Words.number(after) + " s" : "");
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.notice().apply(this);
        }
    }
}
