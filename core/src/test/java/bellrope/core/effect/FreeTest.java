package bellrope.core.effect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.value.Datum;
import bellrope.core.value.Refused;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Parameters without bounds. */
class FreeTest {
    private static Parameter size(boolean free, double standard) {
        return new Parameter(
                "size",
                new Type.Number(0, 2, 0, free),
                new Datum.Num(standard),
                "×",
                "",
                false,
                false,
                List.of(new Binding(Property.SIZE, Binding.Mode.MULTIPLY, Optional.empty())));
    }

    @Test
    void takeWhatLiesBeyondTheirRange() {
        assertThat(size(false, 1).held(new Datum.Num(5))).contains(new Datum.Num(2));
        assertThat(size(true, 1).held(new Datum.Num(5))).contains(new Datum.Num(5));
        assertThat(size(true, 1).type().within(-3)).isEqualTo(-3);
        assertThat(new Type.Whole(0, 2, 1, true).held(new Datum.Num(7.4))).isEqualTo(new Datum.Num(7));
    }

    @Test
    void areHeldWhereNoEffectCanFollow() {
        assertThat(size(true, 1).held(new Datum.Num(1e300))).contains(new Datum.Num(Type.FAR));
        assertThat(size(true, 1).held(new Datum.Num(-1e300))).contains(new Datum.Num(-Type.FAR));
    }

    @Test
    void mayBeginBeyondIt() {
        assertThat(size(true, 3).standard()).isEqualTo(new Datum.Num(3));
        assertThatThrownBy(() -> size(false, 3)).isInstanceOf(Refused.class).hasMessageContaining("0 to 2");
    }

    @Test
    void keepTheirRangeForSlidersAndMeasures() {
        assertThat(size(true, 1).ends()).containsExactly(new Datum.Num(0), new Datum.Num(2));
        assertThat(size(true, 1).type().expects()).isEqualTo("a number up to a million either way");
    }
}
