package bellrope.core.score;

import bellrope.core.value.Bounds;
import bellrope.core.value.Curve;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.List;
import java.util.function.Function;

/** When the event of a lane arrives. */
public sealed interface Pattern {
    /** Highest rate of any lane, arrivals a second. */
    double FASTEST = 1_000;

    Bounds RATE = Bounds.above(0, FASTEST);

    /** A function for each kind. */
    record Cases<R>(
            Function<Marks, R> marks,
            Function<Steady, R> steady,
            Function<Poisson, R> poisson,
            Function<Salvos, R> salvos,
            Function<Rising, R> rising,
            Function<After, R> after) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(
            Function<Marks, R> marks,
            Function<Steady, R> steady,
            Function<Poisson, R> poisson,
            Function<Salvos, R> salvos,
            Function<Rising, R> rising,
            Function<After, R> after) {
        return match(new Cases<>(marks, steady, poisson, salvos, rising, after));
    }

    /**
     * Returns how many arrivals are to be expected in so many seconds; of what comes after another lane as many as that has.
     */
    double expected(double seconds);

    /**
     * At times of their own: written by hand, or recorded.
     *
     * @param marks at most {@value Score#MOST_ARRIVALS}, in any order
     */
    record Marks(List<Mark> marks) implements Pattern {
        public Marks {
            marks = Demand.atMost("marks", marks, Score.MOST_ARRIVALS);
        }

        @Override
        public double expected(double seconds) {
            return marks.size();
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.marks().apply(this);
        }
    }

    /**
     * Evenly, the first at the beginning.
     *
     * @param perSecond above 0 to 1,000
     */
    record Steady(double perSecond) implements Pattern {
        public Steady {
            rate("perSecond", perSecond);
        }

        @Override
        public double expected(double seconds) {
            return perSecond * seconds;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.steady().apply(this);
        }
    }

    /**
     * As a Poisson process: each independent of all others.
     *
     * @param perSecond on average
     */
    record Poisson(double perSecond) implements Pattern {
        public Poisson {
            rate("perSecond", perSecond);
        }

        @Override
        public double expected(double seconds) {
            return perSecond * seconds;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.poisson().apply(this);
        }
    }

    /**
     * Several together, again and again, the first at the beginning.
     *
     * @param count how many
     * @param within seconds over which they are spread at random, 0 to the pause
     * @param every seconds from one salvo to the next
     */
    record Salvos(int count, double within, double every) implements Pattern {
        public static final Bounds COUNT = Bounds.of(1, 1000);
        public static final Bounds EVERY = Bounds.of(0.001, Score.LONGEST);
        public static final Bounds WITHIN = Bounds.of(0, Score.LONGEST);

        public Salvos {
            COUNT.check("count", count);
            EVERY.check("every", every);
            WITHIN.check("within", within);
            if (within > every) {
                throw new Refused(
                        "within",
                        Words.number(within) + " s",
                        "no longer than from one salvo to the next, " + Words.number(every) + " s");
            }
        }

        @Override
        public double expected(double seconds) {
            return count * Math.ceil(seconds / every);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.salvos().apply(this);
        }
    }

    /**
     * As a Poisson process whose rate follows a curve.
     *
     * @param perSecond over the lane's stretch, each key 0 to 1,000
     */
    record Rising(Curve perSecond) implements Pattern {
        public static final Bounds PER_SECOND = Bounds.of(0, Rising.FASTEST);

        private static final int LOOKS = 1000;

        public Rising {
            PER_SECOND.check("perSecond", perSecond);
        }

        @Override
        public double expected(double seconds) {
            return most() * seconds;
        }

        /** Returns the highest rate that is reached. */
        double most() {
            double most = 0;
            for (int i = 0; i <= LOOKS; i++) {
                most = Math.max(most, perSecond.at((double) i / LOOKS));
            }
            for (Curve.Key key : perSecond.keys()) {
                most = Math.max(most, key.value());
            }
            return most;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.rising().apply(this);
        }
    }

    /**
     * After arrivals of another lane; fields of the same name are handed on.
     *
     * @param lane by its id
     * @param chance with which each is followed
     * @param delay seconds after it
     */
    record After(int lane, double chance, double delay) implements Pattern {
        public static final Bounds LANE = Bounds.of(1, Lane.HIGHEST_ID);
        public static final Bounds CHANCE = Bounds.above(0, 1);
        public static final Bounds DELAY = Bounds.of(0, 60);

        public After {
            LANE.check("lane", lane);
            CHANCE.check("chance", chance);
            DELAY.check("delay", delay);
        }

        @Override
        public double expected(double seconds) {
            return 0;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.after().apply(this);
        }
    }

    private static void rate(String place, double perSecond) {
        RATE.check(place, perSecond);
    }
}
