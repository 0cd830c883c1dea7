package bellrope.core.measure;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Which emitters answer to which parameters, found by turning each parameter to both its ends and looking at what changed:
 * a binding to something the emitter does not have answers to nothing.
 *
 * @param parameter its name
 * @param emitters for each emitter in draw order, the properties that answer, in words; none if it does not
 */
public record Answers(String parameter, List<List<String>> emitters) {
    /** Returns the answers to each parameter in turn. */
    public static List<Answers> of(Effect effect) {
        List<Answers> all = new ArrayList<>();
        for (Parameter parameter : effect.parameters()) {
            List<List<String>> emitters = new ArrayList<>();
            for (Emitter emitter : effect.emitters()) {
                List<String> answering = new ArrayList<>();
                for (Binding binding : parameter.bindings()) {
                    if (answers(effect, parameter, binding, emitter)) {
                        answering.add(binding.property().name().toLowerCase(java.util.Locale.ROOT));
                    }
                }
                emitters.add(List.copyOf(answering));
            }
            all.add(new Answers(parameter.name(), List.copyOf(emitters)));
        }
        return List.copyOf(all);
    }

    private static boolean answers(Effect effect, Parameter p, Binding binding, Emitter emitter) {
        Parameter alone = p.withBindings(List.of(binding));
        Effect one = new Effect(effect.name(), "", effect.course(), effect.seed(), effect.emitters(), List.of(alone));
        int at = effect.emitters().indexOf(emitter);
        return p.ends().stream()
                .anyMatch(end -> !one.resolved(Map.of(p.name(), end)).get(at).equals(emitter));
    }
}
