package bellrope.core.rope;

import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.EventType.Shape;
import bellrope.core.event.Field;
import bellrope.core.value.Remap;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;

/**
 * A rope as the English sentence that it is, in parts that can be opened where they stand.
 *
 * @param parts in reading order, spaces included
 */
public record Sentence(List<Part> parts) {
    /**
     * A stretch of the sentence.
     *
     * @param slot what it says; {@link Slot#WORDS} for what only joins
     * @param index which condition, feed, follow-up or companion, 0 for the others; of a {@link Slot#GAP} what is
     *     missing: 0 the effect, 1 the value, 2 and up the follow-ups
     */
    public record Part(String text, Slot slot, int index) {}

    /** What a part of a sentence says. */
    public enum Slot {
        WORDS,
        EVENT,
        VALUE,
        CONDITION,
        EFFECT,
        GAP,
        OVERRIDES,
        PLACEMENT,
        FACING,
        FEED,
        START,
        END,
        FADES,
        LONGEST,
        STAY,
        TIMING,
        LIMITS,
        OWNER,
        FOLLOW_UP,
        COMPANION,
        HIT
    }

    /** Returns the sentence of a rope whose channels' units are not known. */
    public static Sentence of(Rope rope, Optional<EventType> event) {
        return of(rope, event, name -> Optional.empty());
    }

    /**
     * Returns the sentence of a rope.
     *
     * @param event the rope's event, for units and ways of reading; empty when there is none of that name
     * @param channels by name, for units
     */
    public static Sentence of(Rope rope, Optional<EventType> event, Function<String, Optional<Channel>> channels) {
        Writing writing = new Writing(rope, event, channels);
        writing.opening();
        writing.conditions();
        writing.playing();
        writing.placing();
        writing.feeds();
        writing.rest();
        writing.add(".");
        return new Sentence(List.copyOf(writing.parts));
    }

    @Override
    public String toString() {
        StringBuilder text = new StringBuilder();
        parts.forEach(part -> text.append(part.text()));
        return text.toString();
    }

