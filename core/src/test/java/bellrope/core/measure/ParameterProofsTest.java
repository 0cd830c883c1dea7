package bellrope.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Binding.Mode;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Through;
import bellrope.core.effect.Type;
import bellrope.core.measure.TrueScale.Fault;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class ParameterProofsTest {
    private static final Vec3 DOWN = new Vec3(0, -9.8, 0);

    private static Binding times(Property property) {
        return new Binding(property, Mode.MULTIPLY, Optional.empty());
    }

    private static Parameter scale(Binding... bindings) {
        return new Parameter(
                "scale", new Type.Number(0.25, 4, 0), new Datum.Num(1), "×", "", true, false, List.of(bindings));
    }

    private static Effect chips(Parameter parameter) {
        Emitter chips = Sample.emitter("chips", 1, Sample.burst(20, 0.8), Sample.falling(DOWN, 1));
        Emitter dust = Sample.emitter("dust", 2, Sample.burst(8, 1.2), Sample.still());
        return Sample.effect("stone chips", chips, dust).withParameters(List.of(parameter));
    }

    private static TrueScale proof(Effect effect) {
        return TrueScale.of(Sample.project(effect), effect, effect.parameters().get(0));
    }

    private static Effect everything(Parameter parameter) {
        return Sample.lengths().withParameters(List.of(parameter));
    }

    /** Dimensional analysis, dynamic similarity: lengths, speeds and accelerations times s, times as they are. */
    @Nested
    class ATrueScale {
        @Test
        void multipliesLengthsSpeedsAndAccelerations() {
            TrueScale proof = proof(chips(scale(times(Property.SIZE), times(Property.SPEED), times(Property.GRAVITY))));
            assertThat(proof.scale()).isEqualTo(4);
            assertThat(proof.difference()).isLessThan(1e-5);
            assertThat(proof.holds()).isTrue();
        }

        // Sizes and speeds scaled, gravity forgotten: after t the big copy is (s − 1)·g·t²/2 too low (textbook
        // kinematics).
        @Test
        void thatForgetsGravityIsNamedWithItsEmitterAndItsPart() {
            TrueScale proof = proof(chips(scale(times(Property.SIZE), times(Property.SPEED))));
            assertThat(proof.holds()).isFalse();
            assertThat(proof.causes()).hasSize(1);
            TrueScale.Cause cause = proof.causes().get(0);
            assertThat(cause.property()).contains(Property.GRAVITY);
            assertThat(cause.emitters()).containsExactly("chips");
            assertThat(cause.fault()).isEqualTo(Fault.MISSING);
            assertThat(cause.difference()).isEqualTo(proof.difference()).isGreaterThan(0.2);
            assertThat(proof.emitters())
                    .filteredOn(e -> e.emitter().equals("dust"))
                    .allMatch(e -> e.difference() < 1e-5);
        }

        @Test
        void isMendedInOneMoveWhateverIsThere() {
            Effect bare = everything(scale());
            TrueScale before = proof(bare);
            assertThat(before.holds()).isFalse();
            assertThat(before.causes())
                    .extracting(c -> c.property().orElseThrow())
                    .containsExactlyInAnyOrder(
                            Property.SIZE,
                            Property.SPEED,
                            Property.GRAVITY,
                            Property.FORCE,
                            Property.FORCE_REACH,
                            Property.FORCE_PLACE,
                            Property.SHAPE,
                            Property.OFFSET,
                            Property.BARRIER,
                            Property.TRAIL,
                            Property.PER_UNIT);
            TrueScale after = proof(bare.withParameters(List.of(before.mended())));
            assertThat(after.causes()).isEmpty();
            assertThat(after.difference()).isLessThan(TrueScale.TRUE);
        }

        @Test
        void leavesTimesAlone() {
            TrueScale proof = proof(chips(scale(
                    times(Property.SIZE), times(Property.SPEED), times(Property.GRAVITY), times(Property.LIFETIME))));
            assertThat(proof.holds()).isFalse();
            assertThat(proof.causes().get(0).property()).contains(Property.LIFETIME);
            assertThat(proof.causes().get(0).fault()).isEqualTo(Fault.EXCESS);
            assertThat(proof.mended().bindings()).extracting(Binding::property).doesNotContain(Property.LIFETIME);
        }

        // A ribbon of so many units is a length, one of so many seconds or points a time.
        @Test
        void scalesARibbonByWhatItsLengthCounts() {
            for (End.Trail.By by : End.Trail.By.values()) {
                Parameter scale = scale(times(Property.TRAIL));
                Effect effect = chips(scale)
                        .changed(
                                "chips",
                                e -> e.withEnd(new End(
                                        Optional.empty(),
                                        List.of(),
                                        Optional.of(new End.Trail(
                                                by == End.Trail.By.POINTS ? 12 : 0.5,
                                                by,
                                                Curve.ONE,
                                                bellrope.core.value.Gradient.WHITE)))));
                assertThat(TrueScale.faults(effect, scale, Property.TRAIL).keySet())
                        .isEqualTo(by != End.Trail.By.UNITS ? java.util.Set.of(Fault.EXCESS) : java.util.Set.of());
                assertThat(TrueScale.mended(effect, scale).bindings())
                        .extracting(Binding::property)
                        .areExactly(
                                by == End.Trail.By.UNITS ? 1 : 0,
                                new org.assertj.core.api.Condition<>(p -> p == Property.TRAIL, "the ribbon"));
            }
        }

        @Test
        void thatGoesThroughACurveIsBent() {
            Binding bent = new Binding(
                    Property.SPEED,
                    Mode.MULTIPLY,
                    Optional.empty(),
                    new Through.Remap(new Remap(new Range(0.25, 4), 0.5, 2)));
            TrueScale proof = proof(chips(scale(times(Property.SIZE), bent, times(Property.GRAVITY))));
            assertThat(proof.causes().get(0).fault()).isEqualTo(Fault.BENT);
        }

        @Test
        void isLostWhereALaterParameterStandsInForWhatItScaled() {
            Effect effect = chips(scale(times(Property.SIZE), times(Property.SPEED), times(Property.GRAVITY)));
            Parameter girth = new Parameter(
                    "girth", 0.2, 0, 3, "u", "", List.of(new Binding(Property.SIZE, Mode.REPLACE, Optional.empty())));
            Parameter first = effect.parameters().get(0);
            TrueScale after = TrueScale.of(Sample.project(effect), effect.withParameters(List.of(first, girth)), first);
            assertThat(after.holds()).isFalse();
            assertThat(after.causes().get(0).fault()).isEqualTo(Fault.REPLACED);
            assertThat(after.causes().get(0).by()).isEqualTo("girth");
            TrueScale before =
                    TrueScale.of(Sample.project(effect), effect.withParameters(List.of(girth, first)), first);
            assertThat(before.holds()).as("what comes first is scaled too").isTrue();
        }

        @RepeatedTest(12)
        void holdsForAnyEffectOnceMended(RepetitionInfo info) {
            Effect effect = Sample.any(info.getCurrentRepetition()).withParameters(List.of(scale()));
            Effect mended = effect.withParameters(
                    List.of(TrueScale.mended(effect, effect.parameters().get(0))));
            assertThat(proof(mended).difference()).isLessThan(1e-4);
        }
    }

    @Nested
    class AtItsDefaults {
        @Test
        void anEffectIsItselfToTheBit() {
            Effect effect = chips(scale(times(Property.SIZE)));
            assertThat(Neutral.of(Sample.project(effect), effect)).isEqualTo(new Neutral(true, -1, List.of()));
        }

        // Common practice: a scale of 1 must give back the authored look.
        @Test
        void aDefaultOfTwoIsNamedWithWhatItChanges() {
            Parameter doubled = new Parameter("size", 2, 0, 3, "", "", List.of(times(Property.SIZE)));
            Effect effect = chips(doubled);
            Neutral neutral = Neutral.of(Sample.project(effect), effect);
            assertThat(neutral.identical()).isFalse();
            assertThat(neutral.firstStep()).isZero();
            assertThat(neutral.differences()).hasSize(2);
            Neutral.Difference first = neutral.differences().get(0);
            assertThat(first.emitter()).isEqualTo("chips");
            assertThat(first.authored()).contains(Range.of(0.2));
            assertThat(first.played()).contains(Range.of(0.4));
        }

        @Test
        void aCurveThatMissesOneIsNamed() {
            Binding curve = new Binding(
                    Property.SPEED,
                    Mode.MULTIPLY,
                    Optional.of("chips"),
                    new Through.Remap(new Remap(new Range(0.25, 4), 0.5, 2)));
            Effect effect = chips(scale(curve));
            assertThat(Neutral.of(Sample.project(effect), effect).differences())
                    .extracting(Neutral.Difference::property)
                    .containsExactly(Property.SPEED);
        }
    }

    @Nested
    class TheTable {
        // Common practice: 0.5 is half of every authored size, whatever it was.
        @Test
        void measuresHowStronglyEachEmitterAnswers() {
            Parameter size = new Parameter("size", 1, 0.5, 2, "", "", List.of(times(Property.SIZE)));
            Effect effect = chips(size);
            ParameterTable table = ParameterTable.of(Sample.project(effect), effect);
            for (int i = 0; i < 2; i++) {
                ParameterTable.Measured usual = table.usual().get(i);
                ParameterTable.Cell cell = table.rows().get(0).cells().get(i);
                assertThat(cell.low().size()).isCloseTo(usual.size() / 2, within(1e-6));
                assertThat(cell.high().size()).isCloseTo(usual.size() * 2, within(1e-6));
                assertThat(cell.high().presence()).isCloseTo(usual.presence() * 4, within(1e-3 * usual.presence()));
                assertThat(cell.high().count()).isEqualTo(usual.count());
            }
        }

        // Three of four scale, the fourth does not.
        @Test
        void namesTheOneThatDoesNotAnswer() {
            List<Emitter> emitters = new ArrayList<>();
            List<Binding> bindings = new ArrayList<>();
            for (int i = 1; i <= 4; i++) {
                emitters.add(Sample.emitter("e" + i, i, Sample.burst(4, 0.5), Sample.still()));
                if (i < 4) {
                    bindings.add(new Binding(Property.SIZE, Mode.MULTIPLY, Optional.of("e" + i)));
                }
            }
            Effect effect = Sample.effect("four", emitters.toArray(Emitter[]::new))
                    .withParameters(List.of(new Parameter("size", 1, 0.5, 2, "", "", bindings)));
            ParameterTable.Row row =
                    ParameterTable.of(Sample.project(effect), effect).rows().get(0);
            assertThat(row.cells())
                    .extracting(ParameterTable.Cell::missing)
                    .map(m -> m.contains(Property.SIZE))
                    .containsExactly(false, false, false, true);
            assertThat(row.cells().get(3).bound()).isEmpty();
        }
    }
}
