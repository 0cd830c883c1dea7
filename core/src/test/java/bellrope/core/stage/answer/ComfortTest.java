package bellrope.core.stage.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.project.Settings;
import bellrope.core.rope.Companion.Flash;
import bellrope.core.rope.Companion.Shake;
import bellrope.core.stage.told.Flashed;
import bellrope.core.stage.told.Shaken;
import bellrope.core.value.Pace;
import bellrope.core.value.Rgba;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class ComfortTest {
    private static final Settings.Comfort CAPS = new Settings.Comfort(0.5, 0.6);
    private static final Rgba RED = Rgba.parse("#FF0000FF");
    private static final Rgba WHITE = Rgba.parse("#FFFFFFFF");
    private static final Rgba BLACK = Rgba.parse("#000000FF");

    private Comfort comfort;

    @BeforeEach
    void none() {
        comfort = new Comfort();
    }

    private Flashed flashed(int step) {
        return comfort.flashed(step, Pace.SIXTY, CAPS);
    }

    @Test
    void aFlashGoesBackEvenly() {
        assertThat(flashed(0)).isEqualTo(Flashed.NONE);
        comfort.flash(new Flash(RED, 0.4, 0.5), 10);
        assertThat(flashed(10)).isEqualTo(new Flashed(1, 0, 0, 0.4));
        assertThat(flashed(25).opacity()).as("half of the time").isCloseTo(0.2, within(1e-12));
        assertThat(flashed(40).opacity()).isZero();
        comfort.step(39, Pace.SIXTY);
        assertThat(comfort.still()).isFalse();
        comfort.step(40, Pace.SIXTY);
        assertThat(comfort.still()).isTrue();
    }

    // Of two layers of opacity a and b, (1 − a)(1 − b) of what lies below is left: as in any textbook of compositing.
    @Test
    void twoFlashesLieOverOneAnother() {
        comfort.flash(new Flash(RED, 0.3, 1), 0);
        comfort.flash(new Flash(WHITE, 0.1, 1), 0);
        Flashed both = flashed(0);
        assertThat(both.opacity()).isCloseTo(1 - 0.7 * 0.9, within(1e-12));
        assertThat(both.red()).isCloseTo(1, within(1e-12));
        assertThat(both.green()).as("the quarter of it that is white").isCloseTo(0.25, within(1e-12));
        assertThat(both.blue()).isCloseTo(0.25, within(1e-12));
        comfort.flash(new Flash(WHITE, 1, 1), 0);
        assertThat(flashed(0).opacity()).as("never beyond the cap").isEqualTo(0.6);
    }

    // WCAG 2.2, general flash: a pair of changes of relative luminance by a tenth or more.
    @Test
    void lessFlashStaysBelowWhatCountsAsAFlashOnAnyPicture() {
        comfort.less(false, true);
        for (Rgba colour : new Rgba[] {RED, WHITE, BLACK}) {
            comfort.clear();
            comfort.flash(new Flash(colour, 0.6, 1), 0);
            Flashed f = flashed(0);
            double luminance = 0.2126 * f.red() + 0.7152 * f.green() + 0.0722 * f.blue();
            assertThat(f.opacity() * Math.max(luminance, 1 - luminance))
                    .as("the change over the picture that it changes most, with " + colour)
                    .isCloseTo(0.099, within(1e-6));
        }
        comfort.clear();
        comfort.flash(new Flash(WHITE, 0.05, 1), 0);
        assertThat(flashed(0).opacity()).as("what is weak anyway").isCloseTo(0.05, within(1e-12));
    }

    @Test
    void shakesAddUpUnderTheCapAndDie() {
        comfort.shake(new Shake(0.2, 10, 0.5), 0, 0);
        comfort.shake(new Shake(0.1, 10, 0.5), 0, 0.25);
        Shaken both = comfort.shaken(0, Pace.SIXTY, CAPS);
        assertThat(both.x()).isCloseTo(0.2, within(1e-9));
        assertThat(both.y()).isCloseTo(0.1, within(1e-9));
        // A tenth of a second later both have swung once, and e^(−3 · 0.1 / 0.5) is left.
        assertThat(comfort.shaken(6, Pace.SIXTY, CAPS).x()).isCloseTo(0.2 * Math.exp(-0.6), within(1e-9));
        assertThat(comfort.shaken(3, Pace.SIXTY, CAPS).x())
                .as("the other way after half a swing")
                .isNegative();
        comfort.less(true, false);
        assertThat(comfort.shaken(0, Pace.SIXTY, CAPS).x()).isCloseTo(0.05, within(1e-9));
        comfort.less(false, false);
        comfort.shake(new Shake(5, 10, 0.5), 0, 0);
        Shaken strong = comfort.shaken(0, Pace.SIXTY, CAPS);
        assertThat(Math.hypot(strong.x(), strong.y())).isCloseTo(0.5, within(1e-9));
        comfort.step(60, Pace.SIXTY);
        assertThat(comfort.still()).as("two decays have not passed").isFalse();
        comfort.step(61, Pace.SIXTY);
        assertThat(comfort.still()).isTrue();
    }

    @Test
    void ofTwoHitPausesTheLongerCounts() {
        comfort.hold(0.05);
        comfort.hold(0.03);
        assertThat(comfort.eat(0.02)).isZero();
        assertThat(comfort.pause()).isCloseTo(0.03, within(1e-12));
        assertThat(comfort.eat(0.05)).as("what is left for the game").isCloseTo(0.02, within(1e-12));
        assertThat(comfort.still()).isTrue();
    }
}
