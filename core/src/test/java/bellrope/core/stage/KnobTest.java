package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Stream;
import bellrope.core.effect.Type;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;

/** Game code sets parameters of an instance that plays, of every type, and its values are found again after a change. */
class KnobTest {
    private static Parameter parameter(String name, Type type, Datum standard, Property property) {
        return new Parameter(
                name,
                type,
                standard,
                "",
                "",
                false,
                true,
                List.of(new Binding(property, Binding.Mode.REPLACE, Optional.empty())));
    }

    private static Project smoking() {
        Effect smoke = new Effect(
                "smoke",
                "",
                Course.looping(1),
                OptionalLong.empty(),
                List.of(Sample.emitter(
                        "fog",
                        1,
                        Sample.burst(0, 0.5)
                                .with(d -> d.stream = Optional.of(new Stream(60, 0, OptionalDouble.empty()))),
                        Sample.still())),
                List.of(
                        parameter("tint", new Type.Colour(true), new Datum.Word("#FFFFFFFF"), Property.COLOUR),
                        parameter("lean", new Type.Vector(10), new Datum.Vec(Vec3.ZERO), Property.OFFSET),
                        parameter("girth", new Type.Number(0.1, 3, 0), new Datum.Num(1), Property.SIZE)));
        Project game = Sample.game(Sample.rope("reel", 1, "kite.reeling", "smoke"));
        return game.withEffects(List.of(game.effects().get(0), game.effects().get(1), smoke));
    }

    private final Stage stage = new Stage(smoking());
    private final Account begun = stage.pull(Sample.reels(Vec3.ZERO, 1));

    private Knob knob(String parameter) {
        return stage.knob(begun, "reel", parameter);
    }

    @Test
    void setsColoursVectorsAndNumbersFromTheNextStepOn() {
        Datum red = new Datum.Word("#FF0000FF");
        Datum aside = new Datum.Vec(new Vec3(4, 0, 0));
        assertThat(knob("tint").set(red)).isTrue();
        assertThat(knob("lean").set(aside)).isTrue();
        assertThat(knob("girth").set(2)).isTrue();
        stage.step();
        stage.step();
        assertThat(knob("tint").value()).isEqualTo(red);
        assertThat(knob("lean").value()).isEqualTo(aside);
        Stage untouched = new Stage(smoking());
        untouched.pull(Sample.reels(Vec3.ZERO, 1));
        untouched.step();
        untouched.step();
        assertThat(stage.frame(0)).as("it is seen").isNotEqualTo(untouched.frame(0));
        stage.retune(smoking());
        assertThat(knob("tint").value()).as("after a save too").isEqualTo(red);
    }

    @Test
    void anOffsetThatIsTurnedMovesWhereTheNextAreBorn() {
        knob("lean").set(new Datum.Vec(new Vec3(4, 0, 0)));
        // By then all that was born before it was turned is gone.
        for (int i = 0; i < 40; i++) {
            stage.step();
        }
        assertThat(stage.particles()).isPositive();
        assertThat(stage.frame(0).getFloat(24)).as("the least x of all").isCloseTo(4, within(1e-3f));
    }

    @Test
    void holdsWhatIsBeyondTheBoundsAndRefusesOtherTypes() {
        knob("girth").set(99);
        stage.step();
        stage.step();
        assertThat(knob("girth").value()).isEqualTo(new Datum.Num(3));
        assertThatThrownBy(() -> knob("tint").set(1.5))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("tint");
        assertThatThrownBy(() -> knob("lean").set(new Datum.Word("left"))).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> knob("girth").set(Double.NaN)).isInstanceOf(Refused.class);
    }

    @Test
    void doesNothingToWhatIsOver() {
        Knob girth = knob("girth");
        Knob tint = knob("tint");
        assertThat(girth.alive()).isTrue();
        stage.pull(Pull.end("kite.reeling"));
        for (int i = 0; i < 120; i++) {
            stage.step();
        }
        assertThat(girth.alive()).isFalse();
        assertThat(girth.set(2)).isFalse();
        assertThat(tint.set(new Datum.Word("#00FF00FF"))).isFalse();
    }

    @Test
    void findsTheLastOfManySettings() {
        Knob girth = knob("girth");
        Knob tint = knob("tint");
        for (int i = 0; i < 1500; i++) {
            girth.set(1 + i / 1500.0);
            tint.set(new Datum.Word(String.format("#%06XFF", i)));
            stage.step();
        }
        stage.step();
        assertThat(girth.value()).isEqualTo(new Datum.Num(1 + 1499 / 1500.0));
        assertThat(tint.value()).isEqualTo(new Datum.Word(String.format("#%06XFF", 1499)));
    }
}
