package bellrope.format.json;

import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;

/** Everything found wrong while reading, in the order of reading; at most {@value #MOST}, the rest are counted. */
public final class Problems {
    public static final int MOST = 100;

    private final List<Problem> found = new ArrayList<>();
    private int count;

    public void add(String place, String given, String allowed) {
        count++;
        if (count <= MOST) {
            found.add(new Problem(place, given, allowed));
        }
    }

    public void addAll(List<Problem> problems) {
        problems.forEach(p -> add(p.place(), p.given(), p.allowed()));
    }

    public int count() {
        return count;
    }

    public boolean none() {
        return count == 0;
    }

    /** Returns what was found, with a last line that counts what is left out. */
    public List<Problem> list() {
        List<Problem> all = new ArrayList<>(found);
        if (count > MOST) {
            all.add(new Problem("", (count - MOST) + " more problems", "fix these first"));
        }
        return List.copyOf(all);
    }

    /** Returns what {@code maker} makes, or null with its refusal noted under {@code place}. */
    <T> T made(String place, Supplier<T> maker) {
        try {
            return maker.get();
        } catch (Refused refused) {
            add(
                    place + (refused.place().isEmpty() ? "" : "/" + pairIndex(refused.place())),
                    refused.given(),
                    refused.allowed());
            return null;
        }
    }

    // In files a range is a pair, so its ends have numbers.
    private static String pairIndex(String place) {
        return place.replaceFirst("/least$", "/0").replaceFirst("/most$", "/1");
    }
}
