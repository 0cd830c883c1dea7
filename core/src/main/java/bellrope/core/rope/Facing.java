package bellrope.core.rope;

import bellrope.core.event.Field.Meaning;
import java.util.Set;

/** Which way the effect's own y axis points when a rope plays it. */
public enum Facing {
    NORMAL("the normal", Meaning.NORMAL),
    DIRECTION("the direction", Meaning.DIRECTION),
    OPPOSITE("back against the direction", Meaning.DIRECTION),
    /** As a ball would bounce: d − 2(d·n)n for direction d and normal n of length 1. */
    REFLECTED("as the direction is reflected", Meaning.DIRECTION, Meaning.NORMAL),
    HEADING("the heading", Meaning.HEADING),
    UP("up"),
    FIXED("a fixed way");

    private final String words;
    private final Set<Meaning> needs;

    Facing(String words, Meaning... needs) {
        this.words = words;
        this.needs = Set.of(needs);
    }

    public String words() {
        return words;
    }

    /** Returns the vectors that the event must carry for this facing. */
    public Set<Meaning> needs() {
        return needs;
    }
}
