package bellrope.core.stage;

import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.project.Project;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Trial;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * An effect played for its own sake: on a surface, from a side, from a source that may move; with the feeds and the facing
 * of a rope if one is given, whose conditions do not matter here.
 *
 * @param rope whose feeds turn the payload into parameters
 * @param payload of the pull; what is missing is as usual
 * @param surface decides the normal
 * @param side decides the direction
 * @param velocity of the source, units a second
 * @param stopAfter seconds after which a loop is stopped
 * @param set parameters turned by hand, by name, in place of what a rope feeds
 */
public record Preview(
        String effect,
        Optional<Rope> rope,
        Map<String, Datum> payload,
        Surface surface,
        Side side,
        Vec3 velocity,
        long seed,
        OptionalDouble stopAfter,
        Map<String, Datum> set) {
    private static final EventType EVENT = new EventType(
            "effect.previewed",
            "",
            3,
            List.of(
                    new Field.Vector("position", Field.Meaning.POSITION),
                    new Field.Vector("normal", Field.Meaning.NORMAL),
                    new Field.Vector("direction", Field.Meaning.DIRECTION)));

    /** What the effect plays on. */
    public enum Surface {
        GROUND(Vec3.UP),
        WALL(new Vec3(-1, 0, 0)),
        CEILING(new Vec3(0, -1, 0));

        private final Vec3 normal;

        Surface(Vec3 normal) {
            this.normal = normal;
        }
    }

    /** Where the blow comes from. */
    public enum Side {
        LEFT(Vec3.RIGHT),
        RIGHT(new Vec3(-1, 0, 0));

        private final Vec3 direction;

        Side(Vec3 direction) {
            this.direction = direction;
        }
    }

    /** Speed of a source that has to move for its effect to show, units a second. */
    private static final double USUAL_SPEED = 4;

    /** An effect on level ground at the usual strength; its source moves only if the effect lives off its way. */
    public static Preview plain(Effect effect, long seed) {
        boolean travels =
                effect.emitters().stream().anyMatch(e -> e.birth().perUnit().isPresent());
        return new Preview(
                effect.name(),
                Optional.empty(),
                Map.of(),
                Surface.GROUND,
                Side.LEFT,
                travels ? Vec3.RIGHT.times(USUAL_SPEED) : Vec3.ZERO,
                seed,
                OptionalDouble.empty(),
                Map.of());
    }

    /** Returns this preview with parameters turned by hand. */
    public Preview with(Map<String, Datum> values) {
        return new Preview(effect, rope, payload, surface, side, velocity, seed, stopAfter, values);
    }

    /** Returns this preview with a source that moves otherwise. */
    public Preview moving(Vec3 other) {
        return new Preview(effect, rope, payload, surface, side, other, seed, stopAfter, set);
    }

    /** Returns the project with one rope, which plays the effect and nothing else. */
    public Project staged(Project project) {
        Rope plain = new Rope(
                "preview", 1, EVENT.name(), List.of(), Optional.of(effect), Vec3.ZERO, Facing.NORMAL, List.of());
        // What the rope feeds, turns and overrides; not when it answers, nor what else it brings.
        Rope played = rope.map(mine -> plain.with(d -> {
                    d.name = mine.name();
                    d.seed = mine.seed();
                    d.overrides = mine.overrides();
                    d.pointing = mine.pointing();
                    d.feeds = mine.feeds();
                }))
                .orElse(plain);
        if (!set.isEmpty()) {
            played = played.with(d -> {
                List<Feed> feeds = new ArrayList<>(d.feeds);
                feeds.removeIf(f -> set.containsKey(f.parameter()));
                set.forEach((name, value) -> feeds.add(Feed.constant(name, value)));
                d.feeds = feeds;
            });
        }
        return new Project(
                project.name(),
                project.settings(),
                project.sprites(),
                List.of(event(project)),
                project.effects(),
                List.of(played),
                project.channels(),
                project.places());
    }

    private EventType event(Project project) {
        return rope.flatMap(r -> project.event(r.event()))
                .map(e -> EVENT.withFields(e.fields()))
                .orElse(EVENT);
    }

    /** Returns the pull that plays it. */
    public Pull pull(Project project) {
        EventType event = event(project);
        Map<String, Datum> values = new LinkedHashMap<>(Strength.USUAL.payload(event));
        values.putAll(payload);
        for (Field field : event.fields()) {
            if (field instanceof Field.Vector vector) {
                values.put(
                        field.name(),
                        new Datum.Vec(
                                switch (vector.meaning()) {
                                    case POSITION -> Vec3.ZERO;
                                    case NORMAL -> surface.normal;
                                    case DIRECTION, HEADING -> side.direction;
                                    case UP -> Vec3.UP;
                                    case VELOCITY -> velocity;
                                    case EXTENT, HALF_EXTENT, OTHER -> Vec3.ZERO;
                                }));
            }
        }
        return new Pull(event.name(), values, velocity, seed);
    }

    /** Plays it. */
    public Take take(Project project, boolean withFrames) {
        return take(project, withFrames, Take.LONGEST);
    }

    /** Plays it for so many seconds at most. */
    public Take take(Project project, boolean withFrames, double longest) {
        return Take.of(staged(project), pull(project), new Take.Length(longest, stopAfter), withFrames);
    }

    /** Lets it be looked at moment by moment. */
    public Viewing viewing(Project project) {
        return new Viewing(staged(project), Trial.of(pull(project)), new Take.Length(Take.LONGEST, stopAfter));
    }

    /** Returns the effect that is played. */
    public Optional<Effect> effectIn(Project project) {
        return project.effect(effect);
    }
}
