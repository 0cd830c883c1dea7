package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.effect.Effect;
import bellrope.core.project.Project;
import bellrope.core.rope.Overrides;
import bellrope.core.rope.Rope;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

/** What lies over what, of effects that play at once: read from the frame, where later pictures lie over earlier ones. */
class DrawnOrderTest {
    private static Rope rope(String effect, int seed, OptionalInt order) {
        return Sample.rope(effect, seed, "courier.landed", effect)
                .with(d -> d.overrides = new Overrides(
                        1,
                        1,
                        1,
                        OptionalDouble.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        order));
    }

    // Of each picture how wide it is: 1 for the first effect, 2 for the second.
    private static List<Integer> widths(int first, int second, OptionalInt firstsRope) {
        Effect small = sized("small", 1).ordered(first);
        Effect wide = sized("wide", 2).ordered(second);
        Project project = Sample.game(rope("small", 1, firstsRope), rope("wide", 2, OptionalInt.empty()))
                .withEffects(List.of(small, wide));
        Stage stage = new Stage(project);
        stage.pull(Sample.landing(9, "stone", 1));
        ByteBuffer frame = stage.frame(1);
        List<Integer> widths = new ArrayList<>();
        for (int i = 0; i < frame.getInt(12); i++) {
            // Halves of 1 and 2 have the exponents 15 and 16.
            widths.add(((frame.getShort(64 + i * 20 + 6) & 0xFFFF) >> 10) - 14);
        }
        return widths;
    }

    private static Effect sized(String name, double size) {
        return Sample.effect(
                name,
                Sample.emitter(
                        name,
                        1,
                        Sample.burst(1, 1).with(d -> d.size = bellrope.core.value.Range.of(size)),
                        Sample.still()));
    }

    @Test
    void isTheProjectsUnlessAnEffectLiesInFrontOrBehind() {
        assertThat(widths(0, 0, OptionalInt.empty())).containsExactly(1, 2);
        assertThat(widths(1, 0, OptionalInt.empty())).containsExactly(2, 1);
        assertThat(widths(0, -1, OptionalInt.empty())).containsExactly(2, 1);
        assertThat(widths(3, 5, OptionalInt.empty())).containsExactly(1, 2);
    }

    @Test
    void isAnotherForARopeThatSaysSo() {
        assertThat(widths(0, 1, OptionalInt.of(2))).containsExactly(2, 1);
        assertThat(widths(5, 0, OptionalInt.of(-2))).containsExactly(1, 2);
    }
}
