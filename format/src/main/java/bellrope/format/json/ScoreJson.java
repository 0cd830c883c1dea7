package bellrope.format.json;

import bellrope.core.pool.Pool;
import bellrope.core.score.Channelled;
import bellrope.core.score.Lane;
import bellrope.core.score.Mark;
import bellrope.core.score.Pattern;
import bellrope.core.score.Said;
import bellrope.core.score.Score;
import bellrope.core.value.Demand;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Pools and scores as JSON, both ways. */
final class ScoreJson {
    static final Form<Pool> POOL =
            Form.of("Pool", "How many instances of some effects may be held at once, all of them together.", f -> {
                var name = f.name("name", Pool::name).says("By which accounts and game code name it.");
                var effects = f.names("effects", Pool::effects)
                        .from(1, Pool.MOST_EFFECTS)
                        .unique()
                        .says("The effects that share it.");
                var capacity = f.whole("capacity", Pool::capacity)
                        .within(Pool.CAPACITY)
                        .says("How many instances are held at once at most.");
                var prewarm = f.whole("prewarm", Pool::prewarm)
                        .usual(0)
                        .within(Pool.PREWARM)
                        .says("How many of them game code makes before play starts; at most the capacity.");
                var whenEmpty = f.choice("whenEmpty", Pool::whenEmpty, Pool.WhenEmpty.class)
                        .usual(Pool.WhenEmpty.REFUSE)
                        .says("What happens when all of them play and another is asked for.");
                var bound = f.maybeWhole("bound", Pool::bound)
                        .within(Pool.BOUND)
                        .says("How many it may grow to, at or above the capacity; only for a pool that grows.");
                return v -> new Pool(
                        name.of(v), effects.of(v), capacity.of(v), prewarm.of(v), whenEmpty.of(v), bound.of(v));
            });

    private static final Form<Mark> MARK = Form.of("Mark", f -> {
        var at = f.number("at", Mark::at).within(Mark.AT, "s").says("When it comes.");
        var lasts = f.maybeNumber("lasts", Mark::lasts).within(Mark.LASTS, "s").says("How long a span lasts.");
        var value = f.maybeName("value", Mark::value).says("Which value a state takes.");
        var payload = f.set("payload", Mark::payload, Notations.VALUES)
                .usual(Map.of())
                .says("The fields that are its own.");
        return v -> new Mark(at.of(v), lasts.of(v), value.of(v), payload.of(v));
    });

    private static <P> Setting<P, Double> rate(Form.Keys<P> f, Function<P, Double> getter) {
        return f.number("perSecond", getter).within(Pattern.RATE, "/s").says("How many a second.");
    }

    private static final Kinds<Pattern> PATTERN =
            Kinds.of("Pattern", "kind", "When the event of a lane arrives.", k -> {
                var marks = k.kind(
                        "marks",
                        Form.<Pattern.Marks>of("Marks", "At times of their own, written by hand or recorded.", f -> {
                            var all = f.list("marks", Pattern.Marks::marks, MARK)
                                    .atMost(Score.MOST_ARRIVALS)
                                    .says("When each comes, and what it says.");
                            return v -> new Pattern.Marks(all.of(v));
                        }));
                var steady =
                        k.kind("steady", Form.<Pattern.Steady>of("Steady", "Evenly, the first at the beginning.", f -> {
                            var perSecond = rate(f, Pattern.Steady::perSecond);
                            return v -> new Pattern.Steady(perSecond.of(v));
                        }));
                var poisson = k.kind(
                        "poisson",
                        Form.<Pattern.Poisson>of(
                                "Poisson", "Each independent of all others, so many on average.", f -> {
                                    var perSecond = rate(f, Pattern.Poisson::perSecond);
                                    return v -> new Pattern.Poisson(perSecond.of(v));
                                }));
                var salvos = k.kind(
                        "salvos",
                        Form.<Pattern.Salvos>of(
                                "Salvos", "Several together, again and again, the first at the beginning.", f -> {
                                    var count = f.whole("count", Pattern.Salvos::count)
                                            .within(Pattern.Salvos.COUNT)
                                            .says("How many come together.");
                                    var within = f.number("within", Pattern.Salvos::within)
                                            .usual(0.0)
                                            .always()
                                            .within(Pattern.Salvos.WITHIN, "s")
                                            .says(
                                                    "Over how long they are spread at random; at most the time from one to the next.");
                                    var every = f.number("every", Pattern.Salvos::every)
                                            .within(Pattern.Salvos.EVERY, "s")
                                            .says("From one salvo to the next.");
                                    return v -> new Pattern.Salvos(count.of(v), within.of(v), every.of(v));
                                }));
                var rising = k.kind(
                        "rising",
                        Form.<Pattern.Rising>of(
                                "Rising",
                                "Each independent of all others, at a rate that follows a curve over the lane.",
                                f -> {
                                    var perSecond = f.curve("perSecond", Pattern.Rising::perSecond)
                                            .within(Pattern.Rising.PER_SECOND)
                                            .says("How many a second.");
                                    return v -> new Pattern.Rising(perSecond.of(v));
                                }));
                var after = k.kind(
                        "after",
                        Form.<Pattern.After>of(
                                "After",
                                "After arrivals of another lane; fields of the same name are handed on.",
                                f -> {
                                    var lane = f.whole("lane", Pattern.After::lane)
                                            .within(Pattern.After.LANE)
                                            .says("Which, by its id.");
                                    var chance = f.number("chance", Pattern.After::chance)
                                            .usual(1.0)
                                            .always()
                                            .within(Pattern.After.CHANCE)
                                            .says("With which each is followed.");
                                    var delay = f.number("delay", Pattern.After::delay)
                                            .usual(0.0)
                                            .always()
                                            .within(Pattern.After.DELAY, "s")
                                            .says("How long after it.");
                                    return v -> new Pattern.After(lane.of(v), chance.of(v), delay.of(v));
                                }));
                return pattern -> pattern.match(
                        marks::write, steady::write, poisson::write, salvos::write, rising::write, after::write);
            });

