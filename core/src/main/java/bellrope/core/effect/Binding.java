package bellrope.core.effect;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Rgba;
import java.util.Locale;
import java.util.Optional;

/**
 * Where a parameter acts inside the effect. The authored value stays: it is what is multiplied, added to, or stood in for.
 *
 * @param property the setting
 * @param mode how the value meets the authored one
 * @param emitter the one emitter it acts on; empty for all of them
 * @param through what the value becomes before
 */
public record Binding(Property property, Mode mode, Optional<String> emitter, Through through) {
    /** How a parameter's value meets the authored one. */
    public enum Mode {
        MULTIPLY("multiplies", 1),
        DIVIDE("divides", 1),
        ADD("adds to", 0),
        REPLACE("replaces", Double.NaN);

        private final String words;
        private final double neutral;

        Mode(String words, double neutral) {
            this.words = words;
            this.neutral = neutral;
        }

        /** Returns it as a verb. */
        public String words() {
            return words;
        }

        /** Returns the number with which it changes nothing; NaN where that is for the authored value to say. */
        public double neutral() {
            return neutral;
        }
    }

    public Binding {
        emitter.ifPresent(name -> Demand.name("emitter", name));
    }

    public Binding(Property property, Mode mode, Optional<String> emitter) {
        this(property, mode, emitter, Through.STRAIGHT);
    }

    /** Tells whether it acts on an emitter of that name. */
    public boolean on(String name) {
        return emitter.isEmpty() || emitter.get().equals(name);
    }

    /** Demands that a parameter of a type can act here. */
    void fits(Type type) {
        String is = property.name().toLowerCase(Locale.ROOT);
        if (type instanceof Type.Colour && property != Property.COLOUR) {
            throw new Refused("property", is, "colour, which is all that a colour can act on");
        }
        if (property == Property.COLOUR && !(type instanceof Type.Colour)) {
            throw new Refused("property", is, "a property with a number; only a colour can act on colours");
        }
        if (property == Property.COLOUR && mode != Mode.MULTIPLY && mode != Mode.REPLACE) {
            throw new Refused("mode", mode.name().toLowerCase(Locale.ROOT), "multiply or replace, for a colour");
        }
        if (type instanceof Type.Vector && !property.vector()) {
            throw new Refused("property", is, "offset, gravity or shape, which is all that a vector can act on");
        }
        if (type instanceof Type.Vector && mode != Mode.ADD && mode != Mode.REPLACE) {
            throw new Refused("mode", mode.name().toLowerCase(Locale.ROOT), "add or replace, for a vector");
        }
        if (!type.scalar() && !(through instanceof Through.Straight)) {
            throw new Refused("through", "a curve", "nothing; only numbers can go through a curve");
        }
        if (through instanceof Through.Each each
                && type.steps() != each.numbers().size()) {
            throw new Refused(
                    "each",
                    each.numbers().size() + " numbers",
                    type.steps() == 0
                            ? "a remap; only choices and flags have a number each"
                            : type.steps() + " of them");
        }
    }

    Emitter apply(Emitter target, Type type, Datum value) {
        if (!on(target.name())) {
            return target;
        }
        if (value instanceof Datum.Vec vec) {
            return property.moved(target, mode, vec.value());
        }
        if (type instanceof Type.Colour && value instanceof Datum.Word word) {
            return property.tinted(target, mode, Rgba.parse(word.text()));
        }
        return property.bound(target, mode, through.value(type.position(value)));
    }
}
