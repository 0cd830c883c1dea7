package bellrope.core.stage;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Field.Meaning;
import bellrope.core.event.Pull;
import bellrope.core.random.Draws;
import bellrope.core.random.Purpose;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Feed;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Situation;
import bellrope.core.rope.Source;
import bellrope.core.rope.SourceValues;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.sim.MovementPath;
import bellrope.core.stage.Account.Fed;
import bellrope.core.stage.Account.NothingToPlay;
import bellrope.core.stage.Account.Reason;
import bellrope.core.stage.Account.Unmet;
import bellrope.core.value.Angle;
import bellrope.core.value.Datum;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** How one rope meets one pull: whether it answers, where, which way, and with what. */
final class Decision {
    private final Rope rope;
    private final EventType event;
    private final Pull pull;
    private final World world;
    private final int step;
    private final long beginning;
    private final long key;
    private final Situation situation;
    private final Draws draws = new Draws();
    private Beginning first;

    /**
     * @param step on which what answers begins
     * @param beginning its number among beginnings
     * @param key of the main instance, by which the rope's own draws are addressed
     */
    Decision(Rope rope, EventType event, Pull pull, World world, int step, long beginning, long key) {
        this.rope = rope;
        this.event = event;
        this.pull = event.whole(pull);
        this.world = world;
        this.step = step;
        this.beginning = beginning;
        this.key = key;
        this.situation = world.situation(this.pull, step, beginning);
        draws.at(key, -1, 0, 0, 0);
    }

    /** Returns the first thing that stops the rope, in the order of its sentence; limits apart. */
    Optional<Reason> stopped(Optional<Effect> effect) {
        if (rope.note().off()) {
            return Optional.of(new Account.Off());
        }
        if (event.shape() == EventType.Shape.STATE) {
            Optional<String> wanted = rope.when().value();
            if (wanted.isEmpty()) {
                return Optional.of(new Account.Waits("no value of " + event.name() + " is chosen"));
            }
            if (!wanted.equals(pull.value())) {
                return Optional.of(
                        new Account.Waits(event.name() + " is " + pull.value().orElse("") + ", wants " + wanted.get()));
            }
        }
        int verdict = rope.when().verdict(situation);
        if (!When.fulfilled(verdict)) {
            return Optional.of(verdict == When.NOT_ANY ? notAny() : unmet(verdict));
        }
        boolean bare = rope.play().isEmpty()
                && (!rope.companions().isEmpty()
                        || !rope.followUps().isEmpty()
                        || rope.run().start().isPresent()
                        || rope.run().end().isPresent());
        return effect.isPresent() || bare
                ? Optional.empty()
                : Optional.of(new NothingToPlay(rope.play().orElse("")));
    }

    private Reason unmet(int index) {
        Condition condition = rope.conditions().get(index);
        String met = condition.met(situation);
        boolean negated = rope.when().match() == When.Match.NONE;
        return new Unmet(
                index,
                condition.about(),
                met.equals("missing") ? met : met + unit(condition),
                (negated ? "not " : "") + condition.wanted());
    }

    private Reason notAny() {
        List<String> met = new ArrayList<>();
        List<String> wanted = new ArrayList<>();
        for (Condition condition : rope.conditions()) {
            met.add(condition.about() + " " + condition.met(situation));
            wanted.add(condition.about() + " " + condition.wanted());
        }
        return new Unmet(When.NOT_ANY, "what came", String.join(", ", met), Words.either(wanted));
    }

    private String unit(Condition condition) {
        if (condition instanceof Condition.Compare compare) {
            String unit = new SourceValues(event, world::announced).unit(compare.source());
            return unit.isEmpty() ? "" : " " + unit;
        }
        return "";
    }

    /** Returns a draw of the rope's own for this pull. */
    double unit(Purpose purpose) {
        return draws.unit(purpose);
    }

    /** Returns the seconds from its beginning to a step. */
    double seconds(int at) {
        return world.seconds(at - step);
    }

    /** Returns what a source says at the beginning. */
    double number(Source source) {
        return situation.number(source);
    }

    private Track track() {
        Where where = rope.where();
        if (where.anchor() == Where.Anchor.CAMERA || where.anchor() == Where.Anchor.SCREEN) {
            return world.camera();
        }
        return where.anchor() == Where.Anchor.SUBJECT ? world.subject(World.subject(event, pull)) : null;
    }

    /** Returns where the rope's offset is counted from. */
    Vec3 anchor() {
        if (rope.where().anchor() == Where.Anchor.PLACE) {
            return world.place(rope.where().place().orElseThrow());
        }
        Track track = track();
        return track == null || !track.known()
                ? vector(Meaning.POSITION).orElse(Vec3.ZERO)
                : track.at(track.knownTo(beginning), step);
    }

