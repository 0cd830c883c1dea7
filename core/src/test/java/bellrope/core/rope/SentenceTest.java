package bellrope.core.rope;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.rope.Sentence.Slot;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Ease;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** Everything that a rope can say is read in its sentence, with its numbers and units. */
class SentenceTest {
    private static final Channel WIND = new Channel("wind", "", new Range(0, 12), 2, "u/s");
    private static final OptionalDouble NO = OptionalDouble.empty();

    private static Sentence sentence(EventType event, Consumer<Rope.Draft> change) {
        Rope plain = new Rope("r", 1, event.name(), List.of(), Optional.of("puff"), Vec3.ZERO, Facing.UP, List.of());
        return Sentence.of(
                plain.with(change),
                Optional.of(event),
                name -> Optional.of(WIND).filter(c -> c.name().equals(name)));
    }

    /** What it says after the plain beginning. */
    private static String landing(Consumer<Rope.Draft> change) {
        return sentence(Sample.landed(), change).toString();
    }

    private static String rest(Consumer<Rope.Draft> change) {
        return landing(change).replaceFirst("^When courier.landed, play puff at the point, facing up", "");
    }

    private static String feed(Source source, Optional<Remap> remap, Feed.Follow follow) {
        return rest(d -> d.feeds = List.of(new Feed("size", source, remap, follow)));
    }

    private static Optional<Remap> remap(double from, double to) {
        return Optional.of(new Remap(new Range(0, 9), from, to));
    }

    @Test
    void saysItsConditions() {
        assertThat(landing(d -> d.when = new When(
                        "courier.landed",
                        Optional.empty(),
                        When.Match.ALL,
                        List.of(
                                new Condition.OneOf("surface", List.of("peat", "stone")),
                                new Condition.Compare("speed", Condition.Relation.AT_LEAST, 4),
                                new Condition.Compare(new Source.Channel("wind"), Condition.Relation.UNDER, 3),
                                new Condition.Compare(new Source.Since("courier.struck"), Condition.Relation.OVER, 1.5),
                                new Condition.Flagged("wet", false),
                                new Condition.Tagged("soaked", true)))))
                .startsWith("When courier.landed on peat or stone with speed at least 4 u/s"
                        + " and wind under 3 u/s and time since courier.struck over 1.5 s and no wet"
                        + " and the subject soaked, play");
        assertThat(landing(d -> d.when = new When(
                        "courier.landed",
                        Optional.empty(),
                        When.Match.NONE,
                        List.of(new Condition.OneOf("surface", List.of("peat")), new Condition.Flagged("wet", true)))))
                .startsWith("When courier.landed with neither surface peat nor wet, play");
    }

    @Test
    void saysTimesAndOverrides() {
        assertThat(landing(d -> d.timing = new Timing(0.1, 0.2))).contains(", after 0.1…0.3 s play puff");
        assertThat(landing(d -> d.timing = new Timing(0.1, 0))).contains(", after 0.1 s play puff");
        assertThat(landing(d -> d.overrides = new Overrides(
                        2,
                        0.5,
                        3,
                        OptionalDouble.of(1.5),
                        Optional.of(Rgba.parse("#FF8800FF")),
                        OptionalDouble.of(0.2),
                        OptionalDouble.of(9))))
                .contains("play puff with counts × 2, sizes × 0.5, speeds × 3, a duration of 1.5 s,"
                        + " colours × #FF8800FF, a fade-out of 0.2 s, cut after 9 s at");
    }

