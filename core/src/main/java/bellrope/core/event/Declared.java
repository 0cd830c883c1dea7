package bellrope.core.event;

import bellrope.core.event.EventType.Shape;
import bellrope.core.event.Field.Meaning;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** An event that nobody declared, as a game must have meant it: from what came of it. Formula and words by common practice. */
public final class Declared {
    private static final int WEIGHT = 2;
    private static final double[] ROUND = {0.1, 0.2, 0.5, 1};

    private Declared() {}

    /** Returns the event of a pull; empty where its name is none that an event can have. */
    public static Optional<EventType> from(Pull pull) {
        Shape shape = switch (pull.phase()) {
            case MOMENT -> Shape.MOMENT;
            case BEGIN, END -> Shape.SPAN;
            case SET -> Shape.STATE;
        };
        // A state has two values at least; what holds at the beginning is not known.
        List<String> values = pull.value()
                .filter(v -> shape == Shape.STATE)
                .map(v -> List.of(v.equals("none") ? "other" : "none", v))
                .orElse(List.of());
        try {
            List<Field> fields = new ArrayList<>();
            Set<Meaning> meant = EnumSet.noneOf(Meaning.class);
            for (Map.Entry<String, Datum> value : pull.payload().entrySet()) {
                fields.add(field(value.getKey(), value.getValue(), meant));
            }
            return Optional.of(new EventType(pull.event(), shape, "", WEIGHT, fields, values, Optional.empty()));
        } catch (Refused refused) {
            return Optional.empty();
        }
    }

    private static Field field(String name, Datum value, Set<Meaning> meant) {
        return value.match(
                num -> new Field.Number(name, range(num.value()), num.value(), ""),
                word -> new Field.Text(name),
                flag -> new Field.Flag(name),
                vec -> new Field.Vector(name, meaning(name, meant)));
    }

    // By its name; only one vector has each meaning.
    private static Meaning meaning(String name, Set<Meaning> meant) {
        String words = name.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(Locale.ROOT);
        for (Meaning meaning : Meaning.values()) {
            String word = meaning.name().toLowerCase(Locale.ROOT).replace('_', ' ');
            if (meaning != Meaning.OTHER
                    && (" " + words.replace('_', ' ') + " ").contains(" " + word + " ")
                    && meant.add(meaning)) {
                return meaning;
            }
        }
        return Meaning.OTHER;
    }

    /** Returns a range that holds a value, to a round end: 1, 2 or 5 of a decimal place. */
    private static Range range(double value) {
        double size = value == 0 ? 1 : Math.abs(value);
        double most = 1;
        while (most < size) {
            most *= 10;
        }
        while (most / 10 >= size) {
            most /= 10;
        }
        double end = most;
        for (double share : ROUND) {
            if (most * share >= size) {
                end = most * share;
                break;
            }
        }
        return new Range(value < 0 ? -end : 0, end);
    }
}
