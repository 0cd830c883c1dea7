package bellrope.core.value;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ValueTest {
    @Nested
    class ARange {
        @Test
        void refusesALeastAboveItsMost() {
            assertThatThrownBy(() -> new Range(0.8, 0.2))
                    .hasMessage("0.8 to 0.2: the minimum must not be above the maximum");
        }

        @Test
        void refusesWhatIsNotANumber() {
            assertThatThrownBy(() -> new Range(Double.NaN, 1)).hasMessage("least: NaN: a finite number");
            assertThatThrownBy(() -> new Range(0, Double.POSITIVE_INFINITY)).isInstanceOf(Refused.class);
        }

        @Test
        void keepsItsEndsInOrderWhenMultipliedByALess() {
            assertThat(new Range(1, 3).times(-2)).isEqualTo(new Range(-6, -2));
        }
    }

    @Nested
    class AnEase {
        // W3C CSS Easing Functions Level 1; values worked out from the Bézier equations with s = 1/2 for ease-in-out
        // by symmetry, and by an independent Newton solver (below) elsewhere.
        @Test
        void goesThroughTheMiddleWhenSymmetric() {
            assertThat(Ease.EASE_IN_OUT.at(0.5)).isCloseTo(0.5, within(1e-12));
            assertThat(Ease.LINEAR.at(0.3)).isEqualTo(0.3);
        }

        @ParameterizedTest
        @CsvSource({"0.25,0.1,0.25,1", "0.42,0,1,1", "0,0,0.58,1", "0.42,0,0.58,1", "0.1,-0.6,0.2,1.8"})
        void solvesTheBezier(double x1, double y1, double x2, double y2) {
            Ease ease = new Ease.CubicBezier(x1, y1, x2, y2);
            for (double s = 0.01; s < 1; s += 0.01) {
                double r = 1 - s;
                double x = 3 * r * r * s * x1 + 3 * r * s * s * x2 + s * s * s;
                double y = 3 * r * r * s * y1 + 3 * r * s * s * y2 + s * s * s;
                assertThat(ease.at(x)).isCloseTo(y, within(1e-9));
            }
        }

        @Test
        void holdsUntilTheNextKey() {
            Curve steps = new Curve(List.of(new Curve.Key(0, 2, Ease.HOLD), new Curve.Key(0.5, 7, Ease.HOLD)));
            assertThat(steps.at(0.499)).isEqualTo(2);
            assertThat(steps.at(0.5)).isEqualTo(7);
            assertThat(steps.at(1)).isEqualTo(7);
        }

        @Test
        void refusesControlPointsOutsideTime() {
            assertThatThrownBy(() -> new Ease.CubicBezier(1.2, 0, 0, 1)).hasMessage("0: 1.2: a number from 0 to 1");
        }
    }

    @Nested
    class ACurve {
        @Test
        void refusesKeysOutOfOrder() {
            assertThatThrownBy(() -> Curve.through(0, 1, 0.6, 2, 0.6, 3))
                    .hasMessageContaining("2/at: 0.6: later than the key before it");
        }

        @Test
        void isFlatBeyondItsKeysAndStraightBetween() {
            Curve curve = Curve.through(0.2, 1, 0.6, 3);
            assertThat(curve.at(0)).isEqualTo(1);
            assertThat(curve.at(0.4)).isCloseTo(2, within(1e-12));
            assertThat(curve.at(1)).isEqualTo(3);
            assertThat(curve.table(10)).hasSize(11).contains(1f, 3f);
        }

        @Test
        void itsTableIsTheCurveCellForCell() {
            SplittableRandom random = new SplittableRandom(3);
            Ease[] eases = {
                Ease.LINEAR, Ease.HOLD, new Ease.CubicBezier(0.4, 0, 0.2, 1), new Ease.Spline(2, -1),
            };
            for (int n = 0; n < 200; n++) {
                List<Curve.Key> keys = new ArrayList<>();
                double at = random.nextDouble(0, 0.3);
                while (at <= 1) {
                    keys.add(new Curve.Key(at, random.nextDouble(-5, 5), eases[random.nextInt(eases.length)]));
                    at += random.nextDouble(0.01, 0.5);
                }
                Curve curve = new Curve(keys);
                float[] table = curve.table(64);
                for (int i = 0; i <= 64; i++) {
                    assertThat(table[i]).isEqualTo((float) curve.at(i / 64.0));
                }
            }
        }
    }

    @Nested
    class AColour {
        // IEC 61966-2-1.
        @Test
        void isCarriedIntoLinearLightByTheStandardCurve() {
            assertThat(Rgba.toLinear(0.5)).isCloseTo(0.21404, within(1e-5));
            assertThat(Rgba.toSrgb(0.21404)).isCloseTo(0.5, within(1e-5));
            assertThat(Rgba.toLinear(0.04045)).isCloseTo(0.0031308, within(1e-6));
        }

        // WCAG 2.2, definition of relative luminance.
        @Test
        void hasTheLuminanceOfThePublishedWeights() {
            assertThat(Rgba.luminance(1, 1, 1)).isCloseTo(1, within(1e-12));
            assertThat(Rgba.luminance(0, 1, 0)).isEqualTo(0.7152);
        }

        @Test
        void isReadWithAndWithoutAlphaAndRefusedOtherwise() {
            assertThat(Rgba.parse("#8A5A1C")).isEqualTo(new Rgba(0x8A, 0x5A, 0x1C, 255));
            assertThat(Rgba.parse("#8a5a1c80").toString()).isEqualTo("#8A5A1C80");
            assertThatThrownBy(() -> Rgba.parse("brown")).hasMessage("\"brown\": a colour as #RRGGBB or #RRGGBBAA");
        }

        @Test
        void isMixedInLinearLight() {
            Gradient grey = new Gradient(
                    List.of(new Gradient.Stop(0, new Rgba(0, 0, 0, 255)), new Gradient.Stop(1, Rgba.WHITE)));
            float half = grey.table(2)[4];
            assertThat(half).isEqualTo(0.5f);
            assertThat(Rgba.toSrgb(half)).isCloseTo(0.7354, within(1e-4));
        }
    }

    @Nested
    class AnAngle {
        // Against the JDK's own StrictMath (fdlibm).
        @Test
        void hasTheSineAndCosineOfTheLibrary() {
            for (int i = 0; i <= 100_003; i++) {
                double turns = i / 100_003.0;
                assertThat(Angle.sin(turns)).isCloseTo(StrictMath.sin(2 * Math.PI * turns), within(2e-15));
                assertThat(Angle.cos(turns)).isCloseTo(StrictMath.cos(2 * Math.PI * turns), within(2e-15));
            }
        }
    }

    @Nested
    class ATurn {
        // JOML as reference, over directions that a stable generator draws.
        @Test
        void isWhatAnIndependentLibraryComputes() {
            SplittableRandom random = new SplittableRandom(7);
            for (int i = 0; i < 2_000; i++) {
                Vec3 from = drawn(random);
                Vec3 to = drawn(random);
                Vec3 degrees = drawn(random).times(180);
                Quaterniond arc = new Quaterniond().rotationTo(from.x(), from.y(), from.z(), to.x(), to.y(), to.z());
                agree(Rotation.between(from, to), arc);
                Quaterniond angles = new Quaterniond()
                        .rotationZYX(
                                Math.toRadians(degrees.z()), Math.toRadians(degrees.y()), Math.toRadians(degrees.x()));
                agree(Rotation.degrees(degrees), angles);
                agree(Rotation.degrees(degrees).after(Rotation.between(from, to)), new Quaterniond(angles).mul(arc));
                Vector3d carried = angles.transform(new Vector3d(from.x(), from.y(), from.z()));
                Vec3 mine = Rotation.degrees(degrees).apply(from);
                assertThat(mine.x()).isCloseTo(carried.x, within(1e-11));
                assertThat(mine.y()).isCloseTo(carried.y, within(1e-11));
                assertThat(mine.z()).isCloseTo(carried.z, within(1e-11));
            }
        }

        private static Vec3 drawn(SplittableRandom random) {
            return new Vec3(random.nextDouble(-1, 1), random.nextDouble(-1, 1), random.nextDouble(-1, 1));
        }

        private static void agree(Rotation mine, Quaterniond theirs) {
            double same = mine.x() * theirs.x + mine.y() * theirs.y + mine.z() * theirs.z + mine.w() * theirs.w;
            assertThat(Math.abs(same)).isCloseTo(1, within(1e-12));
            assertThat(mine.x()).isCloseTo(theirs.x * Math.signum(same), within(1e-9));
            assertThat(mine.w()).isCloseTo(theirs.w * Math.signum(same), within(1e-9));
        }

        // JOML's rotation as reference for lengths; opposite directions are the case that libraries get wrong.
        @ParameterizedTest
        @CsvSource({"0,1,0", "0,-1,0", "1,0,0", "-0.6,0.8,0", "0.3,-0.9,0.2", "0,0,-1"})
        void carriesUpOntoAnyDirectionByTheShortestArc(double x, double y, double z) {
            Vec3 to = new Vec3(x, y, z).directionOr(Vec3.UP);
            Rotation turn = Rotation.between(Vec3.UP, to);
            Vec3 carried = turn.apply(Vec3.UP);
            assertThat(carried.dot(to)).isCloseTo(1, within(1e-9));
            double angle = 2 * Math.acos(Math.min(1, Math.abs(turn.w())));
            assertThat(angle)
                    .isCloseTo(new Vector3d(0, 1, 0).angle(new Vector3d(to.x(), to.y(), to.z())), within(1e-6));
        }
    }

    @Nested
    class ThePace {
        @Test
        void roundsTimesUpToWholeStepsAndForgivesRounding() {
            assertThat(Pace.SIXTY.stepsAt(0.05)).isEqualTo(3);
            assertThat(Pace.SIXTY.stepsAt(0.3)).isEqualTo(18);
            assertThat(Pace.SIXTY.stepsAt(0.051)).isEqualTo(4);
            assertThat(Pace.SIXTY.stepsAt(0)).isZero();
        }
    }

    @Nested
    class TheWords {
        @Test
        void nameTheNearestKnown() {
            assertThat(Words.nearest("Size", List.of("speed", "size"))).isEqualTo("; did you mean size?");
            assertThat(Words.nearest("zebra", List.of("speed", "size"))).isEmpty();
        }

        @Test
        void writeNumbersPlainly() {
            assertThat(Words.number(4)).isEqualTo("4");
            assertThat(Words.number(0.15)).isEqualTo("0.15");
            assertThat(Words.number(100)).isEqualTo("100");
            assertThat(Words.number(1e-7)).isEqualTo("1.0E-7");
        }
    }

    // Khronos glTF 2.0, appendix on animation sampler interpolation: cubic spline, at ¼ and ½ of an interval of 0.4.
    @Test
    void aSplineFollowsTheGltfFormula() {
        Curve curve =
                new Curve(List.of(new Curve.Key(0.2, 1, new Ease.Spline(3, -2)), new Curve.Key(0.6, 2, Ease.LINEAR)));
        for (double t : new double[] {0, 0.25, 0.5, 1}) {
            double td = 0.4;
            double expected = (2 * t * t * t - 3 * t * t + 1) * 1
                    + td * (t * t * t - 2 * t * t + t) * 3
                    + (-2 * t * t * t + 3 * t * t) * 2
                    + td * (t * t * t - t * t) * -2;
            assertThat(curve.at(0.2 + 0.4 * t)).isCloseTo(expected, within(1e-12));
        }
    }

    @Test
    void aTurnInDegreesGoesAboutXThenYThenZ() {
        Vec3 turned = Rotation.degrees(new Vec3(90, 90, 0)).apply(Vec3.UP);
        // About x: up becomes +z; about y: +z becomes +x.
        assertThat(turned.x()).isCloseTo(1, within(1e-12));
        assertThat(Rotation.degrees(new Vec3(0, 0, 90)).apply(Vec3.RIGHT).y()).isCloseTo(1, within(1e-12));
    }
}
