package bellrope.core.measure;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.project.Project;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Fitting;
import bellrope.core.rope.Rope;
import bellrope.core.rope.SourceValues;
import bellrope.core.rope.Trial;
import bellrope.core.stage.Take;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How far what is seen of a rope's response reaches, against how far the game's own hit test does, over the whole range of
 * the number that feeds it. Reach is the greatest distance from the response's origin at which a particle could be seen.
 *
 * @param over name of the field or channel that was turned; empty where nothing feeds the rope
 * @param unit of that number
 * @param parameter that it feeds; empty where there is none
 * @param points in order of the number, where the rope answers
 * @param usual the point at the usual value, or in the middle of the others where the rope stays silent at it
 */
public record Reaches(String over, String unit, String parameter, List<Point> points, Point usual) {
    /** Reach and hit test may differ by this share of the hit test. */
    public static final double AGREES = 0.1;
    /** Seconds that are played at most. */
    public static final double LONGEST = 4;

    private static final int POINTS = 9;

    /**
     * One value.
     *
     * @param at the value of the field or channel
     * @param parameter what it sets the parameter to; NaN where it sets none
     * @param reach units
     * @param hit units; NaN where the rope names no hit test, or the pull carries none
     */
    public record Point(double at, double parameter, double reach, double hit) {
        /** Returns by which share of the hit test the reach is larger; negative when it falls short. */
        public double off() {
            return hit > 0 ? reach / hit - 1 : 0;
        }
    }

    /** Returns the reaches of a rope's answers. */
    public static Reaches of(Project project, Rope rope) {
        EventType event = project.event(rope.event()).orElseThrow();
        Optional<Feed> feed = driving(rope, event, project);
        Project alone = project.withRopes(List.of(rope));
        Optional<Field.Number> number = feed.flatMap(f -> values(event, project).told(f.source()));
        Range range = number.map(Field.Number::range).orElse(new Range(0, 0));
        double usual = number.map(Field.Number::usual).orElse(0.0);
        List<Point> points = new ArrayList<>();
        for (int i = 0; feed.isPresent() && i < POINTS; i++) {
            Point point = point(alone, rope, event, feed, range.at((double) i / (POINTS - 1)));
            if (point != null) {
                points.add(point);
            }
        }
        Point atUsual = point(alone, rope, event, feed, usual);
        if (atUsual == null) {
            atUsual = points.isEmpty() ? new Point(usual, Double.NaN, 0, Double.NaN) : points.get(points.size() / 2);
        }
        return new Reaches(
                feed.map(f -> f.source().words()).orElse(""),
                number.map(Field.Number::unit).orElse(""),
                feed.map(Feed::parameter).orElse(""),
                List.copyOf(points),
                atUsual);
    }

    private static Optional<Feed> driving(Rope rope, EventType event, Project project) {
        return rope.feeds().stream()
                .filter(f -> f.remap().isPresent()
                        && values(event, project).told(f.source()).isPresent())
                .findFirst();
    }

    private static SourceValues values(EventType event, Project project) {
        return new SourceValues(event, project::channel);
    }

    // Null where the rope does not answer.
    private static Point point(Project alone, Rope rope, EventType event, Optional<Feed> feed, double at) {
        Trial fit = Fitting.trial(rope, event, alone.channels(), Strength.USUAL, 1);
        Map<String, Datum> payload = new HashMap<>(fit.pull().payload());
        Map<String, Double> channels = new HashMap<>(fit.channels());
        feed.ifPresent(f -> {
            f.source()
                    .visit(
                            p -> payload.put(p.field(), new Datum.Num(at)),
                            c -> channels.put(c.channel(), at),
                            held -> {},
                            since -> {},
                            constant -> {},
                            random -> {},
                            other -> {});
        });
        Pull pull = fit.pull().with(payload);
        Take take = Take.of(
                alone, new Trial(pull, channels, fit.since()), new Take.Length(LONGEST, OptionalDouble.empty()), false);
        if (take.account().answered() == 0) {
            return null;
        }
        double parameter = Double.NaN;
        for (Account.Answer answer : take.account().answers()) {
            if (feed.isPresent() && answer instanceof Account.Played played) {
                for (Account.Fed fed : played.fed()) {
                    if (fed.parameter().equals(feed.get().parameter()) && fed.value() instanceof Datum.Num num) {
                        parameter = num.value();
                    }
                }
            }
        }
        return new Point(at, parameter, take.watch().extent(), hit(rope, pull));
    }

    private static double hit(Rope rope, Pull pull) {
        Datum hit = rope.hit()
                .map(h -> h.<Datum>match(
                        payload -> pull.payload().get(payload.field()),
                        channel -> null,
                        held -> null,
                        since -> null,
                        constant -> constant.value(),
                        random -> null,
                        other -> null))
                .orElse(null);
        return hit instanceof Datum.Num num ? num.value() : Double.NaN;
    }

    /** Returns the point at which reach and hit test are furthest apart, if they do not agree somewhere. */
    public Optional<Point> worst() {
        Point worst = usual;
        for (Point point : points) {
            worst = Math.abs(point.off()) > Math.abs(worst.off()) ? point : worst;
        }
        return Math.abs(worst.off()) > AGREES ? Optional.of(worst) : Optional.empty();
    }

    /**
     * Returns the value of the parameter at which the reach is a length, found between two points; empty where none of them
     * reaches that far or all of them reach farther.
     */
    public OptionalDouble agreeing(double length) {
        for (int i = 1; i < points.size(); i++) {
            Point a = points.get(i - 1);
            Point b = points.get(i);
            if ((a.reach() - length) * (b.reach() - length) <= 0 && a.reach() != b.reach()) {
                double share = (length - a.reach()) / (b.reach() - a.reach());
                double value = a.parameter() + (b.parameter() - a.parameter()) * share;
                return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
            }
        }
        return OptionalDouble.empty();
    }

    /** Returns the parameter that is turned, in an effect. */
    public Optional<Parameter> parameterOf(Effect effect) {
        return effect.parameter(parameter);
    }
}
