package bellrope.core.rope;

import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** A ready-made pull that a rope answers to, so that every rope can show its response. */
public final class Fitting {
    /** Seconds past a bound, where a condition is on the time since another event. */
    private static final double A_WHILE = 0.5;

    private final EventType event;
    private final Map<String, Channel> channels = new HashMap<>();
    private final Map<String, Datum> payload;
    private final Map<String, Double> published = new HashMap<>();
    private final Map<String, Double> since = new HashMap<>();
    private final Set<String> tags = new TreeSet<>();

    private Fitting(EventType event, List<Channel> channels, Map<String, Datum> payload) {
        this.event = event;
        this.payload = payload;
        channels.forEach(c -> this.channels.put(c.name(), c));
    }

    /**
     * Returns a pull of that strength, with only those values changed that the rope's conditions would refuse: a word
     * becomes the first wanted one, a number is moved past the bound by a tenth of what is left of its range.
     * Conditions that contradict one another leave a pull that the rope refuses.
     */
    public static Trial trial(Rope rope, EventType event, List<Channel> channels, Strength strength, long seed) {
        Fitting fit = new Fitting(event, channels, strength.payload(event));
        When when = rope.when();
        Situation now = fit.situation();
        for (Condition condition : when.conditions()) {
            if (when.match() == When.Match.ANY && When.fulfilled(when.verdict(now))) {
                break;
            }
            if (condition.holds(now) == (when.match() == When.Match.NONE)) {
                fit.turn(condition, when.match() != When.Match.NONE);
            }
        }
        Pull pull = switch (event.shape()) {
            case MOMENT -> new Pull(event.name(), fit.payload, seed);
            case SPAN -> Pull.begin(event.name(), fit.payload, seed);
            case STATE ->
                Pull.set(event.name(), rope.when().value().orElse(event.values().get(0)), fit.payload, seed);
        };
        return new Trial(pull.tagged(fit.tags), fit.published, fit.since);
    }

    /** Returns only the payload of {@link #trial}. */
    public static Map<String, Datum> payload(Rope rope, EventType event, Strength strength) {
        return trial(rope, event, List.of(), strength, 0).pull().payload();
    }

    private Situation situation() {
        return new Situation() {
            @Override
            public Datum payload(String field) {
                return payload.get(field);
            }

            @Override
            public double channel(String name) {
                Channel channel = channels.get(name);
                return published.getOrDefault(name, channel == null ? Double.NaN : channel.usual());
            }

            @Override
            public double held() {
                return 0;
            }

            @Override
            public double since(String name) {
                return since.getOrDefault(name, Double.POSITIVE_INFINITY);
            }

            @Override
            public boolean tagged(String tag) {
                return tags.contains(tag);
            }
        };
    }

    private void turn(Condition condition, boolean wanted) {
        condition.visit(
                compare -> number(compare, wanted == compare.relation().upwards()),
                oneOf -> word(oneOf, wanted),
                flagged -> payload.put(flagged.field(), new Datum.Flag(flagged.up() == wanted)),
                tagged -> {
                    if (tagged.present() == wanted) {
                        tags.add(tagged.tag());
                    } else {
                        tags.remove(tagged.tag());
                    }
                });
    }

    private void word(Condition.OneOf oneOf, boolean wanted) {
        if (wanted) {
            payload.put(oneOf.field(), new Datum.Word(oneOf.options().get(0)));
        } else if (event.field(oneOf.field()).orElse(null) instanceof Field.Choice choice) {
            choice.options().stream()
                    .filter(o -> !oneOf.options().contains(o))
                    .findFirst()
                    .ifPresent(o -> payload.put(oneOf.field(), new Datum.Word(o)));
        }
    }

    private void number(Condition.Compare compare, boolean up) {
        double bound = compare.bound();
        Optional<Range> range =
                new SourceValues(event, name -> Optional.ofNullable(channels.get(name))).range(compare.source());
        compare.source()
                .visit(
                        field -> payload.put(field.field(), new Datum.Num(past(bound, up, range))),
                        channel -> published.put(channel.channel(), past(bound, up, range)),
                        held -> {},
                        other -> since.put(other.event(), up ? bound + A_WHILE : Math.max(0, bound - A_WHILE)),
                        constant -> {},
                        random -> {},
                        parameter -> {});
    }

    private static double past(double bound, boolean up, Optional<Range> range) {
        double end = range.map(r -> up ? r.most() : r.least()).orElse(bound);
        double step = Math.abs(end - bound) / 10;
        if (up ? end <= bound : end >= bound) {
            step = 1;
        }
        return up ? bound + step : bound - step;
    }

    /** Returns where a pull says that it is; the origin where it does not. */
    public static Vec3 position(EventType event, Pull pull) {
        return event.vector(Field.Meaning.POSITION)
                .flatMap(f -> pull.vector(f.name()))
                .orElse(Vec3.ZERO);
    }
}
