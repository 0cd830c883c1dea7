package bellrope.format.json;

import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import bellrope.core.contract.Version;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Place;
import bellrope.core.pool.Pool;
import bellrope.core.project.Consistency;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.score.Score;
import bellrope.core.value.Pace;
import bellrope.core.value.Problem;
import bellrope.format.sprite.Pictures;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import tools.jackson.databind.JsonNode;

/**
 * The whole project as one file, {@code *.bellrope.json}: readable, in a stable order, so that reading and writing it
 * again gives the same bytes. The format is described in {@code docs/format/bundle.md}.
 */
public final class Bundle {
    public static final int VERSION = 1;

    private Bundle() {}

    /**
     * What was read.
     *
     * @param value empty when anything was wrong
     * @param problems everything that was wrong, with its place in the file
     */
    public record Read<T>(Optional<T> value, List<Problem> problems) {}

    /** Reads a bundle and checks that its names agree. */
    public static Read<Project> read(byte[] bytes) {
        JsonText.Parsed parsed = JsonText.parse(bytes);
        return parsed.failed() ? new Read<>(Optional.empty(), parsed.problems()) : read(parsed.node());
    }

    public static Read<Project> read(JsonNode node) {
        return read(JacksonValue.of(node));
    }

    /** Reads a bundle that somebody has parsed, and checks that its names agree. */
    public static Read<Project> read(JsonValue node) {
        return read(node, Pictures::coverage);
    }

    /**
     * Reads a bundle where pictures cannot be decoded as they are here.
     *
     * @param coverage of a PNG whose sprite does not say it
     */
    public static Read<Project> read(JsonValue node, ToDoubleFunction<byte[]> coverage) {
        Problems problems = new Problems();
        JsonReader thing = new JsonReader(node, "", problems);
        if (problems.none()) {
            int version = thing.whole("bellrope");
            if (problems.none() && version != VERSION) {
                thing.wrong("bellrope", Integer.toString(version), "version " + VERSION);
            }
        }
        if (!problems.none()) {
            return new Read<>(Optional.empty(), problems.list());
        }
        String name = thing.text("name");
        JsonReader settingsThing = thing.thing("settings");
        Settings settings = settingsThing == null ? null : settings(settingsThing);
        if (tooManyPixels(node.get("sprites"), problems)) {
            return new Read<>(Optional.empty(), problems.list());
        }
        List<Sprite> sprites = thing.list("sprites", t -> sprite(t, coverage));
        List<EventType> events = thing.list("events", EventJson::read);
        List<Effect> effects = thing.list("effects", EffectJson::read);
        List<Rope> ropes = thing.list("ropes", RopeJson::read);
        List<Channel> channels = thing.has("channels") ? thing.list("channels", EventJson::readChannel) : List.of();
        List<Place> places = thing.has("places") ? thing.list("places", EventJson::readPlace) : List.of();
        List<Version> versions = thing.has("versions") ? thing.list("versions", ContractJson::readVersion) : List.of();
        List<Pool> pools = thing.has("pools") ? thing.list("pools", ScoreJson::readPool) : List.of();
        List<Score> scores = thing.has("scores") ? thing.list("scores", ScoreJson::read) : List.of();
        Project project = thing.make(() -> new Project(
                name, settings, sprites, events, effects, ropes, channels, places, versions, pools, scores));
        if (project != null) {
            problems.addAll(Consistency.problems(project));
        }
        return new Read<>(problems.none() ? Optional.ofNullable(project) : Optional.empty(), problems.list());
    }

    // Before any of them is looked at more closely.
    private static boolean tooManyPixels(JsonValue sprites, Problems problems) {
        List<Sprite> pictures = new ArrayList<>();
        for (int i = 0; sprites != null && sprites.isList() && i < sprites.size(); i++) {
            JsonValue sprite = sprites.get(i);
            JsonValue picture = sprite.isObject() ? sprite.get("picture") : null;
            if (picture != null && picture.isText()) {
                pictures.add(new Sprite("picture", 1, Sprite.Sheet.SINGLE, Optional.of(picture.text())));
            }
        }
        List<Problem> wrong = Pictures.problems(pictures);
        problems.addAll(wrong);
        return !wrong.isEmpty();
    }

