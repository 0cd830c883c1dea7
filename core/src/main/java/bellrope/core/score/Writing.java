package bellrope.core.score;

import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.random.Draws;
import bellrope.core.random.Purpose;
import bellrope.core.value.Datum;
import bellrope.core.value.Exact;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Writes a score out: when what arrives, and with which values. Every draw is addressed by the score's seed, the run, the
 * lane and the number of the arrival, so a lane that is added, muted or faster changes no other.
 */
public final class Writing {
    private final Draws draws = new Draws();
    private final Score score;
    private final Map<String, EventType> events = new HashMap<>();
    private final long run;
    private final Map<Integer, List<Arrival>> byLane = new HashMap<>();
    private final List<Written.Gone> gone = new ArrayList<>();

    private Writing(Score score, List<EventType> events, long run) {
        this.score = score;
        this.run = run;
        events.forEach(e -> this.events.put(e.name(), e));
    }

    /**
     * Writes a score.
     *
     * @param events that it may name; a lane of another is passed over
     * @param run which of many runs with draws of their own, 0 for the score as it is
     */
    public static Written of(Score score, List<EventType> events, long run) {
        Writing writing = new Writing(score, events, run);
        List<Arrival> all = new ArrayList<>();
        for (Lane lane : score.lanes()) {
            if (!lane.muted()) {
                all.addAll(writing.lane(lane));
            }
        }
        // Stable: of one time, lanes keep their order, and a span begins before it ends.
        all.sort(Comparator.comparingDouble(Arrival::at));
        writing.gone.sort(Comparator.comparingDouble(Written.Gone::at));
        return new Written(score.seconds(), List.copyOf(all), List.copyOf(writing.gone), score.channels());
    }

    private List<Arrival> lane(Lane lane) {
        List<Arrival> known = byLane.get(lane.id());
        if (known == null) {
            known = events.containsKey(lane.event()) ? write(lane) : List.of();
            byLane.put(lane.id(), known);
        }
        return known;
    }

    // A mark of its own, and what it follows.
    private record Moment(Mark mark, Pull cause) {}

    private List<Arrival> write(Lane lane) {
        EventType event = events.get(lane.event());
        long key = Draws.instanceKey(score.seed(), run, lane.id());
        List<Moment> moments = moments(lane, key);
        List<Arrival> arrivals = new ArrayList<>();
        for (int n = 0; n < moments.size(); n++) {
            Mark mark = moments.get(n).mark();
            if (mark.at() >= score.seconds()) {
                continue;
            }
            Pull pull = pull(lane, event, key, n, moments.get(n));
            arrivals.add(new Arrival(mark.at(), lane.id(), n, pull));
            double over = mark.at();
            if (event.shape() == EventType.Shape.SPAN) {
                over = Math.min(score.seconds(), mark.at() + length(lane, key, n, mark));
                arrivals.add(
                        new Arrival(over, lane.id(), n, Pull.end(event.name()).of(pull.subject())));
            }
            double until = mark.at() + lane.gone().orElse(Double.POSITIVE_INFINITY);
            if (until < score.seconds()) {
                String subject = pull.subject().isEmpty() ? event.subject() : pull.subject();
                gone.add(new Written.Gone(Math.max(over, until), subject));
            }
        }
        return arrivals;
    }

    private double length(Lane lane, long key, int n, Mark mark) {
        return mark.lasts().orElseGet(() -> lane.lasts().at(at(key, lane, n).unit(Purpose.LENGTH)));
    }

    private Draws at(long key, Lane lane, int number) {
        return draws.at(key, lane.id(), 0, 0, number);
    }

    private List<Moment> moments(Lane lane, long key) {
        double from = lane.from();
        double end = lane.end(score.seconds());
        return lane.when()
                .match(
                        marks -> marks.marks().stream()
                                .map(m -> new Moment(m, null))
                                .toList(),
                        steady -> {
                            List<Moment> all = new ArrayList<>();
                            for (int n = 0; from + n / steady.perSecond() < end; n++) {
                                all.add(bare(from + n / steady.perSecond()));
                            }
                            return all;
                        },
                        poisson -> poisson(lane, key, poisson.perSecond(), at -> true),
                        salvos -> salvos(lane, key, salvos),
                        rising -> {
                            double most = rising.most();
                            double length = Math.max(1e-9, end - from);
                            return most <= 0
                                    ? List.of()
                                    : poisson(
                                            lane,
                                            key,
                                            most,
                                            at -> rising.perSecond().at((at - from) / length)
                                                    > most * draws.unit(Purpose.CHANCE));
                        },
                        after -> after(lane, key, after));
    }

    private static Moment bare(double at) {
        return new Moment(new Mark(at), null);
    }

    private interface Kept {
        /** Asked when the draws stand at the arrival. */
        boolean at(double seconds);
    }

    // Gaps of a Poisson process are exponential; those that a lower rate leaves out are thinned (Lewis and Shedler
    // 1979).
    private List<Moment> poisson(Lane lane, long key, double perSecond, Kept kept) {
        List<Moment> all = new ArrayList<>();
        double at = lane.from();
        double end = lane.end(score.seconds());
        for (int n = 0; ; n++) {
            at -= Exact.log(at(key, lane, n).unit(Purpose.ARRIVAL)) / perSecond;
            if (at >= end) {
                return all;
            }
            if (kept.at(at)) {
                all.add(bare(at));
            }
        }
    }

