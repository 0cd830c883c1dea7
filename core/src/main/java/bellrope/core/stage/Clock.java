package bellrope.core.stage;

import bellrope.core.stage.answer.Intake;
import bellrope.core.stage.answer.Scene;
import bellrope.core.value.Words;

/** Makes whole steps of the time that passes, and keeps the rest. */
final class Clock {
    private final Intake intake;
    private final Scene scene;
    private double remainder;

    Clock(Intake intake) {
        this.intake = intake;
        this.scene = intake.scene();
    }

    /** Makes one step, whatever is paused. */
    void step() {
        scene.comfort().eat(scene.pace().seconds(1));
        intake.step();
    }

    int advance(double seconds) {
        if (!(seconds >= 0) || Double.isInfinite(seconds)) {
            scene.outbox().note("the clock was told to advance by " + Words.number(seconds) + " s; nothing moved");
            return 0;
        }
        double left = seconds;
        if (seconds > Stage.LONGEST_ADVANCE) {
            scene.outbox()
                    .note("the clock was told to advance by " + Words.number(seconds) + " s; it advanced by "
                            + Words.number(Stage.LONGEST_ADVANCE) + " s, the most at once");
            left = Stage.LONGEST_ADVANCE;
        }
        int perSecond = scene.pace().stepsPerSecond();
        int made = 0;
        while (true) {
            // A pause may begin with any step, so it is checked before each.
            left = scene.comfort().eat(left);
            if (intake.still()) {
                // Nothing moves: time is only counted.
                double steps = remainder + left * perSecond;
                int whole = (int) Math.floor(steps + 1e-9);
                remainder = Math.max(0, steps - whole);
                scene.pass(whole);
                return made + whole;
            }
            double missing = 1 - remainder;
            if (left * perSecond + 1e-9 < missing) {
                remainder += left * perSecond;
                return made;
            }
            left = Math.max(0, left - missing / perSecond);
            remainder = 0;
            intake.step();
            made++;
        }
    }

    /** Makes the steps up to one; whatever is paused waits no longer. */
    void reach(int step) {
        while (scene.now() < step) {
            scene.comfort().eat(Double.POSITIVE_INFINITY);
            if (intake.still()) {
                scene.pass(step - scene.now());
            } else {
                intake.step();
            }
        }
    }

    /** Carries the rest over to steps that are so much shorter. */
    void repace(double faster) {
        remainder *= faster;
    }
}