    private static final Form<Said> SAID = Form.of("Said", f -> {
        var value = f.maybeName("value", Said::value).says("Which value a state takes.");
        var payload = f.set("payload", Said::payload, Notations.VALUES)
                .usual(Map.of())
                .says("The fields that are said.");
        return v -> new Said(value.of(v), payload.of(v));
    });

    private static final Form<Lane> LANE = Form.of("Lane", "The arrivals of one event.", f -> {
        var id = f.whole("id", Lane::id)
                .within(Lane.ID)
                .says("The address of its random draws; no two lanes of a score have the same.");
        var event = f.name("event", Lane::event).says("The event that arrives.");
        var subject = f.text("subject", Lane::subject)
                .usual("")
                .characters(0, Demand.LONGEST_NAME)
                .says("Whom its events are about; left out for the one of its kind.");
        var subjects = f.whole("subjects", Lane::subjects)
                .usual(1)
                .within(Lane.SUBJECTS)
                .says("How many there are of it, taken in turn; with more than one, a number follows the name.");
        var muted = f.flag("muted", Lane::muted).says("Whether it is passed over.");
        var from =
                f.number("from", Lane::from).usual(0.0).within(Lane.FROM, "s").says("When it begins.");
        var until = f.maybeNumber("until", Lane::until)
                .within(Lane.UNTIL, "s")
                .says("When it ends; left out for the end of the score.");
        var when = f.set("when", Lane::when, PATTERN).says("When they arrive.");
        var manner = f.choice("manner", Lane::manner, Lane.Manner.class)
                .usual(Lane.Manner.USUAL)
                .says(
                        "How the fields are filled that nothing is said of: soft, usual or hard, or each at random within its range.");
        var said = f.list("said", Lane::said, SAID)
                .usual(List.of())
                .atMost(Lane.MOST_SAID)
                .says("What arrivals say, taken in turn.");
        var lasts = f.range("lasts", Lane::lasts)
                .usual(Lane.USUAL_LENGTH)
                .within(Lane.LASTS, "s")
                .says("How long a span lasts; each draws its own.");
        var spread = f.vector("spread", Lane::spread)
                .usual(Vec3.ZERO)
                .in("u")
                .says("How far each lies off its position at most, at random, on each axis.");
        var gone = f.maybeNumber("gone", Lane::gone)
                .within(Lane.GONE, "s")
                .says("How long after each arrival its subject is no more; left out where it stays.");
        return v -> new Lane(
                id.of(v),
                event.of(v),
                subject.of(v),
                subjects.of(v),
                muted.of(v),
                from.of(v),
                until.of(v),
                when.of(v),
                manner.of(v),
                said.of(v),
                lasts.of(v),
                spread.of(v),
                gone.of(v));
    });

    private static final Form<Channelled.Point> POINT = Form.of("Point", f -> {
        var at = f.number("at", Channelled.Point::at)
                .within(Channelled.Point.AT, "s")
                .says("When it is that.");
        var value = f.number("value", Channelled.Point::value).says("What the channel carries then.");
        return v -> new Channelled.Point(at.of(v), value.of(v));
    });

    private static final Form<Channelled> CHANNELLED = Form.of("Channelled", f -> {
        var channel = f.name("channel", Channelled::channel).says("The channel that is meant.");
        var points = f.list("points", Channelled::points, POINT)
                .from(1, Channelled.MOST_POINTS)
                .says("Evenly from one to the next, and as the last one after it.");
        return v -> new Channelled(channel.of(v), points.of(v));
    });

    static final Form<Score> SCORE =
            Form.of("Score", "What a game says over a stretch of time, a lane for each kind of arrival.", f -> {
                var name = f.name("name", Score::name).says("What it is called in the list of scores.");
                var seconds = f.number("seconds", Score::seconds)
                        .within(Score.SECONDS, "s")
                        .says("How long it is.");
                var seed = f.set("seed", Score::seed, Notations.upTo(Score.HIGHEST_SEED))
                        .usual(0L)
                        .always()
                        .says("Of all that is at random in it.");
                var lanes = f.list("lanes", Score::lanes, LANE)
                        .atMost(Score.MOST_LANES)
                        .says("What arrives, each kind of arrival in a lane of its own.");
                var channels = f.list("channels", Score::channels, CHANNELLED)
                        .usual(List.of())
                        .atMost(Score.MOST_CHANNELS)
                        .says("What channels carry over it.");
                return v -> new Score(name.of(v), seconds.of(v), seed.of(v), lanes.of(v), channels.of(v));
            });

    private ScoreJson() {}
}
