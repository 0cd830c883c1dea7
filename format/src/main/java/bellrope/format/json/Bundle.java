package bellrope.format.json;

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
import bellrope.core.value.Problem;
import bellrope.format.sprite.Pictures;
import java.util.ArrayList;
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
        JsonReader object = new JsonReader(node, "", problems);
        if (problems.none()) {
            int version = object.whole("bellrope");
            if (problems.none() && version != VERSION) {
                object.wrong("bellrope", Integer.toString(version), "version " + VERSION);
            }
        }
        if (!problems.none()) {
            return new Read<>(Optional.empty(), problems.list());
        }
        if (tooManyPixels(node.get("sprites"), problems)) {
            return new Read<>(Optional.empty(), problems.list());
        }
        Project project = ProjectJson.project(coverage).read(object);
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

    /** Reads one effect on its own; its sprites are not looked up. */
    public static Read<Effect> readEffect(JsonNode node) {
        return part(node, EffectJson.EFFECT::read);
    }

    public static Read<Effect> readEffect(JsonValue node) {
        return part(node, EffectJson.EFFECT::read);
    }

    /** Reads one rope on its own; its names are not looked up. */
    public static Read<Rope> readRope(JsonNode node) {
        return part(node, RopeJson.ROPE::read);
    }

    public static Read<Rope> readRope(JsonValue node) {
        return part(node, RopeJson.ROPE::read);
    }

    /** Reads what drives a feed on its own. */
    public static Read<Source> readSource(JsonValue node) {
        return part(node, object -> {
            Source source = SourceJson.DRIVING.among(object);
            return source == null ? null : object.make(() -> source);
        });
    }

    public static Read<Source> readSource(JsonNode node) {
        return readSource(JacksonValue.of(node));
    }

    /** Reads one kind of event on its own. */
    public static Read<EventType> readEvent(JsonNode node) {
        return part(node, EventJson.EVENT::read);
    }

    public static Read<EventType> readEvent(JsonValue node) {
        return part(node, EventJson.EVENT::read);
    }

    /** Reads one channel on its own. */
    public static Read<Channel> readChannel(JsonNode node) {
        return part(node, EventJson.CHANNEL::read);
    }

    public static Read<Channel> readChannel(JsonValue node) {
        return part(node, EventJson.CHANNEL::read);
    }

    /** Reads one place on its own. */
    public static Read<Place> readPlace(JsonNode node) {
        return part(node, EventJson.PLACE::read);
    }

    public static Read<Place> readPlace(JsonValue node) {
        return part(node, EventJson.PLACE::read);
    }

    /** Reads one version of the contract on its own. */
    public static Read<Version> readVersion(JsonNode node) {
        return part(node, ContractJson.VERSION::read);
    }

    public static Read<Version> readVersion(JsonValue node) {
        return part(node, ContractJson.VERSION::read);
    }

    /** Reads one pool on its own; its effects are not looked up. */
    public static Read<Pool> readPool(JsonNode node) {
        return part(node, ScoreJson.POOL::read);
    }

    public static Read<Pool> readPool(JsonValue node) {
        return part(node, ScoreJson.POOL::read);
    }

    /** Reads one score on its own; its events are not looked up. */
    public static Read<Score> readScore(JsonNode node) {
        return part(node, ScoreJson.SCORE::read);
    }

    public static Read<Score> readScore(JsonValue node) {
        return part(node, ScoreJson.SCORE::read);
    }

    /** Reads one sprite on its own. */
    public static Read<Sprite> readSprite(JsonNode node) {
        return part(node, ProjectJson.sprite(Pictures::coverage)::read);
    }

    /** @param coverage of a PNG whose sprite does not say it */
    public static Read<Sprite> readSprite(JsonValue node, ToDoubleFunction<byte[]> coverage) {
        return part(node, ProjectJson.sprite(coverage)::read);
    }

    /** Reads settings on their own. */
    public static Read<Settings> readSettings(JsonNode node) {
        return part(node, ProjectJson.SETTINGS::read);
    }

    public static Read<Settings> readSettings(JsonValue node) {
        return part(node, ProjectJson.SETTINGS::read);
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
        return EffectJson.EFFECT.write(effect);
    }

    public static JsonObject write(Rope rope) {
        return RopeJson.ROPE.write(rope);
    }

    public static JsonObject write(EventType event) {
        return EventJson.EVENT.write(event);
    }

    public static JsonObject write(Channel channel) {
        return EventJson.CHANNEL.write(channel);
    }

    public static JsonObject write(Place place) {
        return EventJson.PLACE.write(place);
    }

    public static JsonObject write(Contract contract) {
        return ContractJson.CONTRACT.write(contract);
    }

    public static JsonObject write(Version version) {
        return ContractJson.VERSION.write(version);
    }

    public static JsonObject write(Pool pool) {
        return ScoreJson.POOL.write(pool);
    }

    public static JsonObject write(Score score) {
        return ScoreJson.SCORE.write(score);
    }

    public static JsonObject write(Sprite sprite) {
        return ProjectJson.SPRITE.write(sprite);
    }

    public static JsonObject write(Settings settings) {
        return ProjectJson.SETTINGS.write(settings);
    }

    /** Returns the bundle as text, ready for a file. */
    public static String write(Project project) {
        JsonObject node = Json.object();
        node.put("bellrope", VERSION);
        ProjectJson.PROJECT.write(project, node);
        return JsonText.pretty(node);
    }
}
