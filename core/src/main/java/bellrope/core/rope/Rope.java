package bellrope.core.rope;

import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.value.Addresses;
import bellrope.core.value.Bounds;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/**
 * One wiring: when this event comes and these conditions hold, do that.
 *
 * @param name unique within its project
 * @param seed part of the address of its instances' random draws, unique within its project
 * @param when what it waits for
 * @param play name of the effect; empty while none is chosen, and then nothing plays and the account says so. It runs while
 *     a span or a state lasts
 * @param overrides what it says otherwise than the shared effect
 * @param where the instance plays
 * @param pointing which way
 * @param feeds at most 16, no two for one parameter
 * @param run what spans and states add
 * @param timing when it comes
 * @param limits when it does not answer
 * @param owner what becomes of it when its subject is gone
 * @param followUps at most 8
 * @param companions at most 8
 * @param hit how far the game's own hit test reaches, units: a constant or a field of the payload; empty where there is none
 * @param stay how long what a moment begins is in force; spans and states end otherwise
 */
public record Rope(
        String name,
        int seed,
        Note note,
        When when,
        Optional<String> play,
        Overrides overrides,
        Where where,
        Pointing pointing,
        List<Feed> feeds,
        Run run,
        Timing timing,
        Limits limits,
        Owner owner,
        List<FollowUp> followUps,
        List<Companion> companions,
        Optional<Source> hit,
        Optional<Stay> stay) {
    public static final int MOST_FEEDS = 16;
    public static final int MOST_THEN = 8;
    public static final int MOST_WITH = 8;

    public static final Bounds SEED = Bounds.of(0, Rope.HIGHEST_SEED);
    public static final Bounds HIT = Bounds.above(0, 10_000);

    public static final int HIGHEST_SEED = 1_000_000;
    /** Most feeds whose value may change while an instance plays. */
    public static final int MOST_CONTINUOUS = 8;

    public Rope {
        Demand.name("name", name);
        SEED.check("seed", seed);
        play.ifPresent(effect -> Demand.name("play", effect));
        feeds = Demand.atMost("feeds", feeds, MOST_FEEDS);
        followUps = Addresses.assigned(
                "then",
                Demand.atMost("then", followUps, MOST_THEN),
                FollowUp.HIGHEST_ID,
                FollowUp::id,
                FollowUp::numbered);
        companions = Demand.atMost("with", companions, MOST_WITH);
        hit.ifPresent(Rope::demandLength);
        long continuous = feeds.stream().filter(Feed::continuous).count();
        if (continuous > MOST_CONTINUOUS) {
            throw new Refused(
                    "feeds", continuous + " from channels or times", "at most " + MOST_CONTINUOUS + " of those");
        }
        Set<String> fed = new HashSet<>();
        for (int i = 0; i < feeds.size(); i++) {
            if (!fed.add(feeds.get(i).parameter())) {
                throw new Refused(
                        "feeds/" + i + "/parameter",
                        '"' + feeds.get(i).parameter() + '"',
                        "a parameter that no other feed of this rope drives");
            }
        }
        inOrder(feeds);
    }

    private static void demandLength(Source hit) {
        boolean length = hit.match(
                payload -> true,
                channel -> false,
                held -> false,
                since -> false,
                constant -> {
                    if (constant.value() instanceof Datum.Num radius) {
                        HIT.check("hit", radius.value());
                    }
                    return constant.value() instanceof Datum.Num;
                },
                random -> false,
                parameter -> false);
        if (!length) {
            throw new Refused("hit", hit.words(), "a length in units, or a field of the payload");
        }
    }

    /** Returns the feeds so that what another parameter drives comes after it. */
    public List<Feed> feedsInOrder() {
        return feeds.stream().anyMatch(f -> f.source() instanceof Source.Parameter) ? inOrder(feeds) : feeds;
    }

    private static List<Feed> inOrder(List<Feed> feeds) {
        List<Feed> ordered = new ArrayList<>();
        List<Feed> left = new ArrayList<>(feeds);
        while (!left.isEmpty()) {
            Feed next = left.stream()
                    .filter(f -> !(f.source() instanceof Source.Parameter other)
                            || left.stream().noneMatch(l -> l.parameter().equals(other.parameter())))
                    .findFirst()
                    .orElse(null);
            if (next == null) {
                throw new Refused(
                        "feeds",
                        String.join(" from ", left.stream().map(Feed::parameter).toList()) + " from "
                                + left.get(0).parameter(),
                        "parameters that do not drive one another in a circle");
            }
            ordered.add(next);
            left.remove(next);
        }
        return List.copyOf(ordered);
    }

    /** A plain rope: it plays at once and has no limits. */
    public Rope(
            String name,
            int seed,
            String event,
            List<Condition> conditions,
            Optional<String> play,
            Vec3 offset,
            Facing facing,
            List<Feed> feeds) {
        this(
                name,
                seed,
                Note.NONE,
                new When(event, Optional.empty(), When.Match.ALL, conditions),
                play,
                Overrides.NONE,
                Where.at(offset),
                Pointing.of(facing),
                feeds,
                Run.PLAIN,
                Timing.AT_ONCE,
                Limits.NONE,
                Owner.FINISH,
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty());
    }

    public String event() {
        return when.event();
    }

    public List<Condition> conditions() {
        return when.conditions();
    }

    public Facing facing() {
        return pointing.facing();
    }

    /** Tells whether one instance may have to be dimmed or taken off while others of the same effect play on. */
    public boolean apart() {
        return owner.end() != Owner.AtEnd.FINISH
                || overrides.cutAfter().isPresent()
                || stay.filter(s -> s.fadeOut() > 0).isPresent()
                || limits.alive().isPresent();
    }

    /** Returns the effect as this rope runs it: with its overrides, and for a span or state with its own fades. */
    public Effect over(Effect effect) {
        Effect mine = overrides.over(effect);
        if (!mine.looping() || run.fadeIn().isEmpty() && run.fadeOut().isEmpty()) {
            return mine;
        }
        return mine.withCourse(new Course(
                true,
                mine.course().duration(),
                run.fadeIn().orElse(mine.course().windUp()),
                run.fadeOut().orElse(mine.course().fadeOut()),
                mine.course().playback()));
    }

    /** Returns this rope with some of it changed. */
    public Rope with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.rope();
    }

    /** A rope while it is put together. */
    public static final class Draft {
        public String name;
        public int seed;
        public Note note;
        public When when;
        public Optional<String> play;
        public Overrides overrides;
        public Where where;
        public Pointing pointing;
        public List<Feed> feeds;
        public Run run;
        public Timing timing;
        public Limits limits;
        public Owner owner;
        public List<FollowUp> followUps;
        public List<Companion> companions;
        public Optional<Source> hit;
        public Optional<Stay> stay;

        private Draft(Rope r) {
            name = r.name;
            seed = r.seed;
            note = r.note;
            when = r.when;
            play = r.play;
            overrides = r.overrides;
            where = r.where;
            pointing = r.pointing;
            feeds = r.feeds;
            run = r.run;
            timing = r.timing;
            limits = r.limits;
            owner = r.owner;
            followUps = r.followUps;
            companions = r.companions;
            hit = r.hit;
            stay = r.stay;
        }

        private Rope rope() {
            return new Rope(
                    name,
                    seed,
                    note,
                    when,
                    play,
                    overrides,
                    where,
                    pointing,
                    feeds,
                    run,
                    timing,
                    limits,
                    owner,
                    followUps,
                    companions,
                    hit,
                    stay);
        }
    }
}
