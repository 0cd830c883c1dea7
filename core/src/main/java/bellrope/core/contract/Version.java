package bellrope.core.contract;

import bellrope.core.value.Demand;
import bellrope.core.value.Refused;

/**
 * A contract as it was handed over.
 *
 * @param name such as {@code 3} or {@code 2.1}; unique within the project
 * @param note what is new, in a sentence or two, at most 2,000 characters
 */
public record Version(String name, String note, Contract contract) {
    /** Most characters of a note. */
    public static final int LONGEST_NOTE = 2_000;

    public Version {
        Demand.name("name", name);
        Demand.whole("note", note);
        if (note.length() > LONGEST_NOTE) {
            throw new Refused("note", note.length() + " characters", "at most " + LONGEST_NOTE);
        }
    }
}
