package bellrope.core.measure;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Binding.Mode;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Through;
import bellrope.core.effect.Type;
import bellrope.core.project.Project;
import bellrope.core.sim.Likeness;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Stage;
import bellrope.core.value.Datum;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Proof that a parameter scales an effect truly. By dimensional analysis a motion stays the same motion, only larger, when
 * every length, speed and acceleration is multiplied, what comes per unit of length is divided, and all times, shares and
 * angles stay (dynamic similarity). So the effect is played once as it is and once with the parameter at {@code s}, and
 * every particle of every step is compared: s·x₁ against x_s.
 *
 * @param parameter its name
 * @param scale s, the value over the default
 * @param value of the parameter in the second run
 * @param difference greatest difference over the whole take as a share of the largest length met, 0 to 1
 * @param emitters the same for each emitter
 * @param causes what is to blame, worst first; none when it is a uniform scale
 * @param mended the parameter with everything bound that must be, and nothing that must not
 */
public record TrueScale(
        String parameter,
        double scale,
        double value,
        double difference,
        List<OfEmitter> emitters,
        List<Cause> causes,
        Parameter mended) {
    /** Differences up to this share are rounding, and the skin of what is struck. */
    public static final double TRUE = 0.005;
    /** Seconds that are compared at most. */
    public static final double LONGEST = 4;

    /** The greatest difference of one emitter; whether other particles lived than as authored. */
    public record OfEmitter(String emitter, double difference, boolean others) {}

    /**
     * One setting that does not scale as it must.
     *
     * @param property the setting; empty where an effect that particles begin is to blame
     * @param emitters where
     * @param fault what is wrong
     * @param difference what it makes alone, everything else bound as it must be; as a share
     * @param by the effect that particles begin, or the parameter that stands in; empty otherwise
     */
    public record Cause(
            Optional<Property> property, List<String> emitters, Fault fault, double difference, String by) {}

    /** What is wrong with a binding. */
    public enum Fault {
        /** Not bound, and must be. */
        MISSING,
        /** Bound, but through a curve or by another way than multiplying. */
        BENT,
        /** Bound, and must stay. */
        EXCESS,
        /** Another effect, which the parameter cannot reach. */
        BEYOND,
        /** Another parameter, further down, stands in for what was scaled. */
        REPLACED
    }

    /** Tells whether it is a uniform scale. */
    public boolean holds() {
        return difference <= TRUE && causes.isEmpty();
    }

    /** Returns the proof at the end of the parameter's range that is farther from its default, by ratio. */
    public static TrueScale of(Project project, Effect effect, Parameter parameter) {
        double standard = parameter.type().position(parameter.standard());
        Type type = parameter.type();
        boolean up = type.least() <= 0 || type.most() / standard >= standard / type.least();
        return of(project, effect, parameter, up ? type.most() : type.least());
    }

    /**
     * Returns the proof.
     *
     * @param value of the parameter for the second run; its default, and it, must be above 0
     */
    public static TrueScale of(Project project, Effect effect, Parameter parameter, double value) {
        double scale = value / parameter.type().position(parameter.standard());
        Parameter mended = mended(effect, parameter);
        Likeness now = run(project, effect, parameter, value, scale);
        List<Cause> causes = new ArrayList<>();
        for (Property property : Property.values()) {
            faults(effect, parameter, property).forEach((fault, emitters) -> {
                Parameter without = replaced(mended, parameter, property);
                double alone = run(project, effect, without, value, scale).difference();
                causes.add(new Cause(Optional.of(property), emitters, fault, alone, ""));
            });
        }
        replaced(effect, parameter, now.difference(), causes);
        for (Emitter emitter : effect.emitters()) {
            for (End.Child child : emitter.end().children()) {
                child.effect()
                        .filter(name -> project.effect(name).isPresent())
                        .ifPresent(name -> causes.add(new Cause(
                                Optional.empty(), List.of(emitter.name()), Fault.BEYOND, now.difference(), name)));
            }
        }
        causes.sort(Comparator.comparingDouble(Cause::difference).reversed());
        return new TrueScale(
                parameter.name(),
                scale,
                value,
                now.difference(),
                now.emitters().entrySet().stream()
                        .map(e -> new OfEmitter(
                                e.getKey(),
                                e.getValue().difference(),
                                e.getValue().others()))
                        .toList(),
                List.copyOf(causes),
                mended);
    }

    private static void replaced(Effect effect, Parameter parameter, double difference, List<Cause> causes) {
        int at = effect.parameters().stream().map(Parameter::name).toList().indexOf(parameter.name());
        for (Parameter later :
                effect.parameters().subList(at + 1, effect.parameters().size())) {
            for (Binding binding : later.bindings()) {
                List<String> where = effect.emitters().stream()
                        .filter(e -> binding.mode() == Mode.REPLACE
                                && binding.on(e.name())
                                && binding.property().mustScale(e))
                        .map(Emitter::name)
                        .toList();
                if (!where.isEmpty()) {
                    causes.add(new Cause(
                            Optional.of(binding.property()), where, Fault.REPLACED, difference, later.name()));
                }
            }
        }
    }

    private static Likeness run(Project project, Effect effect, Parameter parameter, double value, double scale) {
        // Other parameters stay as they are; a rope that feeds them has no part in this.
        Project with = project.withEffects(project.effects().stream()
                .map(e -> e.name().equals(effect.name()) ? effect.turned(parameter.name(), p -> parameter) : e)
                .toList());
        Preview plain = Preview.plain(effect, 1);
        Preview larger =
                plain.moving(plain.velocity().times(scale)).with(Map.of(parameter.name(), new Datum.Num(value)));
        Project stagedPlain = plain.staged(with);
        Project stagedLarger = larger.staged(with);
        Stage one = new Stage(stagedPlain);
        Stage other = new Stage(stagedLarger);
        one.pull(plain.pull(with));
        other.pull(larger.pull(with));
        Likeness likeness = new Likeness(scale);
        int most = project.settings().pace().stepsAt(LONGEST);
        for (int k = 0; k <= most; k++) {
            likeness.look(one.layers(), other.layers(), one.now());
            if (one.still() && other.still()) {
                break;
            }
            one.step();
            other.step();
        }
        return likeness;
    }

    /** Returns by fault the emitters where a property has it. */
    public static Map<Fault, List<String>> faults(Effect effect, Parameter parameter, Property property) {
        Map<Fault, List<String>> found = new java.util.EnumMap<>(Fault.class);
        for (Emitter emitter : effect.emitters()) {
            List<Binding> mine = parameter.bindings().stream()
                    .filter(b -> b.property() == property && b.on(emitter.name()))
                    .toList();
            Fault fault = fault(property, emitter, mine);
            if (fault != null) {
                found.computeIfAbsent(fault, f -> new ArrayList<>()).add(emitter.name());
            }
        }
        return found;
    }

    private static Fault fault(Property property, Emitter emitter, List<Binding> mine) {
        boolean sound = mine.size() == 1 && sound(mine.get(0), property);
        if (property.mustScale(emitter)) {
            return mine.isEmpty() ? Fault.MISSING : sound ? null : Fault.BENT;
        }
        // What is not there cannot be in excess; a ribbon that lasts so many seconds can, though one of so many units
        // must scale.
        boolean there = property.numbers(emitter).stream().anyMatch(n -> n != 0);
        return mine.isEmpty() || !there ? null : Fault.EXCESS;
    }

    private static boolean sound(Binding binding, Property property) {
        return binding.mode() == property.scalingMode() && binding.through() instanceof Through.Straight;
    }

    /** Returns the parameter with everything bound that a true scale needs. */
    public static Parameter mended(Effect effect, Parameter parameter) {
        List<Binding> bindings = new ArrayList<>();
        for (Property property : Property.values()) {
            List<Emitter> need =
                    effect.emitters().stream().filter(property::mustScale).toList();
            boolean whole = parameter.bindings().stream()
                    .anyMatch(b -> b.property() == property && b.emitter().isEmpty() && sound(b, property));
            boolean harmless = effect.emitters().stream()
                    .allMatch(e -> property.mustScale(e)
                            || property.numbers(e).stream().allMatch(n -> n == 0));
            if (property.scaling() != 0 && (!need.isEmpty() && harmless || whole && harmless)) {
                bindings.add(new Binding(property, property.scalingMode(), Optional.empty()));
            } else {
                need.forEach(e -> bindings.add(new Binding(property, property.scalingMode(), Optional.of(e.name()))));
            }
        }
        return parameter.withBindings(bindings);
    }

    // The mended parameter with one property bound as it is now.
    private static Parameter replaced(Parameter mended, Parameter now, Property property) {
        List<Binding> bindings = new ArrayList<>(mended.bindings());
        bindings.removeIf(b -> b.property() == property);
        now.bindings().stream().filter(b -> b.property() == property).forEach(bindings::add);
        return mended.withBindings(bindings);
    }
}
