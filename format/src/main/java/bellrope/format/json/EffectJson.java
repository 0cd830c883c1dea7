package bellrope.format.json;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Parameter;
import bellrope.core.value.Datum;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;

/** Effects as JSON, both ways. */
final class EffectJson {
    private EffectJson() {}

    static Effect read(JsonReader thing) {
        String name = thing.text("name");
        String description = thing.text("description", "");
        Course course = thing.read("course", EffectJson::course);
        OptionalLong seed = thing.has("seed")
                ? OptionalLong.of(thing.wholeUpTo("seed", Effect.HIGHEST_SEED))
                : OptionalLong.empty();
        List<Emitter> emitters = thing.list("emitters", EffectJson::emitter);
        List<Parameter> parameters = thing.list("parameters", ParameterJson::read);
        List<Effect.Try> tries = thing.has("tries") ? thing.list("tries", EffectJson::attempt) : List.of();
        int order = thing.whole("order", 0);
        return thing.make(() -> new Effect(name, description, course, seed, emitters, parameters, tries, order));
    }

    private enum CourseKind {
        ONE_SHOT,
        LOOPING
    }

    private static Course course(JsonReader thing) {
        CourseKind kind = thing.choice("kind", CourseKind.class);
        double duration = thing.number("duration");
        double windUp = thing.number("windUp", 0);
        double fadeOut = thing.number("fadeOut", 0);
        double playback = thing.number("playback", 1);
        return thing.make(() -> new Course(kind == CourseKind.LOOPING, duration, windUp, fadeOut, playback));
    }

    private static Emitter emitter(JsonReader thing) {
        String name = thing.text("name");
        int seed = thing.whole("seed");
        Birth birth = thing.read("birth", BirthJson::read);
        Look look = thing.read("look", LifeJson::look);
        Life life = thing.read("life", LifeJson::read);
        End end = thing.has("end") ? thing.read("end", EndJson::read) : End.NONE;
        boolean off = thing.yes("off");
        return thing.make(() -> new Emitter(name, seed, birth, look, life, end).switched(off));
    }

    private static Effect.Try attempt(JsonReader thing) {
        String name = thing.text("name");
        Map<String, Datum> values = thing.read("values", t -> {
            Map<String, Datum> read = new LinkedHashMap<>();
            for (String key : t.keys()) {
                if (t.has(key)) {
                    Datum value = t.datum(key);
                    if (value != null) {
                        read.put(key, value);
                    }
                }
            }
            return read;
        });
        return values == null ? null : thing.make(() -> new Effect.Try(name, values));
    }

    static JsonObject write(Effect effect) {
        JsonObject node = Json.object();
        node.put("name", effect.name());
        node.put("description", effect.description());
        Course course = effect.course();
        JsonObject c = node.putObject("course");
        c.put("kind", JsonReader.word(course.looping() ? CourseKind.LOOPING : CourseKind.ONE_SHOT));
        c.set("duration", Json.number(course.duration()));
        Json.unless(c, "windUp", course.windUp(), 0);
        Json.unless(c, "fadeOut", course.fadeOut(), 0);
        Json.unless(c, "playback", course.playback(), 1);
        effect.seed().ifPresent(seed -> node.put("seed", seed));
        if (effect.order() != 0) {
            node.put("order", effect.order());
        }
        JsonList emitters = node.putArray("emitters");
        effect.emitters().forEach(emitter -> emitters.add(emitter(emitter)));
        JsonList parameters = node.putArray("parameters");
        effect.parameters().forEach(parameter -> parameters.add(ParameterJson.write(parameter)));
        if (!effect.tries().isEmpty()) {
            JsonList tries = node.putArray("tries");
            effect.tries().forEach(one -> {
                JsonObject t = tries.addObject();
                t.put("name", one.name());
                t.set("values", PayloadJson.write(one.values()));
            });
        }
        return node;
    }

    private static JsonObject emitter(Emitter emitter) {
        JsonObject node = Json.object();
        node.put("name", emitter.name());
        node.put("seed", emitter.seed());
        node.set("birth", BirthJson.write(emitter.birth()));
        node.set("look", LifeJson.write(emitter.look()));
        node.set("life", LifeJson.write(emitter.life()));
        if (!emitter.end().nothing()) {
            node.set("end", EndJson.write(emitter.end()));
        }
        if (emitter.off()) {
            node.put("off", true);
        }
        return node;
    }
}