    private List<Moment> salvos(Lane lane, long key, Pattern.Salvos salvos) {
        List<Moment> all = new ArrayList<>();
        double end = lane.end(score.seconds());
        for (int s = 0; lane.from() + s * salvos.every() < end; s++) {
            double begins = lane.from() + s * salvos.every();
            for (int i = 0; i < salvos.count(); i++) {
                double lies = at(key, lane, s * salvos.count() + i).unit(Purpose.ARRIVAL);
                all.add(bare(begins + (salvos.within() > 0 ? lies * salvos.within() : 0)));
            }
        }
        all.removeIf(m -> m.mark().at() >= end);
        all.sort(Comparator.comparingDouble(m -> m.mark().at()));
        return all;
    }

    private List<Moment> after(Lane lane, long key, Pattern.After after) {
        Lane first = score.lanes().stream()
                .filter(l -> l.id() == after.lane())
                .findFirst()
                .orElseThrow();
        List<Moment> all = new ArrayList<>();
        double end = lane.end(score.seconds());
        for (Arrival cause : lane(first)) {
            boolean begins = cause.pull().phase() != Pull.Phase.END;
            double at = cause.at() + after.delay();
            boolean follows = at(key, lane, cause.number()).unit(Purpose.CHANCE) < after.chance();
            if (begins && follows && at >= lane.from() && at < end) {
                all.add(new Moment(new Mark(at), cause.pull()));
            }
        }
        return all;
    }

    private Pull pull(Lane lane, EventType event, long key, int n, Moment moment) {
        Said said = lane.said().isEmpty()
                ? new Said(java.util.Optional.empty(), Map.of())
                : lane.said().get(n % lane.said().size());
        Map<String, Datum> payload = new LinkedHashMap<>();
        Map<String, Datum> usual = strength(lane.manner()).payload(event);
        for (Field field : event.fields()) {
            Datum value = lane.manner() == Lane.Manner.ANY
                    ? any(field, lane, key, n, usual.get(field.name()))
                    : usual.get(field.name());
            Datum handed =
                    moment.cause() == null ? null : moment.cause().payload().get(field.name());
            if (handed != null && field.accepts(handed)) {
                value = handed;
            }
            value = said.payload().getOrDefault(field.name(), value);
            value = moment.mark().payload().getOrDefault(field.name(), value);
            payload.put(field.name(), off(field, value, lane, key, n));
        }
        long seed = Draws.instanceKey(key, n, lane.id()) & Score.HIGHEST_SEED;
        String subject = lane.subject();
        if (lane.subjects() > 1) {
            subject = (subject.isEmpty() ? event.subject() : subject) + "-" + (1 + n % lane.subjects());
        } else if (subject.isEmpty() && moment.cause() != null && sameKind(event, moment.cause())) {
            subject = moment.cause().subject();
        }
        Pull pull = switch (event.shape()) {
            case MOMENT -> new Pull(event.name(), payload, seed);
            case SPAN -> Pull.begin(event.name(), payload, seed);
            case STATE ->
                Pull.set(
                        event.name(),
                        moment.mark()
                                .value()
                                .or(said::value)
                                .orElse(event.values().get(n % event.values().size())),
                        payload,
                        seed);
        };
        return pull.of(subject).tagged(Set.of());
    }

    private boolean sameKind(EventType event, Pull cause) {
        EventType other = events.get(cause.event());
        return other != null && other.subject().equals(event.subject());
    }

    private static Strength strength(Lane.Manner manner) {
        return switch (manner) {
            case SOFT -> Strength.SOFT;
            case HARD -> Strength.HARD;
            case USUAL, ANY -> Strength.USUAL;
        };
    }

    // A key for each field by its name, so that a field that is added changes no other.
    private Draws field(Field field, Lane lane, long key, int n) {
        return draws.at(Draws.instanceKey(key, field.name().hashCode(), lane.id()), lane.id(), 1, 0, n);
    }

    private Datum any(Field field, Lane lane, long key, int n, Datum usual) {
        double drawn = field(field, lane, key, n).unit(Purpose.SAID);
        return field.match(
                number -> new Datum.Num(Exact.rint(number.range().at(drawn) * 100) / 100),
                choice -> new Datum.Word(
                        choice.options().get((int) (drawn * choice.options().size()))),
                vector -> switch (vector.meaning()) {
                    case DIRECTION, HEADING ->
                        new Datum.Vec(new Vec3(Exact.cos(2 * Math.PI * drawn), Exact.sin(2 * Math.PI * drawn), 0));
                    case POSITION, NORMAL, UP, VELOCITY, EXTENT, HALF_EXTENT, OTHER -> usual;
                },
                flag -> new Datum.Flag(drawn < 0.5),
                colour -> usual,
                text -> usual);
    }

    private Datum off(Field field, Datum value, Lane lane, long key, int n) {
        boolean position = field instanceof Field.Vector vector && vector.meaning() == Field.Meaning.POSITION;
        if (!position || lane.spread().equals(Vec3.ZERO) || !(value instanceof Datum.Vec at)) {
            return value;
        }
        Draws drawn = field(field, lane, key, n);
        Vec3 s = lane.spread();
        Range evenly = new Range(-1, 1);
        return new Datum.Vec(at.value()
                .plus(new Vec3(
                        s.x() * evenly.at(drawn.unit(Purpose.SAID)),
                        s.y() * evenly.at(drawn.unit(Purpose.SAID_Y)),
                        s.z() * evenly.at(drawn.unit(Purpose.SAID_Z)))));
    }
}
