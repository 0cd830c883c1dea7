package bellrope.core.check;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.measure.TrueScale;
import bellrope.core.measure.TrueScale.Fault;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * A scale that forgets something: a large copy droops, spreads or trails otherwise than a small one. And one that changes what
 * must stay, such as a time.
 */
final class ScaleForgets implements Check {
    @Override
    public List<Finding> look(Subject s) {
        List<Finding> found = new ArrayList<>();
        for (Parameter parameter : s.effect().parameters()) {
            if (!parameter.scale()) {
                continue;
            }
            Effect mended = s.effect().turned(parameter.name(), p -> TrueScale.mended(s.effect(), p));
            Optional<Finding.Remedy> remedy = Optional.of(new Finding.Remedy("Bind what is missing", mended));
            for (Emitter emitter : s.effect().emitters()) {
                List<String> forgotten = new ArrayList<>();
                List<String> wrong = new ArrayList<>();
                long must = 0;
                for (Property property : Property.values()) {
                    must += property.mustScale(emitter) ? 1 : 0;
                    Map<Fault, List<String>> faults = TrueScale.faults(s.effect(), parameter, property);
                    faults.forEach((fault, names) -> {
                        if (names.contains(emitter.name())) {
                            (fault == Fault.MISSING ? forgotten : wrong).add(words(property));
                        }
                    });
                }
                String place = ChangesTheDefault.place(s, parameter.name());
                if (!forgotten.isEmpty()) {
                    boolean all = forgotten.size() == must;
                    found.add(new Finding(
                            all ? "does not answer to the scale" : "scale forgets",
                            Finding.Severity.WRONG,
                            emitter.name(),
                            place,
                            all
                                    ? "does not answer to " + parameter.name() + ", which is meant to scale the effect"
                                    : "scales with " + parameter.name() + " but for its " + String.join(", ", forgotten)
                                            + ": a large copy moves otherwise than a small one",
                            remedy));
                }
                if (!wrong.isEmpty()) {
                    found.add(new Finding(
                            "scale bends",
                            Finding.Severity.DOUBTFUL,
                            emitter.name(),
                            place,
                            "has its " + String.join(", ", wrong) + " changed by " + parameter.name()
                                    + " otherwise than a true scale does",
                            remedy));
                }
            }
        }
        return found;
    }

    private static String words(Property property) {
        return property.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
