package bellrope.server.store;

import bellrope.core.contract.Version;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Place;
import bellrope.core.pool.Pool;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Rope;
import bellrope.core.score.Score;
import bellrope.core.value.Problem;
import bellrope.format.json.Bundle;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.JsonValue;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;

/**
 * A project as it stands after one change: its parts, read. Immutable; a change makes another, which shares what did not
 * change.
 *
 * @param change counts every change of the project
 * @param parts not deleted, by kind and place
 */
public record Snapshot(long id, String name, long change, List<Part> parts) {
    /**
     * A part, read.
     *
     * @param value Settings, Sprite, EventType, Effect, Rope, Channel, Place or Version
     */
    public record Part(
            long id,
            Kind kind,
            String name,
            long place,
            long revision,
            boolean deleted,
            JsonNode body,
            Object value,
            String savedAt) {
        /** Returns this part with another body. */
        Part with(String newName, long newRevision, boolean nowDeleted, JsonNode newBody, Object newValue, String at) {
            return new Part(id, kind, newName, place, newRevision, nowDeleted, newBody, newValue, at);
        }

        /** Returns this part at another place among its kind. */
        Part at(long otherPlace) {
            return new Part(id, kind, name, otherPlace, revision, deleted, body, value, savedAt);
        }
    }

    static final Comparator<Part> ORDER =
            Comparator.comparing(Part::kind).thenComparingLong(Part::place).thenComparingLong(Part::id);

    /**
     * What a body says, or everything wrong with it.
     *
     * @param json the body as it is written in a bundle, whatever order and shorthand it came in
     */
    public record Body(Object value, String name, JsonNode json, List<Problem> problems) {
        public boolean wrong() {
            return !problems.isEmpty();
        }
    }

    /** Reads the body of a part. */
    public static Body read(Kind kind, JsonNode body) {
        return switch (kind) {
            case EFFECT -> body(Bundle.readEffect(body), Effect::name, Bundle::write);
            case ROPE -> body(Bundle.readRope(body), Rope::name, Bundle::write);
            case EVENT -> body(Bundle.readEvent(body), EventType::name, Bundle::write);
            case CHANNEL -> body(Bundle.readChannel(body), Channel::name, Bundle::write);
            case PLACE -> body(Bundle.readPlace(body), Place::name, Bundle::write);
            case VERSION -> body(Bundle.readVersion(body), Version::name, Bundle::write);
            case POOL -> body(Bundle.readPool(body), Pool::name, Bundle::write);
            case SCORE -> body(Bundle.readScore(body), Score::name, Bundle::write);
            case SPRITE -> body(Bundle.readSprite(body), Sprite::name, Bundle::write);
            case SETTINGS -> body(Bundle.readSettings(body), settings -> "settings", Bundle::write);
        };
    }

    private static <T> Body body(Bundle.Read<T> read, Function<T, String> name, Function<T, JsonValue> writer) {
        return read.value()
                .map(value -> new Body(value, name.apply(value), JacksonValue.node(writer.apply(value)), List.of()))
                .orElseGet(() -> new Body(null, "", null, read.problems()));
    }

    public Optional<Part> part(long partId) {
        return parts.stream().filter(p -> p.id() == partId).findFirst();
    }

    public List<Part> parts(Kind kind) {
        return parts.stream().filter(p -> p.kind() == kind).toList();
    }

    /** Returns the project as the core knows it. */
    public Project project() {
        return project(Map.of());
    }

    /**
     * Returns the project with some values standing in for those of saved parts.
     *
     * @param drafts values by part
     */
    public Project project(Map<Long, Object> drafts) {
        return new Project(
                name,
                values(Kind.SETTINGS, Settings.class, drafts).stream()
                        .findFirst()
                        .orElse(Settings.USUAL),
                values(Kind.SPRITE, Sprite.class, drafts),
                values(Kind.EVENT, EventType.class, drafts),
                values(Kind.EFFECT, Effect.class, drafts),
                values(Kind.ROPE, Rope.class, drafts),
                values(Kind.CHANNEL, Channel.class, drafts),
                values(Kind.PLACE, Place.class, drafts),
                values(Kind.VERSION, Version.class, drafts),
                values(Kind.POOL, Pool.class, drafts),
                values(Kind.SCORE, Score.class, drafts));
    }

    private <T> List<T> values(Kind kind, Class<T> type, Map<Long, Object> drafts) {
        List<T> values = new ArrayList<>();
        for (Part part : parts) {
            if (part.kind() == kind) {
                values.add(type.cast(drafts.getOrDefault(part.id(), part.value())));
            }
        }
        return values;
    }

    /** Returns this project after a change of some parts. */
    Snapshot after(long newChange, List<Part> changed) {
        Map<Long, Part> next = new LinkedHashMap<>();
        parts.forEach(part -> next.put(part.id(), part));
        for (Part part : changed) {
            if (part.deleted()) {
                next.remove(part.id());
            } else {
                next.put(part.id(), part);
            }
        }
        return new Snapshot(
                id, name, newChange, next.values().stream().sorted(ORDER).toList());
    }

    /** Returns where a part stands in a bundle, such as {@code /ropes/3}. */
    String pointer(Part part) {
        return "/" + part.kind().list() + "/" + parts(part.kind()).indexOf(part);
    }
}
