package bellrope.core.measure;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.project.Project;
import bellrope.core.sim.Watch.ByEmitter;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Datum;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What answers to what, and how strongly: the effect is played with each parameter at either end of its range, everything
 * else as it is, and what each emitter does is measured.
 *
 * @param usual what each emitter does with all parameters at their defaults, in draw order
 * @param rows one for each parameter
 */
public record ParameterTable(List<Measured> usual, List<Row> rows) {
    /** Seconds that are played at most. */
    public static final double LONGEST = 3;

    /**
     * What an emitter does in one run.
     *
     * @param count particles born
     * @param size mean at birth, units
     * @param speed mean at birth, units a second
     * @param reach greatest distance of one that can be seen from the effect's place, units
     * @param presence opacity × area × luminance over time, square units × seconds
     */
    public record Measured(double count, double size, double speed, double reach, double presence) {}

    /** One parameter: its two ends, and a cell for each emitter in draw order. */
    public record Row(String parameter, Datum low, Datum high, List<Cell> cells) {}

    /**
     * How one emitter meets one parameter.
     *
     * @param bound properties that the parameter acts on here
     * @param missing properties that one would expect it to act on: it acts on most other emitters that have them, or it is a
     *     scale and must
     * @param low what the emitter does with the parameter at its least
     * @param high at its most
     */
    public record Cell(Set<Property> bound, Set<Property> missing, Measured low, Measured high) {
        /** Tells whether anything measured differs from the usual. */
        public boolean answers(Measured usual) {
            return !low.equals(usual) || !high.equals(usual);
        }
    }

    public static ParameterTable of(Project project, Effect effect) {
        Project with = project.withEffects(project.effects().stream()
                .map(e -> e.name().equals(effect.name()) ? effect : e)
                .toList());
        List<Measured> usual = measured(with, effect, Map.of());
        List<Row> rows = new ArrayList<>();
        for (Parameter parameter : effect.parameters()) {
            Datum low = parameter.ends().get(0);
            Datum high = parameter.ends().get(1);
            boolean idle = parameter.bindings().isEmpty();
            List<Measured> atLow = idle ? usual : measured(with, effect, Map.of(parameter.name(), low));
            List<Measured> atHigh = idle ? usual : measured(with, effect, Map.of(parameter.name(), high));
            List<Cell> cells = new ArrayList<>();
            for (int i = 0; i < effect.emitters().size(); i++) {
                Emitter emitter = effect.emitters().get(i);
                cells.add(new Cell(
                        bound(parameter, emitter), missing(effect, parameter, emitter), atLow.get(i), atHigh.get(i)));
            }
            rows.add(new Row(parameter.name(), low, high, List.copyOf(cells)));
        }
        return new ParameterTable(usual, List.copyOf(rows));
    }

    private static List<Measured> measured(Project project, Effect effect, Map<String, Datum> set) {
        Take take = Preview.plain(effect, 1).with(set).take(project, false, LONGEST);
        double step = take.pace().seconds(1);
        return effect.emitters().stream()
                .map(e -> take.watch().emitter(effect.name(), e.name()).orElseGet(ByEmitter::new))
                .map(by -> new Measured(by.births(), by.meanSize(), by.meanSpeed(), by.reach(), by.presence() * step))
                .toList();
    }

    private static Set<Property> bound(Parameter parameter, Emitter emitter) {
        Set<Property> bound = EnumSet.noneOf(Property.class);
        for (Binding binding : parameter.bindings()) {
            if (binding.on(emitter.name()) && has(binding.property(), emitter)) {
                bound.add(binding.property());
            }
        }
        return bound;
    }

    private static boolean has(Property property, Emitter emitter) {
        if (property == Property.FORCE_PLACE) {
            return emitter.life().forces().stream().anyMatch(f -> f.from().isPresent());
        }
        return property == Property.COLOUR
                || property == Property.SPRITE
                || property.vector()
                || property.numbers(emitter).stream().anyMatch(n -> n != 0);
    }

    /** Returns the properties that one would expect a parameter to act on in an emitter, and that it does not. */
    public static Set<Property> missing(Effect effect, Parameter parameter, Emitter emitter) {
        Set<Property> missing = EnumSet.noneOf(Property.class);
        Set<Property> mine = bound(parameter, emitter);
        for (Property property : Property.values()) {
            if (mine.contains(property) || !has(property, emitter)) {
                continue;
            }
            if (parameter.scale() ? property.mustScale(emitter) : most(effect, parameter, property)) {
                missing.add(property);
            }
        }
        return missing;
    }

    // Whether more than half of the emitters that have a property answer by it.
    private static boolean most(Effect effect, Parameter parameter, Property property) {
        List<Emitter> having =
                effect.emitters().stream().filter(e -> has(property, e)).toList();
        long bound = having.stream()
                .filter(e -> bound(parameter, e).contains(property))
                .count();
        return bound * 2 > having.size();
    }

    /** Returns the one binding that makes every emitter answer by a property as most do; empty when none does. */
    public static Optional<Binding> forAll(Parameter parameter, Property property) {
        return parameter.bindings().stream()
                .filter(b -> b.property() == property)
                .findFirst()
                .map(b -> new Binding(property, b.mode(), Optional.empty(), b.through()));
    }
}
