package bellrope.format.json;

import bellrope.core.pool.Pool;
import bellrope.core.project.Settings;
import bellrope.core.score.Channelled;
import bellrope.core.score.Lane;
import bellrope.core.score.Mark;
import bellrope.core.score.Pattern;
import bellrope.core.score.Said;
import bellrope.core.score.Score;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/** Pools and scores as JSON, both ways. */
final class ScoreJson {
    private ScoreJson() {}

    private enum Kind {
        MARKS,
        STEADY,
        POISSON,
        SALVOS,
        RISING,
        AFTER
    }

    static Pool readPool(JsonReader thing) {
        String name = thing.text("name");
        List<String> effects = thing.texts("effects");
        int capacity = thing.whole("capacity");
        int prewarm = thing.whole("prewarm", 0);
        Pool.WhenEmpty whenEmpty = thing.choice("whenEmpty", Pool.WhenEmpty.class, Pool.WhenEmpty.REFUSE);
        OptionalInt bound = thing.has("bound") ? OptionalInt.of(thing.whole("bound")) : OptionalInt.empty();
        return thing.make(() -> new Pool(name, effects, capacity, prewarm, whenEmpty, bound));
    }

    static JsonObject write(Pool pool) {
        JsonObject node = Json.object();
        node.put("name", pool.name());
        JsonList effects = node.putArray("effects");
        pool.effects().forEach(effect -> effects.add(JsonLeaf.of(effect)));
        node.put("capacity", pool.capacity());
        if (pool.prewarm() > 0) {
            node.put("prewarm", pool.prewarm());
        }
        if (pool.whenEmpty() != Pool.WhenEmpty.REFUSE) {
            node.put("whenEmpty", JsonReader.word(pool.whenEmpty()));
        }
        pool.bound().ifPresent(bound -> node.put("bound", bound));
        return node;
    }

    static Score read(JsonReader thing) {
        String name = thing.text("name");
        double seconds = thing.number("seconds");
        long seed = thing.has("seed") ? thing.wholeUpTo("seed", Settings.HIGHEST_SEED) : 0;
        List<Lane> lanes = thing.list("lanes", ScoreJson::lane);
        List<Channelled> channels = thing.has("channels") ? thing.list("channels", ScoreJson::channel) : List.of();
        return thing.make(() -> new Score(name, seconds, seed, lanes, channels));
    }

    private static Lane lane(JsonReader thing) {
        int id = thing.whole("id");
        String event = thing.text("event");
        String subject = thing.text("subject", "");
        int subjects = thing.whole("subjects", 1);
        boolean muted = thing.yes("muted");
        double from = thing.number("from", 0);
        OptionalDouble until = thing.maybeNumber("until");
        Pattern when = thing.read("when", ScoreJson::pattern);
        Lane.Manner manner = thing.choice("manner", Lane.Manner.class, Lane.Manner.USUAL);
        List<Said> said = thing.has("said") ? thing.list("said", ScoreJson::said) : List.of();
        Range lasts = thing.range("lasts", Lane.USUAL_LENGTH);
        Vec3 spread = thing.vector("spread", Vec3.ZERO);
        OptionalDouble gone = thing.maybeNumber("gone");
        return when == null
                ? null
                : thing.make(() -> new Lane(
                        id, event, subject, subjects, muted, from, until, when, manner, said, lasts, spread, gone));
    }

    private static Pattern pattern(JsonReader thing) {
        return switch (thing.choice("kind", Kind.class)) {
            case MARKS -> {
                List<Mark> marks = thing.list("marks", ScoreJson::mark);
                yield thing.make(() -> new Pattern.Marks(marks));
            }
            case STEADY -> {
                double perSecond = thing.number("perSecond");
                yield thing.make(() -> new Pattern.Steady(perSecond));
            }
            case POISSON -> {
                double perSecond = thing.number("perSecond");
                yield thing.make(() -> new Pattern.Poisson(perSecond));
            }
            case SALVOS -> {
                int count = thing.whole("count");
                double within = thing.number("within", 0);
                double every = thing.number("every");
                yield thing.make(() -> new Pattern.Salvos(count, within, every));
            }
            case RISING -> {
                Curve perSecond = CurveJson.read(thing, "perSecond");
                yield perSecond == null ? null : thing.make(() -> new Pattern.Rising(perSecond));
            }
            case AFTER -> {
                int lane = thing.whole("lane");
                double chance = thing.number("chance", 1);
                double delay = thing.number("delay", 0);
                yield thing.make(() -> new Pattern.After(lane, chance, delay));
            }
        };
    }

    private static Mark mark(JsonReader thing) {
        double at = thing.number("at");
        OptionalDouble lasts = thing.maybeNumber("lasts");
        Optional<String> value = thing.maybeText("value");
        Map<String, Datum> payload = payload(thing);
        return thing.make(() -> new Mark(at, lasts, value, payload));
    }

