package bellrope.core.value;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.Normalizer;
import java.util.Collection;
import java.util.Locale;

/** Values as an English reader expects to see them. */
public final class Words {
    private Words() {}

    /** Returns the shortest plain decimal with at most four digits after the point: {@code 4}, {@code 0.15}. */
    public static String number(double value) {
        if (!Double.isFinite(value)) {
            return Double.toString(value);
        }
        BigDecimal rounded = BigDecimal.valueOf(value).setScale(4, RoundingMode.HALF_EVEN);
        if (rounded.signum() == 0) {
            return value == 0 ? "0" : Double.toString(value);
        }
        return rounded.stripTrailingZeros().toPlainString();
    }

    public static String vector(Vec3 v) {
        return number(v.x()) + ", " + number(v.y()) + ", " + number(v.z());
    }

    /** Returns what is allowed where a name is unknown: such as {@code the name of a known effect, did you mean x?}. */
    public static String known(String kind, String given, Collection<String> names) {
        return names.isEmpty()
                ? "no " + kind + " is declared yet"
                : "the name of a known " + kind + nearest(given, names);
    }

    /** Returns {@code "a"}, {@code "a and b"}, {@code "a, b and c"}. */
    public static String all(Collection<String> words) {
        return listed(words, " and ");
    }

    /** Returns {@code "a"}, {@code "a or b"}, {@code "a, b or c"}. */
    public static String either(Collection<String> words) {
        return listed(words, " or ");
    }

    private static String listed(Collection<String> words, String last) {
        StringBuilder text = new StringBuilder();
        int left = words.size();
        for (String word : words) {
            text.append(word);
            left--;
            text.append(left > 1 ? ", " : left == 1 ? last : "");
        }
        return text.toString();
    }

    /**
     * Returns {@code ", did you mean x?"} for the nearest of the known names, or nothing when none is near: at most a
     * third of its letters changed (Levenshtein distance, case ignored).
     */
    public static String nearest(String given, Collection<String> known) {
        String best = null;
        int bestDistance = Integer.MAX_VALUE;
        for (String name : known) {
            int distance = distance(given.toLowerCase(), name.toLowerCase());
            if (distance < bestDistance) {
                bestDistance = distance;
                best = name;
            }
        }
        return best != null && bestDistance <= Math.max(2, best.length() / 3) ? "; did you mean " + best + "?" : "";
    }

    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j < row.length; j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int swap = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(swap, Math.min(row[j], row[j - 1]) + 1);
            }
        }
        return row[b.length()];
    }

    // Letters of other scripts that look like Latin ones in most type: Cyrillic and Greek (Unicode TR39 lists them
    // all).
    private static final String LOOK_ALIKE = "аaеeоoрpсcхxуyіiјjѕsԁdһhкkмmтtвbнhαaοoρpνvιiκkτtυuηn";

    /**
     * Returns what is left of a name when case, separators, marks and look-alike letters are taken off: names that share it
     * are taken for one another by eye or by hand.
     */
    public static String skeleton(String name) {
        StringBuilder left = new StringBuilder();
        Normalizer.normalize(name, Normalizer.Form.NFKD)
                .toLowerCase(Locale.ROOT)
                .codePoints()
                .filter(Character::isLetterOrDigit)
                .forEach(c -> {
                    int at = LOOK_ALIKE.indexOf(c);
                    left.appendCodePoint(at >= 0 && at % 2 == 0 ? LOOK_ALIKE.charAt(at + 1) : c);
                });
        return left.toString().replace('0', 'o').replace('1', 'l');
    }

    /** Returns a text with a question mark for each half of a character, which no file and no answer could hold. */
    public static String whole(String text) {
        StringBuilder whole = null;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean pair = Character.isHighSurrogate(c)
                    && i + 1 < text.length()
                    && Character.isLowSurrogate(text.charAt(i + 1));
            if (pair) {
                i++;
            } else if (Character.isSurrogate(c)) {
                whole = whole == null ? new StringBuilder(text) : whole;
                whole.setCharAt(i, '?');
            }
        }
        return whole == null ? text : whole.toString();
    }
}
