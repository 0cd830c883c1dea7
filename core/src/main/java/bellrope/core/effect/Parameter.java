package bellrope.core.effect;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;

/**
 * A value of an effect that ropes and game code may set. At its default the effect should look exactly as authored; what
 * does not is for {@code check} to notice, because a curve may miss it.
 *
 * @param type what it takes, with its bounds
 * @param standard the value until something sets it, inside the bounds
 * @param unit as shown behind the number; may be empty
 * @param description one sentence for whoever turns it, at most {@value #LONGEST_DESCRIPTION} characters
 * @param scale whether it is meant to scale the whole effect uniformly: all lengths, speeds and accelerations, and no times
 * @param byGame whether game code sets it
 * @param bindings at most 64
 */
public record Parameter(
        String name,
        Type type,
        Datum standard,
        String unit,
        String description,
        boolean scale,
        boolean byGame,
        List<Binding> bindings) {
    public static final int MOST_BINDINGS = 64;

    public static final int LONGEST_DESCRIPTION = 1000;

    public Parameter {
        Demand.name("name", name);
        if (!type.accepts(standard)) {
            throw new Refused("default", standard.inWords(), type.expects());
        }
        if (!type.held(standard).equals(standard)) {
            throw new Refused("default", standard.inWords(), type.expects());
        }
        if (unit.length() > Demand.LONGEST_NAME) {
            throw new Refused("unit", unit.length() + " characters", "at most " + Demand.LONGEST_NAME);
        }
        if (description.length() > LONGEST_DESCRIPTION) {
            throw new Refused("description", description.length() + " characters", "at most " + LONGEST_DESCRIPTION);
        }
        if (scale && !(type instanceof Type.Number)) {
            throw new Refused("scale", "true", "false; only a number can scale an effect");
        }
        bindings = Demand.atMost("bindings", bindings, MOST_BINDINGS);
        for (int i = 0; i < bindings.size(); i++) {
            try {
                bindings.get(i).fits(type);
            } catch (Refused wrong) {
                throw wrong.under("bindings/" + i);
            }
        }
    }

    /** A number. */
    public Parameter(
            String name,
            double standard,
            double least,
            double most,
            String unit,
            String description,
            List<Binding> bindings) {
        this(name, new Type.Number(least, most, 0), new Datum.Num(standard), unit, description, false, false, bindings);
    }

    /** Returns the value that will be used for one that was asked for; empty where it has another type. */
    public Optional<Datum> held(Datum asked) {
        return type.accepts(asked) ? Optional.of(type.held(asked)) : Optional.empty();
    }

    /**
     * Returns the values furthest from one another: the least and the most, both ends of a vector's diagonal, black and white.
     */
    public List<Datum> ends() {
        if (type instanceof Type.Vector v) {
            return List.of(
                    new Datum.Vec(new Vec3(-v.most(), -v.most(), -v.most())),
                    new Datum.Vec(new Vec3(v.most(), v.most(), v.most())));
        }
        return type.scalar()
                ? List.of(type.at(type.least()), type.at(type.most()))
                : List.of(new Datum.Word("#000000"), new Datum.Word("#FFFFFF"));
    }

    public Parameter named(String other) {
        return new Parameter(other, type, standard, unit, description, scale, byGame, bindings);
    }

    public Parameter withBindings(List<Binding> others) {
        return new Parameter(name, type, standard, unit, description, scale, byGame, others);
    }

    public Parameter withStandard(Datum other) {
        return new Parameter(name, type, other, unit, description, scale, byGame, bindings);
    }

    /** Tells whether it says when particles are born, or for how long they live at most. */
    boolean times() {
        for (Binding binding : bindings) {
            if (binding.property().times()) {
                return true;
            }
        }
        return false;
    }

    /** Returns this parameter as one that game code sets. */
    public Parameter setByGame() {
        return new Parameter(name, type, standard, unit, description, scale, true, bindings);
    }

    Emitter apply(Emitter emitter, Datum value) {
        Emitter changed = emitter;
        for (Binding binding : bindings) {
            changed = binding.apply(changed, type, value);
        }
        return changed;
    }
}