    private static Said said(JsonReader thing) {
        Optional<String> value = thing.maybeText("value");
        Map<String, Datum> payload = payload(thing);
        return thing.make(() -> new Said(value, payload));
    }

    private static Map<String, Datum> payload(JsonReader thing) {
        Map<String, Datum> payload = new LinkedHashMap<>();
        if (thing.has("payload")) {
            thing.read("payload", t -> {
                for (String key : t.keys()) {
                    Datum datum = t.datum(key);
                    if (datum != null) {
                        payload.put(key, datum);
                    }
                }
                return t;
            });
        }
        return payload;
    }

    private static Channelled channel(JsonReader thing) {
        String channel = thing.text("channel");
        List<Channelled.Point> points = thing.list("points", t -> {
            double at = t.number("at");
            double value = t.number("value");
            return t.make(() -> new Channelled.Point(at, value));
        });
        return thing.make(() -> new Channelled(channel, points));
    }

    static JsonObject write(Score score) {
        JsonObject node = Json.object();
        node.put("name", score.name());
        node.set("seconds", Json.number(score.seconds()));
        node.put("seed", score.seed());
        JsonList lanes = node.putArray("lanes");
        score.lanes().forEach(lane -> lanes.add(write(lane)));
        if (!score.channels().isEmpty()) {
            JsonList channels = node.putArray("channels");
            for (Channelled channel : score.channels()) {
                JsonObject c = channels.addObject();
                c.put("channel", channel.channel());
                JsonList points = c.putArray("points");
                for (Channelled.Point point : channel.points()) {
                    JsonObject p = points.addObject();
                    p.set("at", Json.number(point.at()));
                    p.set("value", Json.number(point.value()));
                }
            }
        }
        return node;
    }

    private static JsonObject write(Lane lane) {
        JsonObject node = Json.object();
        node.put("id", lane.id());
        node.put("event", lane.event());
        if (!lane.subject().isEmpty()) {
            node.put("subject", lane.subject());
        }
        if (lane.subjects() > 1) {
            node.put("subjects", lane.subjects());
        }
        if (lane.muted()) {
            node.put("muted", true);
        }
        if (lane.from() > 0) {
            node.set("from", Json.number(lane.from()));
        }
        lane.until().ifPresent(until -> node.set("until", Json.number(until)));
        node.set("when", write(lane.when()));
        if (lane.manner() != Lane.Manner.USUAL) {
            node.put("manner", JsonReader.word(lane.manner()));
        }
        if (!lane.said().isEmpty()) {
            JsonList all = node.putArray("said");
            for (Said said : lane.said()) {
                JsonObject s = all.addObject();
                said.value().ifPresent(value -> s.put("value", value));
                if (!said.payload().isEmpty()) {
                    s.set("payload", PayloadJson.write(said.payload()));
                }
            }
        }
        if (!lane.lasts().equals(Lane.USUAL_LENGTH)) {
            node.set("lasts", Json.range(lane.lasts()));
        }
        if (!lane.spread().equals(Vec3.ZERO)) {
            node.set("spread", Json.vector(lane.spread()));
        }
        lane.gone().ifPresent(gone -> node.set("gone", Json.number(gone)));
        return node;
    }

    private static JsonObject write(Pattern pattern) {
        return pattern.match(
                marks -> {
                    JsonObject node = kind(Kind.MARKS);
                    JsonList all = node.putArray("marks");
                    marks.marks().forEach(mark -> all.add(write(mark)));
                    return node;
                },
                steady -> kind(Kind.STEADY).set("perSecond", Json.number(steady.perSecond())),
                poisson -> kind(Kind.POISSON).set("perSecond", Json.number(poisson.perSecond())),
                salvos -> {
                    JsonObject node = kind(Kind.SALVOS);
                    node.put("count", salvos.count());
                    return node.set("within", Json.number(salvos.within())).set("every", Json.number(salvos.every()));
                },
                rising -> {
                    JsonObject node = kind(Kind.RISING);
                    node.set("perSecond", CurveJson.write(rising.perSecond()));
                    return node;
                },
                after -> {
                    JsonObject node = kind(Kind.AFTER);
                    node.put("lane", after.lane());
                    return node.set("chance", Json.number(after.chance())).set("delay", Json.number(after.delay()));
                });
    }

    private static JsonObject kind(Kind kind) {
        JsonObject node = Json.object();
        node.put("kind", JsonReader.word(kind));
        return node;
    }

    private static JsonObject write(Mark mark) {
        JsonObject node = Json.object();
        node.set("at", Json.number(mark.at()));
        mark.lasts().ifPresent(lasts -> node.set("lasts", Json.number(lasts)));
        mark.value().ifPresent(value -> node.put("value", value));
        if (!mark.payload().isEmpty()) {
            node.set("payload", PayloadJson.write(mark.payload()));
        }
        return node;
    }
}
