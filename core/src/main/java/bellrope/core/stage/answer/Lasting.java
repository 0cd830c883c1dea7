package bellrope.core.stage.answer;

import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.EventType.Shape;
import bellrope.core.event.Pull;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Owner;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.stage.decide.Arrival;
import bellrope.core.stage.decide.Cause;
import bellrope.core.stage.play.Instance;
import bellrope.core.stage.play.Origin;
import bellrope.core.stage.told.Account.Answer;
import bellrope.core.stage.told.Account.Ended;
import bellrope.core.stage.told.Account.Waits;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Spans and states that last: one holding for each rope and subject. */
final class Lasting {
    private final Scene scene;
    private final Answering answering;
    private final Following following;
    private final Map<String, List<Holding>> holdings = new LinkedHashMap<>();

    Lasting(Scene scene, Answering answering, Following following) {
        this.scene = scene;
        this.answering = answering;
        this.following = following;
    }

    private Holding of(String rope, String subject) {
        for (Holding held : holdings.getOrDefault(rope, List.of())) {
            if (held.cause().subject().equals(subject)) {
                return held;
            }
        }
        return null;
    }

    /** Returns all of them, in a list of its own. */
    private List<Holding> all() {
        List<Holding> all = new ArrayList<>();
        holdings.values().forEach(all::addAll);
        return all;
    }

    int count() {
        int sum = 0;
        for (List<Holding> all : holdings.values()) {
            sum += all.size();
        }
        return sum;
    }

    boolean none() {
        return holdings.isEmpty();
    }

    void clear() {
        holdings.clear();
    }

    private Holding hold(Cause cause, Rope rope, Vec3 origin, Vec3 facing) {
        int now = scene.now();
        int until = rope.run().longest().isEmpty()
                ? Instance.NEVER
                : now + Math.max(1, scene.pace().stepsAt(rope.run().longest().getAsDouble()));
        Holding held = new Holding(rope.name(), cause, now, until, origin, facing);
        holdings.computeIfAbsent(rope.name(), r -> new ArrayList<>()).add(held);
        return held;
    }

    /** Lets a rope answer the beginning of a span. */
    Answer begin(Rope rope, Arrival arrival, double ago, List<String> said) {
        String subject = arrival.subject();
        Holding before = of(rope.name(), subject);
        if (before != null && rope.run().again() == Run.Again.CONTINUE) {
            String words = arrival.event().name() + " begins again for " + subject + " before it ended";
            if (!said.contains(words)) {
                said.add(words);
            }
            return Answering.silent(rope, new Waits("it already runs and continues"));
        }
        boolean restarts = before != null && rope.run().again() == Run.Again.RESTART;
        return answering.answer(rope, arrival, ago, 0, restarts ? instead(before) : this::hold);
    }

    // Ends what ran as soon as it is sure that another begins, and before that does.
    private Answering.Lasts instead(Holding before) {
        return new Answering.Lasts() {
            @Override
            public Holding hold(Cause cause, Rope rope, Vec3 origin, Vec3 facing) {
                over(before, rope, false);
                if (before.main() != null) {
                    scene.limiter().ended(before.main());
                }
                return Lasting.this.hold(cause, rope, origin, facing);
            }

            @Override
            public Instance replaced() {
                return before.main();
            }
        };
    }

    /** Ends a span for all ropes that answer it; of several of one subject the one that began first. */
    void end(List<Rope> ropes, Arrival arrival, List<String> said, List<Answer> answers) {
        String subject = arrival.subject();
        boolean any = false;
        for (Rope rope : ropes) {
            Holding held = of(rope.name(), subject);
            any |= held != null;
            answers.add(
                    held == null
                            ? Answering.silent(rope, new Waits("nothing of it runs for " + subject))
                            : over(held, rope, true));
        }
        if (!any && !ropes.isEmpty()) {
            said.add(arrival.event().name() + " ends for " + subject + " without anything that runs");
        }
    }

