package bellrope.format.json;

import bellrope.core.rope.Companion;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Feed;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Note;
import bellrope.core.rope.Overrides;
import bellrope.core.rope.Owner;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Source;
import bellrope.core.rope.Stay;
import bellrope.core.rope.Timing;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/** Ropes as JSON, both ways. What is as usual is left out. */
final class RopeJson {
    private RopeJson() {}

    static Rope read(JsonReader thing) {
        String name = thing.text("name");
        int seed = thing.whole("seed");
        boolean off = thing.yes("off");
        String remark = thing.text("remark", "");
        Optional<String> group = thing.maybeText("group");
        Note note = thing.madeAt("remark", () -> new Note(off, remark, group));
        String event = thing.text("event");
        Optional<String> value = thing.maybeText("value");
        When.Match match = thing.choice("match", When.Match.class, When.Match.ALL);
        List<Condition> conditions = thing.list("conditions", RopeJson::condition);
        Optional<String> play = thing.maybeText("play");
        Overrides overrides = thing.maybe("overrides", RopeJson::overrides).orElse(Overrides.NONE);
        Vec3 offset = thing.vector("offset", Where.FARTHEST);
        Where where = thing.maybe("place", t -> where(t, offset))
                .orElseGet(() -> Optional.of(Where.at(offset)).orElse(Where.POINT));
        Facing facing = thing.choice("facing", Facing.class);
        Pointing pointing = thing.maybe("pointing", t -> pointing(t, facing))
                .orElseGet(() -> facing == null ? Pointing.of(Facing.UP) : Pointing.of(facing));
        List<Feed> feeds = thing.list("feeds", RopeJson::feed);
        Run run = thing.maybe("run", RopeJson::run).orElse(Run.PLAIN);
        Optional<Stay> stay = thing.maybe("stay", AnswerJson::stay);
        Timing timing = thing.maybe("timing", t -> {
                    double delay = t.number("delay", 0);
                    double jitter = t.number("jitter", 0);
                    return t.make(() -> new Timing(delay, jitter));
                })
                .orElse(Timing.AT_ONCE);
        Limits limits = thing.maybe("limits", RopeJson::limits).orElse(Limits.NONE);
        Owner owner = thing.maybe("owner", t -> {
                    Owner.AtEnd end = t.choice("end", Owner.AtEnd.class);
                    double over = t.number("over", 0);
                    return t.make(() -> new Owner(end, over));
                })
                .orElse(Owner.FINISH);
        var followUps = thing.has("then") ? thing.list("then", AnswerJson::followUp) : List.<FollowUp>of();
        var companions = thing.has("with") ? thing.list("with", AnswerJson::companion) : List.<Companion>of();
        Optional<Source> hit = thing.has("hit") ? Optional.ofNullable(hit(thing)) : Optional.empty();
        return thing.make(() -> new Rope(
                name,
                seed,
                note,
                new When(event, value, match, conditions),
                play,
                overrides,
                where,
                pointing,
                feeds,
                run,
                timing,
                limits,
                owner,
                followUps,
                companions,
                hit,
                stay));
    }

    private static Source hit(JsonReader thing) {
        JsonValue raw = thing.raw("hit");
        if (raw.isNumber()) {
            Datum value = thing.datum("hit");
            return value == null ? null : new Source.Constant(value);
        }
        return thing.read("hit", t -> {
            String field = t.text("field");
            return t.madeAt("field", () -> new Source.Payload(field));
        });
    }

    private static Condition condition(JsonReader thing) {
        if (thing.has("tag")) {
            String tag = thing.text("tag");
            String key = thing.key("has", "borne");
            boolean present = !thing.has(key) || thing.yes(key);
            return thing.make(() -> new Condition.Tagged(tag, present));
        }
        if (thing.has("is")) {
            String field = thing.text("field");
            List<String> options = thing.texts("is");
            return thing.make(() -> new Condition.OneOf(field, options));
        }
        if (thing.has("flag")) {
            String field = thing.text("field");
            boolean up = thing.yes("flag");
            return thing.make(() -> new Condition.Flagged(field, up));
        }
        Source source = source(thing);
        Condition.Relation relation = thing.choice("relation", Condition.Relation.class);
        double bound = thing.number("bound");
        return thing.make(() -> new Condition.Compare(source, relation, bound));
    }