    private static Sprite sprite(JsonReader thing, ToDoubleFunction<byte[]> coverageOf) {
        String name = thing.text("name");
        Sprite.Sheet sheet = thing.maybe("sheet", t -> {
                    int columns = t.whole("columns");
                    int rows = t.whole("rows");
                    int frames = t.whole("frames");
                    Sprite.Sheet.Order order = t.choice("order", Sprite.Sheet.Order.class);
                    double perSecond = t.number("perSecond");
                    return t.make(() -> new Sprite.Sheet(columns, rows, frames, order, perSecond));
                })
                .orElse(Sprite.Sheet.SINGLE);
        Optional<String> picture = thing.maybeText("picture");
        List<Problem> wrong = Pictures.problems(new Sprite("picture", 1, sheet, picture));
        wrong.forEach(p -> thing.wrong(p.place().substring(1), p.given(), p.allowed()));
        // A picture of its own says how much of it is opaque; one that ships is known by the number.
        double coverage = picture.isPresent() && wrong.isEmpty() && !thing.has("coverage")
                ? coverageOf.applyAsDouble(Base64.getDecoder().decode(picture.get()))
                : thing.number("coverage", 1);
        return thing.make(() -> new Sprite(name, coverage, sheet, picture));
    }

    private static Settings settings(JsonReader thing) {
        int stepsPerSecond = thing.whole("stepsPerSecond");
        double metres = thing.number("metresPerUnit");
        long seed = thing.wholeUpTo("seed", Settings.HIGHEST_SEED);
        int limit = thing.whole("particleLimit");
        Settings.Screen screen = thing.maybe("screen", t -> {
                    int width = t.whole("width");
                    int height = t.whole("height");
                    double unitsHigh = t.number("unitsHigh");
                    return t.make(() -> new Settings.Screen(width, height, unitsHigh));
                })
                .orElse(Settings.Screen.USUAL);
        Settings.Comfort comfort = thing.maybe("comfort", t -> {
                    double shake = t.number("shake");
                    double flash = t.number("flash");
                    return t.make(() -> new Settings.Comfort(shake, flash));
                })
                .orElse(Settings.Comfort.USUAL);
        List<Alias> aliases = thing.has("aliases") ? thing.list("aliases", ContractJson::readAlias) : List.of();
        return thing.make(() -> new Settings(new Pace(stepsPerSecond), metres, seed, limit, screen, comfort, aliases));
    }

    /** Reads one effect on its own; its sprites are not looked up. */
    public static Read<Effect> readEffect(JsonNode node) {
        return part(node, EffectJson::read);
    }

    public static Read<Effect> readEffect(JsonValue node) {
        return part(node, EffectJson::read);
    }

    /** Reads one rope on its own; its names are not looked up. */
    public static Read<Rope> readRope(JsonNode node) {
        return part(node, RopeJson::read);
    }

    public static Read<Rope> readRope(JsonValue node) {
        return part(node, RopeJson::read);
    }

    /** Reads what drives a feed on its own. */
    public static Read<Source> readSource(JsonValue node) {
        return part(node, thing -> {
            Source source = RopeJson.anySource(thing);
            return source == null ? null : thing.make(() -> source);
        });
    }

    public static Read<Source> readSource(JsonNode node) {
        return readSource(JacksonValue.of(node));
    }

    /** Reads one kind of event on its own. */
    public static Read<EventType> readEvent(JsonNode node) {
        return part(node, EventJson::read);
    }

    public static Read<EventType> readEvent(JsonValue node) {
        return part(node, EventJson::read);
    }

    /** Reads one channel on its own. */
    public static Read<Channel> readChannel(JsonNode node) {
        return part(node, EventJson::readChannel);
    }

    public static Read<Channel> readChannel(JsonValue node) {
        return part(node, EventJson::readChannel);
    }

    /** Reads one place on its own. */
    public static Read<Place> readPlace(JsonNode node) {
        return part(node, EventJson::readPlace);
    }

    public static Read<Place> readPlace(JsonValue node) {
        return part(node, EventJson::readPlace);
    }

    /** Reads one version of the contract on its own. */
    public static Read<Version> readVersion(JsonNode node) {
        return part(node, ContractJson::readVersion);
    }

    public static Read<Version> readVersion(JsonValue node) {
        return part(node, ContractJson::readVersion);
    }

    /** Reads one pool on its own; its effects are not looked up. */
    public static Read<Pool> readPool(JsonNode node) {
        return part(node, ScoreJson::readPool);
    }

    public static Read<Pool> readPool(JsonValue node) {
        return part(node, ScoreJson::readPool);
    }

    /** Reads one score on its own; its events are not looked up. */
    public static Read<Score> readScore(JsonNode node) {
        return part(node, ScoreJson::read);
    }

    public static Read<Score> readScore(JsonValue node) {
        return part(node, ScoreJson::read);
    }

    /** Reads one sprite on its own. */
    public static Read<Sprite> readSprite(JsonNode node) {
        return part(node, thing -> sprite(thing, Pictures::coverage));
    }

    /** @param coverage of a PNG whose sprite does not say it */
    public static Read<Sprite> readSprite(JsonValue node, ToDoubleFunction<byte[]> coverage) {
        return part(node, thing -> sprite(thing, coverage));
    }

