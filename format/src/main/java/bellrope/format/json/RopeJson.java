package bellrope.format.json;

import bellrope.core.rope.Condition;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Rope;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Ropes as JSON, both ways. */
final class RopeJson {
    private RopeJson() {}

    static Rope read(Thing thing) {
        String name = thing.text("name");
        int seed = thing.whole("seed");
        String event = thing.text("event");
        List<Condition> conditions = thing.list("conditions", RopeJson::condition);
        Optional<String> play = thing.has("play") ? Optional.of(thing.text("play")) : Optional.empty();
        Vec3 offset = thing.has("offset") ? thing.vector("offset") : Vec3.ZERO;
        Facing facing = thing.choice("facing", Facing.class);
        List<Feed> feeds = thing.list("feeds", t -> {
            String parameter = t.text("parameter");
            String field = t.text("field");
            Range in = t.range("in");
            double[] out = t.numbers("out", 2, "a pair: value at the least, value at the most");
            return t.make(() -> new Feed(parameter, field, in, out[0], out[1]));
        });
        return thing.make(() -> new Rope(name, seed, event, conditions, play, offset, facing, feeds));
    }

    private static Condition condition(Thing thing) {
        String field = thing.text("field");
        if (thing.has("is")) {
            List<String> options = thing.texts("is");
            return thing.make(() -> new Condition.OneOf(field, options));
        }
        Condition.Relation relation = thing.choice("relation", Condition.Relation.class);
        double bound = thing.number("bound");
        return thing.make(() -> new Condition.Compare(field, relation, bound));
    }

    static ObjectNode write(Rope rope) {
        ObjectNode node = Json.object();
        node.put("name", rope.name());
        node.put("seed", rope.seed());
        node.put("event", rope.event());
        ArrayNode conditions = node.putArray("conditions");
        for (Condition condition : rope.conditions()) {
            ObjectNode c = conditions.addObject();
            c.put("field", condition.field());
            if (condition instanceof Condition.OneOf oneOf) {
                ArrayNode options = c.putArray("is");
                oneOf.options().forEach(options::add);
            } else if (condition instanceof Condition.Compare compare) {
                c.put("relation", Thing.word(compare.relation()));
                c.set("bound", Json.number(compare.bound()));
            }
        }
        rope.play().ifPresent(effect -> node.put("play", effect));
        node.set("offset", Json.vector(rope.offset()));
        node.put("facing", Thing.word(rope.facing()));
        ArrayNode feeds = node.putArray("feeds");
        for (Feed feed : rope.feeds()) {
            ObjectNode f = feeds.addObject();
            f.put("parameter", feed.parameter());
            f.put("field", feed.field());
            f.set("in", Json.range(feed.in()));
            f.putArray("out").add(Json.number(feed.from())).add(Json.number(feed.to()));
        }
        return node;
    }
}
