package bellrope.core.project;

import bellrope.core.event.EventType;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Rope;
import bellrope.core.score.Lane;
import bellrope.core.score.Pattern;
import bellrope.core.score.Said;
import bellrope.core.score.Score;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The score of the worst second that a project can expect: every event at once and hard. A moment comes as often as its ropes'
 * limits let it be answered, and no more often than its weight makes likely: what is grand is rare. Every span lasts, and every
 * state takes the value that most ropes answer.
 */
public final class WorstSecond {
    public static final String NAME = "the worst second";
    /** Seconds: half a second of quiet, the second itself, and what it leaves. */
    private static final double FROM = 0.5;

    private static final double UNTIL = 1.5;
    private static final double LENGTH = 4;
    /** Times a second that moments of weight 1 to 5 come at most. */
    private static final double[] OFTEN = {12, 8, 5, 3, 1};

    private WorstSecond() {}

    /** Returns it under a name. */
    public static Score of(Project project, String name) {
        List<Lane> lanes = new ArrayList<>();
        for (EventType event : project.events()) {
            List<Rope> ropes = project.ropes().stream()
                    .filter(r -> r.event().equals(event.name()))
                    .toList();
            if (!ropes.isEmpty()) {
                lanes.add(lane(lanes.size() + 1, event, ropes));
            }
        }
        return new Score(name, LENGTH, 1, lanes, List.of());
    }

    private static Lane lane(int id, EventType event, List<Rope> ropes) {
        boolean moment = event.shape() == EventType.Shape.MOMENT;
        double rate = moment ? often(event, ropes) : 1;
        Optional<String> value =
                event.values().stream().max((a, b) -> Long.compare(answering(a, ropes), answering(b, ropes)));
        return new Lane(
                id,
                event.name(),
                "",
                1,
                false,
                FROM,
                OptionalDouble.of(UNTIL),
                new Pattern.Steady(rate),
                moment ? Lane.Manner.HARD : Lane.Manner.USUAL,
                value.map(v -> List.of(new Said(Optional.of(v), Map.of()))).orElse(List.of()),
                Range.of(LENGTH - FROM - 1),
                new Vec3(5, 1, 0),
                OptionalDouble.empty());
    }

    // As often as the quickest of its ropes can answer.
    private static double often(EventType event, List<Rope> ropes) {
        double pause = ropes.stream()
                .map(Rope::limits)
                .mapToDouble(Limits::pause)
                .min()
                .orElse(0);
        double likely = OFTEN[event.weight() - 1];
        return pause > 0 ? Math.max(1, Math.min(likely, 1 / pause)) : likely;
    }

    private static long answering(String value, List<Rope> ropes) {
        return ropes.stream()
                .filter(r -> r.when().value().equals(Optional.of(value)))
                .count();
    }
}
