package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/**
 * One or more emitters played together.
 *
 * @param name unique within its project
 * @param description when to use it; may be empty
 * @param course one-shot or looping, and its times
 * @param seed stands instead of the pull's, so that the effect looks the same each time; empty for another look each pull
 * @param emitters 1 to 16, drawn first to last
 * @param parameters at most 16
 * @param tries named sets of parameter values to compare, at most 8
 * @param order how far in front it is drawn, −100 to 100; effects of one order lie in the order of the project
 */
public record Effect(
        String name,
        String description,
        Course course,
        OptionalLong seed,
        List<Emitter> emitters,
        List<Parameter> parameters,
        List<Try> tries,
        int order) {
    public static final int MOST_EMITTERS = 16;
    public static final int MOST_PARAMETERS = 16;
    public static final int MOST_TRIES = 8;

    public static final Bounds ORDER = Bounds.around(100);

    /** Seeds stay exact in any JSON reader. */
    public static final long HIGHEST_SEED = (1L << 53) - 1;

    /**
     * Values of some parameters under a name, such as <i>hard</i>; they change nothing until someone takes them to try.
     *
     * @param values by parameter name; those not named have their default
     */
    public record Try(String name, Map<String, Datum> values) {
        public Try {
            Demand.name("name", name);
            values = Collections.unmodifiableMap(new TreeMap<>(values));
        }
    }

    /** An effect drawn in the order of the project. */
    public Effect(
            String name,
            String description,
            Course course,
            OptionalLong seed,
            List<Emitter> emitters,
            List<Parameter> parameters,
            List<Try> tries) {
        this(name, description, course, seed, emitters, parameters, tries, 0);
    }

    /** An effect without tries. */
    public Effect(
            String name,
            String description,
            Course course,
            OptionalLong seed,
            List<Emitter> emitters,
            List<Parameter> parameters) {
        this(name, description, course, seed, emitters, parameters, List.of());
    }

    public Effect {
        Demand.name("name", name);
        ORDER.check("order", order);
        if (seed.isPresent() && (seed.getAsLong() < 0 || seed.getAsLong() > HIGHEST_SEED)) {
            throw new Refused("seed", Long.toString(seed.getAsLong()), "a whole number from 0 to " + HIGHEST_SEED);
        }
        double playback = course.playback();
        emitters = Demand.atMost("emitters", emitters, MOST_EMITTERS).stream()
                .map(e -> e.withPlayback(playback))
                .toList();
        if (emitters.isEmpty()) {
            throw new Refused("emitters", "none", "at least one emitter");
        }
        parameters = Demand.atMost("parameters", parameters, MOST_PARAMETERS);
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
        }
        for (int i = 0; i < emitters.size(); i++) {
            List<End.Child> children = emitters.get(i).end().children();
            for (int j = 0; j < children.size(); j++) {
                Optional<String> born = children.get(j).emitter();
                if (born.isPresent() && !names.contains(born.get())) {
                    throw new Refused(
                            "emitters/" + i + "/end/children/" + j + "/emitter",
                            quoted(born.get()),
                            "the name of an emitter of this effect" + Words.nearest(born.get(), names));
                }
            }
        }
        tries = Demand.atMost("tries", tries, MOST_TRIES);
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
        tries(tries, parameters);
    }

    private static void tries(List<Try> tries, List<Parameter> parameters) {
        Set<String> names = new HashSet<>();
        List<String> known = parameters.stream().map(Parameter::name).toList();
        for (int i = 0; i < tries.size(); i++) {
            String place = "tries/" + i;
            if (!names.add(tries.get(i).name())) {
                throw new Refused(place + "/name", quoted(tries.get(i).name()), "a name no other try here has");
            }
            tries.get(i).values().forEach((name, value) -> {
                int at = known.indexOf(name);
                if (at < 0) {
                    throw new Refused(
                            place + "/values/" + name,
                            quoted(name),
                            "the name of a parameter of this effect" + Words.nearest(name, known));
                }
                if (!parameters.get(at).type().accepts(value)) {
                    throw new Refused(
                            place + "/values/" + name,
                            value.inWords(),
                            parameters.get(at).type().expects());
                }
            });
        }
    }

    /** Returns the effect as it plays: without what is switched off. It has the same emitters, so that numbers of them agree. */
    public Effect playing() {
        Set<String> silent = new HashSet<>();
        emitters.stream().filter(Emitter::off).forEach(e -> silent.add(e.name()));
        return silent.isEmpty()
                ? this
                : withEmitters(emitters.stream().map(e -> e.playing(silent)).toList());
    }

    /** Returns the effect with one emitter on, with all that it spawns and all that spawns it, and the others off. */
    public Effect alone(String name) {
        Set<String> heard = new HashSet<>();
        spawned(name, heard);
        spawning(name, heard);
        return withEmitters(emitters.stream()
                .map(e -> e.switched(!heard.contains(e.name())))
                .toList());
    }

    private void spawned(String name, Set<String> found) {
        if (found.add(name)) {
            emitter(name)
                    .ifPresent(e -> e.end().children().forEach(c -> c.emitter().ifPresent(n -> spawned(n, found))));
        }
    }

    private void spawning(String name, Set<String> found) {
        for (Emitter parent : emitters) {
            boolean spawns = parent.end().children().stream()
                    .anyMatch(c -> c.emitter().filter(name::equals).isPresent());
            if (spawns && found.add(parent.name())) {
                spawning(parent.name(), found);
            }
        }
    }

    public boolean looping() {
        return course.looping();
    }

    public Optional<Emitter> emitter(String wanted) {
        return emitters.stream().filter(e -> e.name().equals(wanted)).findFirst();
    }

    public Effect withEmitters(List<Emitter> others) {
        return new Effect(name, description, course, seed, others, parameters, tries, order);
    }

    /** Returns this effect drawn elsewhere among the others. */
    public Effect ordered(int other) {
        return other == order ? this : new Effect(name, description, course, seed, emitters, parameters, tries, other);
    }

    public Effect withCourse(Course other) {
        return new Effect(name, description, other, seed, emitters, parameters, tries, order);
    }

    /** Returns this effect with the emitter of that name changed. */
    public Effect changed(String emitter, UnaryOperator<Emitter> change) {
        return withEmitters(emitters.stream()
                .map(e -> e.name().equals(emitter) ? change.apply(e) : e)
                .toList());
    }

    public Optional<Parameter> parameter(String wanted) {
        return parameters.stream().filter(p -> p.name().equals(wanted)).findFirst();
    }

    /**
     * Returns the emitters as they play with the given parameter values. A parameter that is not given has its default. Where
     * all that a parameter does is neutral the very same emitters come back.
     *
     * @param values by parameter name, already held inside their bounds
     */
    public List<Emitter> resolved(Map<String, Datum> values) {
        return resolved(values, false);
    }

    /** Returns the emitters with those values, as far as it matters for when particles are born and how long they live. */
    public List<Emitter> timed(Map<String, Datum> values) {
        return resolved(values, true);
    }

    private List<Emitter> resolved(Map<String, Datum> values, boolean times) {
        List<Emitter> resolved = emitters;
        for (Parameter parameter : parameters) {
            if (times ? !parameter.times() : parameter.bindings().isEmpty()) {
                continue;
            }
            Datum value = values.getOrDefault(parameter.name(), parameter.standard());
            List<Emitter> before = resolved;
            List<Emitter> after = null;
            for (int i = 0; i < before.size(); i++) {
                Emitter changed = parameter.apply(before.get(i), value);
                if (changed != before.get(i)) {
                    after = after == null ? new ArrayList<>(before) : after;
                    after.set(i, changed);
                }
            }
            resolved = after == null ? before : after;
        }
        return resolved;
    }

    /** Returns this effect with other parameters. */
    public Effect withParameters(List<Parameter> others) {
        List<String> kept = others.stream().map(Parameter::name).toList();
        return new Effect(name, description, course, seed, emitters, others, fitting(kept), order);
    }

    // What no longer has a parameter is left out.
    private List<Try> fitting(List<String> kept) {
        return tries.stream()
                .map(t -> {
                    Map<String, Datum> left = new HashMap<>(t.values());
                    left.keySet().retainAll(kept);
                    return new Try(t.name(), left);
                })
                .toList();
    }

    /** Returns this effect with the parameter of that name changed. */
    public Effect turned(String parameter, UnaryOperator<Parameter> change) {
        return withParameters(parameters.stream()
                .map(p -> p.name().equals(parameter) ? change.apply(p) : p)
                .toList());
    }

    private static String quoted(String name) {
        return '"' + name + '"';
    }
}
