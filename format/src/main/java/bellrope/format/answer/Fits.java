package bellrope.format.answer;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.project.Project;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Refit;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.rope.SourceValues;
import bellrope.core.rope.When;
import bellrope.core.value.Problem;
import bellrope.core.value.Words;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/** Ropes brought to fit another event, effect, source or field; nothing is saved. */
public final class Fits {
    private Fits() {}

    /** Brings ropes to fit what is named: what cannot be kept is left out, what is asked for is begun as it usually is. */
    public static FittedView of(Project whole, FitWish wish) {
        UnaryOperator<Rope> fit = move(wish, whole);
        List<JsonValue> fitted = new ArrayList<>();
        for (int i = 0; i < wish.ropes().size(); i++) {
            Bundle.Read<Rope> read = Bundle.readRope(wish.ropes().get(i));
            String place = "/ropes/" + i;
            if (read.value().isEmpty()) {
                throw new Wrong(read.problems().stream()
                        .map(p -> new Problem(place + p.place(), p.given(), p.allowed()))
                        .toList());
            }
            fitted.add(Bundle.write(fit.apply(read.value().get())));
        }
        return new FittedView(fitted);
    }

    private static UnaryOperator<Rope> move(FitWish wish, Project whole) {
        if (wish.event() != null) {
            EventType event = known("/event", wish.event(), whole.events(), EventType::name);
            return rope -> Refit.to(rope, event);
        }
        if (wish.effect() != null) {
            Effect effect = known("/effect", wish.effect(), whole.effects(), Effect::name);
            return rope -> Refit.to(rope, effect, whole.event(rope.event()));
        }
        if (wish.feed() != null) {
            return rope -> fed(rope, wish.feed(), whole);
        }
        if (wish.field() != null) {
            return rope -> asked(rope, condition(rope, wish.field(), whole));
        }
        if (wish.channel() != null) {
            Channel channel = known("/channel", wish.channel(), whole.channels(), Channel::name);
            return rope -> asked(rope, Refit.condition(channel));
        }
        throw new Wrong(
                List.of(new Problem("", "nothing to fit", "event, effect, feed, field or channel, one of them")));
    }

    private static <T> T known(String place, String name, List<T> all, Function<T, String> names) {
        List<String> options = all.stream().map(names).toList();
        int at = options.indexOf(name);
        if (at < 0) {
            throw new Wrong(List.of(new Problem(
                    place,
                    '"' + name + '"',
                    options.isEmpty() ? "none; there is none yet" : "a known name" + Words.nearest(name, options))));
        }
        return all.get(at);
    }

    private static Condition condition(Rope rope, String field, Project whole) {
        EventType event = known("/ropes/event", rope.event(), whole.events(), EventType::name);
        return Refit.condition(known("/field", field, event.fields(), f -> f.name()))
                .orElseThrow(() ->
                        new Wrong(List.of(new Problem("/field", '"' + field + '"', "a number, a choice or a flag"))));
    }

    private static Rope asked(Rope rope, Condition condition) {
        List<Condition> conditions = new ArrayList<>(rope.conditions());
        conditions.add(condition);
        When when = rope.when();
        return rope.with(d -> d.when = new When(when.event(), when.value(), when.match(), conditions));
    }

    private static Rope fed(Rope rope, FeedWish wish, Project whole) {
        Optional<EventType> event = whole.event(rope.event());
        Effect effect = rope.play()
                .flatMap(whole::effect)
                .orElseThrow(() -> new Wrong(List.of(new Problem(
                        "/ropes", "a rope that plays no known effect", "one whose effect has parameters"))));
        Parameter parameter = known("/feed/parameter", wish.parameter(), effect.parameters(), Parameter::name);
        Source source = wish.source() == null || wish.source().isNull()
                ? Refit.usualSource(parameter, event, whole.channels())
                : source(wish.source());
        SourceValues values = new SourceValues(event, Optional.of(effect), whole::channel);
        List<Feed> feeds = new ArrayList<>(rope.feeds());
        boolean instead = wish.index() != null && wish.index() >= 0 && wish.index() < feeds.size();
        Feed feed = Refit.feed(
                parameter,
                source,
                values,
                instead
                        ? Optional.of(feeds.get(wish.index()))
                                .filter(f -> f.parameter().equals(parameter.name()))
                        : Optional.empty());
        if (instead) {
            feeds.set(wish.index(), feed);
        } else {
            feeds.add(feed);
        }
        return rope.with(d -> d.feeds = feeds);
    }

    private static Source source(JsonValue given) {
        Bundle.Read<Source> read = Bundle.readSource(given);
        if (read.value().isEmpty()) {
            throw new Wrong(read.problems().stream()
                    .map(p -> new Problem("/feed/source" + p.place(), p.given(), p.allowed()))
                    .toList());
        }
        return read.value().get();
    }
}
