package bellrope.server.store;

import bellrope.core.value.Problem;
import java.util.List;

/** Something that was asked for and not done; nothing has changed. */
public final class Refusal extends RuntimeException {
    /** Why, in the terms of HTTP. */
    public enum Why {
        NOT_THERE,
        WRONG,
        OUTDATED,
        IN_THE_WAY,
        TOO_LARGE,
        UNREADABLE,
        NOT_KEPT
    }

    private final Why why;
    private final transient List<Problem> problems;
    private final transient Snapshot.Part yours;
    private final transient Snapshot.Part theirs;

    private Refusal(Why why, String message, List<Problem> problems, Snapshot.Part yours, Snapshot.Part theirs) {
        super(message);
        this.why = why;
        this.problems = problems;
        this.yours = yours;
        this.theirs = theirs;
    }

    public static Refusal notThere(String what) {
        return new Refusal(Why.NOT_THERE, "There is no " + what + ".", List.of(), null, null);
    }

    public static Refusal wrong(List<Problem> problems) {
        String first = problems.get(0).toString();
        String more = problems.size() > 1 ? " (and " + (problems.size() - 1) + " more)" : "";
        return new Refusal(Why.WRONG, first + more, problems, null, null);
    }

    public static Refusal inTheWay(String message) {
        return new Refusal(Why.IN_THE_WAY, message, List.of(), null, null);
    }

    public static Refusal tooLarge(String message) {
        return new Refusal(Why.TOO_LARGE, message, List.of(), null, null);
    }

    /** Something that was saved and cannot be read any more. */
    public static Refusal unreadable(String message) {
        return new Refusal(Why.UNREADABLE, message, List.of(), null, null);
    }

    /** Something that the disk did not take. */
    public static Refusal notKept(String message) {
        return new Refusal(Why.NOT_KEPT, message, List.of(), null, null);
    }

    /**
     * A save on a revision that is no longer the last.
     *
     * @param yours what was to be saved, under the revision it was based on
     * @param theirs what is saved
     */
    public static Refusal outdated(Snapshot.Part yours, Snapshot.Part theirs) {
        return new Refusal(
                Why.OUTDATED,
                "Your change of \"" + theirs.name() + "\" was made on revision " + yours.revision() + "; revision "
                        + theirs.revision() + " has been saved since.",
                List.of(),
                yours,
                theirs);
    }

    public Why why() {
        return why;
    }

    public List<Problem> problems() {
        return problems;
    }

    public Snapshot.Part yours() {
        return yours;
    }

    public Snapshot.Part theirs() {
        return theirs;
    }
}
