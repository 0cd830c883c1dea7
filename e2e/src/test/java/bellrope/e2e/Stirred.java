package bellrope.e2e;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Small projects made at random out of a large one: a few of its ropes, what they play, and numbers changed in all of it. */
final class Stirred {
    private final ObjectNode model;
    private final SplittableRandom random;

    Stirred(ObjectNode model, long seed) {
        this.model = model;
        this.random = new SplittableRandom(seed);
    }

    /** Returns the next one, which may be wrong. */
    ObjectNode project() {
        ObjectNode made = model.deepCopy();
        // They name what is left out below.
        made.remove(List.of("pools", "scores", "versions"));
        ((ObjectNode) made.get("settings")).remove("aliases");
        List<JsonNode> ropes = new ArrayList<>();
        for (int i = random.nextInt(1, 4); i > 0; i--) {
            JsonNode rope =
                    model.get("ropes").get(random.nextInt(model.get("ropes").size()));
            if (ropes.stream().noneMatch(r -> r.get("name").equals(rope.get("name")))) {
                ropes.add(rope.deepCopy());
            }
        }
        TreeSet<String> played = new TreeSet<>();
        ropes.forEach(rope -> named(rope, played));
        ArrayNode effects = made.putArray("effects");
        for (JsonNode effect : model.get("effects")) {
            if (played.contains(effect.get("name").asString())) {
                effects.add(effect.deepCopy());
            }
        }
        made.putArray("ropes").addAll(ropes);
        for (String part : List.of("settings", "events", "effects", "ropes", "channels", "places")) {
            stir(made.get(part), random);
        }
        return made;
    }

    // Effects that are named anywhere in something, and those that they begin.
    private void named(JsonNode node, TreeSet<String> into) {
        if (node.isString()) {
            for (JsonNode effect : model.get("effects")) {
                if (effect.get("name").equals(node) && into.add(node.asString())) {
                    named(effect.get("emitters"), into);
                }
            }
        }
        node.forEach(inner -> named(inner, into));
    }

    // Changes some numbers, and takes some settings away.
    static void stir(JsonNode node, SplittableRandom random) {
        if (node instanceof ObjectNode object) {
            for (String key : List.copyOf(object.propertyNames())) {
                JsonNode value = object.get(key);
                if (value.isNumber() && !key.equals("id") && random.nextInt(12) == 0) {
                    double changed = value.doubleValue() * random.nextDouble(0.3, 1.8);
                    object.put(key, value.isIntegralNumber() && random.nextInt(40) > 0 ? Math.rint(changed) : changed);
                } else if (random.nextInt(500) == 0 && !key.equals("name")) {
                    object.remove(key);
                } else {
                    stir(value, random);
                }
            }
        } else if (node instanceof ArrayNode list) {
            for (int i = 0; i < list.size(); i++) {
                if (list.get(i).isNumber() && random.nextInt(12) == 0) {
                    list.set(
                            i,
                            JsonNodeFactory.instance.numberNode(
                                    list.get(i).doubleValue() * random.nextDouble(0.6, 1.4)));
                } else {
                    stir(list.get(i), random);
                }
            }
        }
    }
}
