package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Companion;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Feed;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Limits.WhenFull;
import bellrope.core.rope.Note;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Overrides;
import bellrope.core.rope.Owner;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Source;
import bellrope.core.rope.Timing;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Told;
import bellrope.core.value.Datum;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.zip.CRC32;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * The same events at the same steps are answered alike, in every version: who answers, why the others do not, what game code is
 * told and when, how much plays, and every bit of the frames. Each story is a small stretch of the game; what came of it lies beside
 * this test as a text that can be read. What a story gives now is written to {@code target/answers} where it differs.
 */
class SameAnswersTest {
    private static final Range FORCE = new Range(0, 100);

    /** A stage that is played, and the log of what came of it. */
    private static final class Story {
        private final StringBuilder log = new StringBuilder();
        private final Stage stage;
        private Project project;

        private Story(Project project) {
            this.project = project;
            stage = new Stage(project);
        }

        private Account pull(Pull pull) {
            return told(stage.pull(pull));
        }

        private Account told(Account account) {
            log.append(account.inWords()).append('\n');
            return account;
        }

        private void say(String words) {
            log.append("— ").append(words).append('\n');
        }

        private void steps(int many) {
            for (int i = 0; i < many; i++) {
                stage.step();
                for (Account account : stage.unasked()) {
                    told(account);
                }
                for (Told told : stage.told()) {
                    log.append("  ")
                            .append(told.step())
                            .append(" tells ")
                            .append(told.name())
                            .append(' ');
                    log.append(told.what())
                            .append(" by ")
                            .append(told.rope())
                            .append(", pull ")
                            .append(told.pull());
                    told.values()
                            .forEach((name, value) ->
                                    log.append(", ").append(name).append(' ').append(value.inWords()));
                    log.append('\n');
                }
                if (stage.now() % 6 == 0 || i == many - 1) {
                    look();
                }
            }
        }

        private void look() {
            CRC32 sum = new CRC32();
            ByteBuffer frame = stage.frame(0);
            sum.update(frame.duplicate());
            log.append(String.format(
                    "  %d: %d play, %d live, %d born, %d dropped, %d last, frame %08x%n",
                    stage.now(),
                    stage.instances(),
                    stage.particles(),
                    stage.births(),
                    stage.dropped(),
                    stage.holding(),
                    sum.getValue()));
        }

        private void retune(Project next) {
            project = next;
            stage.retune(next);
            say("retuned");
            look();
        }
    }

    private static Rope rope(String name, int seed, String event, String effect, Consumer<Rope.Draft> more) {
        return Sample.rope(name, seed, event, effect).with(more);
    }

    private static Pull struck(double x, double force, String by, long seed) {
        Map<String, Datum> payload = new LinkedHashMap<>();
        payload.put("position", new Datum.Vec(new Vec3(x, 1, 0)));
        payload.put("direction", new Datum.Vec(new Vec3(1, -1, 0.2)));
        payload.put("force", new Datum.Num(force));
        payload.put("by", new Datum.Word(by));
        return new Pull("courier.struck", payload, seed);
    }

    private static Pull weather(String value, long seed) {
        return Pull.set("weather", value, Map.of(), seed);
    }

    private static Pull ends(long seed) {
        return Pull.end("kite.reeling");
    }

    private static Limits limits(
            double cooldown,
            double perSecond,
            boolean once,
            String until,
            int alive,
            boolean together,
            WhenFull full,
            double distance,
            double chance) {
        return new Limits(
                cooldown,
                perSecond > 0 ? OptionalDouble.of(perSecond) : OptionalDouble.empty(),
                once,
                Optional.ofNullable(until),
                alive > 0 ? OptionalInt.of(alive) : OptionalInt.empty(),
                together,
                full,
                distance,
                chance);
    }

