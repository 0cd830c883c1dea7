package bellrope.core.stage.answer;

import bellrope.core.project.Settings;
import bellrope.core.rope.Companion.Flash;
import bellrope.core.rope.Companion.ScreenTint;
import bellrope.core.rope.Companion.Shake;
import bellrope.core.stage.told.Flashed;
import bellrope.core.stage.told.Shaken;
import bellrope.core.value.Angle;
import bellrope.core.value.Exact;
import bellrope.core.value.Pace;
import bellrope.core.value.Rgba;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/** What shakes, flashes and holds still, all companions together, under the project's caps and the player's settings. */
public final class Comfort {
    /** What is left of a shake when the player wants less of it. */
    static final double LESS_SHAKE = 0.25;
    /**
     * Most change of relative luminance by a flash when the player wants less: below the tenth that counts as a flash at
     * all (WCAG 2.2, <i>general flash</i>).
     */
    static final double LESS_FLASH = 0.099;
    /** A shake is over when this many decays have passed: a four-hundredth is left. */
    private static final double DECAYS = 2;

    private static final int MOST = 64;

    private final List<Shaking> shaking = new ArrayList<>();
    private final List<Lying> lying = new ArrayList<>();
    private double pause;
    private boolean lessShake;
    private boolean lessFlash;

    private record Shaking(Shake shake, int from, double around) {}

    // Something over the screen, or over its edges: its opacity by the seconds since it began.
    private record Lying(Rgba colour, boolean edges, double seconds, DoubleUnaryOperator opacity, int from) {}

    /** Sets what the player wants less of. */
    public void less(boolean shake, boolean flash) {
        lessShake = shake;
        lessFlash = flash;
    }

    /** @param around which way it swings, 0 to 1 of a turn */
    void shake(Shake shake, int step, double around) {
        if (shaking.size() == MOST) {
            shaking.remove(0);
        }
        shaking.add(new Shaking(shake, step, around));
    }

    void flash(Flash flash, int step) {
        lay(new Lying(flash.colour(), false, flash.seconds(), t -> flash.opacity() * (1 - t / flash.seconds()), step));
    }

    void tint(ScreenTint tint, int step) {
        lay(new Lying(tint.colour(), tint.area() == ScreenTint.Area.EDGES, tint.seconds(), tint::at, step));
    }

    private void lay(Lying one) {
        if (lying.size() == MOST) {
            lying.remove(0);
        }
        lying.add(one);
    }

    /** Holds still for so long, from now; of two the longer counts. */
    void hold(double seconds) {
        pause = Math.max(pause, seconds);
    }

    public double pause() {
        return pause;
    }

    /** Takes time off a pause; returns what is left for the game. */
    public double eat(double seconds) {
        double eaten = Math.min(pause, seconds);
        pause -= eaten;
        return seconds - eaten;
    }

    /** Forgets what is over. */
    void step(int step, Pace pace) {
        for (int i = shaking.size() - 1; i >= 0; i--) {
            if (pace.seconds(step - shaking.get(i).from)
                    > DECAYS * shaking.get(i).shake.decay()) {
                shaking.remove(i);
            }
        }
        for (int i = lying.size() - 1; i >= 0; i--) {
            if (pace.seconds(step - lying.get(i).from) >= lying.get(i).seconds) {
                lying.remove(i);
            }
        }
    }

    boolean still() {
        return shaking.isEmpty() && lying.isEmpty() && pause == 0;
    }

    void clear() {
        shaking.clear();
        lying.clear();
        pause = 0;
    }

    /** Returns how far the camera is moved: the sum of all shakes, cut to the cap. */
    public Shaken shaken(int step, Pace pace, Settings.Comfort caps) {
        double x = 0;
        double y = 0;
        for (Shaking one : shaking) {
            double t = pace.seconds(step - one.from);
            double size =
                    one.shake.size() * Exact.exp(-3 * t / one.shake.decay()) * Angle.cos(t * one.shake.frequency() % 1);
            x += size * Angle.cos(one.around);
            y += size * Angle.sin(one.around);
        }
        double length = Math.sqrt(x * x + y * y);
        double kept = (length > caps.shake() ? caps.shake() / length : 1) * (lessShake ? LESS_SHAKE : 1);
        return new Shaken(x * kept, y * kept);
    }

    /** Returns the colour over the screen; its alpha says how much of it. */
    public Flashed flashed(int step, Pace pace, Settings.Comfort caps) {
        return over(false, step, pace, caps);
    }

    /** Returns the colour over the edges of the screen, besides what lies over all of it. */
    public Flashed edged(int step, Pace pace, Settings.Comfort caps) {
        return over(true, step, pace, caps);
    }

    private Flashed over(boolean edges, int step, Pace pace, Settings.Comfort caps) {
        double red = 0;
        double green = 0;
        double blue = 0;
        double sum = 0;
        double clear = 1;
        for (Lying one : lying) {
            if (one.edges != edges) {
                continue;
            }
            double opacity = Math.max(0, one.opacity.applyAsDouble(pace.seconds(step - one.from)));
            Rgba colour = one.colour;
            red += colour.linearRed() * opacity;
            green += colour.linearGreen() * opacity;
            blue += colour.linearBlue() * opacity;
            sum += opacity;
            clear *= 1 - opacity;
        }
        if (sum == 0) {
            return Flashed.NONE;
        }
        double opacity = Math.min(caps.flash(), 1 - clear);
        if (lessFlash) {
            double luminance = Rgba.luminance((float) (red / sum), (float) (green / sum), (float) (blue / sum));
            opacity = Math.min(opacity, LESS_FLASH / Math.max(luminance, 1 - luminance));
        }
        return new Flashed(red / sum, green / sum, blue / sum, opacity);
    }
}
