package bellrope.core.check.wiring;

import bellrope.core.check.Finding.Severity;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.measure.Reaches;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence.Slot;
import bellrope.core.rope.Source;
import bellrope.core.value.Datum;
import bellrope.core.value.Exact;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;

/** Feeds that drive nothing, and reaches that do not agree with the game's own hit test. */
final class Feeding {
    /** Recorded values from which on a clamp that is never left is worth saying. */
    private static final int ENOUGH = 3;

    private Feeding() {}

    static void look(Wiring w) {
        w.each((rope, event) -> {
            for (Feed feed : rope.feeds()) {
                one(w, rope, event, feed);
            }
            reach(w, rope);
        });
    }

    // What a feed makes beyond what its parameter takes is held there, and the rest of its range does nothing.
    private static void beyond(Wiring w, Rope rope, Feed feed) {
        Parameter parameter =
                w.played(rope).flatMap(e -> e.parameter(feed.parameter())).orElse(null);
        Remap remap = feed.remap().orElse(null);
        if (parameter == null || remap == null || !parameter.type().scalar()) {
            return;
        }
        double least = parameter.type().lowest();
        double most = parameter.type().highest();
        double low = Math.min(remap.out().least(), remap.out().most());
        double high = Math.max(remap.out().least(), remap.out().most());
        if (low < least - 1e-9 || high > most + 1e-9) {
            w.rope(
                    "feed beyond its parameter",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.FEED,
                    "makes " + feed.parameter() + " " + Words.number(low) + " to " + Words.number(high)
                            + ", and it takes " + Words.number(least) + " to " + Words.number(most)
                            + ": the rest is held at its ends");
        }
    }

    private static void one(Wiring w, Rope rope, EventType event, Feed feed) {
        lasting(w, rope, feed);
        beyond(w, rope, feed);
        if (feed.remap().isEmpty()) {
            return;
        }
        Remap remap = feed.remap().get();
        if (remap.out().least() == remap.out().most()) {
            w.rope(
                    "flat feed",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.FEED,
                    feed.parameter() + " is " + Words.number(remap.out().least()) + " whatever "
                            + feed.source().words() + " is: the feed changes nothing",
                    "Make it a constant",
                    d -> d.feeds = swapped(
                            d.feeds,
                            feed,
                            Feed.constant(
                                    feed.parameter(), new Datum.Num(remap.out().least()))));
            return;
        }
        Optional<Range> range = w.values(event).told(feed.source()).map(Field.Number::range);
        if (range.isPresent() && remap.clamp() && outside(remap, range.get())) {
            Range r = range.get();
            w.rope(
                    "feed outside its range",
                    Severity.WRONG,
                    rope,
                    Slot.FEED,
                    feed.source().words() + " runs from " + Words.number(r.least()) + " to " + Words.number(r.most())
                            + " and the feed listens from "
                            + Words.number(remap.in().least()) + " to "
                            + Words.number(remap.in().most()) + ": " + feed.parameter() + " always stands at one end",
                    "Listen to the whole range",
                    d -> d.feeds = swapped(d.feeds, feed, over(feed, r)));
            return;
        }
        recorded(w, rope, feed, remap);
    }

    private static boolean outside(Remap remap, Range range) {
        return range.most() <= remap.in().least() || range.least() >= remap.in().most();
    }

    private static void recorded(Wiring w, Rope rope, Feed feed, Remap remap) {
        List<Double> given = w.recorded(rope, feed.parameter());
        boolean below = given.stream().allMatch(v -> v <= remap.in().least());
        boolean above = given.stream().allMatch(v -> v >= remap.in().most());
        if (!remap.clamp() || given.size() < ENOUGH || !(below || above)) {
            return;
        }
        double least = given.stream().mapToDouble(v -> v).min().orElseThrow();
        double most = given.stream().mapToDouble(v -> v).max().orElseThrow();
        String came =
                least == most ? Words.number(two(least)) : Words.number(two(least)) + " to " + Words.number(two(most));
        if (least < most) {
            w.rope(
                    "never leaves its clamp",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.FEED,
                    words(given, feed, remap, came),
                    "Listen to what came",
                    d -> d.feeds = swapped(d.feeds, feed, over(feed, new Range(two(least), two(most)))));
        } else {
            w.rope("never leaves its clamp", Severity.DOUBTFUL, rope, Slot.FEED, words(given, feed, remap, came));
        }
    }