    @Test
    void saysWhereItPlays() {
        assertThat(landing(d -> d.where = new Where(
                        Where.Anchor.SUBJECT,
                        true,
                        Optional.empty(),
                        new Vec3(0, 1, 0),
                        Where.Frame.WORLD,
                        OptionalDouble.of(-2))))
                .contains(" on the courier + (0, 1, 0) u at depth -2 u, facing up");
        assertThat(landing(d -> d.where =
                        new Where(Where.Anchor.SUBJECT, false, Optional.empty(), Vec3.ZERO, Where.Frame.SUBJECT, NO)))
                .contains(" where the courier was, facing up");
        assertThat(landing(d -> d.where =
                        new Where(Where.Anchor.SCREEN, false, Optional.empty(), Vec3.ZERO, Where.Frame.WORLD, NO)))
                .isEqualTo("When courier.landed, play puff on the screen.");
        assertThat(landing(d -> d.where = new Where(
                        Where.Anchor.PLACE, false, Optional.of("mill door"), Vec3.ZERO, Where.Frame.WORLD, NO)))
                .contains("play puff at mill door, facing up");
        assertThat(landing(d -> d.pointing = new Pointing(Facing.FIXED, new Vec3(1, 1, 0), 20, 1, false)))
                .endsWith(", facing (1, 1, 0) ± 20°.");
    }

    @Nested
    class AFeed {
        @Test
        void saysItsSourceWithItsUnit() {
            assertThat(feed(new Source.Payload("speed"), remap(0, 2), Feed.Follow.AT_ONCE))
                    .isEqualTo("; size from speed 0…9 → 0…2.");
            assertThat(feed(new Source.Channel("wind"), remap(0, 2), Feed.Follow.AT_ONCE))
                    .isEqualTo("; size from wind 0…9 u/s → 0…2.");
            assertThat(feed(new Source.Held(), remap(0, 2), Feed.Follow.AT_ONCE))
                    .isEqualTo("; size from time held 0…9 s → 0…2.");
            assertThat(feed(new Source.Parameter("wet"), remap(0, 2), Feed.Follow.AT_ONCE))
                    .isEqualTo("; size from wet 0…9 → 0…2.");
            assertThat(feed(new Source.Payload("speed"), Optional.empty(), Feed.Follow.AT_ONCE))
                    .isEqualTo("; size from speed.");
            assertThat(feed(new Source.Constant(new Datum.Num(3)), Optional.empty(), Feed.Follow.AT_ONCE))
                    .isEqualTo("; size always 3.");
            assertThat(feed(new Source.Random(1), remap(0.8, 1.2), Feed.Follow.AT_ONCE))
                    .isEqualTo("; size random 0.8…1.2.");
        }

        @Test
        void saysHowItFollows() {
            Source wind = new Source.Channel("wind");
            assertThat(feed(wind, remap(0, 2), new Feed.Follow(0.5, 0.5, 0))).endsWith(" → 0…2, smoothed over 0.5 s.");
            assertThat(feed(wind, remap(0, 2), new Feed.Follow(0.5, 0.1, 0.25)))
                    .endsWith(" → 0…2, rising over 0.5 s, falling over 0.1 s, sampled every 0.25 s.");
            Curve curve = new Curve(List.of(new Curve.Key(0, 0, Ease.EASE_OUT), new Curve.Key(1, 1, Ease.LINEAR)));
            assertThat(feed(wind, Optional.of(new Remap(new Range(0, 9), 0, 2, false, curve)), Feed.Follow.AT_ONCE))
                    .endsWith(" → 0…2 by a curve unclamped.");
        }
    }

    private static Consumer<Rope.Draft> limits(Limits limits) {
        return d -> d.limits = limits;
    }

    @Test
    void saysItsLimits() {
        assertThat(rest(limits(new Limits(
                        0.5,
                        OptionalDouble.of(4),
                        true,
                        Optional.of("mill.stopped"),
                        OptionalInt.of(3),
                        true,
                        Limits.WhenFull.OLDEST,
                        2,
                        0.25))))
                .isEqualTo("; in 25 of 100 cases, at most once in 0.5 s, at most 4 a second, once for each subject"
                        + " until mill.stopped, not within 2 u of the last, at most 3 at a time in its group, else it"
                        + " removes the oldest.");
        assertThat(rest(limits(new Limits(
                        0, NO, false, Optional.empty(), OptionalInt.of(1), false, Limits.WhenFull.SKIP, 0, 1))))
                .isEqualTo("; at most 1 at a time.");
    }

