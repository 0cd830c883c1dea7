package bellrope.core.stage;

import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.EventType.Shape;
import bellrope.core.event.Field.Meaning;
import bellrope.core.event.Pull;
import bellrope.core.event.Pull.Phase;
import bellrope.core.event.Strength;
import bellrope.core.project.Project;
import bellrope.core.random.Purpose;
import bellrope.core.rope.Companion;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Owner;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Where;
import bellrope.core.sim.EffectRun;
import bellrope.core.sim.FrameEncoder;
import bellrope.core.sim.Layer;
import bellrope.core.stage.Account.Answer;
import bellrope.core.stage.Account.Ended;
import bellrope.core.stage.Account.Fed;
import bellrope.core.stage.Account.Played;
import bellrope.core.stage.Account.Reason;
import bellrope.core.stage.Account.Silent;
import bellrope.core.stage.Account.Waits;
import bellrope.core.value.Demand;
import bellrope.core.value.Pace;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.nio.ByteBuffer;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.PriorityQueue;

/**
 * The running whole: a project's ropes, the instances they started, and the account of every pull. This is the front door
 * for games written in Java: make one, {@link #pull} events into it, say where subjects are ({@link #move},
 * {@link #gone}) and what channels carry ({@link #publish}), {@link #advance} it by the time that passed, draw its
 * {@link #frame}, and take what it tells ({@link #told}).
 *
 * <p>Time runs in whole steps of the project's pace and the remainder is carried over, so the same pulls at the same
 * steps give the same bits at any frame rate. An instance remembers the pull that began it, not only its state, so
 * {@link #retune} can play it again under new settings up to now. Not for use by several threads at once. A step allocates
 * nothing once the layers have grown to their size, unless a feed goes on changing or something begins; a pull allocates
 * its account.
 */
public final class Stage {
    /** Most instances at once; what would begin beyond them is swallowed and counted, or refused in the account. */
    public static final int MOST_INSTANCES = 5_000;
    /** How deep events may announce one another. */
    public static final int DEEPEST = 8;
    /** Most things told and accounts unasked for that wait to be taken; the oldest are dropped beyond them. */
    private static final int MOST_WAITING = 1_000;
    /** Most that is due later; what comes beyond it is dropped, and the account says so. */
    private static final int MOST_DUE = 20_000;

    private final FrameEncoder encoder = new FrameEncoder();
    private final World world = new World();
    private final Limiter limiter = new Limiter();
    private final Comfort comfort = new Comfort();
    private final Ledger ledger = new Ledger();
    private final Ensemble ensemble = new Ensemble(world, this::over);
    private final PriorityQueue<Due> due = new PriorityQueue<>();
    private final Map<String, List<Holding>> holdings = new LinkedHashMap<>();
    private final ArrayDeque<Told> told = new ArrayDeque<>();
    private final ArrayDeque<Account> unasked = new ArrayDeque<>();
    private final List<String> notes = new ArrayList<>();
    private Project project;
    private Pace pace;
    private Map<String, EventType> events;
    private Map<String, List<Rope>> listeners;
    private Map<String, List<Rope>> resets;
    private double remainder;
    private int now;
    private int pulls;
    private long order;

    /** How far the camera is moved, units to the right and up. */
    public record Shaken(double x, double y) {}

    /** What lies over the screen: a colour in linear light and how much of it, 0 to 1. */
    public record Flashed(double red, double green, double blue, double opacity) {
        static final Flashed NONE = new Flashed(0, 0, 0, 0);
    }

    private record Due(int step, long order, Runnable work) implements Comparable<Due> {
        @Override
        public int compareTo(Due other) {
            return step != other.step ? Integer.compare(step, other.step) : Long.compare(order, other.order);
        }
    }

    public Stage(Project project) {
        take(project);
        ensemble.take(project);
    }