    private static String limitsOfMoments() {
        Note group = new Note(false, "", Optional.of("blows"));
        Story story = new Story(Sample.game(
                rope("cooldown", 1, "courier.struck", "puff", d -> d.limits = Limits.cooldown(0.1)),
                rope(
                        "rate",
                        2,
                        "courier.struck",
                        "puff",
                        d -> d.limits = limits(0.01, 8, false, null, 0, false, WhenFull.SKIP, 0, 1)),
                rope(
                        "once",
                        3,
                        "courier.struck",
                        "hiss",
                        d -> d.limits = limits(0, 0, true, "courier.landed", 0, false, WhenFull.SKIP, 0, 1)),
                rope("three", 4, "courier.struck", "puff", d -> d.limits = Limits.alive(3, WhenFull.SKIP)),
                rope("oldest", 5, "courier.struck", "puff", d -> d.limits = Limits.alive(2, WhenFull.OLDEST)),
                rope("lightest", 6, "courier.struck", "puff", d -> d.limits = Limits.alive(2, WhenFull.LOWEST_WEIGHT)),
                rope(
                        "apart",
                        7,
                        "courier.struck",
                        "hiss",
                        d -> d.limits = limits(0, 0, false, null, 0, false, WhenFull.SKIP, 1.5, 1)),
                rope(
                        "chance",
                        8,
                        "courier.struck",
                        "hiss",
                        d -> d.limits = limits(0, 0, false, null, 0, false, WhenFull.SKIP, 0, 0.5)),
                rope("together a", 9, "courier.struck", "puff", d -> {
                    d.note = group;
                    d.limits = limits(0, 0, false, null, 3, true, WhenFull.OLDEST, 0, 1);
                }),
                rope("together b", 10, "courier.landed", "puff", d -> {
                    d.note = group;
                    d.timing = new Timing(0.1, 0.05);
                    d.limits = limits(0, 0, false, null, 3, true, WhenFull.SKIP, 0, 1);
                })));
        for (int i = 0; i < 9; i++) {
            story.pull(struck(i * 0.6, 10 + 10 * i, i % 2 == 0 ? "hail" : "crow", 40 + i)
                    .of("crow-" + i % 3));
            if (i % 4 == 2) {
                story.pull(Sample.landing(6, "thatch", 7 + i));
            }
            story.steps(i % 3 == 0 ? 1 : 5);
        }
        story.stage.gone("crow-1");
        story.pull(struck(0, 50, "hail", 90).of("crow-1"));
        story.stage.reset();
        story.told(story.stage.pullLate(struck(9, 50, "hail", 91).of("crow-0"), 0.012));
        story.steps(40);
        return story.log.toString();
    }

    private static Run run(String start, String end, double longest, Run.Again again, Run.Order order) {
        return new Run(
                Optional.ofNullable(start),
                Optional.ofNullable(end),
                OptionalDouble.empty(),
                OptionalDouble.of(0.3),
                longest > 0 ? OptionalDouble.of(longest) : OptionalDouble.empty(),
                again,
                order);
    }

    private static String spansAndTheirEnds() {
        Story story = new Story(Sample.game(
                rope("goes on", 1, "kite.reeling", "smoke", d -> {
                    d.where = Where.following(new Vec3(0, 0.5, 0));
                    d.run = run("puff", "hiss", 0, Run.Again.CONTINUE, Run.Order.TOGETHER);
                    d.owner = new Owner(Owner.AtEnd.FADE, 0.2);
                }),
                rope("restarts", 2, "kite.reeling", "smoke", d -> {
                    d.run = run(null, "hiss", 0.6, Run.Again.RESTART, Run.Order.TOGETHER);
                    d.limits = Limits.alive(2, WhenFull.SKIP);
                    d.owner = new Owner(Owner.AtEnd.VANISH, 0);
                }),
                rope("stacks", 3, "kite.reeling", "smoke", d -> {
                    d.run = run("puff", null, 0, Run.Again.STACK, Run.Order.TOGETHER);
                    d.timing = new Timing(0.15, 0);
                }),
                rope("only follows", 4, "kite.reeling", "smoke", d -> {
                    d.play = Optional.empty();
                    d.run = run("hiss", "puff", 0, Run.Again.CONTINUE, Run.Order.TOGETHER);
                })));
        story.pull(ends(0));
        story.pull(Sample.reels(new Vec3(1, 2, 0), 3));
        story.steps(7);
        story.stage.move("kite", new Vec3(2, 3, 0), Vec3.RIGHT, new Vec3(3, 0, 0));
        story.pull(Sample.reels(new Vec3(1, 2, 0), 4));
        story.steps(5);
        story.pull(Sample.reels(new Vec3(5, 2, 0), 5).of("second kite"));
        story.steps(24);
        story.pull(ends(0));
        story.steps(6);
        story.pull(ends(0));
        story.pull(Pull.end("kite.reeling").of("third kite"));
        story.steps(12);
        story.told(story.stage.gone("second kite"));
        story.told(story.stage.gone("nobody"));
        story.steps(20);
        story.pull(Sample.reels(new Vec3(0, 0, 0), 6));
        story.steps(3);
        story.stage.stop();
        story.say("stopped");
        story.steps(60);
        return story.log.toString();
    }

