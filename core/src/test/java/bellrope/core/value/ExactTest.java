package bellrope.core.value;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import java.util.function.DoubleBinaryOperator;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Outside check: the JDK's StrictMath, which the Java platform defines by fdlibm 5.3; every bit. */
@DisplayName("Elementary functions")
class ExactTest {
    private static final double[] CORNERS = {
        0,
        -0.0,
        1,
        -1,
        0.5,
        -0.5,
        2,
        3,
        -3,
        1.5,
        1e-9,
        -1e-9,
        1e-20,
        1e-300,
        1e300,
        -1e300,
        709.78,
        709.79,
        -745.1,
        -745.2,
        -708.5,
        0.3465,
        0.3466,
        1.0397,
        1.0398,
        38.8,
        39,
        Math.PI,
        -Math.PI,
        Math.PI / 2,
        Math.PI / 4,
        3 * Math.PI / 4,
        1e5,
        -8e5,
        1e7,
        Double.MIN_VALUE,
        Double.MIN_NORMAL,
        Double.MAX_VALUE,
        -Double.MAX_VALUE,
        Double.NaN,
        Double.POSITIVE_INFINITY,
        Double.NEGATIVE_INFINITY,
        0x1p31,
        0x1p32,
        0x1p53,
        0x1p-54,
        1 - 0x1p-53,
        1 + 0x1p-52,
        0.9999999,
        1.0000001,
        4097,
        -7,
        1023,
        1024,
        -1074,
        -1075
    };

    static Stream<Arguments> ofOne() {
        return Stream.of(
                Arguments.of("exp", (DoubleUnaryOperator) Exact::exp, (DoubleUnaryOperator) StrictMath::exp),
                Arguments.of("expm1", (DoubleUnaryOperator) Exact::expm1, (DoubleUnaryOperator) StrictMath::expm1),
                Arguments.of("log", (DoubleUnaryOperator) Exact::log, (DoubleUnaryOperator) StrictMath::log),
                Arguments.of("sin", (DoubleUnaryOperator) Exact::sin, (DoubleUnaryOperator) StrictMath::sin),
                Arguments.of("cos", (DoubleUnaryOperator) Exact::cos, (DoubleUnaryOperator) StrictMath::cos),
                Arguments.of("cbrt", (DoubleUnaryOperator) Exact::cbrt, (DoubleUnaryOperator) StrictMath::cbrt),
                Arguments.of("rint", (DoubleUnaryOperator) Exact::rint, (DoubleUnaryOperator) StrictMath::rint),
                Arguments.of("round", (DoubleUnaryOperator) Exact::round, (DoubleUnaryOperator) StrictMath::round),
                Arguments.of(
                        "radians", (DoubleUnaryOperator) Exact::radians, (DoubleUnaryOperator) StrictMath::toRadians),
                Arguments.of(
                        "degrees", (DoubleUnaryOperator) Exact::degrees, (DoubleUnaryOperator) StrictMath::toDegrees));
    }

    static Stream<Arguments> ofTwo() {
        return Stream.of(
                Arguments.of("pow", (DoubleBinaryOperator) Exact::pow, (DoubleBinaryOperator) StrictMath::pow),
                Arguments.of("atan2", (DoubleBinaryOperator) Exact::atan2, (DoubleBinaryOperator) StrictMath::atan2));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("ofOne")
    void ofOneNumberAreThoseOfThePlatform(String name, DoubleUnaryOperator ours, DoubleUnaryOperator platform) {
        for (double x : CORNERS) {
            same(name, ours.applyAsDouble(x), platform.applyAsDouble(x), x, 0);
        }
        SplittableRandom random = new SplittableRandom(1);
        for (int i = 0; i < 400_000; i++) {
            double x = number(random, i);
            same(name, ours.applyAsDouble(x), platform.applyAsDouble(x), x, 0);
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("ofTwo")
    void ofTwoNumbersAreThoseOfThePlatform(String name, DoubleBinaryOperator ours, DoubleBinaryOperator platform) {
        for (double x : CORNERS) {
            for (double y : CORNERS) {
                same(name, ours.applyAsDouble(x, y), platform.applyAsDouble(x, y), x, y);
            }
        }
        SplittableRandom random = new SplittableRandom(2);
        for (int i = 0; i < 400_000; i++) {
            double x = number(random, i);
            double y = number(random, i / 5);
            same(name, ours.applyAsDouble(x, y), platform.applyAsDouble(x, y), x, y);
        }
    }

    @Test
    void powersOfPartsAreThoseOfThePlatform() {
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < 400_000; i++) {
            double x = random.nextDouble();
            double y = random.nextDouble(20);
            same("pow", Exact.pow(x, y), StrictMath.pow(x, y), x, y);
        }
    }

    // Usual numbers, wide ones, those near 1, whole ones, and any bits at all.
    private static double number(SplittableRandom random, int i) {
        return switch (i % 5) {
            case 0 -> random.nextDouble(-10, 10);
            case 1 -> random.nextDouble(-1000, 1000);
            case 2 -> 1 + random.nextDouble(-1e-3, 1e-3);
            case 3 -> random.nextInt(-200, 200);
            default -> Double.longBitsToDouble(random.nextLong());
        };
    }

    private static void same(String name, double ours, double platform, double x, double y) {
        if (Double.doubleToLongBits(ours) != Double.doubleToLongBits(platform)) {
            assertThat(ours).as("%s of %s, %s", name, x, y).isEqualTo(platform);
        }
    }
}