    private void take(Project next) {
        project = next;
        pace = next.settings().pace();
        world.take(next);
        limiter.take(next.ropes());
        events = new HashMap<>();
        next.events().forEach(e -> events.put(e.name(), e));
        listeners = new HashMap<>();
        resets = new HashMap<>();
        for (Rope rope : next.ropes()) {
            listeners.computeIfAbsent(rope.event(), e -> new ArrayList<>()).add(rope);
            rope.limits()
                    .until()
                    .ifPresent(event -> resets.computeIfAbsent(event, e -> new ArrayList<>())
                            .add(rope));
        }
    }

    /**
     * Lets an event arrive now. What answers is born at once and can be seen in the next frame.
     *
     * @return the account; a pull that cannot be read is refused in it and changes nothing
     */
    public Account pull(Pull pull) {
        return pull(pull, 0);
    }

    private Account pull(Pull pull, int depth) {
        int number = ++pulls;
        EventType event = events.get(pull.event());
        if (event == null) {
            Problem unknown = new Problem(
                    "/type",
                    '"' + pull.event() + '"',
                    "the name of a known event" + Words.nearest(pull.event(), events.keySet()));
            return record(new Account(number, pull, now, List.of(unknown), taken(), List.of()));
        }
        List<Problem> refused = event.check(pull);
        if (!refused.isEmpty()) {
            return record(new Account(number, pull, now, refused, taken(), List.of()));
        }
        List<String> said = new ArrayList<>(taken());
        said.addAll(Decision.notes(event, pull));
        resets.getOrDefault(pull.event(), List.of()).forEach(limiter::reset);
        place(event, pull);
        List<Answer> answers = new ArrayList<>();
        List<Rope> ropes = listeners.getOrDefault(pull.event(), List.of());
        switch (pull.phase()) {
            case MOMENT -> ropes.forEach(rope -> answers.add(answer(rope, event, pull, number, depth)));
            case BEGIN -> ropes.forEach(rope -> answers.add(begin(rope, event, pull, number, depth, said)));
            case END -> end(ropes, event, pull, said, answers);
            case SET -> set(ropes, event, pull, number, depth, answers);
        }
        if (pull.phase() != Phase.END) {
            world.came(pull.event(), now);
        }
        return record(new Account(number, pull, now, List.of(), List.copyOf(said), List.copyOf(answers)));
    }

    private List<String> taken() {
        List<String> taken = List.copyOf(notes);
        notes.clear();
        return taken;
    }

    private Account record(Account account) {
        ledger.add(account);
        return account;
    }

    // An event that says where its subject is tells those who follow it, unless the game itself moves it.
    private void place(EventType event, Pull pull) {
        boolean wanted = false;
        for (Rope rope : listeners.getOrDefault(event.name(), List.of())) {
            wanted |= rope.where().anchor() == Where.Anchor.SUBJECT;
        }
        Optional<Vec3> at = event.vector(Meaning.POSITION).flatMap(f -> pull.vector(f.name()));
        String subject = World.subject(event, pull);
        if (at.isPresent() && (wanted || world.subject(subject) != null) && !world.moved(subject)) {
            Vec3 heading = event.vector(Meaning.HEADING)
                    .flatMap(f -> pull.vector(f.name()))
                    .orElse(Vec3.ZERO);
            world.heard(subject).put(now, world.order(), at.get(), heading.directionOr(Vec3.ZERO), pull.velocity());
        }
    }

    private Answer answer(Rope rope, EventType event, Pull pull, int number, int depth) {
        return answer(rope, event, pull, number, depth, 0, false);
    }

