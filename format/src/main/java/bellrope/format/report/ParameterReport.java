package bellrope.format.report;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.measure.Neutral;
import bellrope.core.measure.ParameterTable;
import bellrope.core.measure.ParameterTable.Measured;
import bellrope.core.measure.TrueScale;
import bellrope.core.project.Project;
import bellrope.core.value.Range;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Everything computed of an effect's parameters.
 *
 * @param emitters names in draw order
 * @param usual what each emitter does with all parameters at their defaults
 * @param rows one for each parameter
 * @param bases for each emitter, what each property is as authored
 * @param neutral whether the effect at its defaults is the effect as authored
 * @param scales the proof of each parameter that is marked as a scale
 */
public record ParameterReport(
        List<String> emitters,
        List<MeasuredReport> usual,
        List<RowReport> rows,
        List<BaseReport> bases,
        NeutralReport neutral,
        List<ScaleReport> scales) {
    private static final int SAMPLES = 33;

    /** What an emitter does: particles, units, units a second, units, square units × seconds. */
    public record MeasuredReport(double count, double size, double speed, double reach, double presence) {
        static MeasuredReport of(Measured m) {
            return new MeasuredReport(m.count(), m.size(), m.speed(), m.reach(), m.presence());
        }
    }

    /**
     * One parameter.
     *
     * @param low its value at one end, as JSON
     * @param high at the other
     * @param curves what each of its bindings makes of its value
     */
    public record RowReport(
            String parameter, JsonValue low, JsonValue high, List<CellReport> cells, List<CurveReport> curves) {}

    /**
     * How an emitter meets a parameter.
     *
     * @param bound properties that it acts on
     * @param missing properties that one would expect it to act on
     */
    public record CellReport(List<String> bound, List<String> missing, MeasuredReport low, MeasuredReport high) {}

    /**
     * What a binding makes of the value of its parameter.
     *
     * @param mode {@code multiply} and so on
     * @param emitter empty for all
     * @param at values of the parameter, evenly from least to most; none where it takes no number
     * @param becomes what they become before they act
     */
    public record CurveReport(String property, String mode, String emitter, double[] at, double[] becomes) {}

    /**
     * A property that an emitter has.
     *
     * @param least as authored
     * @param most as authored
     * @param unit may be empty
     */
    public record BaseReport(String emitter, String property, double least, double most, String unit) {}

    /**
     * Whether the effect at its defaults is the effect as authored, to the bit.
     *
     * @param firstStep on which frames differ; −1 for none
     * @param differences in words
     */
    public record NeutralReport(boolean identical, int firstStep, List<String> differences) {}

    /**
     * The proof of a scale.
     *
     * @param scale s, how many times larger the second run was meant to be
     * @param difference greatest |s·x₁ − x_s| as a share of the largest length
     * @param holds whether it is a uniform scale
     * @param emitters names with their own difference
     * @param causes worst first
     * @param mended the whole effect with the parameter mended; null when it holds
     */
    public record ScaleReport(
            String parameter,
            double scale,
            double difference,
            boolean holds,
            List<EmitterDifference> emitters,
            List<CauseReport> causes,
            @Nullable JsonValue mended) {}

    public record EmitterDifference(String emitter, double difference, boolean others) {}

    /**
     * What is to blame.
     *
     * @param what a property; empty where an effect that particles begin is to blame
     * @param fault {@code missing}, {@code bent}, {@code excess}, {@code beyond} or {@code replaced}
     * @param difference that it makes alone, as a share
     * @param by the effect that particles begin, or the parameter that stands in; empty otherwise
     */
    public record CauseReport(String what, List<String> emitters, String fault, double difference, String by) {}

    public static ParameterReport of(Project project, Effect effect) {
        ParameterTable table = ParameterTable.of(project, effect);
        List<ScaleReport> scales = effect.parameters().stream()
                .filter(p -> p.scale()
                        && p.type().position(p.standard()) > 0
                        && p.type().most() > 0)
                .map(p -> scale(project, effect, p))
                .toList();
        return new ParameterReport(
                effect.emitters().stream().map(Emitter::name).toList(),
                table.usual().stream().map(MeasuredReport::of).toList(),
                table.rows().stream().map(r -> row(effect, r)).toList(),
                bases(effect),
                neutral(Neutral.of(project, effect)),
                scales);
    }

    private static RowReport row(Effect effect, ParameterTable.Row row) {
        Parameter parameter = effect.parameter(row.parameter()).orElseThrow();
        return new RowReport(
                row.parameter(),
                PayloadJson.node(row.low()),
                PayloadJson.node(row.high()),
                row.cells().stream()
                        .map(c -> new CellReport(
                                words(c.bound()),
                                words(c.missing()),
                                MeasuredReport.of(c.low()),
                                MeasuredReport.of(c.high())))
                        .toList(),
                parameter.bindings().stream().map(b -> curve(parameter, b)).toList());
    }

    private static CurveReport curve(Parameter parameter, Binding binding) {
        int steps = parameter.type().steps();
        int n = !parameter.type().scalar() ? 0 : steps > 0 ? steps : SAMPLES;
        double[] at = new double[n];
        double[] becomes = new double[n];
        for (int i = 0; i < n; i++) {
            double share = n == 1 ? 0 : (double) i / (n - 1);
            at[i] = parameter.type().least()
                    + (parameter.type().most() - parameter.type().least()) * share;
            becomes[i] = binding.through().value(at[i]);
        }
        return new CurveReport(
                word(binding.property()),
                binding.mode().name().toLowerCase(Locale.ROOT),
                binding.emitter().orElse(""),
                at,
                becomes);
    }

    private static List<BaseReport> bases(Effect effect) {
        List<BaseReport> bases = new ArrayList<>();
        for (Emitter emitter : effect.emitters()) {
            for (Property property : Property.values()) {
                Optional<Range> base = property.base(emitter);
                base.ifPresent(r -> bases.add(
                        new BaseReport(emitter.name(), word(property), r.least(), r.most(), property.unit())));
            }
        }
        return bases;
    }

    private static NeutralReport neutral(Neutral neutral) {
        return new NeutralReport(
                neutral.identical(),
                neutral.firstStep(),
                neutral.differences().stream()
                        .map(d -> d.parameter() + " " + d.mode().words() + " " + word(d.property()) + " of "
                                + d.emitter())
                        .toList());
    }

    private static ScaleReport scale(Project project, Effect effect, Parameter parameter) {
        TrueScale proof = TrueScale.of(project, effect, parameter);
        boolean mendable = proof.causes().stream().anyMatch(c -> c.by().isEmpty());
        return new ScaleReport(
                parameter.name(),
                proof.scale(),
                proof.difference(),
                proof.holds(),
                proof.emitters().stream()
                        .map(e -> new EmitterDifference(e.emitter(), e.difference(), e.others()))
                        .toList(),
                proof.causes().stream()
                        .map(c -> new CauseReport(
                                c.property().map(ParameterReport::word).orElse(""),
                                c.emitters(),
                                c.fault().name().toLowerCase(Locale.ROOT),
                                c.difference(),
                                c.by()))
                        .toList(),
                mendable ? Bundle.write(effect.turned(parameter.name(), p -> proof.mended())) : null);
    }

    private static List<String> words(Set<Property> properties) {
        return properties.stream().map(ParameterReport::word).toList();
    }

    private static String word(Property property) {
        return property.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
