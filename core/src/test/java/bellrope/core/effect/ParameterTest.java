package bellrope.core.effect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.Sample;
import bellrope.core.effect.Binding.Mode;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Remap;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class ParameterTest {
    private static final Effect PUFF = Sample.effect(
            "puff", Sample.emitter("bits", 1, Sample.burst(20, 1), Sample.falling(new Vec3(0, -8, 0), 2)));

    private static Binding on(Property property, Mode mode, Through through) {
        return new Binding(property, mode, Optional.empty(), through);
    }

    private static Parameter of(Type type, Datum standard, Binding... bindings) {
        return new Parameter("turned", type, standard, "", "", false, false, List.of(bindings));
    }

    private static Emitter played(Parameter parameter, Datum value) {
        return PUFF.withParameters(List.of(parameter))
                .resolved(Map.of("turned", value))
                .get(0);
    }

    @Nested
    class OfEachType {
        @Test
        void aWholeNumberAddsToTheCount() {
            Parameter more =
                    of(new Type.Whole(0, 10, 1), new Datum.Num(0), on(Property.COUNT, Mode.ADD, Through.STRAIGHT));
            assertThat(played(more, new Datum.Num(7)).birth().bursts())
                    .containsExactly(new Burst(0, 27, 27, 1, 0, 1, 1));
            assertThat(more.held(new Datum.Num(3.4))).contains(new Datum.Num(3));
        }

        @Test
        void aFlagHasANumberForNoAndOneForYes() {
            Parameter wet = of(
                    new Type.Flag(),
                    new Datum.Flag(false),
                    on(Property.GRAVITY, Mode.MULTIPLY, new Through.Each(List.of(1.0, 0.5))));
            assertThat(played(wet, new Datum.Flag(true)).life().gravity()).isEqualTo(new Vec3(0, -4, 0));
            assertThat(played(wet, new Datum.Flag(false)))
                    .isSameAs(PUFF.emitters().get(0));
        }

        @Test
        void aChoiceHasANumberForEachOption() {
            Parameter wood = of(
                    new Type.Choice(List.of("oak", "elm", "ash")),
                    new Datum.Word("oak"),
                    on(Property.DRAG, Mode.ADD, new Through.Each(List.of(0.0, 1.0, 4.0))));
            assertThat(played(wood, new Datum.Word("ash")).life().drag()).isEqualTo(6);
            assertThat(wood.held(new Datum.Word("yew"))).isEmpty();
        }

        @Test
        void aVectorMovesTheOffset() {
            Parameter lean =
                    of(new Type.Vector(2), new Datum.Vec(Vec3.ZERO), on(Property.OFFSET, Mode.ADD, Through.STRAIGHT));
            assertThat(played(lean, new Datum.Vec(new Vec3(0, 1, 0))).birth().offset())
                    .isEqualTo(Vec3.UP);
            assertThat(lean.held(new Datum.Vec(new Vec3(9, 0, -9)))).contains(new Datum.Vec(new Vec3(2, 0, -2)));
        }

        @Test
        void aColourMultipliesInLinearLight() {
            Parameter dye = of(
                    new Type.Colour(false),
                    new Datum.Word("#FFFFFF"),
                    on(Property.COLOUR, Mode.MULTIPLY, Through.STRAIGHT));
            Tint tint = played(dye, new Datum.Word("#FF0000")).birth().colour();
            assertThat(tint).isEqualTo(new Tint.Between(new Rgba(255, 0, 0, 255), new Rgba(255, 0, 0, 255)));
            assertThat(dye.held(new Datum.Word("#FF000080")))
                    .as("without opacity")
                    .isEmpty();
        }
    }

    // A rate turned up without the speed following looks clumped: one parameter, each property by its own curve.
    @Test
    void drivesSeveralPropertiesEachByItsOwnCurve() {
        Remap wider = new Remap(new Range(1, 4), 1, 2);
        Remap faster = new Remap(new Range(1, 4), 1, 3, true, Curve.through(0, 0, 0.5, 1, 1, 1));
        Parameter rich = of(
                new Type.Number(1, 4, 0),
                new Datum.Num(1),
                on(Property.COUNT, Mode.MULTIPLY, Through.STRAIGHT),
                on(Property.SIZE, Mode.MULTIPLY, new Through.Remap(wider)),
                on(Property.SPEED, Mode.MULTIPLY, new Through.Remap(faster)));
        Emitter half = played(rich, new Datum.Num(2.5));
        assertThat(half.birth().bursts()).containsExactly(new Burst(0, 50, 50, 1, 0, 1, 1));
        assertThat(half.birth().size().least()).isEqualTo(0.2 * 1.5);
        assertThat(half.birth().speed().least()).isEqualTo(12);
        assertThat(played(rich, new Datum.Num(1))).isSameAs(PUFF.emitters().get(0));
    }

    @ParameterizedTest
    @EnumSource(Property.class)
    void neverLeavesWhatASettingAllowsWhateverItIsTurnedTo(Property property) {
        for (Emitter emitter : Sample.lengths().emitters()) {
            for (Mode mode : Mode.values()) {
                for (double value : new double[] {-1e12, -3, -1e-9, 0, 1e-9, 0.5, 7, 1e12}) {
                    assertThat(property.bound(emitter, mode, value)).isNotNull();
                    assertThat(property.moved(emitter, mode, new Vec3(value, 0, -value)))
                            .isNotNull();
                }
            }
        }
    }

    @ParameterizedTest
    @EnumSource(Property.class)
    void leavesAnEmitterAloneWhereItIsNeutral(Property property) {
        for (Emitter emitter : Sample.lengths().emitters()) {
            assertThat(property.bound(emitter, Mode.MULTIPLY, 1)).isSameAs(emitter);
            assertThat(property.bound(emitter, Mode.DIVIDE, 1)).isSameAs(emitter);
            assertThat(property.bound(emitter, Mode.ADD, 0)).isSameAs(emitter);
        }
    }

    // Twice the half is the whole: what a property covers is changed together, and nothing else.
    @ParameterizedTest
    @EnumSource(Property.class)
    void multipliesEveryNumberItCovers(Property property) {
        for (Emitter emitter : Sample.lengths().emitters()) {
            List<Double> before = property.numbers(emitter);
            List<Double> after = property.numbers(property.bound(emitter, Mode.MULTIPLY, 0.5));
            assertThat(after).hasSameSizeAs(before);
            for (int i = 0; i < before.size(); i++) {
                assertThat(after.get(i)).isCloseTo(before.get(i) / 2, org.assertj.core.api.Assertions.within(1e-9));
            }
        }
    }

    @Nested
    class IsRefused {
        @Test
        void withADefaultOfTheWrongType() {
            assertThatThrownBy(() -> of(new Type.Number(0, 1, 0), new Datum.Word("big")))
                    .hasMessage("default: big: a number from 0 to 1");
            assertThatThrownBy(() -> of(new Type.Flag(), new Datum.Num(1))).hasMessage("default: 1: true or false");
        }

        @Test
        void withADefaultOutsideItsBoundsOrBoundsTheWrongWayRound() {
            assertThatThrownBy(() -> of(new Type.Number(0, 1, 0), new Datum.Num(2)))
                    .hasMessage("default: 2: a number from 0 to 1");
            assertThatThrownBy(() -> new Type.Number(3, 1, 0))
                    .hasMessage("least: 3 to 1: the minimum must not be above the maximum");
        }

        @Test
        void withADescriptionOfAMegabyte() {
            assertThatThrownBy(() -> new Parameter(
                            "a",
                            new Type.Flag(),
                            new Datum.Flag(true),
                            "",
                            "x".repeat(1 << 20),
                            false,
                            false,
                            List.of()))
                    .hasMessage("description: 1048576 characters: at most 1000");
        }

        @Test
        void withABindingThatItsTypeCannotDo() {
            assertThatThrownBy(() -> of(
                            new Type.Colour(false),
                            new Datum.Word("#FFFFFF"),
                            on(Property.SIZE, Mode.MULTIPLY, Through.STRAIGHT)))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("bindings/0/property: size: colour");
            assertThatThrownBy(() -> of(
                            new Type.Choice(List.of("a", "b", "c")),
                            new Datum.Word("a"),
                            on(Property.SIZE, Mode.MULTIPLY, new Through.Each(List.of(1.0, 2.0)))))
                    .hasMessageContaining("bindings/0/each: 2 numbers: 3 of them");
        }

        @Test
        void asAScaleUnlessItIsANumber() {
            assertThatThrownBy(() ->
                            new Parameter("a", new Type.Flag(), new Datum.Flag(true), "", "", true, false, List.of()))
                    .hasMessageContaining("only a number can scale an effect");
        }
    }

    // U+0456 is the Cyrillic letter that looks like i, U+03BF the Greek one that looks like o (Unicode TR39).
    @Test
    void namesThatLookAlikeHaveOneSkeleton() {
        assertThat(Words.skeleton("s\u0456ze")).isEqualTo(Words.skeleton("Size"));
        assertThat(Words.skeleton("c\u03BFunt")).isEqualTo(Words.skeleton("count"));
        assertThat(Words.skeleton("wind-speed")).isEqualTo(Words.skeleton("Wind Speed"));
        assertThat(Words.skeleton("wind speed")).isNotEqualTo(Words.skeleton("wind spread"));
    }
}
