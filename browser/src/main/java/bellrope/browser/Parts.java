package bellrope.browser;

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
import bellrope.format.answer.Whole;
import bellrope.format.answer.Wrong;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonValue;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The parts of the open project, read: each once, when it comes. */
final class Parts {
    private static final Comparator<Part> ORDER =
            Comparator.comparingDouble(Part::place).thenComparingLong(Part::id);

    private final Map<Long, Part> parts = new HashMap<>();
    private String name = "";

    private record Part(long id, String kind, double place, Object value) {}

    void open(String project) {
        name = project;
        parts.clear();
    }

    /** Takes a part as it is saved. */
    void put(long id, String kind, double place, JsonValue body) {
        parts.put(id, new Part(id, kind, place, value(kind, body)));
    }

    void drop(long id) {
        parts.remove(id);
    }

    /** Returns the project with some bodies standing in for those of saved parts. */
    Whole whole(Map<Long, JsonValue> drafts) {
        Map<Long, Object> values = new HashMap<>();
        List<Problem> problems = new ArrayList<>();
        drafts.forEach((id, body) -> {
            Part part = parts.get(id);
            if (part != null) {
                try {
                    values.put(id, value(part.kind(), body));
                } catch (Wrong wrong) {
                    problems.addAll(wrong.problems());
                }
            }
        });
        if (!problems.isEmpty()) {
            throw new Wrong(problems);
        }
        List<Settings> settings = values("settings", Settings.class, values);
        Project project = new Project(
                name,
                settings.isEmpty() ? Settings.USUAL : settings.get(0),
                values("sprite", Sprite.class, values),
                values("event", EventType.class, values),
                values("effect", Effect.class, values),
                values("rope", Rope.class, values),
                values("channel", Channel.class, values),
                values("place", Place.class, values),
                values("version", Version.class, values),
                values("pool", Pool.class, values),
                values("score", Score.class, values));
        return new Whole(project, numbers("effect"), numbers("rope"));
    }

    private List<Part> of(String kind) {
        return parts.values().stream()
                .filter(p -> p.kind().equals(kind))
                .sorted(ORDER)
                .toList();
    }

    private List<Long> numbers(String kind) {
        return of(kind).stream().map(Part::id).toList();
    }

    private <T> List<T> values(String kind, Class<T> type, Map<Long, Object> drafts) {
        return of(kind).stream()
                .map(p -> type.cast(drafts.getOrDefault(p.id(), p.value())))
                .toList();
    }

    private static Object value(String kind, JsonValue body) {
        return switch (kind) {
            case "settings" -> read(Bundle.readSettings(body));
            case "sprite" -> read(Bundle.readSprite(body, Parts::coverage));
            case "event" -> read(Bundle.readEvent(body));
            case "effect" -> read(Bundle.readEffect(body));
            case "rope" -> read(Bundle.readRope(body));
            case "channel" -> read(Bundle.readChannel(body));
            case "place" -> read(Bundle.readPlace(body));
            case "version" -> read(Bundle.readVersion(body));
            case "pool" -> read(Bundle.readPool(body));
            case "score" -> read(Bundle.readScore(body));
            default -> throw new IllegalArgumentException("kind " + kind);
        };
    }

    private static <T> T read(Bundle.Read<T> read) {
        return read.value().orElseThrow(() -> new Wrong(read.problems()));
    }

    /** Returns the project of a whole bundle. */
    static Project bundle(JsonValue bundle) {
        Bundle.Read<Project> read = Bundle.read(bundle, Parts::coverage);
        return read.value().orElseThrow(() -> new Wrong(read.problems()));
    }

    // Whatever is saved says it; it is worked out where pictures are decoded.
    private static double coverage(byte[] png) {
        throw new IllegalStateException("a sprite that does not say its coverage");
    }
}
