package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.value.Gradient;
import bellrope.core.value.Rgba;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A blend mode in which the colours change nothing: black that is screened, white that multiplies. */
final class BlendShowsNothing implements Check {
    private static final double NOTHING = 0.01;

    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            Look.Blend blend = e.look().blend();
            double[] range = range(e);
            // Added black is told of as invisible.
            boolean black = blend == Look.Blend.SCREEN && range[1] * e.look().brightness() < NOTHING;
            boolean white = blend == Look.Blend.MULTIPLY && range[0] > 1 - NOTHING;
            if (!black && !white) {
                return Optional.empty();
            }
            return Optional.of(new Finding(
                    "blend shows nothing",
                    Finding.Severity.WRONG,
                    e.name(),
                    place + "look/blend",
                    black
                            ? "screens what is behind it, and all its colours are black: nothing is seen"
                            : "multiplies what is behind it, and all its colours are white: nothing is seen",
                    s.mend(
                            "Blend by opacity",
                            e,
                            x -> x.withLook(new Look(
                                    x.look().sprite(),
                                    Look.Blend.ALPHA,
                                    x.look().order(),
                                    x.look().frame(),
                                    x.look().posture(),
                                    x.look().brightness())))));
        });
    }

    // The darkest and the brightest component of any colour that it ever has, in linear light.
    private static double[] range(Emitter e) {
        double[] own = {1, 0};
        List<float[]> born = e.birth()
                .colour()
                .match(
                        between -> List.of(light(between.from()), light(between.to())),
                        oneOf -> oneOf.colours().stream()
                                .map(BlendShowsNothing::light)
                                .toList(),
                        from -> {
                            List<float[]> all = new ArrayList<>();
                            sampled(from.gradient(), all);
                            return all;
                        });
        List<float[]> life = new ArrayList<>();
        sampled(e.life().colour(), life);
        boolean replaces = e.life().replaces(Life.Lane.COLOUR);
        for (float[] b : replaces ? List.of(light(1, 1, 1)) : born) {
            for (float[] l : life) {
                for (int c = 0; c < 3; c++) {
                    own[0] = Math.min(own[0], b[c] * l[c]);
                    own[1] = Math.max(own[1], b[c] * l[c]);
                }
            }
        }
        return own;
    }

    private static float[] light(Rgba c) {
        return light(c.linearRed(), c.linearGreen(), c.linearBlue());
    }

    private static float[] light(double red, double green, double blue) {
        return new float[] {(float) red, (float) green, (float) blue};
    }

    private static void sampled(Gradient gradient, List<float[]> into) {
        for (int i = 0; i <= 16; i++) {
            float[] colour = new float[4];
            gradient.write(colour, 0, i / 16.0);
            into.add(colour);
        }
    }
}
