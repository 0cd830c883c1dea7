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
    public Version {
        Demand.name("name", name);
        Demand.whole("note", note);
        if (note.length() > 2000) {
            throw new Refused("note", note.length() + " characters", "at most 2000");
        }
    }
}
