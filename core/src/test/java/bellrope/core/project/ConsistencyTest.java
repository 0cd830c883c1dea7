package bellrope.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Feed;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Source;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.value.Problem;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class ConsistencyTest {
    private static final Project SOUND = Sample.project(
            Sample.effect("straw puff", Sample.emitter("straws", 1, Sample.burst(3, 1), Sample.still())));

    private static List<String> with(Rope... ropes) {
        return Consistency.problems(SOUND.withRopes(List.of(ropes))).stream()
                .map(Problem::toString)
                .toList();
    }

    private static Rope rope(int seed, String event, Condition condition, String play, Facing facing, Feed feed) {
        return new Rope(
                "r" + seed, seed, event, List.of(condition), Optional.of(play), Vec3.ZERO, facing, List.of(feed));
    }

    @Test
    void aSoundProjectHasNoProblems() {
        assertThat(Consistency.problems(SOUND)).isEmpty();
    }

    @Test
    void everyNameThatIsNotThereIsNamedWithItsNearest() {
        assertThat(with(rope(
                        1,
                        "courier.landed",
                        new Condition.OneOf("surface", List.of("tatch")),
                        "straw puf",
                        Facing.DIRECTION,
                        new Feed("Size", "sped", new Range(0, 1), 0, 1))))
                .containsExactly(
                        "/ropes/0/play: \"straw puf\": the name of a known effect; did you mean straw puff?",
                        "/ropes/0/conditions/0/options/0: \"tatch\": the name of a known option of surface; did you mean thatch?",
                        "/ropes/0/facing: the direction: a facing that courier.landed can give; it carries no direction",
                        "/ropes/0/feeds/0/field: \"sped\": the name of a known field of courier.landed; did you mean speed?");
    }

    @Test
    void aParameterIsFoundByItsExactName() {
        assertThat(with(rope(
                        1,
                        "courier.landed",
                        new Condition.Compare("surface", Condition.Relation.OVER, 1),
                        "straw puff",
                        Facing.UP,
                        new Feed("Size", "speed", new Range(0, 1), 0, 1))))
                .containsExactly(
                        "/ropes/0/conditions/0/field: \"surface\": a field that is a number",
                        "/ropes/0/feeds/0/parameter: \"Size\": the name of a known parameter of straw puff; did you mean size?");
    }

    @Test
    void twoRopesMustNotShareNameOrSeed() {
        Rope rope = Sample.onThatch("straw puff");
        assertThat(with(rope, rope))
                .containsExactly(
                        "/ropes/1/name: \"landing on thatch\": a name that is there once",
                        "/ropes/1/seed: 1: a seed of its own; this one belongs to \"landing on thatch\"");
    }

    @Test
    void everythingThatARopeNamesIsLookedFor() {
        Project sound = Sample.game(Sample.rope("reel", 1, "kite.reeling", "smoke"));
        assertThat(Consistency.problems(sound)).isEmpty();
        Rope wrong = sound.ropes().get(0).with(d -> {
            d.when = new When(
                    "kite.reeling",
                    Optional.of("fast"),
                    When.Match.ALL,
                    List.of(
                            new Condition.Compare(new Source.Channel("wnd"), Condition.Relation.OVER, 1),
                            new Condition.Compare(new Source.Since("kite.lost"), Condition.Relation.OVER, 1),
                            new Condition.Flagged("force", true)));
            d.where = new Where(
                    Where.Anchor.PLACE,
                    false,
                    Optional.of("mill dor"),
                    Vec3.ZERO,
                    Where.Frame.WORLD,
                    OptionalDouble.empty());
            d.pointing = Pointing.of(Facing.REFLECTED);
            d.run = new Run(
                    Optional.of("puf"),
                    Optional.of("his"),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    Run.Again.CONTINUE,
                    Run.Order.TOGETHER);
            d.followUps = List.of(FollowUp.after(1, "smke"));
        });
        assertThat(Consistency.problems(sound.withRopes(List.of(wrong))))
                .extracting(Problem::place)
                .containsExactlyInAnyOrder(
                        "/ropes/0/run/start",
                        "/ropes/0/run/end",
                        "/ropes/0/place/name",
                        "/ropes/0/then/0/play",
                        "/ropes/0/value",
                        "/ropes/0/conditions/0/channel",
                        "/ropes/0/conditions/1/since",
                        "/ropes/0/conditions/2/field",
                        "/ropes/0/facing",
                        "/ropes/0/facing");
    }
}