    private Answer answer(Rope rope, EventType event, Pull pull, int number, int depth, double wait, boolean holding) {
        long key = ensemble.key(rope, pull.seed());
        long beginning = world.begins();
        Decision decision = new Decision(rope, event, pull, world, now, beginning, key);
        Effect effect = rope.play().map(ensemble::effect).orElse(null);
        String subject = World.subject(event, pull);
        Vec3 anchor = decision.anchor();
        Vec3 origin = decision.origin(anchor);
        Optional<Reason> reason = decision.stopped(Optional.ofNullable(effect));
        if (reason.isEmpty()) {
            reason = limiter.stopped(rope, subject, decision, pace.seconds(now), origin, event.weight());
        }
        if (reason.isEmpty() && ensemble.full()) {
            reason = Optional.of(new Account.Limited(
                    "instances on the stage", MOST_INSTANCES + " play", "fewer than " + MOST_INSTANCES));
        }
        if (reason.isPresent()) {
            return new Silent(rope.name(), rope.play().orElse(rope.name()), reason.get());
        }
        limiter.answered(rope, subject, pace.seconds(now), origin);
        double delay = wait
                + rope.timing().delay()
                + (rope.timing().jitter() > 0 ? rope.timing().jitter() * decision.unit(Purpose.JITTER) : 0);
        Vec3 facing = decision.facing();
        Holding held = null;
        if (holding) {
            held = new Holding(rope.name(), event, subject, pull, number, now, key, depth, origin, facing);
            holdings.computeIfAbsent(rope.name(), r -> new ArrayList<>()).add(held);
            if (rope.run().longest().isPresent()) {
                held.endsAt =
                        now + Math.max(1, pace.stepsAt(rope.run().longest().getAsDouble()));
            }
        }
        int steps = pace.stepsAt(delay);
        Begin begin = new Begin(event, pull, number, depth, beginning, key, held);
        if (steps == 0) {
            begin(rope, begin, decision, anchor);
        } else {
            later(steps, () -> begin(begin, rope.name()));
        }
        List<Fed> fed = List.of();
        OptionalDouble hold = OptionalDouble.empty();
        if (effect != null) {
            Effect mine = rope.over(effect);
            fed = List.copyOf(decision.fed(mine));
            var kept = ensemble.hold(mine, decision.resolved(mine, Decision.values(fed)));
            hold = kept.isPresent() ? OptionalDouble.of(pace.seconds(kept.getAsInt())) : hold;
        }
        return new Played(
                rope.name(),
                effect == null ? "" : effect.name(),
                origin,
                facing,
                fed,
                hold,
                pace.seconds(steps),
                rope.companions(),
                rope.followUps());
    }

    /** What is to begin: at once, or when its delay is over. */
    private record Begin(EventType event, Pull pull, int number, int depth, long beginning, long key, Holding held) {
        private Begin at(long other) {
            return new Begin(event, pull, number, depth, other, key, held);
        }
    }

    // After a delay the rope may be another, and the subject elsewhere.
    private void begin(Begin begin, String name) {
        Rope rope = ensemble.rope(name);
        boolean off = begin.held != null && begin.held.over;
        if (rope != null && !off && rope.event().equals(begin.event.name())) {
            Begin late = begin.at(world.begins());
            Decision decision = new Decision(rope, late.event, late.pull, world, now, late.beginning, late.key);
            begin(rope, late, decision, decision.anchor());
        }
    }

    private void begin(Rope rope, Begin begin, Decision decision, Vec3 anchor) {
        Playing crowded = limiter.tooMany(rope);
        if (crowded != null) {
            ensemble.cut(crowded);
        }
        Effect effect = rope.play().map(ensemble::effect).orElse(null);
        if (begin.held != null) {
            rope.run().start().map(ensemble::effect).ifPresent(start -> {
                Playing first = playing(Playing.Role.START, 0, rope, begin, anchor, Vec3.UP);
                ensemble.build(first, rope, start, decision);
                ensemble.enter(first, now);
            });
        }
        Playing main = null;
        if (effect != null) {
            main = playing(Playing.Role.MAIN, 0, rope, begin, anchor, Vec3.UP);
            ensemble.build(main, rope, effect, decision);
            limiter.began(rope, main);
            if (begin.held != null) {
                begin.held.main = main;
            }
            ensemble.enter(main, now);
        }
        companions(rope, begin, decision);
        Vec3 origin = decision.origin(anchor);
        Vec3 facing = decision.facing();
        for (int i = 0; i < rope.followUps().size(); i++) {
            FollowUp follow = rope.followUps().get(i);
            boolean bare = effect == null && follow.cue() == FollowUp.Cue.OVER;
            if (follow.cue() == FollowUp.Cue.BEGUN || bare) {
                follow(rope.name(), i, begin, main, origin, facing, follow.after());
            }
        }
    }

