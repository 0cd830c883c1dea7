package bellrope.core.event;

import bellrope.core.event.Field.Meaning;
import bellrope.core.value.Demand;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A kind of moment that the game announces, named {@code subject.verb}.
 *
 * @param weight how much it matters to the player, 1 (faint) to 5 (grand)
 * @param fields at most 32, no two of one name, at most one vector of each meaning
 */
public record EventType(String name, String description, int weight, List<Field> fields) {
    public EventType {
        if (name == null || !name.matches("[a-z][a-z0-9-]*\\.[a-z][a-z0-9-]*")) {
            throw new Refused("name", '"' + String.valueOf(name) + '"', "subject.verb, in small letters");
        }
        Demand.within("weight", weight, 1, 5);
        fields = Demand.atMost("fields", fields, 32);
        Set<Object> seen = new HashSet<>();
        for (int i = 0; i < fields.size(); i++) {
            Field field = fields.get(i);
            if (!seen.add(field.name())) {
                throw new Refused("fields/" + i + "/name", '"' + field.name() + '"', "a name no other field here has");
            }
            if (field instanceof Field.Vector vector && !seen.add(vector.meaning())) {
                throw new Refused(
                        "fields/" + i + "/meaning",
                        vector.meaning().name().toLowerCase(),
                        "at most one vector of each meaning");
            }
        }
    }

    public String subject() {
        return name.substring(0, name.indexOf('.'));
    }

    public Optional<Field> field(String wanted) {
        return fields.stream().filter(f -> f.name().equals(wanted)).findFirst();
    }

    public Optional<Field> vector(Meaning meaning) {
        return fields.stream()
                .filter(f -> f instanceof Field.Vector v && v.meaning() == meaning)
                .findFirst();
    }

    public List<String> fieldNames() {
        return fields.stream().map(Field::name).toList();
    }

    /** Returns everything wrong with a payload; places are relative to it, such as {@code /speed}. */
    public List<Problem> check(Map<String, Datum> payload) {
        List<Problem> problems = new ArrayList<>();
        for (Field field : fields) {
            Datum value = payload.get(field.name());
            if (value == null) {
                problems.add(new Problem("/" + field.name(), "missing", field.expects()));
            } else if (!field.accepts(value)) {
                problems.add(new Problem("/" + field.name(), value.inWords(), field.expects()));
            }
        }
        for (String given : payload.keySet()) {
            if (field(given).isEmpty()) {
                problems.add(new Problem(
                        "/" + given,
                        "unknown field",
                        "one of " + Words.either(fieldNames()) + Words.nearest(given, fieldNames())));
            }
        }
        return problems;
    }
}
