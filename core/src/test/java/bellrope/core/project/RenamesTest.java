package bellrope.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.rope.Companion;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Feed;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Limits;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Source;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

/** Whatever is renamed, the project stays consistent and the old name is nowhere in it. */
class RenamesTest {
    private static Project everything() {
        Rope landing = Sample.rope("landing", 1, "courier.landed", "puff").with(d -> {
            d.when = new When(
                    "courier.landed",
                    Optional.empty(),
                    When.Match.ALL,
                    List.of(
                            new Condition.OneOf("surface", List.of("stone", "peat")),
                            new Condition.Compare("speed", Condition.Relation.OVER, 4),
                            new Condition.Compare(new Source.Channel("wind"), Condition.Relation.OVER, 1),
                            new Condition.Compare(new Source.Since("courier.struck"), Condition.Relation.OVER, 1)));
            d.feeds = List.of(new Feed("size", "speed", new Range(0, 9), 1, 2));
            d.hit = Optional.of(new Source.Payload("speed"));
            d.limits = new Limits(
                    0,
                    OptionalDouble.empty(),
                    true,
                    Optional.of("courier.struck"),
                    OptionalInt.empty(),
                    false,
                    Limits.WhenFull.SKIP,
                    0,
                    1);
            d.where = new Where(
                    Where.Anchor.PLACE,
                    false,
                    Optional.of("mill door"),
                    Vec3.ZERO,
                    Where.Frame.WORLD,
                    OptionalDouble.empty());
            d.companions = List.of(new Companion.Notice(
                    "thud",
                    0,
                    List.of(
                            new NoticeValue("a", new Source.Payload("speed")),
                            new NoticeValue("b", new Source.Parameter("size")),
                            new NoticeValue("c", new Source.Channel("wind")))));
            d.followUps = List.of(
                    FollowUp.after(1, "hiss"),
                    new FollowUp(
                            Optional.empty(),
                            Optional.of("courier.struck"),
                            FollowUp.Cue.OVER,
                            0,
                            Vec3.ZERO,
                            OptionalDouble.empty(),
                            0,
                            Optional.empty()));
        });
        Rope reel = Sample.rope("reel", 2, "kite.reeling", "smoke").with(d -> {
            d.feeds = List.of(new Feed("rate", new Source.Channel("wind"), new Range(0, 9), 1, 2));
            d.run = new Run(
                    Optional.of("hiss"),
                    Optional.of("hiss"),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    Run.Again.CONTINUE,
                    Run.Order.TOGETHER);
        });
        Rope rain = Sample.rope("rain", 3, "weather", "smoke")
                .with(d -> d.when = new When("weather", Optional.of("drizzle"), When.Match.ALL, List.of()));
        return Sample.game(landing, reel, rain);
    }

    private static void renamed(Project after, String old) {
        assertThat(Consistency.problems(after)).isEmpty();
        assertThat(after.toString()).doesNotContain(old);
        assertThat(after).isNotEqualTo(everything());
    }

    @Test
    void everythingFollows() {
        Project p = everything();
        assertThat(Consistency.problems(p)).isEmpty();
        renamed(Renames.event(p, "courier.struck", "courier.hit"), "courier.struck");
        renamed(Renames.event(p, "courier.landed", "courier.touched"), "courier.landed");
        renamed(Renames.field(p, "courier.landed", "speed", "pace of fall"), "speed]");
        assertThat(Renames.field(p, "courier.landed", "speed", "pace of fall")
                        .ropes()
                        .get(0)
                        .hit())
                .hasValue(new Source.Payload("pace of fall"));
        renamed(Renames.field(p, "courier.landed", "surface", "ground"), "surface");
        renamed(Renames.option(p, "courier.landed", "surface", "peat", "bog"), "peat");
        renamed(Renames.value(p, "weather", "drizzle", "mizzle"), "drizzle");
        renamed(Renames.effect(p, "hiss", "sizzle"), "hiss");
        renamed(Renames.effect(p, "smoke", "reek"), "play=Optional[smoke");
        renamed(Renames.channel(p, "wind", "gale"), "wind,");
        renamed(Renames.place(p, "mill door", "mill gate"), "mill door");
        assertThat(Consistency.problems(Renames.parameter(p, "puff", "size", "girth")))
                .isEmpty();
    }

    @Test
    void aNameThatIsTakenIsForConsistencyToSay() {
        Project clash = Renames.effect(everything(), "hiss", "puff");
        assertThat(Consistency.problems(clash)).anyMatch(p -> p.allowed().equals("a name that is there once"));
    }
}
