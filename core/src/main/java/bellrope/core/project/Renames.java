package bellrope.core.project;

import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Place;
import bellrope.core.pool.Pool;
import bellrope.core.rope.Companion;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Feed;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Limits;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Source;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.score.Channelled;
import bellrope.core.score.Lane;
import bellrope.core.score.Mark;
import bellrope.core.score.Pattern;
import bellrope.core.score.Said;
import bellrope.core.value.Datum;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A project with something renamed, and everything that named it following. Each method returns the whole project; whether
 * the new name is free is for {@link Consistency} to say.
 */
public final class Renames {
    private Renames() {}

    public static Project event(Project p, String from, String to) {
        UnaryOperator<String> name = swap(from, to);
        return ropes(
                lanes(alias(p, Alias.Kind.EVENT, "", from, to), lane -> lane.of(name.apply(lane.event())))
                        .withEvents(p.events().stream()
                                .map(e -> e.name().equals(from) ? e.named(to) : e)
                                .toList()),
                d -> {
                    d.when = new When(name.apply(d.when.event()), d.when.value(), d.when.match(), d.when.conditions());
                    d.limits = until(d.limits, name);
                    d.followUps = d.followUps.stream()
                            .map(f -> followUp(f, f.play(), f.announce().map(name)))
                            .toList();
                    sources(d, s -> s instanceof Source.Since since ? new Source.Since(name.apply(since.event())) : s);
                });
    }

    public static Project field(Project p, String event, String from, String to) {
        UnaryOperator<String> name = swap(from, to);
        Project renamed = lanes(
                        alias(p, Alias.Kind.FIELD, event, from, to),
                        lane -> lane.event().equals(event)
                                ? said(lane, value -> value, payload -> renamed(payload, from, to))
                                : lane)
                .withEvents(p.events().stream()
                        .map(e -> e.name().equals(event)
                                ? e.withFields(e.fields().stream()
                                        .map(f -> f.name().equals(from) ? f.named(to) : f)
                                        .toList())
                                : e)
                        .toList());
        return ropes(renamed, d -> {
            if (!d.when.event().equals(event)) {
                return;
            }
            d.when = withConditions(
                    d.when,
                    d.when.conditions().stream()
                            .map(c -> c.<Condition>match(
                                    compare -> compare,
                                    oneOf -> new Condition.OneOf(name.apply(oneOf.field()), oneOf.options()),
                                    flagged -> new Condition.Flagged(name.apply(flagged.field()), flagged.up()),
                                    tagged -> tagged))
                            .toList());
            sources(d, s -> s instanceof Source.Payload payload ? new Source.Payload(name.apply(payload.field())) : s);
        });
    }

    /** Renames a value of a state. */
    public static Project value(Project p, String event, String from, String to) {
        UnaryOperator<String> name = swap(from, to);
        Project renamed = p.withEvents(p.events().stream()
                .map(e -> e.name().equals(event)
                        ? new EventType(
                                e.name(),
                                e.shape(),
                                e.description(),
                                e.weight(),
                                e.fields(),
                                e.values().stream().map(name).toList(),
                                e.unanswered())
                        : e)
                .toList());
        Project scored =
                lanes(renamed, lane -> lane.event().equals(event) ? said(lane, name, payload -> payload) : lane);
        return ropes(scored, d -> {
            if (d.when.event().equals(event)) {
                d.when = new When(event, d.when.value().map(name), d.when.match(), d.when.conditions());
            }
        });
    }

    /** Renames an option of a choice. */
    public static Project option(Project p, String event, String field, String from, String to) {
        UnaryOperator<String> name = swap(from, to);
        Project renamed = p.withEvents(p.events().stream()
                .map(e -> e.name().equals(event)
                        ? e.withFields(e.fields().stream()
                                .map(f -> f instanceof Field.Choice c
                                                && c.name().equals(field)
                                        ? new Field.Choice(
                                                c.name(),
                                                c.options().stream().map(name).toList(),
                                                c.reads())
                                        : f)
                                .toList())
                        : e)
                .toList());
        Project scored = lanes(
                renamed,
                lane -> lane.event().equals(event)
                        ? said(lane, value -> value, payload -> chosen(payload, field, from, to))
                        : lane);
        return ropes(scored, d -> {
            if (d.when.event().equals(event)) {
                d.when = withConditions(
                        d.when,
                        d.when.conditions().stream()
                                .map(c -> c instanceof Condition.OneOf o
                                                && o.field().equals(field)
                                        ? new Condition.OneOf(
                                                field,
                                                o.options().stream().map(name).toList())
                                        : c)
                                .toList());
            }
        });
    }

