package bellrope.format.report;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.event.EventType;
import bellrope.core.measure.Reaches;
import bellrope.core.project.Project;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Rope;
import bellrope.core.rope.SourceValues;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One feed of a rope as a picture needs it.
 *
 * @param parameter that it drives
 * @param source in words
 * @param unit of the source; may be empty
 * @param least of the source, as announced; null where nothing says
 * @param most of the source; null where nothing says
 * @param lowest least of the parameter; null where it takes no number
 * @param highest most of the parameter
 * @param parameterUnit may be empty
 * @param at values of the source, over its range and what the feed listens to
 * @param becomes what the feed makes of each, held inside the parameter's bounds
 */
public record FeedReport(
        String parameter,
        String source,
        String unit,
        @Nullable Double least,
        @Nullable Double most,
        @Nullable Double lowest,
        @Nullable Double highest,
        String parameterUnit,
        double[] at,
        double[] becomes) {
    private static final int SAMPLES = 65;

    /**
     * How far a response reaches against the game's hit test.
     *
     * @param over what was turned; empty where nothing feeds the rope
     * @param at its values
     * @param reach units at each
     * @param hit units at each; none where the rope names no hit test
     * @param usualReach units at the usual value
     * @param usualHit units; null without a hit test
     * @param worst greatest difference as a share of the hit test; null without one
     * @param agrees whether they agree within a tenth everywhere
     * @param fitting value of the parameter that reaches as far as the usual hit test; null where none does
     */
    public record ReachReport(
            String over,
            String unit,
            String parameter,
            double[] at,
            double[] reach,
            double[] hit,
            double usualReach,
            @Nullable Double usualHit,
            @Nullable Double worst,
            boolean agrees,
            @Nullable Double fitting) {
        public static ReachReport of(Reaches reaches) {
            boolean hits = reaches.usual().hit() > 0;
            List<Reaches.Point> points = reaches.points();
            double worst = points.stream()
                    .mapToDouble(Reaches.Point::off)
                    .reduce(reaches.usual().off(), (a, b) -> Math.abs(b) > Math.abs(a) ? b : a);
            var fitting = reaches.agreeing(reaches.usual().hit());
            return new ReachReport(
                    reaches.over(),
                    reaches.unit(),
                    reaches.parameter(),
                    points.stream().mapToDouble(Reaches.Point::at).toArray(),
                    points.stream().mapToDouble(Reaches.Point::reach).toArray(),
                    hits ? points.stream().mapToDouble(Reaches.Point::hit).toArray() : new double[0],
                    reaches.usual().reach(),
                    hits ? reaches.usual().hit() : null,
                    hits ? worst : null,
                    reaches.worst().isEmpty(),
                    hits && fitting.isPresent() ? fitting.getAsDouble() : null);
        }
    }

    /** Returns a report for each feed of a rope, in its order. */
    public static List<FeedReport> of(Project project, Rope rope) {
        Optional<EventType> event = project.event(rope.event());
        Optional<Effect> effect = rope.play().flatMap(project::effect);
        return rope.feeds().stream().map(f -> of(f, project, event, effect)).toList();
    }

    private static FeedReport of(Feed feed, Project project, Optional<EventType> event, Optional<Effect> effect) {
        Optional<Parameter> parameter = effect.flatMap(e -> e.parameter(feed.parameter()));
        boolean scalar = parameter.isPresent() && parameter.get().type().scalar();
        SourceValues values = new SourceValues(event, effect, project::channel);
        Optional<Range> announced = values.range(feed.source());
        Range in = feed.remap().map(Remap::in).or(() -> announced).orElse(new Range(0, 1));
        Range whole = announced
                .map(r -> new Range(Math.min(r.least(), in.least()), Math.max(r.most(), in.most())))
                .orElse(in);
        boolean drawn = scalar && (feed.remap().isPresent() || announced.isPresent());
        double[] at = new double[drawn ? SAMPLES : 0];
        double[] becomes = new double[at.length];
        for (int i = 0; i < at.length; i++) {
            at[i] = whole.at((double) i / (SAMPLES - 1));
            becomes[i] = parameter.get().type().within(feed.value(at[i]));
        }
        return new FeedReport(
                feed.parameter(),
                feed.source().words(),
                values.unit(feed.source()),
                announced.map(Range::least).orElse(null),
                announced.map(Range::most).orElse(null),
                scalar ? parameter.get().type().least() : null,
                scalar ? parameter.get().type().most() : null,
                parameter.map(Parameter::unit).orElse(""),
                at,
                becomes);
    }
}
