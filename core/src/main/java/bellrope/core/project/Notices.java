package bellrope.core.project;

import bellrope.core.contract.Contract;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Type;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.rope.Companion;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Rope;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Range;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the ropes of a project tell game code: each notice once, with the values that come with it. */
final class Notices {
    private final Map<String, EventType> events = new HashMap<>();
    private final Map<String, Effect> effects = new HashMap<>();
    private final Map<String, Channel> channels = new HashMap<>();
    private final Map<String, Told> told = new LinkedHashMap<>();
    private final List<Problem> problems = new ArrayList<>();

    /** A notice while ropes are gone through. */
    private static final class Told {
        private final List<String> from = new ArrayList<>();
        private final Map<String, Field> fields = new LinkedHashMap<>();
        private final Map<String, Integer> times = new HashMap<>();
        private int ways;
    }

    Notices(Project project) {
        project.events().forEach(e -> events.put(e.name(), e));
        project.effects().forEach(e -> effects.put(e.name(), e));
        project.channels().forEach(c -> channels.put(c.name(), c));
        for (int r = 0; r < project.ropes().size(); r++) {
            Rope rope = project.ropes().get(r);
            String stayPlace = "/ropes/" + r + "/stay";
            for (int i = 0; i < rope.companions().size(); i++) {
                if (rope.companions().get(i) instanceof Companion.Notice notice) {
                    add("/ropes/" + r + "/with/" + i, notice.name(), notice.values(), rope);
                }
            }
            rope.stay()
                    .filter(stay -> stay.notice().isPresent())
                    .ifPresent(stay -> add(stayPlace, stay.notice().get(), stay.values(), rope));
            for (int i = 0; i < rope.followUps().size(); i++) {
                FollowUp later = rope.followUps().get(i);
                if (later.notice().isPresent()) {
                    add("/ropes/" + r + "/then/" + i, later.notice().get(), later.values(), rope);
                }
            }
        }
    }

    /** Returns the notices in the order in which ropes tell them first. */
    List<Contract.Notice> all() {
        List<Contract.Notice> all = new ArrayList<>();
        told.forEach((name, one) -> all.add(new Contract.Notice(
                name,
                one.from,
                one.fields.values().stream()
                        .map(f -> new Contract.Value(f, one.times.get(f.name()) == one.ways))
                        .toList())));
        return all;
    }

    /** Returns every value that has no source, or another type than elsewhere. */
    List<Problem> problems() {
        return problems;
    }

    private void add(String place, String name, List<NoticeValue> values, Rope rope) {
        Told one = told.computeIfAbsent(name, n -> new Told());
        one.from.add(rope.name());
        one.ways++;
        for (int i = 0; i < values.size(); i++) {
            NoticeValue value = values.get(i);
            String at = place + "/values/" + i;
            Optional<Field> field = field(at, value, rope);
            if (field.isEmpty()) {
                continue;
            }
            one.times.merge(value.name(), 1, (a, b) -> a + b);
            Field before = one.fields.putIfAbsent(value.name(), field.get());
            if (before != null) {
                Optional<Field> both = before.or(field.get());
                both.ifPresent(b -> one.fields.put(value.name(), b));
                if (both.isEmpty()) {
                    problems.add(new Problem(
                            at,
                            value.name() + " of notice \"" + name + "\" as "
                                    + field.get().expects(),
                            before.expects() + ", as another rope sends it, or another name"));
                }
            }
        }
    }

    private Optional<Field> field(String at, NoticeValue value, Rope rope) {
        String name = value.name();
        return value.source()
                .match(
                        payload -> payload(at, name, payload.field(), rope),
                        channel -> found(at + "/channel", channel.channel(), channels.keySet(), "channel")
                                .map(channels::get)
                                .map(c -> new Field.Number(name, c.range(), c.usual(), c.unit())),
                        held -> Optional.empty(),
                        since -> Optional.empty(),
                        constant -> Optional.of(constant(name, constant.value())),
                        random -> Optional.empty(),
                        parameter -> parameter(at, name, parameter.parameter(), rope));
    }

    private Optional<Field> payload(String at, String name, String field, Rope rope) {
        EventType event = events.get(rope.event());
        // An event that is not there is told of by the rope itself.
        return event == null
                ? Optional.empty()
                : found(at + "/field", field, event.fieldNames(), "field of " + event.name())
                        .flatMap(event::field)
                        .map(f -> f.named(name));
    }

    private Optional<Field> parameter(String at, String name, String parameter, Rope rope) {
        Effect effect = rope.play().map(effects::get).orElse(null);
        if (effect == null) {
            problems.add(new Problem(at + "/from", '"' + parameter + '"', "another source; the rope plays no effect"));
            return Optional.empty();
        }
        List<String> known = effect.parameters().stream().map(Parameter::name).toList();
        return found(at + "/from", parameter, known, "parameter of " + effect.name())
                .flatMap(effect::parameter)
                .map(p -> carried(name, p));
    }

    private Optional<String> found(String place, String name, Collection<String> known, String kind) {
        if (known.contains(name)) {
            return Optional.of(name);
        }
        problems.add(new Problem(place, '"' + name + '"', Words.known(kind, name, known)));
        return Optional.empty();
    }

    private static Field carried(String name, Parameter p) {
        return p.type()
                .match(
                        number -> ranged(name, p),
                        whole -> ranged(name, p),
                        flag -> new Field.Flag(name),
                        choice -> new Field.Choice(name, choice.options(), "with " + name),
                        vector -> new Field.Vector(name, Field.Meaning.OTHER),
                        colour -> new Field.Colour(name));
    }

    private static Field ranged(String name, Parameter p) {
        Type type = p.type();
        return new Field.Number(name, new Range(type.least(), type.most()), type.position(p.standard()), p.unit());
    }

    private static Field constant(String name, Datum value) {
        Field.Colour colour = new Field.Colour(name);
        return value.match(
                num -> new Field.Number(name, new Range(num.value(), num.value()), num.value(), ""),
                word -> colour.accepts(word) ? colour : new Field.Choice(name, List.of(word.text()), "with " + name),
                flag -> new Field.Flag(name),
                vec -> new Field.Vector(name, Field.Meaning.OTHER));
    }
}