    public static Project effect(Project p, String from, String to) {
        UnaryOperator<String> name = swap(from, to);
        List<Effect> effects = p.effects().stream()
                .map(e -> new Effect(
                        name.apply(e.name()),
                        e.description(),
                        e.course(),
                        e.seed(),
                        e.emitters().stream().map(m -> begins(m, from, name)).toList(),
                        e.parameters(),
                        e.tries(),
                        e.order()))
                .toList();
        List<Pool> pools = p.pools().stream()
                .map(pool -> pool.withEffects(pool.effects().stream().map(name).toList()))
                .toList();
        return ropes(
                alias(p, Alias.Kind.EFFECT, "", from, to).withEffects(effects).withPools(pools), d -> {
                    d.play = d.play.map(name);
                    Run run = d.run;
                    d.run = new Run(
                            run.start().map(name),
                            run.end().map(name),
                            run.fadeIn(),
                            run.fadeOut(),
                            run.longest(),
                            run.again(),
                            run.order());
                    d.followUps = d.followUps.stream()
                            .map(f -> followUp(f, f.play().map(name), f.announce()))
                            .toList();
                });
    }

    private static Emitter begins(Emitter emitter, String from, UnaryOperator<String> name) {
        if (emitter.end().children().stream().noneMatch(c -> c.effect().equals(Optional.of(from)))) {
            return emitter;
        }
        List<End.Child> children = emitter.end().children().stream()
                .map(c -> c.effect().isEmpty()
                        ? c
                        : new End.Child(
                                c.when(),
                                c.emitter(),
                                c.effect().map(name),
                                c.least(),
                                c.most(),
                                c.rate(),
                                c.chance(),
                                c.velocity(),
                                c.colour(),
                                c.size()))
                .toList();
        return emitter.withEnd(
                new End(emitter.end().collision(), children, emitter.end().trail()));
    }

    /** Renames a parameter of an effect. */
    public static Project parameter(Project p, String effect, String from, String to) {
        List<Effect> effects = p.effects().stream()
                .map(e -> e.name().equals(effect)
                        ? new Effect(
                                e.name(),
                                e.description(),
                                e.course(),
                                e.seed(),
                                e.emitters(),
                                e.parameters().stream()
                                        .map(x -> x.name().equals(from) ? x.named(to) : x)
                                        .toList(),
                                e.tries().stream().map(t -> tried(t, from, to)).toList(),
                                e.order())
                        : e)
                .toList();
        return ropes(alias(p, Alias.Kind.PARAMETER, effect, from, to).withEffects(effects), d -> {
            if (d.play.equals(Optional.of(effect))) {
                UnaryOperator<String> name = swap(from, to);
                d.feeds = d.feeds.stream().map(f -> renamed(f, name)).toList();
                carried(d, s -> s instanceof Source.Parameter x ? new Source.Parameter(name.apply(x.parameter())) : s);
            }
        });
    }

    private static Effect.Try tried(Effect.Try one, String from, String to) {
        Map<String, Datum> values = new HashMap<>(one.values());
        Datum value = values.remove(from);
        if (value != null) {
            values.put(to, value);
        }
        return new Effect.Try(one.name(), values);
    }

    private static Feed renamed(Feed feed, UnaryOperator<String> name) {
        Feed onto = feed.onto(name.apply(feed.parameter()));
        return onto.source() instanceof Source.Parameter other
                ? onto.from(new Source.Parameter(name.apply(other.parameter())))
                : onto;
    }

    public static Project channel(Project p, String from, String to) {
        UnaryOperator<String> name = swap(from, to);
        List<Channel> channels = p.channels().stream()
                .map(c -> c.name().equals(from) ? c.named(to) : c)
                .toList();
        Project renamed = alias(p, Alias.Kind.CHANNEL, "", from, to)
                .withChannels(channels)
                .withScores(p.scores().stream()
                        .map(s -> s.withChannels(s.channels().stream()
                                .map(c -> new Channelled(name.apply(c.channel()), c.points()))
                                .toList()))
                        .toList());
        return ropes(
                renamed,
                d -> sources(d, s -> s instanceof Source.Channel c ? new Source.Channel(name.apply(c.channel())) : s));
    }

    public static Project place(Project p, String from, String to) {
        List<Place> places = p.places().stream()
                .map(x -> x.name().equals(from) ? new Place(to, x.position()) : x)
                .toList();
        Project renamed = p.withPlaces(places);
        return ropes(renamed, d -> {
            Where w = d.where;
            d.where =
                    new Where(w.anchor(), w.follow(), w.place().map(swap(from, to)), w.offset(), w.frame(), w.depth());
        });
    }

    /**
     * Notes the former name, once anything was handed over: what it was called before follows on, and a name that is taken up
     * again is a former one no more.
     */
    private static Project alias(Project p, Alias.Kind kind, String within, String from, String to) {
        if (p.versions().isEmpty()) {
            return p;
        }
        List<Alias> aliases = new ArrayList<>();
        for (Alias a : p.settings().aliases()) {
            boolean same = a.kind() == kind && a.within().equals(within);
            boolean inside = kind == Alias.Kind.EVENT && a.kind() == Alias.Kind.FIELD
                    || kind == Alias.Kind.EFFECT && a.kind() == Alias.Kind.PARAMETER;
            if (same && a.from().equals(to)) {
                continue;
            }
            aliases.add(
                    same && a.to().equals(from)
                            ? new Alias(kind, within, a.from(), to, a.since())
                            : inside && a.within().equals(from)
                                    ? new Alias(a.kind(), to, a.from(), a.to(), a.since())
                                    : a);
        }
        String last = p.lastVersion().orElseThrow().name();
        boolean known = known(p.lastVersion().orElseThrow().contract(), p, kind, within, from);
        if (known) {
            aliases.add(new Alias(kind, within, from, to, last));
        }
        return p.withSettings(p.settings().withAliases(aliases));
    }

