package bellrope.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Rope;
import bellrope.core.value.Problem;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
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
}