    private static String statesThatChange() {
        Story story = new Story(Sample.game(
                rope("drizzle", 1, "weather", "smoke", d -> {
                    d.when = new When("weather", Optional.of("drizzle"), When.Match.ALL, List.of());
                    d.run = run(null, "hiss", 0, Run.Again.CONTINUE, Run.Order.TOGETHER);
                    d.where = Where.camera(new Vec3(0, 3, 0));
                }),
                rope("downpour", 2, "weather", "smoke", d -> {
                    d.when = new When("weather", Optional.of("downpour"), When.Match.ALL, List.of());
                    d.run = run("puff", null, 0, Run.Again.CONTINUE, Run.Order.AFTER);
                }),
                rope("no value", 3, "weather", "smoke", d -> {})));
        story.pull(weather("drizzle", 1));
        story.steps(9);
        story.stage.camera(new Vec3(4, 0, 0));
        story.pull(weather("drizzle", 2));
        story.steps(9);
        story.pull(weather("downpour", 3));
        story.steps(30);
        story.pull(weather("clear", 4));
        story.pull(weather("snow", 5));
        story.steps(60);
        return story.log.toString();
    }

    private static FollowUp followUp(
            String play, String announce, FollowUp.Cue cue, double after, double force, double fade, String notice) {
        return new FollowUp(
                Optional.ofNullable(play),
                Optional.ofNullable(announce),
                cue,
                after,
                new Vec3(0, 0.25, 0),
                force > 0 ? OptionalDouble.of(force) : OptionalDouble.empty(),
                fade,
                Optional.ofNullable(notice));
    }

    private static String whatFollows() {
        List<NoticeValue> values = List.of(
                new NoticeValue("how hard", new Source.Payload("force")),
                new NoticeValue("wind", new Source.Channel("wind")),
                new NoticeValue("size", new Source.Parameter("size")),
                new NoticeValue("always", new Source.Constant(new Datum.Word("thud"))));
        Story story = new Story(Sample.game(
                rope("first", 1, "courier.struck", "puff", d -> {
                    d.feeds = List.of(new Feed("size", "force", FORCE, 0.5, 2));
                    d.followUps = List.of(
                            FollowUp.after(0.1, "hiss"),
                            followUp("smoke", null, FollowUp.Cue.BEGUN, 0.05, 0.3, 0.2, "smoulder")
                                    .carrying(values),
                            followUp("hiss", null, FollowUp.Cue.OVER, 0, 0, 0, "after it")
                                    .carrying(values.subList(0, 2)),
                            followUp(null, "courier.landed", FollowUp.Cue.OVER, 0.1, 0, 0, null),
                            followUp(null, null, FollowUp.Cue.BEGUN, 0.2, 0.1, 0.1, "nothing to see"));
                    d.companions = List.of(
                            new Companion.Shake(0.2, 10, 0.3),
                            new Companion.Flash(Rgba.parse("#FF8800FF"), 0.3, 0.1),
                            new Companion.Notice("thud", 0.03, values));
                }),
                rope("landed", 2, "courier.landed", "puff", d -> {
                    d.companions = List.of(new Companion.HitPause(0.05));
                    d.followUps = List.of(followUp(null, "courier.struck", FollowUp.Cue.BEGUN, 0.02, 0, 0, "again"));
                    d.limits = Limits.cooldown(0.3);
                })));
        story.pull(struck(1, 80, "crow", 5).tagged(Set.of("wet")));
        story.stage.publish("wind", 7);
        story.steps(20);
        story.pull(struck(3, 20, "crow", 6));
        story.steps(60);
        story.say(story.stage.shaken() + " " + story.stage.flashed() + " " + story.stage.paused());
        story.steps(40);
        return story.log.toString();
    }

