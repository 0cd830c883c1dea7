package bellrope.format.report;

import bellrope.core.check.Check;
import bellrope.core.check.Finding;
import bellrope.core.check.Subject;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.measure.Answers;
import bellrope.core.measure.Branching;
import bellrope.core.sim.Watch.ByEmitter;
import bellrope.core.value.Exact;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What is known of an effect once it was played, for other programs.
 *
 * @param findings what the checks noticed, the worst first
 * @param expected births by generation, by the branching theory
 * @param expectedTotal of all generations; null when they have no end
 * @param offspring mean offspring of a particle; from 1 on it runs away
 */
public record EffectReport(
        List<FindingReport> findings,
        List<EmitterReport> emitters,
        List<AnswersReport> answers,
        double[] expected,
        @Nullable Double expectedTotal,
        double offspring) {
    /** Parts into which the births of an emitter are shared out. */
    private static final int BINS = 12;

    /**
     * A finding.
     *
     * @param severity wrong or doubtful
     * @param emitter empty for the whole effect
     * @param place of the setting, a pointer into the effect
     * @param remedy what would mend it, as an order; null if there is none
     * @param mended the effect with the remedy applied; null if there is none
     */
    public record FindingReport(
            String check,
            String severity,
            String emitter,
            String place,
            String words,
            @Nullable String remedy,
            @Nullable JsonValue mended) {
        static FindingReport of(Finding f) {
            return new FindingReport(
                    f.check(),
                    f.severity().name().toLowerCase(Locale.ROOT),
                    f.emitter(),
                    f.place(),
                    f.words(),
                    f.remedy().map(Finding.Remedy::words).orElse(null),
                    f.remedy().map(r -> (JsonValue) Bundle.write(r.effect())).orElse(null));
        }
    }

    /**
     * An emitter as it played.
     *
     * @param births in the take
     * @param dropped by a cap or the particle limit
     * @param own expected births in one pull or cycle, without those as a child
     * @param children expected of one particle
     * @param line expected in a particle's whole line, itself included; null when that has no end
     * @param saturation brightness from which on it only bleaches; null for black
     * @param drag linear drag that acts, per second
     * @param restWithin seconds until 99 % of the speed is gone; null without drag
     * @param unseen share of all life in which it cannot be seen
     * @param rose throws into each sixteenth of the circle
     * @param speed share-out of the births, see {@code ByEmitter.spread}
     */
    public record EmitterReport(
            String name,
            long births,
            long dropped,
            double own,
            double children,
            @Nullable Double line,
            @Nullable Double saturation,
            double drag,
            @Nullable Double restWithin,
            double unseen,
            int[] rose,
            double throwDirection,
            double throwResultant,
            int[] speed,
            int[] lifetime,
            int[] size,
            int[] opacity) {}

    /**
     * Which emitters answer to a parameter.
     *
     * @param emitters for each emitter in draw order, the properties that answer
     */
    public record AnswersReport(String parameter, List<List<String>> emitters) {}

    public static EffectReport of(Subject subject) {
        List<FindingReport> findings = new ArrayList<>();
        List<Finding> found = Check.all(subject);
        for (Finding.Severity severity : Finding.Severity.values()) {
            found.stream()
                    .filter(f -> f.severity() == severity)
                    .map(FindingReport::of)
                    .forEach(findings::add);
        }
        Effect effect = subject.effect();
        List<EmitterReport> emitters = new ArrayList<>();
        for (int i = 0; i < effect.emitters().size(); i++) {
            emitters.add(emitter(subject, i));
        }
        Branching branching = subject.branching();
        return new EffectReport(
                findings,
                emitters,
                Answers.of(effect).stream()
                        .map(a -> new AnswersReport(a.parameter(), a.emitters()))
                        .toList(),
                branching.generations(),
                finite(branching.total()),
                branching.offspring());
    }

    private static EmitterReport emitter(Subject subject, int i) {
        Emitter emitter = subject.effect().emitters().get(i);
        Branching.Line line = subject.branching().lines().get(i);
        ByEmitter by = subject.take()
                .watch()
                .emitter(subject.effect().name(), emitter.name())
                .orElseGet(ByEmitter::new);
        double drag = emitter.life().dragPerSecond();
        return new EmitterReport(
                emitter.name(),
                by.births(),
                by.refused(),
                Branching.own(subject.effect(), emitter),
                line.children(),
                finite(line.total()),
                finite(emitter.saturation()),
                drag,
                drag > 0 ? Exact.log(100) / drag : null,
                by.unseenShare(),
                by.rose(),
                by.meanDirection(),
                by.resultant(),
                by.spread(0, BINS),
                by.spread(1, BINS),
                by.spread(2, BINS),
                by.spread(3, BINS));
    }

    private static Double finite(double value) {
        return Double.isFinite(value) ? value : null;
    }
}
