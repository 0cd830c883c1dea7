package bellrope.core.effect;

import bellrope.core.value.Demand;
import bellrope.core.value.Gradient;
import bellrope.core.value.Refused;
import bellrope.core.value.Rgba;
import bellrope.core.value.Weights;
import java.util.List;
import java.util.function.Function;

/** The colours that particles are born with. */
public sealed interface Tint {
    /** Writes the colour at a share of 0 to 1, as linear red, green, blue and opacity. */
    void write(float[] into, double share);
    /** A function for each kind. */
    record Cases<R>(Function<Between, R> between, Function<OneOf, R> oneOf, Function<From, R> from) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(Function<Between, R> between, Function<OneOf, R> oneOf, Function<From, R> from) {
        return match(new Cases<>(between, oneOf, from));
    }

    /** Returns these colours multiplied by another, in linear light; opacities multiply too. */
    Tint times(Rgba other);

    /** Every colour between two, evenly in linear light. */
    record Between(Rgba from, Rgba to) implements Tint {
        @Override
        public Tint times(Rgba other) {
            return new Between(from.times(other), to.times(other));
        }

        @Override
        public void write(float[] into, double share) {
            into[0] = (float) mixed(from.linearRed(), to.linearRed(), share);
            into[1] = (float) mixed(from.linearGreen(), to.linearGreen(), share);
            into[2] = (float) mixed(from.linearBlue(), to.linearBlue(), share);
            into[3] = (float) (mixed(from.alpha(), to.alpha(), share) / 255);
        }

        private static double mixed(double a, double b, double share) {
            return a + (b - a) * share;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.between().apply(this);
        }
    }

    /**
     * One of a list.
     *
     * @param colours 1 to 16
     * @param weights how likely each is beside the others, above 0 to 1,000; none where all are equally likely
     */
    record OneOf(List<Rgba> colours, List<Double> weights) implements Tint {
        public static final int MOST_COLOURS = 16;

        /** One of a list, each equally likely. */
        public OneOf(List<Rgba> colours) {
            this(colours, List.of());
        }

        public OneOf {
            colours = Demand.atMost("colours", colours, MOST_COLOURS);
            if (colours.isEmpty()) {
                throw new Refused("colours", "none", "at least one colour");
            }
            weights = List.copyOf(weights);
            if (!weights.isEmpty() && weights.size() != colours.size()) {
                throw new Refused(
                        "weights", weights.size() + " weights", colours.size() + ", one for each colour, or none");
            }
            for (int i = 0; i < weights.size(); i++) {
                Weights.demand("weights/" + i, weights.get(i));
            }
        }

        @Override
        public Tint times(Rgba other) {
            return new OneOf(colours.stream().map(c -> c.times(other)).toList(), weights);
        }

        @Override
        public void write(float[] into, double share) {
            int chosen = weights.isEmpty()
                    ? (int) (share * colours.size())
                    : Weights.choice(weights.size(), weights::get, share);
            Rgba c = colours.get(chosen);
            into[0] = (float) c.linearRed();
            into[1] = (float) c.linearGreen();
            into[2] = (float) c.linearBlue();
            into[3] = (float) (c.alpha() / 255.0);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.oneOf().apply(this);
        }
    }

    /** Some place of a gradient, each equally likely. */
    record From(Gradient gradient) implements Tint {
        @Override
        public Tint times(Rgba other) {
            return new From(new Gradient(gradient.stops().stream()
                    .map(s -> new Gradient.Stop(s.at(), s.colour().times(other)))
                    .toList()));
        }

        @Override
        public void write(float[] into, double share) {
            gradient.write(into, 0, share);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.from().apply(this);
        }
    }
}
