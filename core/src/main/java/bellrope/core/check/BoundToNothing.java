package bellrope.core.check;

import bellrope.core.effect.Parameter;
import bellrope.core.measure.Answers;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A parameter to which nothing answers: it can be turned, fed and set, and nothing happens. */
final class BoundToNothing implements Check {
    @Override
    public List<Finding> look(Subject s) {
        List<Finding> found = new ArrayList<>();
        for (Answers answers : Answers.of(s.effect())) {
            if (answers.emitters().stream().allMatch(List::isEmpty)) {
                Parameter p = s.effect().parameter(answers.parameter()).orElseThrow();
                found.add(new Finding(
                        "bound to nothing",
                        Finding.Severity.WRONG,
                        "",
                        ChangesTheDefault.place(s, p.name()),
                        p.name()
                                + (p.bindings().isEmpty()
                                        ? " acts on nothing: turning it changes nothing"
                                        : " acts on what no emitter has: turning it changes nothing"),
                        Optional.empty()));
            }
        }
        return found;
    }
}
