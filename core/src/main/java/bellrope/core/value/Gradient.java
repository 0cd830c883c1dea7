package bellrope.core.value;

import java.util.List;

/**
 * A colour over a fraction from 0 to 1, interpolated in linear light.
 *
 * @param stops 1 to 16, each later than the one before
 */
public record Gradient(List<Stop> stops) {
    public static final int MOST = 16;

    /** White throughout: multiplied by it, a colour stays itself. */
    public static final Gradient WHITE = new Gradient(List.of(new Stop(0, Rgba.WHITE)));

    /** A colour at a fraction from 0 to 1. */
    public record Stop(double at, Rgba colour) {
        public static final Bounds AT = Bounds.of(0, 1);

        public Stop {
            AT.check("at", at);
        }
    }

    public Gradient {
        stops = Demand.atMost("", stops, MOST);
        if (stops.isEmpty()) {
            throw new Refused("", "no stops", "at least one stop");
        }
        for (int i = 1; i < stops.size(); i++) {
            if (stops.get(i).at() <= stops.get(i - 1).at()) {
                throw new Refused(i + "/at", Words.number(stops.get(i).at()), "later than the stop before it");
            }
        }
    }

    /** Returns linear red, green, blue and alpha, one after the other, at {@code cells + 1} even fractions. */
    public float[] table(int cells) {
        float[] table = new float[4 * (cells + 1)];
        for (int i = 0; i <= cells; i++) {
            write(table, 4 * i, (double) i / cells);
        }
        return table;
    }

    /** Writes linear red, green, blue and alpha at a fraction into {@code out} from {@code offset} on. */
    public void write(float[] out, int offset, double fraction) {
        Stop before = stops.get(0);
        Stop after = before;
        for (Stop stop : stops) {
            after = stop;
            if (stop.at() > fraction) {
                break;
            }
            before = stop;
        }
        double gap = after.at() - before.at();
        double t = gap <= 0 ? 0 : Math.min(1, Math.max(0, (fraction - before.at()) / gap));
        Rgba a = before.colour();
        Rgba b = after.colour();
        out[offset] = (float) (a.linearRed() + (b.linearRed() - a.linearRed()) * t);
        out[offset + 1] = (float) (a.linearGreen() + (b.linearGreen() - a.linearGreen()) * t);
        out[offset + 2] = (float) (a.linearBlue() + (b.linearBlue() - a.linearBlue()) * t);
        out[offset + 3] = (float) ((a.alpha() + (b.alpha() - a.alpha()) * t) / 255);
    }
}