    private Vec3 heading() {
        Track track = track();
        Vec3 otherwise = track == null || !track.known()
                ? pull.velocity().directionOr(Vec3.RIGHT)
                : track.heading(track.knownTo(beginning));
        return direction(Meaning.HEADING, otherwise);
    }

    /** Returns where the instance is at first: the anchor plus the rope's offset, turned into the world. */
    Vec3 origin(Vec3 anchor) {
        Where where = rope.where();
        Vec3 at = anchor.plus(offset());
        return where.depth().isPresent()
                ? new Vec3(at.x(), at.y(), where.depth().getAsDouble())
                : at;
    }

    private Vec3 offset() {
        Vec3 offset = rope.where().offset();
        return switch (rope.where().frame()) {
            case WORLD -> offset;
            case SUBJECT -> Axes.subject(heading()).apply(offset);
            case SURFACE ->
                Axes.surface(direction(Meaning.NORMAL, Vec3.UP), direction(Meaning.DIRECTION, Vec3.RIGHT))
                        .apply(offset);
        };
    }

    /** Returns the facing, turned away by as much as the rope allows. */
    Vec3 facing() {
        Pointing pointing = rope.pointing();
        Vec3 straight = straight(pointing);
        if (pointing.spread() == 0) {
            return straight;
        }
        // Evenly over the cap of the sphere: the cosine of the tilt is even from cos(spread) to 1.
        double least = Angle.cos(pointing.spread() / 360);
        double cos = 1 - draws.unit(Purpose.FACING_TILT) * (1 - least);
        double sin = Math.sqrt(Math.max(0, 1 - cos * cos));
        double around = draws.unit(Purpose.FACING_AROUND);
        return Rotation.between(Vec3.UP, straight)
                .apply(new Vec3(sin * Angle.cos(around), cos, sin * Angle.sin(around)));
    }

    private Vec3 straight(Pointing pointing) {
        return switch (pointing.facing()) {
            case NORMAL -> direction(Meaning.NORMAL, Vec3.UP);
            case DIRECTION -> direction(Meaning.DIRECTION, Vec3.UP);
            case OPPOSITE ->
                vector(Meaning.DIRECTION)
                        .map(d -> d.times(-1).directionOr(Vec3.UP))
                        .orElse(Vec3.UP);
            case REFLECTED -> reflected();
            case HEADING -> heading();
            case UP -> Vec3.UP;
            case FIXED -> pointing.fixed().directionOr(Vec3.UP);
        };
    }

    // d − 2(d·n)n, as in any textbook of geometry.
    private Vec3 reflected() {
        Vec3 d = direction(Meaning.DIRECTION, Vec3.UP);
        Vec3 n = direction(Meaning.NORMAL, Vec3.UP);
        return d.plus(n.times(-2 * d.dot(n))).directionOr(Vec3.UP);
    }

    private Vec3 direction(Meaning meaning, Vec3 otherwise) {
        return vector(meaning).map(v -> v.directionOr(otherwise)).orElse(otherwise);
    }

    private Optional<Vec3> vector(Meaning meaning) {
        return event.vector(meaning).flatMap(field -> pull.vector(field.name()));
    }

    /** Returns where the instance goes from its anchor on. */
    MovementPath way(Vec3 anchor, Pace pace) {
        Where where = rope.where();
        Pointing pointing = rope.pointing();
        Vec3 facing = facing();
        Track track = track();
        if (where.moves() && track != null && track.known()) {
            boolean own = where.frame() == Where.Frame.SUBJECT;
            return new FollowedPath(
                    track,
                    step,
                    beginning,
                    own ? where.offset() : offset(),
                    own,
                    where.depth(),
                    facing,
                    where.anchor() == Where.Anchor.SCREEN ? 0 : pointing.velocity(),
                    pointing.turns());
        }
        boolean stays = where.anchor() == Where.Anchor.PLACE
                || where.anchor() == Where.Anchor.CAMERA
                || where.anchor() == Where.Anchor.SCREEN;
        Vec3 velocity = stays ? Vec3.ZERO : pull.velocity().times(pointing.velocity());
        return MovementPath.straight(origin(anchor), facing, velocity, pace);
    }

    /** What the feeds make of an effect at the beginning. */
    record Beginning(Effect effect, List<Fed> fed, Map<String, Datum> values, List<Emitter> emitters) {}

    /** Returns what the feeds make of an effect at the beginning; worked out once. */
    Beginning beginning(Effect effect) {
        if (first == null || first.effect() != effect) {
            List<Fed> fed = List.copyOf(fed(effect));
            Map<String, Datum> values = values(fed);
            first = new Beginning(effect, fed, values, resolved(effect, values));
        }
        return first;
    }