    private static String placesAndFacings() {
        EventType bird = EventType.span(
                "crow.flying",
                "",
                2,
                List.of(
                        new Field.Vector("position", Field.Meaning.POSITION),
                        new Field.Vector("heading", Field.Meaning.HEADING),
                        new Field.Vector("normal", Field.Meaning.NORMAL),
                        new Field.Vector("direction", Field.Meaning.DIRECTION)));
        List<Rope> ropes = new ArrayList<>();
        int seed = 1;
        for (Where.Anchor anchor : Where.Anchor.values()) {
            for (Where.Frame frame : Where.Frame.values()) {
                // All but the last, which StandingTest has.
                Facing facing = Facing.values()[seed % Facing.SUBJECT.ordinal()];
                int s = seed;
                ropes.add(rope(anchor + " " + frame, seed++, "crow.flying", "smoke", d -> {
                    boolean moves = anchor == Where.Anchor.SUBJECT || anchor == Where.Anchor.CAMERA;
                    d.where = new Where(
                            anchor,
                            moves && s % 2 == 0,
                            anchor == Where.Anchor.PLACE ? Optional.of("mill door") : Optional.empty(),
                            new Vec3(0.5, 0.25, -0.5),
                            frame,
                            s % 3 == 0 ? OptionalDouble.of(-2) : OptionalDouble.empty());
                    d.pointing = new Pointing(
                            facing, new Vec3(1, 1, 0), s % 4 == 0 ? 25 : 0, s % 5 * 0.25, moves && s % 2 == 0);
                }));
            }
        }
        Project game = Sample.game();
        List<EventType> events = new ArrayList<>(game.events());
        events.add(bird);
        Story story = new Story(game.withEvents(events).withRopes(ropes));
        Map<String, Datum> payload = new LinkedHashMap<>();
        payload.put("position", new Datum.Vec(new Vec3(2, 3, 1)));
        payload.put("heading", new Datum.Vec(new Vec3(-1, 0.2, 0)));
        payload.put("normal", new Datum.Vec(new Vec3(0.3, 1, 0)));
        payload.put("direction", new Datum.Vec(new Vec3(1, -0.5, 0)));
        story.pull(
                Pull.begin("crow.flying", payload, 11).moving(new Vec3(2, 0, 0)).of("crow-1"));
        story.steps(10);
        story.stage.move("crow-1", new Vec3(3, 3, 1), new Vec3(0, 1, 0), null);
        story.stage.camera(new Vec3(1, 1, 0));
        story.steps(10);
        story.stage.move("crow-1", new Vec3(3, 4, 1), new Vec3(0, 0, 1), new Vec3(0, 3, 0));
        story.steps(10);
        story.pull(Pull.begin("crow.flying", Map.of("position", new Datum.Vec(new Vec3(-1, 0, 0))), 12)
                .of("crow-2"));
        story.steps(8);
        return story.log.toString();
    }

