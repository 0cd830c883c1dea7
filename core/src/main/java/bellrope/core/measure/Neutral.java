package bellrope.core.measure;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.project.Project;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Range;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Proof that an effect with all its parameters at their defaults is the effect as authored, to the last bit of every frame.
 *
 * @param identical whether it is
 * @param firstStep on which the frames differ; −1 when they do not
 * @param differences what differs and by how much
 */
public record Neutral(boolean identical, int firstStep, List<Difference> differences) {
    /**
     * One property that a parameter changes at its default.
     *
     * @param authored the least and the most of the property as authored; empty for a colour
     * @param played as it plays; empty for a colour
     */
    public record Difference(
            String parameter,
            String emitter,
            Property property,
            Binding.Mode mode,
            Optional<Range> authored,
            Optional<Range> played) {}

    public static Neutral of(Project project, Effect effect) {
        List<Difference> differences = differences(effect);
        // The very same emitters make the very same frames.
        if (differences.isEmpty() && effect.resolved(Map.of()).equals(effect.emitters())) {
            return new Neutral(true, -1, List.of());
        }
        Effect bare = effect.withParameters(
                effect.parameters().stream().map(p -> p.withBindings(List.of())).toList());
        int first = firstDifference(take(project, effect), take(project, bare));
        return new Neutral(first < 0, first, differences);
    }

    private static Take take(Project project, Effect effect) {
        Project with = project.withEffects(project.effects().stream()
                .map(e -> e.name().equals(effect.name()) ? effect : e)
                .toList());
        return Preview.plain(effect, 1).take(with, true, TrueScale.LONGEST);
    }

    private static int firstDifference(Take a, Take b) {
        int common = Math.min(a.frames().size(), b.frames().size());
        for (int i = 0; i < common; i++) {
            if (!Arrays.equals(a.frames().get(i), b.frames().get(i))) {
                return i;
            }
        }
        return a.frames().size() == b.frames().size() ? -1 : common;
    }

    /** Returns what differs by the settings alone, without playing anything. */
    public static List<Difference> differences(Effect effect) {
        List<Difference> found = new ArrayList<>();
        for (Parameter parameter : effect.parameters()) {
            for (Binding binding : parameter.bindings()) {
                Parameter alone = parameter.withBindings(List.of(binding));
                List<Emitter> played = effect.withParameters(List.of(alone)).resolved(Map.of());
                for (int i = 0; i < played.size(); i++) {
                    Emitter authored = effect.emitters().get(i);
                    if (!played.get(i).equals(authored)) {
                        found.add(new Difference(
                                parameter.name(),
                                authored.name(),
                                binding.property(),
                                binding.mode(),
                                binding.property().base(authored),
                                binding.property().base(played.get(i))));
                    }
                }
            }
        }
        return List.copyOf(found);
    }
}
