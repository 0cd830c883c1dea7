package bellrope.format.json;

import bellrope.core.event.Pull;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

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
            JsonNode node, String place, String event, Map<String, Datum> payload, long seed, Problems problems) {
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

    private static Optional<String> text(JsonNode node, String key, String place, Problems problems) {
        JsonNode value = node.get(key);
        if (value == null || value.isNull()) {
            return Optional.empty();
        }
        if (!value.isString()
                || value.stringValue().isEmpty()
                || value.stringValue().length() > 80) {
            problems.add(place + "/" + key, JsonReader.shown(value), "a text of 1 to 80 characters");
            return Optional.empty();
        }
        return Optional.of(value.stringValue());
    }

    // A list, or one text with commas, since the attributes of CloudEvents cannot be lists.
    private static Set<String> tags(JsonNode node, String place, Problems problems) {
        Set<String> tags = new LinkedHashSet<>();
        JsonNode value = node.get("tags");
        if (value == null || value.isNull()) {
            return tags;
        }
        if (value.isString()) {
            for (String tag : value.stringValue().split(",")) {
                if (!tag.isBlank()) {
                    tags.add(tag.strip());
                }
            }
        } else if (value.isArray()) {
            value.forEach(tag -> {
                if (tag.isString()) {
                    tags.add(tag.stringValue());
                } else {
                    problems.add(place + "/tags", JsonReader.shown(tag), "texts");
                }
            });
        } else {
            problems.add(place + "/tags", JsonReader.shown(value), "a list of texts, or one text with commas");
        }
        if (tags.size() > 32) {
            problems.add(place + "/tags", tags.size() + " of them", "at most 32");
        }
        return tags;
    }

    /** Reads {@code velocity}; zero when it is missing. */
    public static Vec3 velocity(JsonNode node, String place, Problems problems) {
        JsonNode value = node.get("velocity");
        if (value == null || value.isNull()) {
            return Vec3.ZERO;
        }
        Vec3 read = vector(value);
        if (read == null) {
            problems.add(place + "/velocity", JsonReader.shown(value), "three numbers: x, y, z");
            return Vec3.ZERO;
        }
        return read;
    }

    /** Returns three numbers of a list; null where it is anything else. */
    public static Vec3 vector(JsonNode value) {
        if (value == null || !value.isArray() || value.size() != 3) {
            return null;
        }
        double[] xyz = new double[3];
        for (int i = 0; i < 3; i++) {
            if (!value.get(i).isNumber() || !Double.isFinite(value.get(i).doubleValue())) {
                return null;
            }
            xyz[i] = value.get(i).doubleValue();
        }
        return new Vec3(xyz[0], xyz[1], xyz[2]);
    }
}
