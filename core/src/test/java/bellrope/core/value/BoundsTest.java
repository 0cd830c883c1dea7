package bellrope.core.value;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BoundsTest {
    private static final Bounds CLOSED = Bounds.of(-2, 60);
    private static final Bounds OPEN = Bounds.above(0, 60);

    @ParameterizedTest
    @ValueSource(doubles = {-2, 0, 59.9, 60})
    void whatLiesInsideIsGivenBack(double value) {
        assertThat(CLOSED.check("x", value)).isEqualTo(value);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-2.0000001, 60.0000001, Double.NaN, Double.POSITIVE_INFINITY})
    void whatLiesOutsideIsRefused(double value) {
        assertThatThrownBy(() -> CLOSED.check("x", value)).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> CLOSED.check("x", OptionalDouble.of(value))).isInstanceOf(Refused.class);
    }

    @Test
    void anOpenEndIsNotAllowedItself() {
        assertThat(OPEN.check("x", Double.MIN_VALUE)).isPositive();
        assertThatThrownBy(() -> OPEN.check("x", 0.0)).hasMessageContaining("a number above 0");
        assertThatThrownBy(() -> OPEN.check("x", new Range(0, 1)))
                .isInstanceOfSatisfying(
                        Refused.class, r -> assertThat(r.place()).isEqualTo("x/least"));
        assertThatThrownBy(() -> OPEN.check("x", new Vec3(1, 0, 1)))
                .isInstanceOfSatisfying(
                        Refused.class, r -> assertThat(r.place()).isEqualTo("x/1"));
    }

    @Test
    void whatIsMissingIsFine() {
        OPEN.check("x", OptionalDouble.empty());
        OPEN.check("x", OptionalInt.empty());
    }

    @Test
    void theNearestNumberThatIsAllowedIsAllowed() {
        for (double value : new double[] {-1e9, -2, 0, 1e-9, 30, 60, 1e9}) {
            OPEN.check("x", OPEN.held(value));
            CLOSED.check("x", CLOSED.held(value));
        }
        assertThat(CLOSED.held(30)).isEqualTo(30);
        assertThat(Bounds.around(5).held(-7)).isEqualTo(-5);
    }

    @Test
    void aCurveIsRefusedAtTheKeyThatLiesOutside() {
        assertThatThrownBy(() -> CLOSED.check("x", Curve.through(0, 0, 1, 61)))
                .isInstanceOfSatisfying(
                        Refused.class, r -> assertThat(r.place()).isEqualTo("x/1/value"));
    }
}
