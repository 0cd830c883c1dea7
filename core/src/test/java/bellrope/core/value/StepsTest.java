package bellrope.core.value;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.value.Ease.Steps;
import bellrope.core.value.Ease.Steps.Jump;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Steps; against a browser's own {@code steps()} in the browser tests. */
class StepsTest {
    @Test
    void holdWhatTheirJumpsLeave() {
        assertThat(new Steps(2, Jump.END).at(0.49)).isZero();
        assertThat(new Steps(2, Jump.END).at(0.5)).isEqualTo(0.5);
        assertThat(new Steps(2, Jump.START).at(0)).isEqualTo(0.5);
        assertThat(new Steps(2, Jump.BOTH).at(0)).isEqualTo(1 / 3.0);
        assertThat(new Steps(2, Jump.NONE).at(0.75)).isEqualTo(1);
    }

    @Test
    void makeTicks() {
        // Ten ticks, each a fifth larger than the one before: the sum is common practice.
        Curve size =
                new Curve(List.of(new Curve.Key(0, 1, new Steps(10, Jump.NONE)), new Curve.Key(1, 2.8, Ease.LINEAR)));
        double[] ticks =
                IntStream.range(0, 10).mapToDouble(i -> size.at((i + 0.5) / 10)).toArray();
        for (int i = 0; i < 10; i++) {
            assertThat(ticks[i]).isCloseTo(1 + 0.2 * i, org.assertj.core.api.Assertions.within(1e-12));
        }
    }

    @Test
    void needTwoToHoldBothEnds() {
        assertThatThrownBy(() -> new Steps(1, Jump.NONE))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("steps");
        assertThatThrownBy(() -> new Steps(0, Jump.END)).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Steps(257, Jump.END)).isInstanceOf(Refused.class);
    }
}
