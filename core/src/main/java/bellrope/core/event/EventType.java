package bellrope.core.event;

import bellrope.core.event.Field.Meaning;
import bellrope.core.event.Pull.Phase;
import bellrope.core.value.Bounds;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A kind of event that the game announces, named {@code subject.verb}; a state may be named by its subject alone.
 *
 * @param weight how much it matters to the player, 1 (faint) to 5 (grand)
 * @param fields at most 32, no two of one name, at most one vector of each meaning
 * @param values that a state can take, 2 to 32; the first is what holds at the beginning. Empty for the other shapes
 * @param unanswered why nothing answers it and nothing shall; empty where an answer is wanted
 */
public record EventType(
        String name,
        Shape shape,
        String description,
        int weight,
        List<Field> fields,
        List<String> values,
        Optional<String> unanswered) {
    public static final int MOST_FIELDS = 32;
    public static final int MOST_VALUES = 32;

    public static final Bounds WEIGHT = Bounds.of(1, 5);

    /** How an event lies in time. */
    public enum Shape {
        /** It happens. */
        MOMENT,
        /** It begins and ends. */
        SPAN,
        /** It is one of several values, always. */
        STATE
    }

    private static final String WORD = "[a-z][a-z0-9-]*";

    /** What a name is, as a regular expression; only a state may do without the verb. */
    public static final String NAME = WORD + "(\\." + WORD + ")?";

    /** Most characters of the reason why nothing answers. */
    public static final int LONGEST_REASON = 400;

    public EventType {
        boolean right =
                name != null && (name.matches(WORD + "\\." + WORD) || shape == Shape.STATE && name.matches(WORD));
        if (!right) {
            throw new Refused("name", '"' + String.valueOf(name) + '"', "subject.verb, in small letters");
        }
        Demand.name("name", name);
        WEIGHT.check("weight", weight);
        fields = Demand.atMost("fields", fields, MOST_FIELDS);
        values = Demand.atMost("values", values, MOST_VALUES);
        for (int i = 0; i < values.size(); i++) {
            Demand.name("values/" + i, values.get(i));
        }
        if (shape == Shape.STATE && (values.size() < 2 || new HashSet<>(values).size() != values.size())) {
            throw new Refused("values", String.valueOf(values), "two values or more, no two alike");
        }
        if (shape != Shape.STATE && !values.isEmpty()) {
            throw new Refused("values", String.valueOf(values), "none; only a state has values");
        }
        unanswered.ifPresent(why -> {
            if (why.isBlank() || why.length() > LONGEST_REASON) {
                throw new Refused(
                        "unanswered",
                        why.length() + " characters",
                        "a reason of 1 to " + LONGEST_REASON + " characters");
            }
        });
        Set<Object> seen = new HashSet<>();
        for (int i = 0; i < fields.size(); i++) {
            Field field = fields.get(i);
            if (!seen.add(field.name())) {
                throw new Refused("fields/" + i + "/name", '"' + field.name() + '"', "a name no other field here has");
            }
            if (field instanceof Field.Vector vector
                    && vector.meaning() != Meaning.OTHER
                    && !seen.add(vector.meaning())) {
                throw new Refused(
                        "fields/" + i + "/type",
                        vector.meaning().name().toLowerCase(),
                        "at most one vector of each meaning");
            }
        }
    }

    /** A moment. */
    public EventType(String name, String description, int weight, List<Field> fields) {
        this(name, Shape.MOMENT, description, weight, fields, List.of(), Optional.empty());
    }

    /** A span. */
    public static EventType span(String name, String description, int weight, List<Field> fields) {
        return new EventType(name, Shape.SPAN, description, weight, fields, List.of(), Optional.empty());
    }

    /** A state. */
    public static EventType state(String name, String description, int weight, List<String> values) {
        return new EventType(name, Shape.STATE, description, weight, List.of(), values, Optional.empty());
    }

    public EventType named(String other) {
        return new EventType(other, shape, description, weight, fields, values, unanswered);
    }

    public EventType withFields(List<Field> others) {
        return new EventType(name, shape, description, weight, others, values, unanswered);
    }

    public String subject() {
        return name.indexOf('.') < 0 ? name : name.substring(0, name.indexOf('.'));
    }

    public Optional<Field> field(String wanted) {
        for (Field field : fields) {
            if (field.name().equals(wanted)) {
                return Optional.of(field);
            }
        }
        return Optional.empty();
    }

    public Optional<Field> vector(Meaning meaning) {
        for (Field field : fields) {
            if (field instanceof Field.Vector v && v.meaning() == meaning) {
                return Optional.of(field);
            }
        }
        return Optional.empty();
    }

    public List<String> fieldNames() {
        return fields.stream().map(Field::name).toList();
    }

    private static final String FAR =
            "each axis from " + Words.number(-Pull.FARTHEST) + " to " + Words.number(Pull.FARTHEST);

    /** Returns everything wrong with a pull of this event; places are relative to its payload, such as {@code /speed}. */
    public List<Problem> check(Pull pull) {
        List<Problem> problems = new ArrayList<>();
        Phase phase = pull.phase();
        boolean fits = switch (shape) {
            case MOMENT -> phase == Phase.MOMENT;
            case SPAN -> phase == Phase.BEGIN || phase == Phase.END;
            case STATE -> phase == Phase.SET;
        };
        if (!fits) {
            problems.add(new Problem("/phase", phase.name().toLowerCase(), allowedPhase()));
        } else if (phase == Phase.SET && !values.contains(pull.value().orElse(""))) {
            String given = pull.value().orElse("");
            problems.add(new Problem(
                    "/value",
                    given.isEmpty() ? "missing" : '"' + given + '"',
                    "one of " + Words.either(values) + Words.nearest(given, values)));
        }
        problems.addAll(check(pull.payload(), phase != Phase.END));
        if (!Pull.near(pull.velocity())) {
            problems.add(new Problem("/velocity", Words.vector(pull.velocity()), FAR));
        }
        return problems;
    }

    private String allowedPhase() {
        return switch (shape) {
            case MOMENT -> "moment: " + name + " happens at once and has no beginning, end or value";
            case SPAN -> "begin or end: " + name + " is a span";
            case STATE -> "set: " + name + " is a state and takes a value";
        };
    }

    /** Returns everything wrong with a whole payload; places are relative to it, such as {@code /speed}. */
    public List<Problem> check(Map<String, Datum> payload) {
        return check(payload, true);
    }

    private List<Problem> check(Map<String, Datum> payload, boolean whole) {
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < fields.size(); i++) {
            Field field = fields.get(i);
            Datum value = payload.get(field.name());
            if (value == null) {
                if (whole) {
                    problems.add(new Problem("/" + field.name(), "missing", field.expects()));
                }
            } else if (!field.accepts(value)) {
                problems.add(new Problem("/" + field.name(), value.inWords(), field.expects()));
            } else if (value instanceof Datum.Vec vec && !Pull.near(vec.value())) {
                problems.add(new Problem("/" + field.name(), value.inWords(), FAR));
            }
        }
        for (String given : payload.keySet()) {
            if (field(given).isEmpty()) {
                problems.add(new Problem(
                        "/" + given,
                        "unknown field",
                        fields.isEmpty()
                                ? "no field; " + name + " carries none"
                                : "one of " + Words.either(fieldNames()) + Words.nearest(given, fieldNames())));
            }
        }
        return problems;
    }

    /** Returns a pull with its half-extents doubled; the very same where it carries none. */
    public Pull whole(Pull pull) {
        Map<String, Datum> payload = null;
        for (Field field : fields) {
            if (field instanceof Field.Vector v
                    && v.meaning() == Field.Meaning.HALF_EXTENT
                    && pull.payload().get(v.name()) instanceof Datum.Vec half) {
                payload = payload == null ? new LinkedHashMap<>(pull.payload()) : payload;
                payload.put(v.name(), new Datum.Vec(half.value().times(2)));
            }
        }
        return payload == null ? pull : pull.with(payload);
    }
}
