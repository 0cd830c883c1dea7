package bellrope.core.stage;

import bellrope.core.effect.Parameter;
import bellrope.core.stage.answer.Scene;
import bellrope.core.stage.play.Hand;
import bellrope.core.stage.play.Instance;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;

/**
 * One parameter of one running instance, for game code to turn: made by {@link Stage#knob}, kept as long as wanted. What it
 * sets holds from the next step on, in place of what the rope feeds, and survives {@link Stage#retune}. Turning it
 * allocates nothing once the instance has been turned a few times.
 */
public final class Knob {
    private final Scene scene;
    private final Instance instance;
    private final Hand hand;
    private final Parameter parameter;
    private final boolean number;

    Knob(Scene scene, Instance instance, Hand hand, Parameter parameter) {
        this.scene = scene;
        this.instance = instance;
        this.hand = hand;
        this.parameter = parameter;
        this.number = parameter.type().numeric();
    }

    /** Returns the parameter with its bounds, unit and description. */
    public Parameter parameter() {
        return parameter;
    }

    /**
     * Sets the number, held inside the parameter's bounds.
     *
     * @return whether the instance still plays; when it does not, nothing happens
     * @throws Refused if the parameter takes no number, or the value is not finite
     */
    public boolean set(double value) {
        if (!number) {
            throw new Refused(
                    parameter.name(), Double.toString(value), parameter.type().expects());
        }
        Demand.finite(parameter.name(), value);
        if (instance.gone()) {
            return false;
        }
        hand.set(scene.now(), parameter.type().within(value));
        return true;
    }

    /**
     * Sets a value of the parameter's type, held inside its bounds.
     *
     * @throws Refused if it has another type
     */
    public boolean set(Datum value) {
        Datum held = parameter
                .held(value)
                .orElseThrow(() -> new Refused(
                        parameter.name(), value.inWords(), parameter.type().expects()));
        if (instance.gone()) {
            return false;
        }
        if (parameter.type().scalar()) {
            hand.set(scene.now(), parameter.type().position(held));
        } else {
            hand.set(scene.now(), held);
        }
        return true;
    }

    /** Returns what the parameter is on the present step, whoever set it. */
    public Datum value() {
        return instance.values().getOrDefault(parameter.name(), parameter.standard());
    }

    /** Tells whether the instance still plays. */
    public boolean alive() {
        return !instance.gone();
    }
}
