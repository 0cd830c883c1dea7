package bellrope.core.value;

import java.util.ArrayList;
import java.util.List;

/**
 * A value over a fraction from 0 to 1, through keys.
 *
 * <p>Before the first key the value is the first key's, after the last the last's.
 *
 * @param keys 1 to 32, each later than the one before
 */
public record Curve(List<Key> keys) {
    public static final int MOST = 32;

    /** The multiplier that changes nothing. */
    public static final Curve ONE = constant(1);

    /**
     * One point of a curve.
     *
     * @param at fraction, 0 to 1
     * @param value −36,000 to 36,000
     * @param ease the way from here to the next key
     */
    public record Key(double at, double value, Ease ease) {
        public static final Bounds AT = Bounds.of(0, 1);
        public static final Bounds VALUE = Bounds.around(36_000);

        public Key {
            AT.check("at", at);
            VALUE.check("value", value);
        }
    }

    public Curve {
        keys = Demand.atMost("", keys, MOST);
        if (keys.isEmpty()) {
            throw new Refused("", "no keys", "at least one key");
        }
        for (int i = 1; i < keys.size(); i++) {
            if (keys.get(i).at() <= keys.get(i - 1).at()) {
                throw new Refused(
                        i + "/at",
                        Words.number(keys.get(i).at()),
                        "later than the key before it, at "
                                + Words.number(keys.get(i - 1).at()));
            }
        }
    }

    public static Curve constant(double value) {
        return new Curve(List.of(new Key(0, value, Ease.LINEAR)));
    }

    /** Returns a curve of straight segments through pairs of {@code at, value}. */
    public static Curve through(double... pairs) {
        Key[] keys = new Key[pairs.length / 2];
        for (int i = 0; i < keys.length; i++) {
            keys[i] = new Key(pairs[2 * i], pairs[2 * i + 1], Ease.LINEAR);
        }
        return new Curve(List.of(keys));
    }

    /** Returns the part up to a fraction above 0, stretched to the whole; the way that is cut becomes straight. */
    public Curve upTo(double fraction) {
        List<Key> kept = new ArrayList<>();
        for (Key key : keys) {
            if (key.at() < fraction) {
                kept.add(new Key(key.at() / fraction, key.value(), key.ease()));
            }
        }
        if (kept.size() < keys.size()) {
            if (!kept.isEmpty()) {
                Key last = kept.remove(kept.size() - 1);
                kept.add(new Key(last.at(), last.value(), Ease.LINEAR));
            }
            kept.add(new Key(1, at(fraction), Ease.LINEAR));
        }
        return new Curve(kept);
    }

    public double at(double fraction) {
        Key before = keys.get(0);
        if (fraction <= before.at()) {
            return before.value();
        }
        for (int i = 1; i < keys.size(); i++) {
            Key after = keys.get(i);
            if (fraction < after.at()) {
                return between(before, after, fraction);
            }
            before = after;
        }
        return before.value();
    }

    private static double between(Key before, Key after, double fraction) {
        double gap = after.at() - before.at();
        double time = (fraction - before.at()) / gap;
        if (before.ease() instanceof Ease.Spline spline) {
            return spline.between(before.value(), after.value(), gap, time);
        }
        double progress = before.ease().at(time);
        return before.value() + (after.value() - before.value()) * progress;
    }

    /** Returns the curve at {@code cells + 1} even fractions, both ends included. */
    public float[] table(int cells) {
        float[] table = new float[cells + 1];
        Key[] all = keys.toArray(new Key[0]);
        int next = 0;
        for (int i = 0; i <= cells; i++) {
            double fraction = (double) i / cells;
            while (next < all.length && fraction >= all[next].at()) {
                next++;
            }
            table[i] = (float)
                    (next == 0
                            ? all[0].value()
                            : next == all.length ? all[next - 1].value() : between(all[next - 1], all[next], fraction));
        }
        return table;
    }
}
