package bellrope.core.check;

import bellrope.core.effect.Parameter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A parameter that no rope feeds and game code is not said to set: it always has its default. */
final class SetByNothing implements Check {
    @Override
    public List<Finding> look(Subject s) {
        List<Finding> found = new ArrayList<>();
        if (s.ropes().isEmpty()) {
            return found;
        }
        for (Parameter parameter : s.effect().parameters()) {
            boolean fed = s.ropes().stream()
                    .flatMap(r -> r.feeds().stream())
                    .anyMatch(f -> f.parameter().equals(parameter.name()));
            if (!fed && !parameter.byGame()) {
                found.add(new Finding(
                        "set by nothing",
                        Finding.Severity.DOUBTFUL,
                        "",
                        ChangesTheDefault.place(s, parameter.name()),
                        "no rope feeds " + parameter.name()
                                + " and game code is not said to set it: it always has its default",
                        Optional.of(new Finding.Remedy(
                                "Game code sets it", s.effect().turned(parameter.name(), Parameter::setByGame)))));
            }
        }
        return found;
    }
}