    @Test
    void saysWhatComesWithItAndWhatFollows() {
        assertThat(rest(d -> {
                    d.companions = List.of(
                            new Companion.Shake(0.2, 9, 0.5),
                            new Companion.HitPause(0.05),
                            new Companion.Notice(
                                    "thud", 0.2, List.of(new NoticeValue("speed", new Source.Payload("speed")))));
                    d.hit = Optional.of(new Source.Constant(new Datum.Num(3.5)));
                    d.owner = new Owner(Owner.AtEnd.FADE, 0.3);
                    d.followUps = List.of(
                            FollowUp.after(0.4, "hiss"),
                            new FollowUp(
                                    Optional.empty(),
                                    Optional.of("mill.stopped"),
                                    FollowUp.Cue.OVER,
                                    1,
                                    Vec3.ZERO,
                                    NO,
                                    0,
                                    Optional.empty()),
                            new FollowUp(
                                    Optional.empty(),
                                    Optional.empty(),
                                    FollowUp.Cue.ENDED,
                                    0,
                                    Vec3.ZERO,
                                    OptionalDouble.of(5),
                                    2,
                                    Optional.empty()));
                }))
                .isEqualTo("; shake the camera 0.2 u for 0.5 s; hit pause 0.05 s; tell the game “thud” with speed after"
                        + " 0.2 s; hit-test radius 3.5 u; when the courier is gone fade over 0.3 s; then after 0.4 s play"
                        + " hiss; then when it is over and 1 s more announce mill.stopped; then when it ends play no"
                        + " effect chosen for 5 s and fade 2 s.");
        assertThat(rest(d -> d.owner = new Owner(Owner.AtEnd.VANISH, 0)))
                .isEqualTo("; when the courier is gone vanish.");
    }

    private static String reeling(Run run) {
        return sentence(Sample.reeling(), d -> d.run = run).toString();
    }

    private static Run run(OptionalDouble in, OptionalDouble out, OptionalDouble longest, Run.Again again) {
        return new Run(Optional.empty(), Optional.empty(), in, out, longest, again, Run.Order.TOGETHER);
    }

    @Test
    void ofASpanSaysHowItBeginsAndEnds() {
        OptionalDouble fast = OptionalDouble.of(0.5);
        assertThat(reeling(new Run(
                        Optional.of("hiss"),
                        Optional.of("pop"),
                        OptionalDouble.of(0.1),
                        fast,
                        OptionalDouble.of(20),
                        Run.Again.RESTART,
                        Run.Order.TOGETHER)))
                .isEqualTo("While kite.reeling, begin with hiss, run puff at the point, facing up; end with pop;"
                        + " fade in over 0.1 s, out over 0.5 s; at most 20 s, restarted each time.");
        assertThat(reeling(run(NO, fast, NO, Run.Again.STACK))).endsWith("; fade 0.5 s; several side by side.");
        assertThat(reeling(run(fast, NO, NO, Run.Again.CONTINUE))).endsWith(", facing up; fade in over 0.5 s.");
    }

    @Test
    void ofAStateSaysItsValueAndTheChange() {
        Consumer<Rope.Draft> rain =
                d -> d.when = new When("weather", Optional.of("drizzle"), When.Match.ALL, List.of());
        OptionalDouble slow = OptionalDouble.of(3);
        assertThat(sentence(Sample.weather(), rain.andThen(d -> d.run = run(slow, slow, NO, Run.Again.CONTINUE)))
                        .toString())
                .isEqualTo("While weather is drizzle, run puff at the point, facing up; change over 3 s.");
        assertThat(sentence(
                                Sample.weather(),
                                rain.andThen(d -> d.run = new Run(
                                        Optional.empty(),
                                        Optional.empty(),
                                        slow,
                                        NO,
                                        NO,
                                        Run.Again.CONTINUE,
                                        Run.Order.AFTER)))
                        .toString())
                .endsWith("; in over 3 s, after what was before.");
        Sentence none = sentence(Sample.weather(), d -> {});
        assertThat(none.toString()).startsWith("While weather is no value chosen, run");
        assertThat(none.parts()).extracting(Sentence.Part::slot).contains(Slot.GAP);
    }
}