    private Playing playing(Playing.Role role, int index, Rope rope, Begin begin, Vec3 anchor, Vec3 facing) {
        Playing instance = new Playing(
                role,
                index,
                rope.name(),
                begin.pull,
                begin.number,
                World.subject(begin.event, begin.pull),
                begin.event.weight(),
                now,
                begin.beginning,
                begin.key,
                anchor,
                facing);
        instance.depth = begin.depth;
        return instance;
    }

    private void companions(Rope rope, Begin begin, Decision decision) {
        for (Companion companion : rope.companions()) {
            if (companion instanceof Companion.Shake shake) {
                comfort.shake(shake, now, decision.unit(Purpose.PLACE_ANGLE));
            } else if (companion instanceof Companion.Flash flash) {
                comfort.flash(flash, now);
            } else if (companion instanceof Companion.HitPause pause) {
                comfort.hold(pause.seconds());
            } else if (companion instanceof Companion.Notice notice) {
                int steps = pace.stepsAt(notice.after());
                String name = rope.name();
                if (steps == 0) {
                    tell(notice.name(), Told.What.NOTICE, name, begin.number);
                } else {
                    later(steps, () -> tell(notice.name(), Told.What.NOTICE, name, begin.number));
                }
            }
        }
    }

    private void tell(String name, Told.What what, String rope, int pull) {
        if (told.size() == MOST_WAITING) {
            told.removeFirst();
        }
        told.addLast(new Told(now, name, what, rope, pull));
    }

    private void later(int steps, Runnable work) {
        if (due.size() >= MOST_DUE) {
            note("more than " + MOST_DUE + " answers are due; one was dropped");
            return;
        }
        due.add(new Due(now + steps, order++, work));
    }

    private void note(String words) {
        if (notes.size() < 100) {
            notes.add(words);
        }
    }

    private void follow(String rope, int index, Begin begin, Playing main, Vec3 origin, Vec3 facing, double after) {
        int steps = pace.stepsAt(after);
        if (steps == 0) {
            follow(rope, index, begin, main, origin, facing);
        } else {
            later(steps, () -> follow(rope, index, begin, main, origin, facing));
        }
    }

    private void follow(String name, int index, Begin begin, Playing main, Vec3 origin, Vec3 facing) {
        Rope rope = ensemble.rope(name);
        FollowUp follow = ensemble.followUp(name, index).orElse(null);
        if (rope == null || follow == null) {
            return;
        }
        if (follow.announce().isPresent()) {
            announce(follow.announce().get(), begin);
            return;
        }
        Effect effect = follow.play().map(ensemble::effect).orElse(null);
        if (effect == null || ensemble.full()) {
            return;
        }
        Vec3 at = (main == null ? origin : main.run.place(now)).plus(follow.offset());
        Vec3 way = main == null ? facing : main.run.facing();
        Playing instance = playing(Playing.Role.FOLLOW, index, rope, begin, at, way);
        ensemble.build(
                instance,
                rope,
                effect,
                new Decision(rope, begin.event, begin.pull, world, now, begin.beginning, begin.key));
        ensemble.enter(instance, now);
        follow.notice().ifPresent(n -> tell(n, Told.What.BEGINS, name, begin.number));
        follow.inForce().ifPresent(seconds -> later(Math.max(1, pace.stepsAt(seconds)), () -> outOfForce(instance)));
    }

    private void outOfForce(Playing instance) {
        if (instance.gone) {
            return;
        }
        FollowUp follow = ensemble.followUp(instance.rope, instance.index).orElse(null);
        instance.stop(now);
        if (follow != null) {
            follow.notice().ifPresent(n -> tell(n, Told.What.ENDS, instance.rope, instance.number));
            if (follow.fadeOut() > 0) {
                ensemble.dim(instance, now, pace.stepsAt(follow.fadeOut()));
            }
        }
    }