    /** Reads a source of any kind. */
    static Source anySource(JsonReader thing) {
        return thing.has("constant") || thing.has("random") || thing.has("from") ? made(thing) : source(thing);
    }

    private static Source source(JsonReader thing) {
        if (thing.has("channel")) {
            String channel = thing.text("channel");
            return thing.madeAt("channel", () -> new Source.Channel(channel));
        }
        if (thing.has("since")) {
            String event = thing.text("since");
            return thing.madeAt("since", () -> new Source.Since(event));
        }
        if (thing.has("held")) {
            if (!thing.yes("held")) {
                thing.wrong("held", "false", "true, or no such key");
            }
            return new Source.Held();
        }
        String field = thing.text("field");
        return thing.madeAt("field", () -> new Source.Payload(field));
    }

    private static Feed feed(JsonReader thing) {
        String parameter = thing.text("parameter");
        Source source = anySource(thing);
        Optional<Remap> remap = Optional.empty();
        if (source instanceof Source.Random || thing.has("in") || thing.has("out")) {
            Range in = source instanceof Source.Random ? new Range(0, 1) : thing.range("in");
            remap = Optional.ofNullable(ParameterJson.remap(thing, in));
        }
        Optional<Remap> through = remap;
        double rise = thing.number("rise", 0);
        double fall = thing.number("fall", 0);
        double every = thing.number("every", 0);
        Feed.Follow follow = thing.part(() -> new Feed.Follow(rise, fall, every));
        return source == null || follow == null ? null : thing.make(() -> new Feed(parameter, source, through, follow));
    }

    // What a rope makes up itself.
    private static Source made(JsonReader thing) {
        if (thing.has("constant")) {
            Datum value = thing.datum("constant");
            return value == null ? null : new Source.Constant(value);
        }
        if (thing.has("random")) {
            int roll = thing.whole("random");
            return thing.madeAt("random", () -> new Source.Random(roll));
        }
        String from = thing.text("from");
        return thing.madeAt("from", () -> new Source.Parameter(from));
    }

    private static Overrides overrides(JsonReader t) {
        double count = t.number("count", 1);
        double size = t.number("size", 1);
        double speed = t.number("speed", 1);
        OptionalDouble duration = t.maybeNumber("duration");
        Optional<Rgba> colour =
                t.has("colour") ? Optional.ofNullable(t.parsed("colour", Rgba::parse)) : Optional.empty();
        OptionalDouble fadeOut = t.maybeNumber("fadeOut");
        OptionalDouble cutAfter = t.maybeNumber(t.key("cutAfter", "goneAfter"));
        OptionalInt order = t.has("order") ? OptionalInt.of(t.whole("order")) : OptionalInt.empty();
        return t.make(() -> new Overrides(count, size, speed, duration, colour, fadeOut, cutAfter, order));
    }

    private static Where where(JsonReader t, Vec3 offset) {
        Where.Anchor anchor = t.choice("at", Where.Anchor.class);
        boolean follow = t.yes("follow");
        Optional<String> name = t.maybeText("name");
        Where.Frame frame = t.choice("frame", Where.Frame.class, Where.Frame.SURFACE);
        OptionalDouble depth = t.maybeNumber("depth");
        return t.make(() -> new Where(anchor, follow, name, offset, frame, depth));
    }

    private static Pointing pointing(JsonReader t, Facing facing) {
        Vec3 fixed = t.vector("fixed", Vec3.UP);
        double spread = t.number("spread", 0);
        double velocity = t.number("velocity", 1);
        boolean turns = t.yes("turns");
        return t.make(() -> new Pointing(facing, fixed, spread, velocity, turns));
    }

    private static Run run(JsonReader t) {
        Optional<String> start = t.maybeText("start");
        Optional<String> end = t.maybeText("end");
        OptionalDouble fadeIn = t.maybeNumber("fadeIn");
        OptionalDouble fadeOut = t.maybeNumber("fadeOut");
        OptionalDouble longest = t.maybeNumber("longest");
        Run.Again again = t.choice("again", Run.Again.class, Run.Again.CONTINUE);
        Run.Order order = t.choice("order", Run.Order.class, Run.Order.TOGETHER);
        return t.make(() -> new Run(start, end, fadeIn, fadeOut, longest, again, order));
    }

