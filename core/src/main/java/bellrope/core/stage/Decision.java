package bellrope.core.stage;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.event.Datum;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Field.Meaning;
import bellrope.core.event.Pull;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Rope;
import bellrope.core.stage.Account.Fed;
import bellrope.core.stage.Account.NothingToPlay;
import bellrope.core.stage.Account.Reason;
import bellrope.core.stage.Account.Unmet;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** How one rope meets one pull: whether it answers, where, which way, and with what. */
final class Decision {
    private final Rope rope;
    private final EventType event;
    private final Pull pull;

    Decision(Rope rope, EventType event, Pull pull) {
        this.rope = rope;
        this.event = event;
        this.pull = pull;
    }

    /** Returns the first thing that stops the rope, in the order of its sentence. */
    Optional<Reason> stopped(Optional<Effect> effect) {
        for (int i = 0; i < rope.conditions().size(); i++) {
            Condition condition = rope.conditions().get(i);
            if (!condition.holds(pull.payload())) {
                Datum met = pull.payload().get(condition.field());
                return Optional.of(new Unmet(
                        i,
                        condition.field(),
                        met == null ? "missing" : met.inWords() + unit(condition.field()),
                        condition.wanted()));
            }
        }
        return effect.isPresent()
                ? Optional.empty()
                : Optional.of(new NothingToPlay(rope.play().orElse("")));
    }

    private String unit(String field) {
        return event.field(field).orElse(null) instanceof Field.Number n
                        && !n.unit().isEmpty()
                ? " " + n.unit()
                : "";
    }

    /** Returns the event's point plus the rope's offset, turned into the world from the event's own frame. */
    Vec3 origin() {
        Vec3 up = direction(Meaning.NORMAL, Vec3.UP);
        Vec3 along = direction(Meaning.DIRECTION, Vec3.RIGHT);
        Vec3 aside = up.cross(Vec3.UP).length() < 1e-6 ? Vec3.RIGHT : up.cross(new Vec3(0, 0, 1));
        Vec3 x = along.plus(up.times(-along.dot(up))).directionOr(aside.directionOr(Vec3.RIGHT));
        Vec3 z = x.cross(up);
        Vec3 point = vector(Meaning.POSITION).orElse(Vec3.ZERO);
        Vec3 offset = rope.offset();
        return point.plus(x.times(offset.x())).plus(up.times(offset.y())).plus(z.times(offset.z()));
    }

    Vec3 facing() {
        return switch (rope.facing()) {
            case NORMAL -> direction(Meaning.NORMAL, Vec3.UP);
            case DIRECTION -> direction(Meaning.DIRECTION, Vec3.UP);
            case OPPOSITE ->
                vector(Meaning.DIRECTION)
                        .map(d -> d.times(-1).directionOr(Vec3.UP))
                        .orElse(Vec3.UP);
            case UP -> Vec3.UP;
        };
    }

    private Vec3 direction(Meaning meaning, Vec3 otherwise) {
        return vector(meaning).map(v -> v.directionOr(otherwise)).orElse(otherwise);
    }

    private Optional<Vec3> vector(Meaning meaning) {
        return event.vector(meaning).flatMap(field -> pull.vector(field.name()));
    }

    /** Returns what the feeds set; a feed of an unknown parameter or a missing number sets nothing. */
    List<Fed> fed(Effect effect) {
        List<Fed> fed = new ArrayList<>();
        for (Feed feed : rope.feeds()) {
            Optional<Parameter> parameter = effect.parameter(feed.parameter());
            if (parameter.isPresent() && pull.payload().get(feed.field()) instanceof Datum.Num given) {
                double asked = feed.value(given.value());
                double held = parameter.get().held(asked);
                fed.add(new Fed(feed.parameter(), feed.field(), given.value(), held, held != asked));
            }
        }
        return fed;
    }

    static Map<String, Double> values(List<Fed> fed) {
        Map<String, Double> values = new HashMap<>();
        fed.forEach(one -> values.put(one.parameter(), one.value()));
        return values;
    }

    /** Returns a line for each number of a payload beyond what the event announces. */
    static List<String> notes(EventType event, Pull pull) {
        List<String> notes = new ArrayList<>();
        for (Field field : event.fields()) {
            if (field instanceof Field.Number number
                    && pull.payload().get(number.name()) instanceof Datum.Num given
                    && (given.value() < number.range().least()
                            || given.value() > number.range().most())) {
                notes.add(number.name() + " " + Words.number(given.value()) + " is beyond its range of "
                        + Words.number(number.range().least()) + " to "
                        + Words.number(number.range().most()));
            }
        }
        return notes;
    }
}