    // Fields of the same name are handed on; the others are as usual.
    private void announce(String name, Begin begin) {
        EventType event = events.get(name);
        if (event == null) {
            note("there is no event named " + name + " to announce");
            return;
        }
        if (begin.depth + 1 >= DEEPEST) {
            note(name + " was not announced: " + DEEPEST + " events have announced one another");
            return;
        }
        var payload = Strength.USUAL.payload(event);
        event.fields().forEach(field -> {
            var given = begin.pull.payload().get(field.name());
            if (given != null && field.accepts(given)) {
                payload.put(field.name(), given);
            }
        });
        Pull pull = switch (event.shape()) {
            case MOMENT -> new Pull(name, payload, begin.pull.seed());
            case SPAN -> Pull.begin(name, payload, begin.pull.seed());
            case STATE -> Pull.set(name, event.values().get(0), payload, begin.pull.seed());
        };
        unasked(pull(
                pull.of(begin.pull.subject()).tagged(begin.pull.tags()).moving(begin.pull.velocity()),
                begin.depth + 1));
    }

    private void unasked(Account account) {
        if (unasked.size() == MOST_WAITING) {
            unasked.removeFirst();
        }
        unasked.addLast(account);
    }

    private List<Holding> held(String rope) {
        return holdings.getOrDefault(rope, List.of());
    }

    private Holding held(String rope, String subject) {
        for (Holding held : held(rope)) {
            if (held.subject.equals(subject)) {
                return held;
            }
        }
        return null;
    }

    private Answer begin(Rope rope, EventType event, Pull pull, int number, int depth, List<String> said) {
        String subject = World.subject(event, pull);
        Holding before = held(rope.name(), subject);
        if (before != null && rope.run().again() == Run.Again.CONTINUE) {
            String words = event.name() + " begins again for " + subject + " before it ended";
            if (!said.contains(words)) {
                said.add(words);
            }
            return new Silent(rope.name(), rope.play().orElse(rope.name()), new Waits("it runs already, and goes on"));
        }
        Answer answer = answer(rope, event, pull, number, depth, 0, true);
        if (before != null && rope.run().again() == Run.Again.RESTART && answer instanceof Played) {
            over(before, rope, false);
        }
        return answer;
    }

    private void end(List<Rope> ropes, EventType event, Pull pull, List<String> said, List<Answer> answers) {
        String subject = World.subject(event, pull);
        boolean any = false;
        for (Rope rope : ropes) {
            Holding held = held(rope.name(), subject);
            if (held == null) {
                answers.add(new Silent(
                        rope.name(), rope.play().orElse(rope.name()), new Waits("nothing of it runs for " + subject)));
            } else {
                any = true;
                answers.add(over(held, rope, true));
            }
        }
        if (!any && !ropes.isEmpty()) {
            said.add(event.name() + " ends for " + subject + " without anything that runs");
        }
    }

    private void set(List<Rope> ropes, EventType event, Pull pull, int number, int depth, List<Answer> answers) {
        String subject = World.subject(event, pull);
        double fading = 0;
        for (Rope rope : ropes) {
            Holding held = held(rope.name(), subject);
            if (held != null && !rope.when().value().equals(pull.value())) {
                answers.add(over(held, rope, true));
                if (held.main != null) {
                    fading = Math.max(fading, pace.seconds(held.main.run.fadeOut()));
                }
            }
        }
        for (Rope rope : ropes) {
            boolean wanted = rope.when().value().equals(pull.value());
            if (wanted && held(rope.name(), subject) != null) {
                answers.add(new Silent(
                        rope.name(), rope.play().orElse(rope.name()), new Waits("it is so already, and goes on")));
            } else if (wanted || answers.stream().noneMatch(a -> a.rope().equals(rope.name()))) {
                double wait = rope.run().order() == Run.Order.AFTER ? fading : 0;
                answers.add(answer(rope, event, pull, number, depth, wait, true));
            }
        }
    }