    /** Words of older bundles. */
    private static final Map<String, Limits.WhenFull> FORMER = Map.of("least weighty", Limits.WhenFull.LOWEST_WEIGHT);

    private static Limits limits(JsonReader t) {
        double cooldown = t.number("cooldown", 0);
        OptionalDouble perSecond = t.maybeNumber("perSecond");
        boolean once = t.yes("once");
        Optional<String> until = t.maybeText("until");
        OptionalInt alive = t.has("alive") ? OptionalInt.of(t.whole("alive")) : OptionalInt.empty();
        boolean together = t.yes("together");
        Limits.WhenFull whenFull = t.choice("whenFull", Limits.WhenFull.class, Limits.WhenFull.SKIP, FORMER);
        double distance = t.number("distance", 0);
        double chance = t.number("chance", 1);
        return t.make(() -> new Limits(cooldown, perSecond, once, until, alive, together, whenFull, distance, chance));
    }

    static JsonObject write(Rope rope) {
        JsonObject node = Json.object();
        node.put("name", rope.name());
        node.put("seed", rope.seed());
        yes(node, "off", rope.note().off());
        if (!rope.note().remark().isEmpty()) {
            node.put("remark", rope.note().remark());
        }
        rope.note().group().ifPresent(group -> node.put("group", group));
        node.put("event", rope.event());
        rope.when().value().ifPresent(value -> node.put("value", value));
        if (rope.when().match() != When.Match.ALL) {
            node.put("match", JsonReader.word(rope.when().match()));
        }
        JsonList conditions = node.putArray("conditions");
        rope.conditions().forEach(condition -> write(condition, conditions.addObject()));
        rope.play().ifPresent(effect -> node.put("play", effect));
        if (!rope.overrides().none()) {
            write(rope.overrides(), node.putObject("overrides"));
        }
        node.set("offset", Json.vector(rope.where().offset()));
        if (!rope.where().equals(Where.at(rope.where().offset()))) {
            write(rope.where(), node.putObject("place"));
        }
        node.put("facing", JsonReader.word(rope.facing()));
        if (!rope.pointing().equals(Pointing.of(rope.facing()))) {
            write(rope.pointing(), node.putObject("pointing"));
        }
        JsonList feeds = node.putArray("feeds");
        for (Feed feed : rope.feeds()) {
            JsonObject f = feeds.addObject();
            f.put("parameter", feed.parameter());
            write(feed.source(), f);
            feed.remap().ifPresent(remap -> {
                if (!(feed.source() instanceof Source.Random)) {
                    f.set("in", Json.range(remap.in()));
                }
                ParameterJson.write(remap, f);
            });
            number(f, "rise", feed.follow().rise(), 0);
            number(f, "fall", feed.follow().fall(), 0);
            number(f, "every", feed.follow().every(), 0);
        }
        if (!rope.run().equals(Run.PLAIN)) {
            write(rope.run(), node.putObject("run"));
        }
        rope.stay().ifPresent(stay -> AnswerJson.write(stay, node.putObject("stay")));
        if (!rope.timing().equals(Timing.AT_ONCE)) {
            JsonObject timing = node.putObject("timing");
            number(timing, "delay", rope.timing().delay(), 0);
            number(timing, "jitter", rope.timing().jitter(), 0);
        }
        if (!rope.limits().none()) {
            write(rope.limits(), node.putObject("limits"));
        }
        rope.hit().ifPresent(hit -> writeHit(hit, node));
        if (!rope.owner().equals(Owner.FINISH)) {
            JsonObject owner = node.putObject("owner");
            owner.put("end", JsonReader.word(rope.owner().end()));
            number(owner, "over", rope.owner().over(), 0);
        }
        if (!rope.followUps().isEmpty()) {
            JsonList then = node.putArray("then");
            rope.followUps().forEach(f -> AnswerJson.write(f, then.addObject()));
        }
        if (!rope.companions().isEmpty()) {
            JsonList with = node.putArray("with");
            rope.companions().forEach(c -> AnswerJson.write(c, with.addObject()));
        }
        return node;
    }