    /** Reads settings on their own. */
    public static Read<Settings> readSettings(JsonNode node) {
        return part(node, Bundle::settings);
    }

    public static Read<Settings> readSettings(JsonValue node) {
        return part(node, Bundle::settings);
    }

    private static <T> Read<T> part(JsonNode node, Function<JsonReader, T> reader) {
        return part(JacksonValue.of(node), reader);
    }

    private static <T> Read<T> part(JsonValue node, Function<JsonReader, T> reader) {
        Problems problems = new Problems();
        T value = reader.apply(new JsonReader(node, "", problems));
        return new Read<>(problems.none() ? Optional.ofNullable(value) : Optional.empty(), problems.list());
    }

    public static JsonObject write(Effect effect) {
        return EffectJson.write(effect);
    }

    public static JsonObject write(Rope rope) {
        return RopeJson.write(rope);
    }

    public static JsonObject write(EventType event) {
        return EventJson.write(event);
    }

    public static JsonObject write(Channel channel) {
        return EventJson.write(channel);
    }

    public static JsonObject write(Place place) {
        return EventJson.write(place);
    }

    public static JsonObject write(Contract contract) {
        return ContractJson.write(contract);
    }

    public static JsonObject write(Version version) {
        return ContractJson.write(version);
    }

    public static JsonObject write(Pool pool) {
        return ScoreJson.write(pool);
    }

    public static JsonObject write(Score score) {
        return ScoreJson.write(score);
    }

    public static JsonObject write(Sprite sprite) {
        JsonObject node = Json.object();
        node.put("name", sprite.name());
        node.set("coverage", Json.number(sprite.coverage()));
        if (!sprite.sheet().equals(Sprite.Sheet.SINGLE)) {
            JsonObject sheet = node.putObject("sheet");
            sheet.put("columns", sprite.sheet().columns());
            sheet.put("rows", sprite.sheet().rows());
            sheet.put("frames", sprite.sheet().frames());
            sheet.put("order", JsonReader.word(sprite.sheet().order()));
            sheet.set("perSecond", Json.number(sprite.sheet().perSecond()));
        }
        sprite.picture().ifPresent(picture -> node.put("picture", picture));
        return node;
    }

    public static JsonObject write(Settings settings) {
        JsonObject node = Json.object();
        node.put("stepsPerSecond", settings.pace().stepsPerSecond());
        node.set("metresPerUnit", Json.number(settings.metresPerUnit()));
        node.put("seed", settings.seed());
        node.put("particleLimit", settings.particleLimit());
        JsonObject screen = node.putObject("screen");
        screen.put("width", settings.screen().width());
        screen.put("height", settings.screen().height());
        screen.set("unitsHigh", Json.number(settings.screen().unitsHigh()));
        if (!settings.comfort().equals(Settings.Comfort.USUAL)) {
            JsonObject comfort = node.putObject("comfort");
            comfort.set("shake", Json.number(settings.comfort().shake()));
            comfort.set("flash", Json.number(settings.comfort().flash()));
        }
        if (!settings.aliases().isEmpty()) {
            JsonList aliases = node.putArray("aliases");
            settings.aliases().forEach(a -> aliases.add(ContractJson.write(a)));
        }
        return node;
    }

    /** Returns the bundle as text, ready for a file. */
    public static String write(Project project) {
        JsonObject node = Json.object();
        node.put("bellrope", VERSION);
        node.put("name", project.name());
        node.set("settings", write(project.settings()));
        JsonList sprites = node.putArray("sprites");
        project.sprites().forEach(sprite -> sprites.add(write(sprite)));
        JsonList events = node.putArray("events");
        project.events().forEach(event -> events.add(write(event)));
        JsonList effects = node.putArray("effects");
        project.effects().forEach(effect -> effects.add(write(effect)));
        JsonList ropes = node.putArray("ropes");
        project.ropes().forEach(rope -> ropes.add(write(rope)));
        if (!project.channels().isEmpty()) {
            JsonList channels = node.putArray("channels");
            project.channels().forEach(channel -> channels.add(write(channel)));
        }
        if (!project.places().isEmpty()) {
            JsonList places = node.putArray("places");
            project.places().forEach(place -> places.add(write(place)));
        }
        if (!project.versions().isEmpty()) {
            JsonList versions = node.putArray("versions");
            project.versions().forEach(version -> versions.add(write(version)));
        }
        if (!project.pools().isEmpty()) {
            JsonList pools = node.putArray("pools");
            project.pools().forEach(pool -> pools.add(write(pool)));
        }
        if (!project.scores().isEmpty()) {
            JsonList scores = node.putArray("scores");
            project.scores().forEach(score -> scores.add(write(score)));
        }
        return JsonText.pretty(node);
    }
}