    /** Ends a span or state for one rope: the loop fades, and what ends it plays. */
    private Ended over(Holding held, Rope rope, boolean withEnd) {
        held.over = true;
        List<Holding> all = holdings.get(held.rope);
        if (all != null) {
            all.remove(held);
            if (all.isEmpty()) {
                holdings.remove(held.rope);
            }
        }
        boolean began = held.main != null || now > held.since || rope.play().isEmpty();
        if (held.main != null && !held.main.gone) {
            held.main.stop(now);
        }
        Begin begin = new Begin(held.event, held.pull, held.number, held.depth, world.begins(), held.key, null);
        Optional<String> end = withEnd && began ? rope.run().end() : Optional.empty();
        Effect effect = end.map(ensemble::effect).orElse(null);
        if (effect != null && !ensemble.full()) {
            Playing last = playing(Playing.Role.END, 0, rope, begin, held.place(now), held.facing());
            ensemble.build(
                    last,
                    rope,
                    effect,
                    new Decision(rope, held.event, held.pull, world, now, begin.beginning, held.key));
            ensemble.enter(last, now);
        }
        if (withEnd) {
            for (int i = 0; i < rope.followUps().size(); i++) {
                FollowUp follow = rope.followUps().get(i);
                if (follow.cue() == FollowUp.Cue.ENDED) {
                    follow(rope.name(), i, begin, held.main, held.origin, held.facing, follow.after());
                }
            }
        }
        return new Ended(rope.name(), rope.play().orElse(""), pace.seconds(now - held.since), end);
    }

    // An instance is over or was taken off.
    private void over(Playing instance) {
        limiter.ended(instance);
        Rope rope = ensemble.rope(instance.rope);
        if (rope == null) {
            return;
        }
        if (instance.role == Playing.Role.FOLLOW) {
            ensemble.followUp(instance.rope, instance.index)
                    .flatMap(FollowUp::notice)
                    .ifPresent(n -> tell(n, Told.What.GONE, instance.rope, instance.number));
        }
        EventType event = events.get(instance.pull.event());
        if (instance.role == Playing.Role.MAIN && event != null) {
            Begin begin = new Begin(
                    event, instance.pull, instance.number, instance.depth, instance.beginning, instance.key, null);
            for (int i = 0; i < rope.followUps().size(); i++) {
                FollowUp follow = rope.followUps().get(i);
                if (follow.cue() == FollowUp.Cue.OVER) {
                    int index = i;
                    // Never in the midst of a step: what it begins must not disturb the list that is being gone
                    // through.
                    later(
                            pace.stepsAt(follow.after()),
                            () -> follow(rope.name(), index, begin, instance, Vec3.ZERO, Vec3.UP));
                }
            }
        }
    }

    /**
     * Says where a subject is. Instances that follow it go with it.
     *
     * @param subject as in {@link Pull#subject}, or the subject of events that name none, such as {@code kite}
     * @param heading which way it points; zero to leave it as it was
     * @param velocity with which it goes on until it is moved again; null if it is moved each step
     */
    public void move(String subject, Vec3 place, Vec3 heading, Vec3 velocity) {
        world.heard(subject).put(now, world.order(), place, heading.directionOr(Vec3.ZERO), velocity);
        world.moves(subject);
    }

    /** Says where the camera is. */
    public void camera(Vec3 place) {
        world.camera().put(now, world.order(), place, Vec3.ZERO, null);
    }