    // Whether the last version had something of that name: no code relies on what came after it.
    private static boolean known(Contract last, Project p, Alias.Kind kind, String within, String name) {
        return switch (kind) {
            case EVENT -> last.event(name).isPresent();
            case CHANNEL -> last.channel(name).isPresent();
            case EFFECT -> last.effect(name).isPresent();
            case FIELD ->
                last.event(former(p, Alias.Kind.EVENT, within))
                        .flatMap(e -> e.field(name))
                        .isPresent();
            case PARAMETER ->
                last.effect(former(p, Alias.Kind.EFFECT, within))
                        .flatMap(e -> e.parameter(name))
                        .isPresent();
        };
    }

    private static String former(Project p, Alias.Kind kind, String name) {
        return p.settings().aliases().stream()
                .filter(a -> a.kind() == kind && a.to().equals(name))
                .map(Alias::from)
                .findFirst()
                .orElse(name);
    }

    private static Project lanes(Project p, UnaryOperator<Lane> change) {
        return p.withScores(p.scores().stream()
                .map(s -> s.withLanes(s.lanes().stream().map(change).toList()))
                .toList());
    }

    // What the arrivals of a lane say, changed wherever it is said.
    private static Lane said(Lane lane, UnaryOperator<String> value, UnaryOperator<Map<String, Datum>> payload) {
        Lane saying = lane.saying(lane.said().stream()
                .map(s -> new Said(s.value().map(value), payload.apply(s.payload())))
                .toList());
        return lane.when() instanceof Pattern.Marks marks
                ? saying.when(new Pattern.Marks(marks.marks().stream()
                        .map(m -> new Mark(m.at(), m.lasts(), m.value().map(value), payload.apply(m.payload())))
                        .toList()))
                : saying;
    }

    private static Map<String, Datum> renamed(Map<String, Datum> payload, String from, String to) {
        Map<String, Datum> other = new LinkedHashMap<>();
        payload.forEach((name, given) -> other.put(name.equals(from) ? to : name, given));
        return other;
    }

    private static Map<String, Datum> chosen(Map<String, Datum> payload, String field, String from, String to) {
        Map<String, Datum> other = new LinkedHashMap<>(payload);
        if (payload.get(field) instanceof Datum.Word word && word.text().equals(from)) {
            other.put(field, new Datum.Word(to));
        }
        return other;
    }

    private static UnaryOperator<String> swap(String from, String to) {
        return name -> name.equals(from) ? to : name;
    }

    private static Project ropes(Project p, java.util.function.Consumer<Rope.Draft> change) {
        return p.withRopes(p.ropes().stream().map(r -> r.with(change)).toList());
    }

    private static When withConditions(When when, List<Condition> conditions) {
        return new When(when.event(), when.value(), when.match(), conditions);
    }

    private static void sources(Rope.Draft d, UnaryOperator<Source> change) {
        d.when = withConditions(
                d.when,
                d.when.conditions().stream()
                        .map(c -> c instanceof Condition.Compare x
                                ? new Condition.Compare(change.apply(x.source()), x.relation(), x.bound())
                                : c)
                        .toList());
        d.feeds = d.feeds.stream().map(f -> f.from(change.apply(f.source()))).toList();
        d.hit = d.hit.map(change);
        carried(d, change);
    }

    // What notices carry.
    private static void carried(Rope.Draft d, UnaryOperator<Source> change) {
        UnaryOperator<List<NoticeValue>> all = values ->
                values.stream().map(v -> v.from(change.apply(v.source()))).toList();
        d.companions = d.companions.stream()
                .map(c -> c instanceof Companion.Notice n
                        ? new Companion.Notice(n.name(), n.after(), all.apply(n.values()))
                        : c)
                .toList();
        d.stay = d.stay.map(s -> s.carrying(all.apply(s.values())));
        d.followUps =
                d.followUps.stream().map(f -> f.carrying(all.apply(f.values()))).toList();
    }

    private static Limits until(Limits l, UnaryOperator<String> name) {
        return new Limits(
                l.cooldown(),
                l.perSecond(),
                l.once(),
                l.until().map(name),
                l.alive(),
                l.together(),
                l.whenFull(),
                l.distance(),
                l.chance());
    }

    private static FollowUp followUp(FollowUp f, Optional<String> play, Optional<String> announce) {
        return new FollowUp(
                play,
                announce,
                f.cue(),
                f.after(),
                f.offset(),
                f.inForce(),
                f.fadeOut(),
                f.notice(),
                f.values(),
                f.id());
    }
}
