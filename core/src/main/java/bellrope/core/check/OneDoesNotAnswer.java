package bellrope.core.check;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.measure.ParameterTable;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** An emitter that does not answer to a parameter that most of the others answer to. */
final class OneDoesNotAnswer implements Check {
    @Override
    public List<Finding> look(Subject s) {
        List<Finding> found = new ArrayList<>();
        for (Parameter parameter : s.effect().parameters()) {
            if (parameter.scale()) {
                continue;
            }
            for (Emitter emitter : s.effect().emitters()) {
                for (Property property : ParameterTable.missing(s.effect(), parameter, emitter)) {
                    found.add(new Finding(
                            "does not answer",
                            Finding.Severity.DOUBTFUL,
                            emitter.name(),
                            ChangesTheDefault.place(s, parameter.name()),
                            "keeps its "
                                    + property.name().toLowerCase(Locale.ROOT).replace('_', ' ') + " whatever "
                                    + parameter.name() + " is, though most of the others answer",
                            remedy(s, parameter, emitter, property)));
                }
            }
        }
        return found;
    }

    private static Optional<Finding.Remedy> remedy(Subject s, Parameter parameter, Emitter emitter, Property property) {
        return ParameterTable.forAll(parameter, property)
                .map(b -> new Binding(property, b.mode(), Optional.of(emitter.name()), b.through()))
                .map(b -> new Finding.Remedy("Let it answer too", s.effect().turned(parameter.name(), p -> {
                    List<Binding> more = new ArrayList<>(p.bindings());
                    more.add(b);
                    return p.withBindings(more);
                })));
    }
}