    /**
     * Says that a subject is no more. Its spans end, its instances do what their ropes say of their owner's end.
     *
     * @return the account, with a line for each rope that had something of it
     */
    public Account gone(String subject) {
        List<Answer> answers = new ArrayList<>();
        for (List<Holding> all : List.copyOf(holdings.values())) {
            for (Holding held : List.copyOf(all)) {
                Rope rope = ensemble.rope(held.rope);
                if (held.subject.equals(subject) && held.event.shape() == Shape.SPAN && rope != null) {
                    answers.add(over(held, rope, rope.owner().end() == Owner.AtEnd.FINISH));
                }
            }
        }
        Track track = world.subject(subject);
        if (track != null) {
            track.rest(now, world.order());
        }
        boolean known = track != null || !answers.isEmpty();
        for (Playing instance : List.copyOf(ensemble.playing())) {
            Rope rope = ensemble.rope(instance.rope);
            if (instance.role == Playing.Role.MAIN && instance.subject.equals(subject) && rope != null) {
                known = true;
                if (rope.owner().end() == Owner.AtEnd.VANISH) {
                    ensemble.cut(instance);
                } else if (rope.owner().end() == Owner.AtEnd.FADE) {
                    ensemble.dim(instance, now, pace.stepsAt(rope.owner().over()));
                }
            }
        }
        world.forget(subject);
        limiter.forget(subject);
        List<String> said = new ArrayList<>(taken());
        if (!known) {
            said.add("nothing was known of " + subject);
        }
        Pull pull = new Pull("subject.gone", Map.of(), 0).of(subject);
        return record(new Account(++pulls, pull, now, List.of(), said, answers));
    }

    /**
     * Says what a channel carries from now on.
     *
     * @throws Refused if there is no channel of that name, or the value is not finite
     */
    public void publish(String channel, double value) {
        if (!world.has(channel)) {
            throw new Refused(
                    "channel",
                    '"' + channel + '"',
                    "the name of a channel" + Words.nearest(channel, world.channelNames()));
        }
        world.publish(channel, now, Demand.finite("value", value));
    }

    /** Pretends that an event last came so many seconds ago. */
    public void came(String event, double secondsAgo) {
        world.came(event, now - secondsAgo * pace.stepsPerSecond());
    }

    /** Lets ropes that answer once for each subject answer everyone again. */
    public void reset() {
        project.ropes().forEach(limiter::reset);
    }

    /** Sets what the player wants less of. */
    public void less(boolean shake, boolean flash) {
        comfort.lessShake = shake;
        comfort.lessFlash = flash;
    }

    /** Advances by one step, whatever is paused. */
    public void step() {
        now++;
        comfort.eat(pace.seconds(1));
        comfort.step(now, pace);
        ensemble.step(now);
        expire();
        while (!due.isEmpty() && due.peek().step <= now) {
            due.poll().work.run();
        }
        ensemble.advance(now);
    }

    // A span that has lasted for as long as it may ends by itself.
    private void expire() {
        if (holdings.isEmpty()) {
            return;
        }
        List<Holding> ending = null;
        for (List<Holding> all : holdings.values()) {
            for (int i = 0; i < all.size(); i++) {
                if (all.get(i).endsAt <= now) {
                    ending = ending == null ? new ArrayList<>() : ending;
                    ending.add(all.get(i));
                }
            }
        }
        for (Holding held : ending == null ? List.<Holding>of() : ending) {
            Rope rope = ensemble.rope(held.rope);
            Pull end = Pull.end(held.event.name()).of(held.pull.subject());
            List<String> said = List.of(held.rope + " has lasted as long as it may, and ends by itself");
            unasked(record(new Account(++pulls, end, now, List.of(), said, List.of(over(held, rope, true)))));
        }
    }

    /** Ends every span and state, and tells everything that loops to end. */
    public void stop() {
        for (List<Holding> all : List.copyOf(holdings.values())) {
            for (Holding held : List.copyOf(all)) {
                over(held, ensemble.rope(held.rope), true);
            }
        }
        ensemble.stop(now);
    }

    /**
     * Advances by the whole steps in the time that passed and keeps the rest for the next call. A pause held by a companion
     * is taken off the time first.
     *
     * @param seconds 0 or more; anything else changes nothing and is said in the next account
     * @return how many steps were made
     */
    public int advance(double seconds) {
        if (!(seconds >= 0) || Double.isInfinite(seconds)) {
            note("the clock was told to advance by " + Words.number(seconds) + " s; nothing moved");
            return 0;
        }
        remainder += comfort.eat(seconds) * pace.stepsPerSecond();
        int steps = (int) Math.floor(remainder + 1e-9);
        remainder = Math.max(0, remainder - steps);
        if (still()) {
            // Nothing moves: time is only counted.
            now += steps;
            return steps;
        }
        for (int i = 0; i < steps; i++) {
            step();
        }
        return steps;
    }