    private record Writing(
            Rope rope,
            Optional<EventType> event,
            Function<String, Optional<Channel>> channels,
            Shape shape,
            List<Part> parts) {
        private Writing(Rope rope, Optional<EventType> event, Function<String, Optional<Channel>> channels) {
            this(rope, event, channels, event.map(EventType::shape).orElse(Shape.MOMENT), new ArrayList<>());
        }

        private void add(String words) {
            parts.add(new Part(words, Slot.WORDS, 0));
        }

        private void add(String words, Slot slot, int index) {
            parts.add(new Part(words, slot, index));
        }

        private void opening() {
            add(shape == Shape.MOMENT ? "When " : "While ");
            add(rope.event(), Slot.EVENT, 0);
            if (shape == Shape.STATE) {
                add(" is ");
                Optional<String> value = rope.when().value();
                add(value.orElse("no value chosen"), value.isPresent() ? Slot.VALUE : Slot.GAP, 1);
            }
        }

        private void conditions() {
            When when = rope.when();
            String joiner = when.match() == When.Match.NONE ? "with neither " : "with ";
            for (int i = 0; i < when.conditions().size(); i++) {
                Condition condition = when.conditions().get(i);
                boolean reads = when.match() == When.Match.ALL
                        && condition instanceof Condition.OneOf oneOf
                        && field(oneOf.field()) instanceof Field.Choice;
                if (reads) {
                    Field.Choice choice = (Field.Choice) field(((Condition.OneOf) condition).field());
                    add(" " + choice.reads() + " ");
                    add(condition.wanted(), Slot.CONDITION, i);
                } else {
                    add(" " + joiner);
                    add(one(condition), Slot.CONDITION, i);
                    joiner = when.match().joiner() + " ";
                }
            }
        }

        private String one(Condition condition) {
            return condition.match(
                    compare -> spaced(about(compare), unit(compare.source())),
                    Writing::about,
                    flagged -> (flagged.up() ? "" : "no ") + flagged.field(),
                    tagged -> "the subject " + tagged.wanted());
        }

        private static String about(Condition condition) {
            return condition.about() + " " + condition.wanted();
        }

        private static String spaced(String words, String unit) {
            return unit.isEmpty() ? words : words + " " + unit;
        }

        private void playing() {
            add(", ");
            Timing timing = rope.timing();
            if (!timing.equals(Timing.AT_ONCE)) {
                add("after ");
                String jitter = timing.jitter() > 0 ? "…" + Words.number(timing.delay() + timing.jitter()) : "";
                add(Words.number(timing.delay()) + jitter + " s", Slot.TIMING, 0);
                add(" ");
            }
            if (shape != Shape.MOMENT && rope.run().start().isPresent()) {
                add("begin with ");
                add(rope.run().start().get(), Slot.START, 0);
                add(", ");
            }
            add(shape == Shape.MOMENT ? "play " : "run ");
            add(rope.play().orElse("no effect chosen"), rope.play().isPresent() ? Slot.EFFECT : Slot.GAP, 0);
            if (!rope.overrides().none()) {
                add(" with ");
                add(overridden(rope.overrides()), Slot.OVERRIDES, 0);
            }
            if (shape == Shape.MOMENT) {
                rope.stay().ifPresent(this::stay);
            }
        }

        private static String overridden(Overrides o) {
            List<String> said = new ArrayList<>();
            factor(said, o.count(), "counts");
            factor(said, o.size(), "sizes");
            factor(said, o.speed(), "speeds");
            o.duration().ifPresent(s -> said.add("a duration of " + Words.number(s) + " s"));
            o.colour().ifPresent(c -> said.add("colours × " + c));
            o.fadeOut().ifPresent(s -> said.add("a fade-out of " + Words.number(s) + " s"));
            o.cutAfter().ifPresent(s -> said.add("cut after " + Words.number(s) + " s"));
            o.order()
                    .ifPresent(n -> said.add(
                            n == 0
                                    ? "drawn neither in front nor behind"
                                    : "drawn " + Math.abs(n) + (n > 0 ? " in front" : " behind")));
            return String.join(", ", said);
        }

        private static void factor(List<String> said, double factor, String of) {
            if (factor != 1) {
                said.add(of + " × " + Words.number(factor));
            }
        }

        private void placing() {
            Where where = rope.where();
            add(
                    switch (where.anchor()) {
                        case CAMERA -> " about ";
                        case SCREEN -> " on ";
                        case SUBJECT -> where.follow() ? " on " : " where ";
                        default -> " at ";
                    });
            String anchor = switch (where.anchor()) {
                case SUBJECT -> event.map(e -> "the " + e.subject()).orElse("the subject");
                case PLACE -> where.place().orElseThrow();
                default -> where.anchor().words();
            };
            String left = where.anchor() == Where.Anchor.SUBJECT && !where.follow() ? " was" : "";
            Vec3 offset = where.offset();
            String by = offset.equals(Vec3.ZERO) ? "" : " + (" + Words.vector(offset) + ") u";
            String depth = where.depth().isPresent()
                    ? " at depth " + Words.number(where.depth().getAsDouble()) + " u"
                    : "";
            add(anchor + left + by + depth, Slot.PLACEMENT, 0);
            Pointing pointing = rope.pointing();
            if (where.anchor() == Where.Anchor.SCREEN && pointing.equals(Pointing.of(Facing.UP))) {
                return;
            }
            add(", facing ");
            String spread = pointing.spread() > 0 ? " ± " + Words.number(pointing.spread()) + "°" : "";
            String way = pointing.facing() == Facing.FIXED
                    ? "(" + Words.vector(pointing.fixed()) + ")"
                    : pointing.facing().words();
            add(way + spread, Slot.FACING, 0);
        }

        private void feeds() {
            for (int i = 0; i < rope.feeds().size(); i++) {
                Feed feed = rope.feeds().get(i);
                add("; ");
                add(fed(feed), Slot.FEED, i);
            }
        }

        private String fed(Feed feed) {
            return feed.source()
                    .match(
                            payload -> mapped(feed),
                            channel -> mapped(feed),
                            held -> mapped(feed),
                            since -> mapped(feed),
                            constant -> feed.parameter() + " always "
                                    + constant.value().inWords(),
                            random -> feed.parameter() + " random "
                                    + becoming(feed.remap().orElseThrow()),
                            other -> mapped(feed));
        }

        private String mapped(Feed feed) {
            String from = feed.parameter() + " from " + feed.source().words();
            if (feed.remap().isEmpty()) {
                return from;
            }
            Remap remap = feed.remap().get();
            String in = Words.number(remap.in().least()) + "…"
                    + Words.number(remap.in().most());
            String unit = feed.continuous() ? unit(feed.source()) : "";
            return from + " " + spaced(in, unit) + " → " + becoming(remap) + (remap.clamp() ? "" : " unclamped")
                    + following(feed.follow());
        }

        private static String becoming(Remap remap) {
            return Words.number(remap.from()) + "…" + Words.number(remap.to())
                    + (remap.straight() ? "" : " by a curve");
        }

        private static String following(Feed.Follow follow) {
            StringBuilder text = new StringBuilder();
            if (follow.rise() == follow.fall() && follow.rise() > 0) {
                text.append(", smoothed over ")
                        .append(Words.number(follow.rise()))
                        .append(" s");
            } else if (follow.rise() > 0 || follow.fall() > 0) {
                text.append(", rising over ")
                        .append(Words.number(follow.rise()))
                        .append(" s, falling over ");
                text.append(Words.number(follow.fall())).append(" s");
            }
            if (follow.every() > 0) {
                text.append(", sampled every ")
                        .append(Words.number(follow.every()))
                        .append(" s");
            }
            return text.toString();
        }

        private void stay(Stay stay) {
            add(" ");
            String told =
                    stay.notice().map(name -> "telling the game “" + name + "”").orElse("");
            if (stay.inForce().isEmpty()) {
                add(told, Slot.STAY, 0);
                return;
            }
            String fade = stay.fadeOut() > 0 ? " and fade " + Words.number(stay.fadeOut()) + " s" : "";
            add(
                    "for " + Words.number(stay.inForce().getAsDouble()) + " s" + fade
                            + (told.isEmpty() ? "" : ", " + told),
                    Slot.STAY,
                    0);
        }

        private void rest() {
            Run run = rope.run();
            if (shape != Shape.MOMENT) {
                run.end().ifPresent(effect -> {
                    add("; end with ");
                    add(effect, Slot.END, 0);
                });
                fades(run);
                if (run.longest().isPresent() || run.again() != Run.Again.CONTINUE) {
                    add("; ");
                    add(longest(run), Slot.LONGEST, 0);
                }
            }
            if (!rope.limits().none()) {
                add("; ");
                add(limited(rope.limits()), Slot.LIMITS, 0);
            }
            for (int i = 0; i < rope.companions().size(); i++) {
                add("; ");
                add(rope.companions().get(i).words(), Slot.COMPANION, i);
            }
            rope.hit().ifPresent(hit -> {
                add("; ");
                add(
                        "hit-test radius "
                                + (hit instanceof Source.Constant c ? c.value().inWords() : hit.words()) + " u",
                        Slot.HIT,
                        0);
            });
            if (!rope.owner().equals(Owner.FINISH)) {
                add("; when " + event.map(e -> "the " + e.subject()).orElse("the subject") + " is gone ");
                add(
                        rope.owner().end() == Owner.AtEnd.VANISH
                                ? "vanish"
                                : "fade over " + Words.number(rope.owner().over()) + " s",
                        Slot.OWNER,
                        0);
            }
            for (int i = 0; i < rope.followUps().size(); i++) {
                followUp(rope.followUps().get(i), i);
            }
        }

        private void fades(Run run) {
            if (run.fadeIn().isEmpty() && run.fadeOut().isEmpty() && run.order() == Run.Order.TOGETHER) {
                return;
            }
            if (shape == Shape.STATE) {
                boolean even = run.fadeIn().equals(run.fadeOut()) && run.order() == Run.Order.TOGETHER;
                add(even ? "; change over " : "; ");
                add(
                        even
                                ? Words.number(run.fadeIn().getAsDouble()) + " s"
                                : both(run) + (run.order() == Run.Order.AFTER ? ", after what was before" : ""),
                        Slot.FADES,
                        0);
            } else {
                add("; fade ");
                boolean out = run.fadeIn().isEmpty() && run.fadeOut().isPresent();
                add(out ? Words.number(run.fadeOut().getAsDouble()) + " s" : both(run), Slot.FADES, 0);
            }
        }

        private static String both(Run run) {
            List<String> said = new ArrayList<>();
            time(said, "in over ", run.fadeIn());
            time(said, "out over ", run.fadeOut());
            return said.isEmpty() ? "as the effect does" : String.join(", ", said);
        }

        private static void time(List<String> said, String words, OptionalDouble seconds) {
            seconds.ifPresent(s -> said.add(words + Words.number(s) + " s"));
        }

        private static String longest(Run run) {
            List<String> said = new ArrayList<>();
            run.longest().ifPresent(s -> said.add("at most " + Words.number(s) + " s"));
            if (run.again() != Run.Again.CONTINUE) {
                said.add(run.again() == Run.Again.RESTART ? "restarted each time" : "several side by side");
            }
            return String.join(", ", said);
        }

        private static String limited(Limits l) {
            List<String> said = new ArrayList<>();
            if (l.chance() < 1) {
                said.add("in " + Words.number(l.chance() * 100) + " of 100 cases");
            }
            if (l.cooldown() > 0) {
                said.add("at most once in " + Words.number(l.cooldown()) + " s");
            }
            l.perSecond().ifPresent(n -> said.add("at most " + Words.number(n) + " a second"));
            if (l.once()) {
                said.add("once for each subject"
                        + l.until().map(e -> " until " + e).orElse(""));
            }
            if (l.distance() > 0) {
                said.add("not within " + Words.number(l.distance()) + " u of the last");
            }
            l.alive()
                    .ifPresent(n -> said.add("at most " + n + " at a time" + (l.together() ? " in its group" : "")
                            + (l.whenFull() == Limits.WhenFull.SKIP
                                    ? ""
                                    : ", else it " + l.whenFull().words())));
            return said.isEmpty() ? "no limit yet" : String.join(", ", said);
        }

        private void followUp(FollowUp f, int i) {
            add("; then ");
            StringBuilder text = new StringBuilder(
                    switch (f.cue()) {
                        case BEGUN -> "after " + Words.number(f.after()) + " s";
                        case OVER -> "when it is over";
                        case ENDED -> "when it ends";
                    });
            if (f.cue() != FollowUp.Cue.BEGUN && f.after() > 0) {
                text.append(" and ").append(Words.number(f.after())).append(" s more");
            }
            add(text.toString(), Slot.FOLLOW_UP, i);
            add(f.announce().isPresent() ? " announce " : " play ");
            boolean gap = f.play().isEmpty() && f.announce().isEmpty();
            String what = f.announce().orElse(f.play().orElse("no effect chosen"));
            if (f.inForce().isPresent()) {
                what += " for " + Words.number(f.inForce().getAsDouble()) + " s"
                        + (f.fadeOut() > 0 ? " and fade " + Words.number(f.fadeOut()) + " s" : "");
            }
            add(what, gap ? Slot.GAP : Slot.FOLLOW_UP, gap ? i + 2 : i);
        }

        private String unit(Source source) {
            return new SourceValues(event, Optional.empty(), channels).unit(source);
        }

        private Field field(String name) {
            return event.flatMap(e -> e.field(name)).orElse(null);
        }
    }
}
