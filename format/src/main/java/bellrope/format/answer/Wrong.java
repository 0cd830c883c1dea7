package bellrope.format.answer;

import bellrope.core.value.Problem;
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

    public List<Problem> problems() {
        return problems;
    }
}
