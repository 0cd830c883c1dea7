package bellrope.core.rope;

import bellrope.core.event.Field.Meaning;
import java.util.Optional;

/** Which way the effect's own y axis points when a rope plays it. */
public enum Facing {
    NORMAL("the normal", Meaning.NORMAL),
    DIRECTION("the direction", Meaning.DIRECTION),
    OPPOSITE("back against the direction", Meaning.DIRECTION),
    UP("up", null);

    private final String words;
    private final Meaning needs;

    Facing(String words, Meaning needs) {
        this.words = words;
        this.needs = needs;
    }

    public String words() {
        return words;
    }

    /** Returns the vector that the event must carry for this facing. */
    public Optional<Meaning> needs() {
        return Optional.ofNullable(needs);
    }
}
