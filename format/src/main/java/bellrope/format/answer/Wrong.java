package bellrope.format.answer;

import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import java.util.List;

/** Something was asked for in a way that cannot be answered. */
public final class Wrong extends RuntimeException {
    private final transient List<Problem> problems;

    public Wrong(List<Problem> problems) {
        super(problems.get(0).toString());
        this.problems = problems;
    }

    Wrong(String place, String given, String allowed) {
        this(List.of(new Problem(place, given, allowed)));
    }

    /** Returns what a value said of itself while it was made, with its place as a pointer. */
    public static Wrong of(Refused refused) {
        String at = refused.place();
        return new Wrong(at.isEmpty() || at.startsWith("/") ? at : "/" + at, refused.given(), refused.allowed());
    }

    public List<Problem> problems() {
        return problems;
    }
}
