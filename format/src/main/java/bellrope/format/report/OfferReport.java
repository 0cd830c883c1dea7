package bellrope.format.report;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.project.Project;
import bellrope.core.rope.Refit;
import bellrope.core.rope.Rope;
import bellrope.core.rope.SourceValues;
import java.util.List;
import java.util.Optional;

/**
 * What can drive one parameter of a rope's effect.
 *
 * @param fields of the event that can
 * @param scalar whether numbers can too: channels, times, chance, other parameters
 * @param others names of those parameters
 */
public record OfferReport(String parameter, List<String> fields, boolean scalar, List<String> others) {
    /** Returns one for each parameter of the effect that a rope plays. */
    public static List<OfferReport> of(Project project, Rope rope) {
        List<Field> fields = project.event(rope.event()).map(EventType::fields).orElse(List.of());
        List<Parameter> parameters =
                rope.play().flatMap(project::effect).map(Effect::parameters).orElse(List.of());
        return parameters.stream()
                .map(p -> new OfferReport(
                        p.name(),
                        fields.stream()
                                .filter(f -> Refit.drives(f, p))
                                .map(Field::name)
                                .toList(),
                        p.type().scalar(),
                        parameters.stream()
                                .filter(o -> o != p && o.type().scalar())
                                .map(Parameter::name)
                                .toList()))
                .toList();
    }

    /** Returns the unit of what each condition of a rope reads; empty where it has none. */
    public static List<String> units(Project project, Rope rope) {
        SourceValues values = new SourceValues(project.event(rope.event()), Optional.empty(), project::channel);
        return rope.conditions().stream()
                .map(c -> c.match(compare -> values.unit(compare.source()), oneOf -> "", flagged -> "", tagged -> ""))
                .toList();
    }
}
