package bellrope.core.check;

import bellrope.core.effect.Parameter;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Two parameters whose names differ by case, separators or look-alike letters only: one will be taken for the other. */
final class NamesAlike implements Check {
    @Override
    public List<Finding> look(Subject s) {
        List<Finding> found = new ArrayList<>();
        Map<String, String> seen = new HashMap<>();
        for (Parameter parameter : s.effect().parameters()) {
            String other = seen.putIfAbsent(Words.skeleton(parameter.name()), parameter.name());
            if (other != null) {
                found.add(new Finding(
                        "names alike",
                        Finding.Severity.WRONG,
                        "",
                        ChangesTheDefault.place(s, parameter.name()),
                        parameter.name() + " looks like " + other
                                + ": game code that means one will call the other, and nothing will tell",
                        Optional.empty()));
            }
        }
        return found;
    }
}
