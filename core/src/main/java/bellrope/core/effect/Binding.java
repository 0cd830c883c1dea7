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
        boolean colour = property == Property.COLOUR;
        // What is allowed instead; empty where it fits.
        Optional<Refused> wrong = type.match(
                number -> numbered(is),
                whole -> numbered(is),
                flag -> numbered(is),
                choice -> property == Property.SPRITE ? sprites() : numbered(is),
                vector -> {
                    if (colour || property == Property.SPRITE) {
                        return numbered(is);
                    } else if (!property.vector()) {
                        return refused(
                                "property",
                                is,
                                "offset, gravity, shape or force place, which is all that a vector can act on");
                    }
                    return mode != Mode.ADD && mode != Mode.REPLACE
                            ? refused("mode", word(mode), "add or replace, for a vector")
                            : Optional.empty();
                },
                tint -> {
                    if (!colour) {
                        return refused("property", is, "colour, which is all that a colour can act on");
                    }
                    return mode != Mode.MULTIPLY && mode != Mode.REPLACE
                            ? refused("mode", word(mode), "multiply or replace, for a colour")
                            : Optional.empty();
                });
        if (wrong.isPresent()) {
            throw wrong.get();
        }
        wrong = through.match(
                straight -> Optional.empty(),
                remap -> type.scalar()
                        ? Optional.empty()
                        : refused("through", "a curve", "nothing; only numbers can go through a curve"),
                each -> type.steps() == each.numbers().size()
                        ? Optional.empty()
                        : refused(
                                "each",
                                each.numbers().size() + " numbers",
                                type.steps() == 0
                                        ? "a remap; only choices and flags have a number each"
                                        : type.steps() + " of them"));
        if (wrong.isPresent()) {
            throw wrong.get();
        }
    }

    private Optional<Refused> numbered(String is) {
        return property == Property.COLOUR
                ? refused("property", is, "a property with a number; only a colour can act on colours")
                : property == Property.SPRITE
                        ? refused("property", is, "a property with a number; only a choice can act on the sprite")
                        : Optional.empty();
    }

    private Optional<Refused> sprites() {
        if (mode != Mode.REPLACE) {
            return refused("mode", word(mode), "replace, for a sprite");
        }
        return through == Through.STRAIGHT
                ? Optional.empty()
                : refused("each", "numbers", "nothing; the words of the choice are names of sprites");
    }

    private static Optional<Refused> refused(String place, String given, String allowed) {
        return Optional.of(new Refused(place, given, allowed));
    }

    private static String word(Mode mode) {
        return mode.name().toLowerCase(Locale.ROOT);
    }

    Emitter apply(Emitter target, Type type, Datum value) {
        if (!on(target.name())) {
            return target;
        }
        return type.match(
                number -> bound(target, type, value),
                whole -> bound(target, type, value),
                flag -> bound(target, type, value),
                choice -> property == Property.SPRITE
                        ? property.drawn(target, ((Datum.Word) value).text())
                        : bound(target, type, value),
                vector -> property.moved(target, mode, ((Datum.Vec) value).value()),
                colour -> property.tinted(target, mode, Rgba.parse(((Datum.Word) value).text())));
    }

    private Emitter bound(Emitter target, Type type, Datum value) {
        return property.bound(target, mode, through.value(type.position(value)));
    }
}