    /**
     * Takes a changed project without stopping: every instance is played again from its birth under the new settings, up
     * to now. Instances whose rope or effect is gone end. Counts of births and swallowed births stay as they were; what was
     * told, shaken and flashed is not told, shaken or flashed again.
     */
    public void retune(Project next) {
        take(next);
        ensemble.retune(next, now);
        holdings.values()
                .forEach(all -> all.removeIf(held -> {
                    Rope rope = ensemble.rope(held.rope);
                    EventType event = events.get(held.event.name());
                    boolean lost = rope == null
                            || event == null
                            || event.shape() != held.event.shape()
                            || !rope.event().equals(event.name())
                            || event.shape() == Shape.STATE
                                    && !rope.when().value().equals(held.pull.value());
                    if (lost) {
                        held.over = true;
                        if (held.main != null && !held.main.gone) {
                            held.main.stop(now);
                        }
                    }
                    return lost;
                }));
        holdings.values().removeIf(List::isEmpty);
    }

    /** Ends everything that plays, lasts or is due, and forgets what limits remember. */
    public void clear() {
        ensemble.clear();
        holdings.clear();
        due.clear();
        limiter.clear();
        comfort.clear();
    }

    /**
     * Encodes what is on the stage; see {@link FrameEncoder}.
     *
     * @param sequence number of this frame on its way to one reader
     * @return valid until the next call
     */
    public ByteBuffer frame(int sequence) {
        return encoder.encode(ensemble.layers(), now, instances(), sequence);
    }

    /** Returns the layers in draw order, for measuring. */
    public List<Layer> layers() {
        return ensemble.layers();
    }

    public Project project() {
        return project;
    }

    /** Returns how many steps have been made. */
    public int now() {
        return now;
    }

    /** Returns how many instances are held. */
    public int instances() {
        return ensemble.playing().size();
    }

    /** Returns how many spans and states last, each counted for every rope that answers it. */
    public int holding() {
        int sum = 0;
        for (List<Holding> all : holdings.values()) {
            sum += all.size();
        }
        return sum;
    }

    /** Tells whether nothing plays, lasts, shakes or is due. */
    public boolean still() {
        return ensemble.playing().isEmpty() && holdings.isEmpty() && due.isEmpty() && comfort.still();
    }

    /** Returns how many particles live. */
    public int particles() {
        return ensemble.particles();
    }

    public long births() {
        return ensemble.births();
    }

    /** Returns how many were born of each generation by what plays now; see {@link EffectRun#byGeneration}. */
    public long[] byGeneration() {
        long[] sum = new long[EffectRun.GENERATIONS];
        for (Playing instance : ensemble.playing()) {
            long[] one = instance.run.byGeneration();
            for (int i = 0; i < sum.length; i++) {
                sum[i] += one[i];
            }
        }
        return sum;
    }

    /** Returns how many births the particle limit, a cap of an emitter or the limit of instances has swallowed. */
    public long swallowed() {
        return ensemble.swallowed();
    }

    /** Returns how far the camera is moved now, within the project's cap and the player's settings. */
    public Shaken shaken() {
        return comfort.shaken(now, pace, project.settings().comfort());
    }

    /** Returns what lies over the screen now, within the project's cap and the player's settings. */
    public Flashed flashed() {
        return comfort.flashed(now, pace, project.settings().comfort());
    }

    /** Returns for how many seconds the game still holds its breath. */
    public double paused() {
        return comfort.pause();
    }

    /** Returns what game code is told since the last call, oldest first. */
    public List<Told> told() {
        List<Told> taken = List.copyOf(told);
        told.clear();
        return taken;
    }

    /** Returns the accounts of what came by itself since the last call: announced events, spans that ended. */
    public List<Account> unasked() {
        List<Account> taken = List.copyOf(unasked);
        unasked.clear();
        return taken;
    }

    /** Returns the accounts of the last pulls. */
    public Ledger ledger() {
        return ledger;
    }
}