    private static String words(List<Double> given, Feed feed, Remap remap, String came) {
        return "in the last " + given.size() + " pulls " + feed.source().words() + " was " + came
                + ", and the feed listens from " + Words.number(remap.in().least()) + " to "
                + Words.number(remap.in().most()) + ": " + feed.parameter() + " never left one end";
    }

    private static double two(double value) {
        return Exact.rint(value * 100) / 100;
    }

    private static Feed over(Feed feed, Range in) {
        Remap r = feed.remap().orElseThrow();
        return new Feed(
                feed.parameter(),
                feed.source(),
                Optional.of(new Remap(in, r.from(), r.to(), r.clamp(), r.shape())),
                feed.follow());
    }

    private static List<Feed> swapped(List<Feed> feeds, Feed from, Feed to) {
        return feeds.stream().map(f -> f.equals(from) ? to : f).toList();
    }

    // What particles of an instance share from its beginning does not change while it plays.
    private static void lasting(Wiring w, Rope rope, Feed feed) {
        Optional<Parameter> parameter = w.played(rope).flatMap((Effect e) -> e.parameter(feed.parameter()));
        if (!feed.continuous() || parameter.isEmpty()) {
            return;
        }
        Effect effect = w.played(rope).orElseThrow();
        List<Property> properties = parameter.get().bindings().stream()
                .filter(b -> keeps(effect, b))
                .map(Binding::property)
                .distinct()
                .toList();
        String kept = properties.stream()
                .map(p -> p.name().toLowerCase(Locale.ROOT).replace('_', ' '))
                .collect(Collectors.joining(", "));
        if (!kept.isEmpty()) {
            boolean may = properties.stream().allMatch(Property::motion);
            w.rope(
                    "keeps its beginning",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.FEED,
                    feed.parameter() + " also acts on " + kept
                            + ", which an instance keeps from its beginning: there it will not follow "
                            + feed.source().words()
                            + (may ? "; an emitter whose forces follow while particles live would" : ""));
        }
    }

    private static boolean keeps(Effect effect, Binding binding) {
        return binding.property().lasting()
                && effect.emitters().stream()
                        .filter(e -> binding.on(e.name()))
                        .anyMatch(e -> !(binding.property().motion() && e.life().live()));
    }

    private static void reach(Wiring w, Rope rope) {
        Reaches reaches = w.reaches(rope).orElse(null);
        if (reaches == null || reaches.worst().isEmpty()) {
            return;
        }
        Reaches.Point worst = reaches.worst().get();
        String at = reaches.over().isEmpty()
                ? ""
                : " at " + reaches.over() + " " + Words.number(worst.at())
                        + (reaches.unit().isEmpty() ? "" : " " + reaches.unit());
        OptionalDouble agreeing = reaches.agreeing(worst.hit());
        List<String> ways = new ArrayList<>();
        ways.add("a hit test of " + Words.number(two(worst.reach())) + " u would agree there");
        agreeing.ifPresent(v -> ways.add(reaches.parameter() + " at " + Words.number(two(v)) + " reaches "
                + Words.number(two(worst.hit())) + " u"));
        String words = "is seen as far as " + Words.number(two(worst.reach())) + " u" + at
                + ", and the game hits within " + Words.number(two(worst.hit())) + " u: " + String.join("; ", ways);
        if (rope.hit().orElse(null) instanceof Source.Constant) {
            double fitting = Math.max(0.01, two(reaches.usual().reach()));
            w.rope(
                    "reach and hit differ",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.HIT,
                    words,
                    "Hit within " + Words.number(fitting) + " u",
                    d -> d.hit = Optional.of(new Source.Constant(new Datum.Num(fitting))));
        } else {
            w.rope("reach and hit differ", Severity.DOUBTFUL, rope, Slot.HIT, words);
        }
    }
}
