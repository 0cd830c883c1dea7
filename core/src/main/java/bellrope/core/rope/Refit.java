package bellrope.core.rope;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.EventType.Shape;
import bellrope.core.event.Field;
import bellrope.core.event.Field.Meaning;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;

/**
 * How a rope is brought to fit another event or effect: what those cannot give or take is left out, and the rest stays. And what
 * is a good beginning for a feed or a condition.
 */
public final class Refit {
    /** What a time is expected to be, where nothing says, in seconds. */
    private static final Range A_WHILE = new Range(0, 2);

    private Refit() {}

    /** Returns a rope as it answers another event. */
    public static Rope to(Rope rope, EventType event) {
        Predicate<Source> given = source -> source.match(
                payload -> event.field(payload.field()).isPresent(),
                channel -> true,
                held -> event.shape() != Shape.MOMENT,
                since -> true,
                constant -> true,
                random -> true,
                parameter -> true);
        Predicate<Source> number = source -> given.test(source)
                && source.match(
                        payload -> event.field(payload.field())
                                .filter(Field.Number.class::isInstance)
                                .isPresent(),
                        channel -> true,
                        held -> true,
                        since -> true,
                        constant -> true,
                        random -> true,
                        parameter -> true);
        List<Condition> conditions =
                rope.conditions().stream().filter(c -> holds(c, event, number)).toList();
        boolean points = rope.facing().missing(event).isEmpty();
        return rope.with(d -> {
            d.when = new When(event.name(), Optional.empty(), rope.when().match(), conditions);
            d.feeds = rope.feeds().stream()
                    .filter(f -> (f.remap().isPresent() ? number : given).test(f.source()))
                    .toList();
            d.hit = rope.hit().filter(number);
            d.run = run(rope.run(), event.shape());
            d.stay = rope.stay().filter(s -> event.shape() == Shape.MOMENT);
            Pointing p = rope.pointing();
            d.pointing = points ? p : new Pointing(Facing.UP, p.fixed(), p.spread(), p.velocity(), p.turns());
            keep(d, value -> given.test(value.source()));
        });
    }

    private static boolean holds(Condition condition, EventType event, Predicate<Source> number) {
        return condition.match(
                compare -> number.test(compare.source()),
                oneOf -> event.field(oneOf.field())
                        .map(field -> field.match(
                                num -> false,
                                choice -> choice.options().containsAll(oneOf.options()),
                                vector -> false,
                                flag -> false,
                                colour -> false,
                                text -> false))
                        .orElse(false),
                flagged -> event.field(flagged.field())
                        .map(field -> field.match(
                                num -> false,
                                choice -> false,
                                vector -> false,
                                flag -> true,
                                colour -> false,
                                text -> false))
                        .orElse(false),
                tagged -> true);
    }

    private static Run run(Run run, Shape shape) {
        return switch (shape) {
            case MOMENT -> Run.PLAIN;
            case SPAN ->
                new Run(
                        run.start(),
                        run.end(),
                        run.fadeIn(),
                        run.fadeOut(),
                        run.longest(),
                        run.again(),
                        Run.PLAIN.order());
            case STATE ->
                new Run(
                        run.start(),
                        run.end(),
                        run.fadeIn(),
                        run.fadeOut(),
                        OptionalDouble.empty(),
                        Run.PLAIN.again(),
                        run.order());
        };
    }

    /** Returns a rope as it plays another effect, with the feeds that the effect can take. */
    public static Rope to(Rope rope, Effect effect, Optional<EventType> event) {
        return rope.with(d -> {
            d.play = Optional.of(effect.name());
            d.feeds = rope.feeds().stream().filter(f -> takes(effect, f, event)).toList();
            keep(
                    d,
                    value -> value.source()
                            .match(
                                    payload -> true,
                                    channel -> true,
                                    held -> true,
                                    since -> true,
                                    constant -> true,
                                    random -> true,
                                    p -> effect.parameter(p.parameter()).isPresent()));
        });
    }

    private static boolean takes(Effect effect, Feed feed, Optional<EventType> event) {
        Parameter parameter = effect.parameter(feed.parameter()).orElse(null);
        if (parameter == null) {
            return false;
        }
        boolean scalar = parameter.type().scalar();
        boolean remapped = feed.remap().isPresent();
        return feed.source()
                .match(
                        payload -> remapped
                                ? scalar
                                : event.flatMap(e -> e.field(payload.field()))
                                        .filter(f -> asItIs(f, parameter))
                                        .isPresent(),
                        channel -> scalar,
                        held -> scalar,
                        since -> scalar,
                        constant -> parameter.held(constant.value()).isPresent(),
                        random -> scalar,
                        other -> scalar && effect.parameter(other.parameter()).isPresent());
    }

