package bellrope.core.rope;

import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import java.util.Optional;

/**
 * What a rope is to those who work on it.
 *
 * @param off whether it is switched off: it stays, and never answers
 * @param remark in words of one's own, at most 2,000 characters; may be empty
 * @param group name it is kept under; empty for none
 */
public record Note(boolean off, String remark, Optional<String> group) {
    /** Most characters of a remark. */
    public static final int LONGEST_REMARK = 2_000;

    public static final Note NONE = new Note(false, "", Optional.empty());

    public Note {
        if (remark.length() > LONGEST_REMARK) {
            throw new Refused("remark", remark.length() + " characters", "at most " + LONGEST_REMARK);
        }
        group.ifPresent(name -> Demand.name("group", name));
    }
}
