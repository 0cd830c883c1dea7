package bellrope.core.value;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.ToIntFunction;

/**
 * The numbers by which things in a list are addressed by random draws. They are kept with the things, so that reordering the
 * list, or adding and removing others, changes no draw. 0 stands for a thing that has none yet.
 */
public final class Addresses {
    private Addresses() {}

    /** Makes a copy of a thing that has a number. */
    public interface Numbering<T> {
        T numbered(T thing, int id);
    }

    /**
     * Returns the list with a number for each: those that have none get, in order, the smallest that is free. So a list in
     * which none has one is numbered from 1.
     *
     * @param place of the list, for refusals
     * @param highest number allowed; the list must not be longer
     * @throws Refused if two have the same number
     */
    public static <T> List<T> assigned(
            String place, List<T> list, int highest, ToIntFunction<T> id, Numbering<T> numbering) {
        Set<Integer> taken = new HashSet<>();
        for (int i = 0; i < list.size(); i++) {
            int own = Demand.within(place + "/" + i + "/id", id.applyAsInt(list.get(i)), 0, highest);
            if (own > 0 && !taken.add(own)) {
                throw new Refused(
                        place + "/" + i + "/id", Integer.toString(own), "a number that no other in the list has");
            }
        }
        if (taken.size() == list.size()) {
            return list;
        }
        List<T> out = new ArrayList<>(list);
        int free = 1;
        for (int i = 0; i < out.size(); i++) {
            if (id.applyAsInt(out.get(i)) == 0) {
                while (!taken.add(free)) {
                    free++;
                }
                out.set(i, numbering.numbered(out.get(i), free));
            }
        }
        return List.copyOf(out);
    }
}
