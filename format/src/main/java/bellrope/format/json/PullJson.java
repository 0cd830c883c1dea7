package bellrope.format.json;

import bellrope.core.event.Pull;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What of a pull lies beside its payload: {@code phase}, {@code subject}, {@code value}, {@code tags} and {@code velocity}.
 */
public final class PullJson {
    private PullJson() {}

    /**
     * Reads a pull.
     *
     * @param node that holds these members beside others
     * @param place of that node, for the problems
     */
    public static Pull read(
            JsonValue node, String place, String event, Map<String, Datum> payload, long seed, Problems problems) {
        Optional<String> value = text(node, "value", place, problems);
        Pull.Phase phase = value.isPresent() ? Pull.Phase.SET : Pull.Phase.MOMENT;
        Optional<String> given = text(node, "phase", place, problems);
        if (given.isPresent()) {
            phase = switch (given.get()) {
                case "moment" -> Pull.Phase.MOMENT;
                case "begin" -> Pull.Phase.BEGIN;
                case "end" -> Pull.Phase.END;
                case "set" -> Pull.Phase.SET;
                default -> {
                    problems.add(place + "/phase", '"' + given.get() + '"', "moment, begin, end or set");
                    yield phase;
                }
            };
        }
        return new Pull(
                event,
                phase,
                text(node, "subject", place, problems).orElse(""),
                tags(node, place, problems),
                value,
                payload,
                velocity(node, place, problems),
                seed);
    }

    private static Optional<String> text(JsonValue node, String key, String place, Problems problems) {
        JsonValue value = node.get(key);
        if (value == null || value.isNull()) {
            return Optional.empty();
        }
        if (!value.isText() || value.text().isEmpty() || value.text().length() > 80) {
            problems.add(place + "/" + key, value.shown(), "a text of 1 to 80 characters");
            return Optional.empty();
        }
        return Optional.of(value.text());
    }

    // A list, or one text with commas, since the attributes of CloudEvents cannot be lists.
    private static Set<String> tags(JsonValue node, String place, Problems problems) {
        Set<String> tags = new LinkedHashSet<>();
        JsonValue value = node.get("tags");
        if (value == null || value.isNull()) {
            return tags;
        }
        if (value.isText()) {
            for (String tag : value.text().split(",")) {
                if (!tag.isBlank()) {
                    tags.add(tag.strip());
                }
            }
        } else if (value.isList()) {
            for (int i = 0; i < value.size(); i++) {
                JsonValue tag = value.get(i);
                if (tag.isText()) {
                    tags.add(tag.text());
                } else {
                    problems.add(place + "/tags", tag.shown(), "texts");
                }
            }
        } else {
            problems.add(place + "/tags", value.shown(), "a list of texts, or one text with commas");
        }
        if (tags.size() > 32) {
            problems.add(place + "/tags", tags.size() + " of them", "at most 32");
        }
        return tags;
    }

    /** Reads {@code velocity}; zero when it is missing. */
    public static Vec3 velocity(JsonValue node, String place, Problems problems) {
        JsonValue value = node.get("velocity");
        if (value == null || value.isNull()) {
            return Vec3.ZERO;
        }
        Vec3 read = vector(value);
        if (read == null) {
            problems.add(place + "/velocity", value.shown(), "three numbers: x, y, z");
            return Vec3.ZERO;
        }
        return read;
    }

    /** Returns three numbers of a list; null where it is anything else. */
    public static Vec3 vector(JsonValue value) {
        if (value == null || !value.isList() || value.size() != 3) {
            return null;
        }
        double[] xyz = new double[3];
        for (int i = 0; i < 3; i++) {
            if (!value.get(i).isNumber() || !Double.isFinite(value.get(i).number())) {
                return null;
            }
            xyz[i] = value.get(i).number();
        }
        return new Vec3(xyz[0], xyz[1], xyz[2]);
    }
}
