package bellrope.core.rope;

import bellrope.core.event.EventType;
import bellrope.core.event.Field.Meaning;
import java.util.List;

/** Which way the effect's own y axis points when a rope plays it; and with {@link #SUBJECT}, how its other axes lie. */
public enum Facing {
    NORMAL("the normal", Meaning.NORMAL),
    DIRECTION("the direction", Meaning.DIRECTION),
    OPPOSITE("back against the direction", Meaning.DIRECTION),
    /** As a ball would bounce: d − 2(d·n)n for direction d and normal n of length 1. */
    REFLECTED("as the direction is reflected", Meaning.DIRECTION, Meaning.NORMAL),
    HEADING("the heading", Meaning.HEADING),
    UP("up"),
    FIXED("a fixed way"),
    /** All of it: the effect's x axis along the heading, its y axis as far up as that, or as the event, says. */
    SUBJECT("as the subject stands", Meaning.HEADING);

    private final String words;
    private final List<Meaning> needs;

    Facing(String words, Meaning... needs) {
        this.words = words;
        this.needs = List.of(needs);
    }

    public String words() {
        return words;
    }

    /** Returns the vectors that an event lacks for this facing. A heading may also be known from where the subject is. */
    public List<Meaning> missing(EventType event) {
        return needs.stream()
                .filter(meaning ->
                        meaning != Meaning.HEADING && event.vector(meaning).isEmpty())
                .toList();
    }
}