    /** Leaves what ran for other values of a state, and enters what runs for this one. */
    void set(List<Rope> ropes, Arrival arrival, double ago, List<Answer> answers) {
        String subject = arrival.subject();
        Optional<String> value = arrival.pull().value();
        double fading = 0;
        for (Rope rope : ropes) {
            Holding held = of(rope.name(), subject);
            if (held != null && !rope.when().value().equals(value)) {
                answers.add(over(held, rope, true));
                if (held.main() != null) {
                    fading = Math.max(fading, scene.pace().seconds(held.main().fadeOut()));
                }
            }
        }
        for (Rope rope : ropes) {
            boolean wanted = rope.when().value().equals(value);
            if (wanted && of(rope.name(), subject) != null) {
                answers.add(Answering.silent(rope, new Waits("it already has this value and continues")));
            } else if (wanted || answers.stream().noneMatch(a -> a.rope().equals(rope.name()))) {
                double wait = rope.run().order() == Run.Order.AFTER ? fading : 0;
                answers.add(answering.answer(rope, arrival, ago, wait, this::hold));
            }
        }
    }

    /** Ends one for one rope: the loop fades, and what ends it plays. */
    private Ended over(Holding held, Rope rope, boolean withEnd) {
        List<Holding> all = holdings.get(held.rope());
        if (all != null) {
            all.remove(held);
            if (all.isEmpty()) {
                holdings.remove(held.rope());
            }
        }
        int now = scene.now();
        boolean began = held.main() != null || now > held.since() || rope.play().isEmpty();
        held.end(now);
        Cause cause = held.cause().at(scene.world().begins());
        Optional<String> end = withEnd && began ? rope.run().end() : Optional.empty();
        Effect effect = scene.roster().effect(end);
        if (effect != null && !scene.ensemble().full()) {
            Origin origin = new Origin(Origin.Role.END, 0, rope.name(), cause, now, held.place(now), held.facing());
            scene.enterIfRoom(new Instance(origin), rope, effect, scene.decision(rope, cause));
        }
        if (withEnd) {
            following.cue(FollowUp.Cue.ENDED, rope, cause, held.main(), held.origin(), held.beginning());
        }
        return new Ended(rope.name(), rope.play().orElse(""), scene.pace().seconds(now - held.since()), end);
    }

    /** Ends the spans of a subject that is no more, and returns a line for each. */
    List<Answer> gone(String subject) {
        List<Answer> answers = new ArrayList<>();
        for (Holding held : all()) {
            Rope rope = scene.roster().rope(held.rope());
            if (held.cause().subject().equals(subject) && held.cause().event().shape() == Shape.SPAN && rope != null) {
                answers.add(over(held, rope, rope.owner().end() == Owner.AtEnd.FINISH));
            }
        }
        return answers;
    }

    /** Told of a span that ended by itself. */
    interface Expired {
        void ended(Pull end, String words, Ended answer);
    }

    /** Ends what has lasted for as long as it may. */
    void expire(Expired expired) {
        if (holdings.isEmpty()) {
            return;
        }
        List<Holding> ending = null;
        for (List<Holding> all : holdings.values()) {
            for (int i = 0; i < all.size(); i++) {
                if (all.get(i).until() <= scene.now()) {
                    ending = ending == null ? new ArrayList<>() : ending;
                    ending.add(all.get(i));
                }
            }
        }
        for (Holding held : ending == null ? List.<Holding>of() : ending) {
            Rope rope = scene.roster().rope(held.rope());
            expired.ended(
                    Pull.end(held.cause().event().name()).of(held.cause().pull().subject()),
                    held.rope() + " has lasted as long as it may, and ends by itself",
                    over(held, rope, true));
        }
    }

    /** Ends all. */
    void stop() {
        for (Holding held : all()) {
            over(held, scene.roster().rope(held.rope()), true);
        }
    }

    /** Lets go of what a changed project no longer holds. */
    void retune() {
        for (Holding held : all()) {
            Rope rope = scene.roster().rope(held.rope());
            EventType before = held.cause().event();
            EventType event = scene.roster().event(before.name());
            boolean lost = rope == null
                    || event == null
                    || event.shape() != before.shape()
                    || !rope.event().equals(event.name())
                    || event.shape() == Shape.STATE
                            && !rope.when().value().equals(held.cause().pull().value());
            if (lost) {
                holdings.get(held.rope()).remove(held);
                held.end(scene.now());
            }
        }
        holdings.values().removeIf(List::isEmpty);
    }
}
