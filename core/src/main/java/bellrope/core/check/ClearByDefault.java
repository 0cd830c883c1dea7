package bellrope.core.check;

import bellrope.core.effect.Parameter;
import bellrope.core.effect.Type;
import bellrope.core.value.Datum;
import bellrope.core.value.Rgba;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A colour parameter whose default cannot be seen: nothing shows until something sets it, and no message says why. */
final class ClearByDefault implements Check {
    @Override
    public List<Finding> look(Subject s) {
        List<Finding> found = new ArrayList<>();
        for (Parameter parameter : s.effect().parameters()) {
            if (parameter.type() instanceof Type.Colour
                    && parameter.standard() instanceof Datum.Word word
                    && Rgba.parse(word.text()).alpha() == 0
                    && !parameter.bindings().isEmpty()) {
                found.add(new Finding(
                        "clear by default",
                        Finding.Severity.WRONG,
                        "",
                        ChangesTheDefault.place(s, parameter.name()),
                        parameter.name() + " is " + word.text()
                                + " by default, whose opacity is 0: nothing it acts on is seen until something sets it",
                        Optional.of(new Finding.Remedy(
                                "Make white the default",
                                s.effect()
                                        .turned(parameter.name(), p -> p.withStandard(new Datum.Word("#FFFFFFFF")))))));
            }
        }
        return found;
    }
}
