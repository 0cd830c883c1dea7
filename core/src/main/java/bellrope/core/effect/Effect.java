package bellrope.core.effect;

import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * One or more emitters played together.
 *
 * @param name unique within its project
 * @param description when to use it; may be empty
 * @param period seconds after which a looping effect begins again, 0.05 to 60; empty for a one-shot, which ends by itself
 * @param emitters 1 to 16, drawn first to last
 * @param parameters at most 16
 */
public record Effect(
        String name, String description, OptionalDouble period, List<Emitter> emitters, List<Parameter> parameters) {
    public Effect {
        Demand.name("name", name);
        if (period.isPresent()) {
            Demand.within("period", period.getAsDouble(), 0.05, 60);
        }
        emitters = Demand.atMost("emitters", emitters, 16);
        if (emitters.isEmpty()) {
            throw new Refused("emitters", "none", "at least one emitter");
        }
        parameters = Demand.atMost("parameters", parameters, 16);
        Map<Integer, String> seeds = new HashMap<>();
        Set<String> names = new HashSet<>();
        for (int i = 0; i < emitters.size(); i++) {
            Emitter emitter = emitters.get(i);
            if (!names.add(emitter.name())) {
                throw new Refused(
                        "emitters/" + i + "/name", quoted(emitter.name()), "a name no other emitter here has");
            }
            String owner = seeds.putIfAbsent(emitter.seed(), emitter.name());
            if (owner != null) {
                throw new Refused(
                        "emitters/" + i + "/seed",
                        Integer.toString(emitter.seed()),
                        "a seed of its own; this one belongs to " + quoted(owner));
            }
            Optional<Stream> stream = emitter.birth().stream();
            if (period.isEmpty() && stream.isPresent() && stream.get().lasting().isEmpty()) {
                throw new Refused(
                        "emitters/" + i + "/birth/stream/lasting",
                        "no end",
                        "a time in seconds, because a one-shot ends by itself");
            }
        }
        Set<String> parameterNames = new HashSet<>();
        for (int i = 0; i < parameters.size(); i++) {
            Parameter parameter = parameters.get(i);
            if (!parameterNames.add(parameter.name())) {
                throw new Refused(
                        "parameters/" + i + "/name", quoted(parameter.name()), "a name no other parameter here has");
            }
            for (int j = 0; j < parameter.bindings().size(); j++) {
                Optional<String> target = parameter.bindings().get(j).emitter();
                if (target.isPresent() && !names.contains(target.get())) {
                    throw new Refused(
                            "parameters/" + i + "/bindings/" + j + "/emitter",
                            quoted(target.get()),
                            "the name of an emitter of this effect");
                }
            }
        }
    }

    public boolean looping() {
        return period.isPresent();
    }

    public Optional<Parameter> parameter(String wanted) {
        return parameters.stream().filter(p -> p.name().equals(wanted)).findFirst();
    }

    /**
     * Returns the emitters as they play with the given parameter values. A parameter that is not given, or given its
     * default, changes nothing, to the last bit.
     *
     * @param values by parameter name, already held inside least and most
     */
    public List<Emitter> resolved(Map<String, Double> values) {
        List<Emitter> resolved = emitters;
        for (Parameter parameter : parameters) {
            Double value = values.get(parameter.name());
            if (value != null && value != parameter.standard()) {
                resolved = resolved.stream()
                        .map(emitter -> {
                            Emitter changed = emitter;
                            for (Binding binding : parameter.bindings()) {
                                changed = binding.apply(changed, value);
                            }
                            return changed;
                        })
                        .toList();
            }
        }
        return resolved;
    }

    private static String quoted(String name) {
        return '"' + name + '"';
    }
}