    private static String feedsThatGoOn() {
        Feed.Follow lag = new Feed.Follow(0.2, 0.05, 0);
        Feed.Follow looks = new Feed.Follow(0, 0, 0.1);
        Remap half = new Remap(new Range(0, 12), 0.2, 2);
        Story story = new Story(Sample.game(
                rope(
                        "channel",
                        1,
                        "kite.reeling",
                        "smoke",
                        d -> d.feeds = List.of(new Feed("rate", new Source.Channel("wind"), Optional.of(half), lag))),
                rope(
                        "looks",
                        2,
                        "kite.reeling",
                        "smoke",
                        d -> d.feeds = List.of(new Feed("rate", new Source.Channel("wind"), Optional.of(half), looks))),
                rope(
                        "held",
                        3,
                        "kite.reeling",
                        "smoke",
                        d -> d.feeds = List.of(new Feed("rate", new Source.Held(), new Range(0, 1), 0.1, 3))),
                rope(
                        "since",
                        4,
                        "kite.reeling",
                        "smoke",
                        d -> d.feeds = List.of(
                                new Feed("rate", new Source.Since("courier.landed"), new Range(0, 0.5), 4, 0.1))),
                rope(
                        "chance",
                        5,
                        "kite.reeling",
                        "smoke",
                        d -> d.feeds = List.of(new Feed("rate", new Source.Random(3), new Range(0, 1), 0.2, 3))),
                rope(
                        "constant",
                        6,
                        "kite.reeling",
                        "smoke",
                        d -> d.feeds = List.of(Feed.constant("rate", new Datum.Num(2.5)))),
                rope("force", 7, "kite.reeling", "smoke", d -> {
                    d.feeds = List.of(new Feed("rate", "force", FORCE, 0.5, 4));
                    d.overrides = new Overrides(
                            2,
                            0.5,
                            1.5,
                            OptionalDouble.of(0.5),
                            Optional.of(Rgba.parse("#FF0000FF")),
                            OptionalDouble.of(0.1),
                            OptionalDouble.of(0.9));
                })));
        Account begun = story.pull(Sample.reels(new Vec3(0, 1, 0), 21));
        story.steps(4);
        story.stage.publish("wind", 11);
        story.steps(10);
        story.pull(Sample.landing(5, "peat", 3));
        Knob knob = story.stage.knob(begun, "constant", "rate");
        knob.set(0.5);
        story.steps(8);
        story.say("the knob says " + knob.value().inWords());
        knob.set(4);
        story.stage.publish("wind", 1);
        story.steps(14);
        story.pull(ends(0));
        story.steps(30);
        return story.log.toString();
    }

    private static String conditions() {
        List<Condition> all = List.of(
                new Condition.Compare("force", Condition.Relation.OVER, 30),
                new Condition.OneOf("by", List.of("crow", "hail")),
                new Condition.Tagged("wet", true),
                new Condition.Compare(new Source.Channel("wind"), Condition.Relation.AT_MOST, 5),
                new Condition.Compare(new Source.Since("courier.landed"), Condition.Relation.UNDER, 0.2));
        List<Rope> ropes = new ArrayList<>();
        for (When.Match match : When.Match.values()) {
            ropes.add(rope(
                    "" + match,
                    ropes.size() + 1,
                    "courier.struck",
                    "puff",
                    d -> d.when = new When("courier.struck", Optional.empty(), match, all)));
        }
        ropes.add(rope("off", 8, "courier.struck", "puff", d -> d.note = new Note(true, "too loud", Optional.empty())));
        ropes.add(rope("unknown effect", 9, "courier.struck", "nothing like it", d -> {}));
        ropes.add(rope("plays nothing", 10, "courier.struck", "puff", d -> d.play = Optional.empty()));
        ropes.add(rope("only tells", 11, "courier.struck", "puff", d -> {
            d.play = Optional.empty();
            d.companions = List.of(new Companion.Notice("struck", 0, List.of()));
        }));
        Story story = new Story(Sample.game(ropes.toArray(new Rope[0])));
        story.pull(struck(0, 50, "crow", 1));
        story.pull(struck(0, 20, "branch", 2).tagged(Set.of("wet")));
        story.pull(Sample.landing(5, "stone", 3));
        story.steps(6);
        story.stage.publish("wind", 9);
        story.pull(struck(0, 50, "crow", 4).tagged(Set.of("wet", "new")));
        story.steps(1);
        story.pull(struck(0, 130, "hail", 5));
        story.pull(new Pull("courier.struck", Map.of("force", new Datum.Word("much")), 6));
        story.pull(new Pull("courier.stuck", Map.of(), 7));
        story.steps(5);
        return story.log.toString();
    }

