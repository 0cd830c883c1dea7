package bellrope.format.json;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/** What differs between two bodies of a part, setting by setting. */
public final class Changes {
    /** Longer differences are cut; the rest are counted in the last one. */
    private static final int MOST = 60;

    private Changes() {}

    /**
     * One setting that differs.
     *
     * @param place in words, with the names of emitters and parameters: {@code crown drops › birth › speed}
     * @param before as JSON; empty where there was nothing
     * @param after as JSON; empty where there is nothing now
     */
    public record Change(String place, String before, String after) {}

    public static List<Change> between(JsonNode before, JsonNode after) {
        List<Change> changes = new ArrayList<>();
        compare("", before, after, changes);
        if (changes.size() > MOST) {
            int more = changes.size() - MOST;
            changes = new ArrayList<>(changes.subList(0, MOST));
            changes.add(new Change(more + " more settings", "", ""));
        }
        return changes;
    }

    private static void compare(String place, JsonNode a, JsonNode b, List<Change> changes) {
        if (a != null && b != null && same(a, b)) {
            return;
        }
        if (a != null && b != null && a.isObject() && b.isObject()) {
            for (String key : a.propertyNames()) {
                compare(below(place, key), a.get(key), b.get(key), changes);
            }
            for (String key : b.propertyNames()) {
                if (!a.has(key)) {
                    compare(below(place, key), null, b.get(key), changes);
                }
            }
        } else if (named(a) && named(b)) {
            byName(place, a, b, changes);
        } else {
            changes.add(new Change(place, shown(a), shown(b)));
        }
    }

    /** Tells whether two values are the same: 2 and 2.0 are the same number, whoever wrote them. */
    public static boolean same(JsonNode a, JsonNode b) {
        if (a.isNumber() && b.isNumber()) {
            return a.doubleValue() == b.doubleValue();
        }
        if (a.isArray() && b.isArray() && a.size() == b.size()) {
            for (int i = 0; i < a.size(); i++) {
                if (!same(a.get(i), b.get(i))) {
                    return false;
                }
            }
            return true;
        }
        if (a.isObject() && b.isObject() && a.size() == b.size()) {
            for (String key : a.propertyNames()) {
                if (!b.has(key) || !same(a.get(key), b.get(key))) {
                    return false;
                }
            }
            return true;
        }
        return a.equals(b);
    }

    // Lists whose items have names are compared by them, so that a new first emitter does not change all others.
    private static boolean named(JsonNode list) {
        if (list == null || !list.isArray()) {
            return false;
        }
        for (JsonNode item : list) {
            if (!item.isObject() || !item.has("name")) {
                return false;
            }
        }
        return true;
    }

    private static void byName(String place, JsonNode a, JsonNode b, List<Change> changes) {
        List<String> before = names(a);
        List<String> after = names(b);
        for (String name : before) {
            JsonNode was = find(a, name);
            JsonNode is = find(b, name);
            if (is == null) {
                changes.add(new Change(name, "there", ""));
            } else {
                compare(name, was, is, changes);
            }
        }
        for (String name : after) {
            if (!before.contains(name)) {
                changes.add(new Change(name, "", "there"));
            }
        }
        List<String> kept = new ArrayList<>(before);
        kept.retainAll(after);
        List<String> now = new ArrayList<>(after);
        now.retainAll(before);
        if (!kept.equals(now)) {
            changes.add(new Change(place + ", order", String.join(", ", before), String.join(", ", after)));
        }
    }

    private static List<String> names(JsonNode list) {
        List<String> names = new ArrayList<>();
        list.forEach(item -> names.add(item.get("name").asString()));
        return names;
    }

    private static JsonNode find(JsonNode list, String name) {
        for (JsonNode item : list) {
            if (item.get("name").asString().equals(name)) {
                return item;
            }
        }
        return null;
    }

    private static String below(String place, String key) {
        return place.isEmpty() ? key : place + " › " + key;
    }

    private static String shown(JsonNode value) {
        if (value == null) {
            return "";
        }
        String text = value.isString() ? value.stringValue() : value.toString();
        return text.length() > 200 ? text.substring(0, 199) + "…" : text;
    }
}