    private static void writeHit(Source hit, JsonObject node) {
        if (hit instanceof Source.Constant constant) {
            node.set("hit", PayloadJson.node(constant.value()));
        } else {
            write(hit, node.putObject("hit"));
        }
    }

    private static void write(Condition condition, JsonObject c) {
        condition.visit(
                compare -> {
                    write(compare.source(), c);
                    c.put("relation", JsonReader.word(compare.relation()));
                    c.set("bound", Json.number(compare.bound()));
                },
                oneOf -> {
                    c.put("field", oneOf.field());
                    JsonList options = c.putArray("is");
                    oneOf.options().forEach(options::add);
                },
                flagged -> {
                    c.put("field", flagged.field());
                    c.put("flag", flagged.up());
                },
                tagged -> {
                    c.put("tag", tagged.tag());
                    if (!tagged.present()) {
                        c.put("has", false);
                    }
                });
    }

    static void write(Source source, JsonObject node) {
        source.visit(
                payload -> node.put("field", payload.field()),
                channel -> node.put("channel", channel.channel()),
                held -> node.put("held", true),
                since -> node.put("since", since.event()),
                constant -> node.set("constant", PayloadJson.node(constant.value())),
                random -> node.put("random", random.roll()),
                other -> node.put("from", other.parameter()));
    }

    private static void write(Overrides o, JsonObject node) {
        number(node, "count", o.count(), 1);
        number(node, "size", o.size(), 1);
        number(node, "speed", o.speed(), 1);
        number(node, "duration", o.duration());
        o.colour().ifPresent(c -> node.put("colour", c.toString()));
        number(node, "fadeOut", o.fadeOut());
        number(node, "cutAfter", o.cutAfter());
        o.order().ifPresent(order -> node.put("order", order));
    }

    private static void write(Where where, JsonObject node) {
        node.put("at", JsonReader.word(where.anchor()));
        yes(node, "follow", where.follow());
        where.place().ifPresent(name -> node.put("name", name));
        if (where.frame() != Where.Frame.SURFACE) {
            node.put("frame", JsonReader.word(where.frame()));
        }
        number(node, "depth", where.depth());
    }

    private static void write(Pointing pointing, JsonObject node) {
        if (!pointing.fixed().equals(Vec3.UP)) {
            node.set("fixed", Json.vector(pointing.fixed()));
        }
        number(node, "spread", pointing.spread(), 0);
        number(node, "velocity", pointing.velocity(), 1);
        yes(node, "turns", pointing.turns());
    }

    private static void write(Run run, JsonObject node) {
        run.start().ifPresent(effect -> node.put("start", effect));
        run.end().ifPresent(effect -> node.put("end", effect));
        number(node, "fadeIn", run.fadeIn());
        number(node, "fadeOut", run.fadeOut());
        number(node, "longest", run.longest());
        if (run.again() != Run.Again.CONTINUE) {
            node.put("again", JsonReader.word(run.again()));
        }
        if (run.order() != Run.Order.TOGETHER) {
            node.put("order", JsonReader.word(run.order()));
        }
    }

    private static void write(Limits limits, JsonObject node) {
        number(node, "cooldown", limits.cooldown(), 0);
        number(node, "perSecond", limits.perSecond());
        yes(node, "once", limits.once());
        limits.until().ifPresent(event -> node.put("until", event));
        limits.alive().ifPresent(most -> node.put("alive", most));
        yes(node, "together", limits.together());
        if (limits.whenFull() != Limits.WhenFull.SKIP) {
            node.put("whenFull", JsonReader.word(limits.whenFull()));
        }
        number(node, "distance", limits.distance(), 0);
        number(node, "chance", limits.chance(), 1);
    }

    private static void yes(JsonObject node, String key, boolean value) {
        if (value) {
            node.put(key, true);
        }
    }

    private static void number(JsonObject node, String key, double value, double usual) {
        if (value != usual) {
            node.set(key, Json.number(value));
        }
    }

    private static void number(JsonObject node, String key, OptionalDouble value) {
        value.ifPresent(v -> node.set(key, Json.number(v)));
    }
}