    private static String retunedInFlight() {
        Rope blow = rope("blow", 1, "courier.struck", "puff", d -> {
            d.feeds = List.of(new Feed("size", "force", FORCE, 0.5, 2));
            d.followUps = List.of(FollowUp.after(0.2, "hiss"));
        });
        Rope reel = rope(
                "reel",
                2,
                "kite.reeling",
                "smoke",
                d -> d.run = run("puff", "hiss", 0, Run.Again.CONTINUE, Run.Order.TOGETHER));
        Rope rain = rope(
                "rain",
                3,
                "weather",
                "smoke",
                d -> d.when = new When("weather", Optional.of("drizzle"), When.Match.ALL, List.of()));
        Project game = Sample.game(blow, reel, rain);
        Story story = new Story(game);
        story.pull(struck(0, 60, "crow", 1));
        story.pull(Sample.reels(new Vec3(1, 0, 0), 2));
        story.pull(weather("drizzle", 3));
        story.steps(8);
        story.retune(game);
        story.retune(game.withEffects(
                List.of(Sample.puff("puff", 9), Sample.puff("hiss", 3), Sample.loop("smoke", 60, 0.4, 0.2))));
        story.steps(5);
        story.retune(story.project.withRopes(List.of(
                blow.with(d -> d.limits = Limits.alive(1, WhenFull.OLDEST)),
                reel,
                rain.with(d -> d.when = new When("weather", Optional.of("downpour"), When.Match.ALL, List.of())))));
        story.steps(6);
        story.pull(struck(1, 60, "crow", 4));
        story.pull(struck(2, 60, "crow", 5));
        story.steps(3);
        story.retune(story.project.withRopes(List.of(blow)));
        story.steps(10);
        story.pull(struck(3, 30, "hail", 6));
        Settings usual = Settings.USUAL;
        Settings slower = new Settings(
                new Pace(30),
                usual.metresPerUnit(),
                usual.seed(),
                usual.particleLimit(),
                usual.screen(),
                usual.comfort(),
                usual.aliases());
        story.retune(story.project.withSettings(slower));
        story.pull(struck(4, 30, "hail", 7));
        story.steps(12);
        story.stage.clear();
        story.say("cleared");
        story.steps(2);
        return story.log.toString();
    }

    private static String timeInAnyPieces() {
        Project game = Sample.game(
                rope("blow", 1, "courier.struck", "puff", d -> d.companions = List.of(new Companion.HitPause(0.07))),
                rope("reel", 2, "kite.reeling", "smoke", d -> {}));
        Story story = new Story(game);
        story.pull(struck(0, 10, "crow", 1));
        double[] pieces = {0.004, 0.031, 0.0005, 0.1, 1.0 / 60, 0, -1, Double.NaN, 0.25};
        for (double piece : pieces) {
            story.say(piece + " s make " + story.stage.advance(piece) + " steps");
            story.look();
        }
        story.pull(struck(1, 10, "crow", 2));
        story.say(story.stage.advance(1e6) + " steps at most");
        story.pull(struck(2, 10, "crow", 3));
        story.look();
        return story.log.toString();
    }

    @TestFactory
    List<DynamicTest> storiesComeOutAsTheyAlwaysDid() {
        Map<String, Supplier<String>> stories = new LinkedHashMap<>();
        stories.put("limits of moments", SameAnswersTest::limitsOfMoments);
        stories.put("spans and their ends", SameAnswersTest::spansAndTheirEnds);
        stories.put("states that change", SameAnswersTest::statesThatChange);
        stories.put("what follows", SameAnswersTest::whatFollows);
        stories.put("places and facings", SameAnswersTest::placesAndFacings);
        stories.put("feeds that go on", SameAnswersTest::feedsThatGoOn);
        stories.put("conditions", SameAnswersTest::conditions);
        stories.put("retuned in flight", SameAnswersTest::retunedInFlight);
        stories.put("time in any pieces", SameAnswersTest::timeInAnyPieces);
        List<DynamicTest> tests = new ArrayList<>();
        stories.forEach((name, story) -> tests.add(DynamicTest.dynamicTest(name, () -> compare(name, story.get()))));
        return tests;
    }

    private static void compare(String name, String now) throws IOException {
        String file = name.replace(' ', '-') + ".txt";
        String before;
        try (InputStream in = SameAnswersTest.class.getResourceAsStream(file)) {
            before = in == null ? "" : new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        if (!now.equals(before)) {
            Path folder = Files.createDirectories(Path.of("target", "answers"));
            Files.writeString(folder.resolve(file), now);
        }
        assertThat(now).isEqualTo(before);
    }
}
