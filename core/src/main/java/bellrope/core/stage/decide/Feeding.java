package bellrope.core.stage.decide;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.random.Draws;
import bellrope.core.random.Purpose;
import bellrope.core.rope.Feed;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Situation;
import bellrope.core.rope.Where;
import bellrope.core.stage.told.Account.Fed;
import bellrope.core.stage.world.World;
import bellrope.core.value.Datum;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a rope's feeds make of an effect, and what its notices carry. */
public final class Feeding {
    private final Rope rope;
    private final Cause cause;
    private final World world;
    private final int step;
    private final Situation situation;
    private Beginning first;

    Feeding(Rope rope, Cause cause, World world, int step, Situation situation) {
        this.rope = rope;
        this.cause = cause;
        this.world = world;
        this.step = step;
        this.situation = situation;
    }

    /** Returns what the feeds make of an effect at the beginning; worked out once. */
    public Beginning beginning(Effect effect) {
        if (first == null || first.effect() != effect) {
            first = new Beginning(this, effect, List.copyOf(fed(effect)));
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
                        random -> new Datum.Num(new Draws()
                                .at(cause.key(), -1, 1, random.roll(), 0)
                                .unit(Purpose.FEED)),
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
    public Map<String, Datum> carried(List<NoticeValue> values, Effect effect) {
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
    public List<Emitter> resolved(Effect effect, Map<String, Datum> values) {
        List<Emitter> emitters = effect.resolved(values);
        return rope.where().anchor() == Where.Anchor.SCREEN
                ? emitters.stream()
                        .map(e -> e.withBirth(e.birth().with(d -> d.space = Birth.Space.LOCAL)))
                        .toList()
                : emitters;
    }
}
