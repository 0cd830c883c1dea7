package bellrope.core.rope;

import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * A value that a notice carries to game code.
 *
 * @param name by which game code reads it, unique within its notice
 * @param source a field of the payload, as it came; a channel, as it is when the notice is sent; a parameter of the rope's
 *     effect, as its feed sets it at that moment; or a constant
 */
public record NoticeValue(String name, Source source) {
    public static final int MAXIMUM = 8;

    public NoticeValue {
        Demand.name("name", name);
        boolean carried = source.match(
                payload -> true,
                channel -> true,
                held -> false,
                since -> false,
                constant -> true,
                random -> false,
                parameter -> true);
        if (!carried) {
            throw new Refused(
                    "", source.words(), "a field of the payload, a channel, a parameter of the effect or a constant");
        }
    }

    /** Returns a list of values whose names are unique. */
    static List<NoticeValue> unique(List<NoticeValue> values) {
        List<NoticeValue> all = Demand.atMost("values", values, MAXIMUM);
        Set<String> names = new HashSet<>();
        for (int i = 0; i < all.size(); i++) {
            if (!names.add(all.get(i).name())) {
                throw new Refused("values/" + i + "/name", '"' + all.get(i).name() + '"', "a name that is there once");
            }
        }
        return all;
    }

    public NoticeValue from(Source other) {
        return new NoticeValue(name, other);
    }
}