    // Leaves the notices only some of what they carry.
    private static void keep(Rope.Draft d, Predicate<NoticeValue> kept) {
        d.companions = d.companions.stream()
                .map(c -> c.match(
                        shake -> c, flash -> c, tint -> c, pause -> c, notice -> (Companion) new Companion.Notice(
                                notice.name(),
                                notice.after(),
                                notice.values().stream().filter(kept).toList())))
                .toList();
        d.stay = d.stay.map(s -> s.carrying(s.values().stream().filter(kept).toList()));
        d.followUps = d.followUps.stream()
                .map(f -> f.carrying(f.values().stream().filter(kept).toList()))
                .toList();
    }

    /** Tells whether what a field carries can be handed on to a parameter as it is. */
    public static boolean asItIs(Field field, Parameter parameter) {
        return field.examples().stream().allMatch(parameter.type()::accepts);
    }

    /** Tells whether a field can drive a parameter: by a remap where it is a number, as it is where the types agree. */
    public static boolean drives(Field field, Parameter parameter) {
        return field instanceof Field.Number ? parameter.type().scalar() : asItIs(field, parameter);
    }

    /** Returns what usually drives a parameter: a field of the event, the time held, a channel, or its default. */
    public static Source usualSource(Parameter parameter, Optional<EventType> event, List<Channel> channels) {
        Optional<Field> field = event.flatMap(e -> e.fields().stream()
                .filter(f -> drives(f, parameter))
                .filter(f -> !(f instanceof Field.Vector v) || v.meaning() != Meaning.POSITION)
                .findFirst());
        if (field.isPresent()) {
            return new Source.Payload(field.get().name());
        }
        if (!parameter.type().numeric()) {
            return new Source.Constant(parameter.standard());
        }
        boolean lasts = event.filter(e -> e.shape() != Shape.MOMENT).isPresent();
        return lasts || channels.isEmpty()
                ? new Source.Held()
                : new Source.Channel(channels.get(0).name());
    }

    /**
     * Returns a feed of a parameter to begin with: the whole range of the source carried onto the parameter, from a little above
     * its minimum, or up from its default where that is lower still.
     *
     * @param before what stood there, whose results and curve are kept
     */
    public static Feed feed(Parameter parameter, Source source, SourceValues values, Optional<Feed> before) {
        boolean as = source.match(
                payload -> values.event()
                        .flatMap(e -> e.field(payload.field()))
                        .filter(f -> !(f instanceof Field.Number) && asItIs(f, parameter))
                        .isPresent(),
                channel -> false,
                held -> false,
                since -> false,
                constant -> true,
                random -> false,
                other -> false);
        if (as) {
            return new Feed(parameter.name(), source, Optional.empty(), Feed.Follow.AT_ONCE);
        }
        double least = parameter.type().least();
        double most = parameter.type().most();
        double usual = parameter.type().position(parameter.standard());
        Optional<Remap> kept = before.flatMap(Feed::remap);
        Range in = values.range(source).orElse(A_WHILE);
        double from = Math.max(least, Math.min(usual, least + (most - least) * 0.2));
        Remap remap = kept.map(k -> new Remap(in, k.from(), k.to(), k.clamp(), k.shape()))
                .orElseGet(() -> new Remap(in, from, most));
        return new Feed(parameter.name(), source, Optional.of(remap), Feed.Follow.AT_ONCE);
    }

    /** Returns a condition on a field to begin with; empty for a field that nothing can be asked of. */
    public static Optional<Condition> condition(Field field) {
        return field.match(
                number -> Optional.of(new Condition.Compare(field.name(), Condition.Relation.OVER, number.usual())),
                choice -> Optional.of(new Condition.OneOf(
                        field.name(), List.of(choice.options().get(0)))),
                vector -> Optional.empty(),
                flag -> Optional.of(new Condition.Flagged(field.name(), true)),
                colour -> Optional.empty(),
                text -> Optional.empty());
    }

    /** Returns the same for a channel: over what it usually says. */
    public static Condition condition(Channel channel) {
        return new Condition.Compare(new Source.Channel(channel.name()), Condition.Relation.OVER, channel.usual());
    }
}
