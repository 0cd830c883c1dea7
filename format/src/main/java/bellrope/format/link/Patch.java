package bellrope.format.link;

import bellrope.core.value.Refused;
import bellrope.format.json.Changes;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * What differs between two JSON texts as a patch of RFC 6902, and such a patch applied. The well-kept libraries for it are made
 * for another form of the tree than the one that bundles are read with; tests hold this to one of them.
 */
public final class Patch {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private Patch() {}

    /** Returns what makes one text of another. Items that stand together between unchanged ones are compared one by one. */
    public static ArrayNode between(JsonNode before, JsonNode after) {
        ArrayNode patch = NODES.arrayNode();
        compare("", before, after, patch);
        return patch;
    }

    private static void compare(String path, JsonNode before, JsonNode after, ArrayNode patch) {
        if (before.equals(after)) {
            return;
        }
        if (before.isObject() && after.isObject()) {
            for (String key : before.propertyNames()) {
                if (after.has(key)) {
                    compare(below(path, key), before.get(key), after.get(key), patch);
                } else {
                    add(patch, "remove", below(path, key), null);
                }
            }
            for (String key : after.propertyNames()) {
                if (!before.has(key)) {
                    add(patch, "add", below(path, key), after.get(key));
                }
            }
        } else if (before.isArray() && after.isArray()) {
            lists(path, before, after, patch);
        } else {
            add(patch, "replace", path, after);
        }
    }

    private static void lists(String path, JsonNode before, JsonNode after, ArrayNode patch) {
        int least = Math.min(before.size(), after.size());
        int first = 0;
        while (first < least && before.get(first).equals(after.get(first))) {
            first++;
        }
        int same = 0;
        while (same < least - first
                && before.get(before.size() - 1 - same).equals(after.get(after.size() - 1 - same))) {
            same++;
        }
        int was = before.size() - same;
        int is = after.size() - same;
        int both = Math.min(was, is);
        for (int i = first; i < both; i++) {
            compare(below(path, Integer.toString(i)), before.get(i), after.get(i), patch);
        }
        // From the last on, so that no removal moves what is removed after it.
        for (int i = was - 1; i >= both; i--) {
            add(patch, "remove", below(path, Integer.toString(i)), null);
        }
        for (int i = both; i < is; i++) {
            add(patch, "add", below(path, Integer.toString(i)), after.get(i));
        }
    }

    private static String below(String path, String key) {
        return path + "/" + key.replace("~", "~0").replace("/", "~1");
    }

    private static void add(ArrayNode patch, String op, String path, JsonNode value) {
        ObjectNode step = patch.addObject().put("op", op).put("path", path);
        if (value != null) {
            step.set("value", value);
        }
    }

    /**
     * Returns a text as a patch leaves it; the text itself stays as it is.
     *
     * @throws Refused if any of the patch does not fit; the place is that of the operation
     */
    public static JsonNode apply(JsonNode text, JsonNode patch) {
        if (!patch.isArray()) {
            throw new Refused("", "no list", "a JSON Patch as in RFC 6902");
        }
        // A text may be replaced whole: it stands in a list of one.
        ArrayNode root = NODES.arrayNode().add(text.deepCopy());
        for (int i = 0; i < patch.size(); i++) {
            new Operation("/" + i, patch.get(i), root).run();
        }
        return root.get(0);
    }

    /** One operation of a patch. */
    private record Operation(String place, JsonNode step, ArrayNode root) {
        void run() {
            String op = text("op");
            List<String> path = path("path");
            switch (op) {
                case "add" -> add(path, value());
                case "remove" -> remove(path);
                case "replace" -> {
                    get(path, "path");
                    if (path.isEmpty()) {
                        root.set(0, value());
                    } else {
                        replace(path, value());
                    }
                }
                case "move" -> {
                    List<String> from = path("from");
                    if (path.size() > from.size()
                            && path.subList(0, from.size()).equals(from)) {
                        throw wrong("/from", text("from"), "a place that is not above the new one");
                    }
                    JsonNode moved = get(from, "from");
                    remove(from);
                    add(path, moved);
                }
                case "copy" -> add(path, get(path("from"), "from").deepCopy());
                case "test" -> {
                    if (!Changes.same(get(path, "path"), value())) {
                        throw wrong("/value", "something else", "what stands at " + text("path"));
                    }
                }
                default -> throw wrong("/op", '"' + op + '"', "add, remove, replace, move, copy or test");
            }
        }

        private Refused wrong(String at, String given, String allowed) {
            return new Refused(place + at, given, allowed);
        }

        private String text(String key) {
            JsonNode node = step.get(key);
            if (node == null || !node.isString()) {
                throw wrong("/" + key, node == null ? "missing" : "no text", "a text");
            }
            return node.stringValue();
        }

        private JsonNode value() {
            JsonNode value = step.get("value");
            if (value == null) {
                throw wrong("/value", "missing", "a value");
            }
            return value.deepCopy();
        }

        // As in RFC 6901; empty for the whole.
        private List<String> path(String key) {
            String pointer = text(key);
            if (!pointer.isEmpty() && !pointer.startsWith("/")) {
                throw wrong("/" + key, '"' + pointer + '"', "a JSON Pointer as in RFC 6901");
            }
            List<String> parts = new ArrayList<>();
            String[] split = pointer.split("/", -1);
            for (int i = 1; i < split.length; i++) {
                parts.add(split[i].replace("~1", "/").replace("~0", "~"));
            }
            return parts;
        }

        private JsonNode get(List<String> path, String key) {
            JsonNode at = root.get(0);
            for (String part : path) {
                JsonNode next =
                        at.isObject() ? at.get(part) : at.isArray() ? at.get(index(part, at.size() - 1, key)) : null;
                if (next == null) {
                    throw wrong("/" + key, '"' + text(key) + '"', "a place that is there");
                }
                at = next;
            }
            return at;
        }

        private int index(String part, int most, String key) {
            int index = part.matches("0|[1-9][0-9]{0,8}") ? Integer.parseInt(part) : -1;
            if (index < 0 || index > most) {
                throw wrong("/" + key, '"' + text(key) + '"', "a place that is there");
            }
            return index;
        }

        private JsonNode above(List<String> path) {
            return get(path.subList(0, path.size() - 1), "path");
        }

        private void add(List<String> path, JsonNode value) {
            if (path.isEmpty()) {
                root.set(0, value);
                return;
            }
            String last = path.get(path.size() - 1);
            JsonNode above = above(path);
            if (above instanceof ObjectNode object) {
                object.set(last, value);
            } else if (above instanceof ArrayNode list) {
                list.insert(last.equals("-") ? list.size() : index(last, list.size(), "path"), value);
            } else {
                throw wrong("/path", '"' + text("path") + '"', "a place in an object or a list");
            }
        }

        private void replace(List<String> path, JsonNode value) {
            String last = path.get(path.size() - 1);
            JsonNode above = above(path);
            if (above instanceof ObjectNode object) {
                object.set(last, value);
            } else {
                ((ArrayNode) above).set(index(last, above.size() - 1, "path"), value);
            }
        }

        private void remove(List<String> path) {
            String key = step.has("from") ? "from" : "path";
            get(path, key);
            if (path.isEmpty()) {
                throw wrong("/" + key, "\"\"", "a place inside the text");
            }
            String last = path.get(path.size() - 1);
            JsonNode above = get(path.subList(0, path.size() - 1), key);
            if (above instanceof ObjectNode object) {
                object.remove(last);
            } else {
                ((ArrayNode) above).remove(index(last, above.size() - 1, key));
            }
        }
    }
}