    /** Returns what the feeds set at first; a feed of an unknown parameter or a missing value sets nothing. */
    List<Fed> fed(Effect effect) {
        List<Fed> fed = new ArrayList<>();
        for (Feed feed : rope.feedsInOrder()) {
            Optional<Parameter> parameter = effect.parameter(feed.parameter());
            Datum given = parameter.isEmpty() ? null : given(feed, effect, fed);
            Optional<Datum> asked = given == null ? Optional.empty() : feed.value(given);
            Optional<Datum> held = asked.flatMap(a -> parameter.get().held(a));
            if (held.isPresent()) {
                fed.add(new Fed(
                        rope.feeds().indexOf(feed),
                        feed.parameter(),
                        feed.source(),
                        given,
                        held.get(),
                        !held.equals(asked)));
            }
        }
        return fed;
    }

    private Datum given(Feed feed, Effect effect, List<Fed> before) {
        return feed.source()
                .match(
                        situation::value,
                        situation::value,
                        situation::value,
                        since -> {
                            Datum value = situation.value(since);
                            // What never came is as long ago as anything the feed knows.
                            return value == null
                                    ? feed.remap()
                                            .map(r -> new Datum.Num(r.in().most()))
                                            .orElse(null)
                                    : value;
                        },
                        situation::value,
                        random -> new Datum.Num(
                                new Draws().at(key, -1, 1, random.roll(), 0).unit(Purpose.FEED)),
                        other -> before.stream()
                                .filter(one -> one.parameter().equals(other.parameter()))
                                .findFirst()
                                .map(Fed::value)
                                .orElseGet(() -> standard(effect, other.parameter())));
    }

    /**
     * Returns what a notice carries, by name; a field that did not come is left out.
     *
     * @param effect that the rope plays; null for none
     */
    Map<String, Datum> carried(List<NoticeValue> values, Effect effect) {
        Map<String, Datum> carried = new LinkedHashMap<>();
        Map<String, Datum> fed = effect == null ? Map.of() : values(fed(effect));
        for (NoticeValue one : values) {
            Datum value = one.source()
                    .match(
                            situation::value,
                            channel -> now(channel.channel()),
                            situation::value,
                            situation::value,
                            situation::value,
                            situation::value,
                            parameter ->
                                    fed.getOrDefault(parameter.parameter(), standard(effect, parameter.parameter())));
            if (value != null) {
                carried.put(one.name(), value);
            }
        }
        return carried;
    }

    private Datum now(String channel) {
        double value = world.channel(channel, step);
        return Double.isNaN(value) ? null : new Datum.Num(value);
    }

    private static Datum standard(Effect effect, String parameter) {
        return effect == null
                ? null
                : effect.parameter(parameter).map(Parameter::standard).orElse(null);
    }

    static Map<String, Datum> values(List<Fed> fed) {
        Map<String, Datum> values = new HashMap<>();
        fed.forEach(one -> values.put(one.parameter(), one.value()));
        return values;
    }

    /** Returns the effect's emitters with those values; on the screen, particles go with it. */
    List<Emitter> resolved(Effect effect, Map<String, Datum> values) {
        List<Emitter> emitters = effect.resolved(values);
        return rope.where().anchor() == Where.Anchor.SCREEN
                ? emitters.stream()
                        .map(e -> e.withBirth(e.birth().with(d -> d.space = Birth.Space.LOCAL)))
                        .toList()
                : emitters;
    }

    /** Returns a line for each number of a payload beyond what the event announces. */
    static List<String> notes(EventType event, Pull pull) {
        List<String> notes = new ArrayList<>();
        for (Field field : event.fields()) {
            Datum given = pull.payload().get(field.name());
            if (given != null && field.accepts(given)) {
                String note = field.match(
                        number -> beyond(number, ((Datum.Num) given).value()),
                        choice -> "",
                        vector -> doubled(vector, (Datum.Vec) given),
                        flag -> "",
                        colour -> "",
                        text -> "");
                if (!note.isEmpty()) {
                    notes.add(note);
                }
            }
        }
        return notes;
    }

    private static String beyond(Field.Number number, double given) {
        Range range = number.range();
        return given < range.least() || given > range.most()
                ? number.name() + " " + Words.number(given) + " is beyond its range of " + Words.number(range.least())
                        + " to " + Words.number(range.most())
                : "";
    }

    private static String doubled(Field.Vector vector, Datum.Vec half) {
        return vector.meaning() == Meaning.HALF_EXTENT
                ? vector.name() + " " + half.inWords() + " is half the size; taken as "
                        + new Datum.Vec(half.value().times(2)).inWords()
                : "";
    }
}
