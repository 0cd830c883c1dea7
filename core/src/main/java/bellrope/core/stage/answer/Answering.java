package bellrope.core.stage.answer;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.random.Purpose;
import bellrope.core.rope.Companion;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Stay;
import bellrope.core.sim.Hold;
import bellrope.core.stage.decide.Arrival;
import bellrope.core.stage.decide.Beginning;
import bellrope.core.stage.decide.Cause;
import bellrope.core.stage.decide.Decision;
import bellrope.core.stage.play.Ensemble;
import bellrope.core.stage.play.Instance;
import bellrope.core.stage.play.Origin;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Account.Answer;
import bellrope.core.stage.told.Account.Fed;
import bellrope.core.stage.told.Account.Played;
import bellrope.core.stage.told.Account.Reason;
import bellrope.core.stage.told.Account.Silent;
import bellrope.core.stage.told.Account.TakenOver;
import bellrope.core.stage.told.Told;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/** How ropes answer a pull: whether, and what begins. */
final class Answering {
    private final Scene scene;
    private final Following following;

    Answering(Scene scene, Following following) {
        this.scene = scene;
        this.following = following;
    }

    /** What becomes of an answer that lasts; told before anything of it begins. */
    interface Lasts {
        /** For a moment, which nothing holds. */
        Lasts NOT = (cause, rope, origin, facing) -> null;

        /** Returns what holds the answer; null where nothing does. */
        Holding hold(Cause cause, Rope rope, Vec3 origin, Vec3 facing);

        /** Returns what plays now and ends if this answers; null for none. */
        default Instance replaced() {
            return null;
        }
    }

    /**
     * Lets a rope answer.
     *
     * @param ago seconds by which the pull came before this step
     * @param wait seconds that it waits for others besides its own delay
     * @param lasts what holds it
     */
    Answer answer(Rope rope, Arrival arrival, double ago, double wait, Lasts lasts) {
        Ensemble ensemble = scene.ensemble();
        long key = ensemble.key(rope, arrival.pull().seed());
        Cause cause = new Cause(arrival, scene.world().begins(), key);
        Decision decision = scene.decision(rope, cause);
        Effect effect = scene.roster().effect(rope.play());
        Optional<Reason> reason = decision.stopped(effect != null);
        if (reason.isPresent()) {
            return silent(rope, reason.get());
        }
        Vec3 anchor = decision.placing().anchor();
        Vec3 origin = decision.placing().origin(anchor);
        double seconds = scene.pace().seconds(scene.now()) - ago;
        int weight = arrival.event().weight();
        reason = scene.limiter().stopped(rope, cause.subject(), decision, seconds, origin, weight, lasts.replaced());
        if (reason.isEmpty() && ensemble.full()) {
            reason = Optional.of(new Account.Limited(
                    "instances on the stage", Ensemble.MOST + " play", "fewer than " + Ensemble.MOST));
        }
        double jitter = rope.timing().jitter();
        double delay = wait + rope.timing().delay() + (jitter > 0 ? jitter * decision.unit(Purpose.JITTER) : 0);
        int steps = scene.pace().stepsAt(delay);
        if (reason.isEmpty() && steps == 0 && effect != null) {
            reason = ensemble.stops(effect, weight, crowded(rope), scene.now());
            reason.ifPresent(empty -> ensemble.refused(effect));
        }
        if (reason.isPresent()) {
            return silent(rope, reason.get());
        }
        scene.limiter().answered(rope, cause.subject(), seconds, origin);
        Vec3 facing = decision.placing().facing();
        Holding held = lasts.hold(cause, rope, origin, facing);
        Optional<TakenOver> took = Optional.empty();
        if (steps == 0) {
            took = begin(rope, cause, held, decision, anchor);
        } else {
            scene.limiter().waits(rope);
            if (!scene.later(steps, () -> begin(cause, held, rope.name()))) {
                scene.limiter().waited(rope.name());
            }
        }
        return played(rope, effect, decision, origin, facing, steps, held != null, took);
    }

    // A moment that fades is over with its fade; one that does not, when its last particle is.
    private OptionalDouble stays(Rope rope, Effect mine, Beginning first) {
        Stay stay = rope.stay().filter(s -> s.inForce().isPresent()).orElse(null);
        if (stay == null) {
            return OptionalDouble.empty();
        }
        double until = stay.inForce().getAsDouble();
        int longest = 0;
        for (Emitter emitter : first.timed()) {
            longest = Math.max(longest, Hold.life(emitter, scene.pace()));
        }
        return OptionalDouble.of(
                stay.fadeOut() > 0
                        ? until + stay.fadeOut()
                        : until + mine.course().fadeOut() + scene.pace().seconds(longest));
    }

    private Played played(
            Rope rope,
            Effect effect,
            Decision decision,
            Vec3 origin,
            Vec3 facing,
            int steps,
            boolean lasts,
            Optional<TakenOver> took) {
        List<Fed> fed = List.of();
        OptionalDouble hold = OptionalDouble.empty();
        if (effect != null) {
            Effect mine = scene.roster().over(rope, effect);
            Beginning first = decision.feeding().beginning(mine);
            fed = first.fed();
            OptionalInt kept = scene.roster().hold(mine, first.timed());
            hold = kept.isPresent() ? OptionalDouble.of(scene.pace().seconds(kept.getAsInt())) : hold;
            // What the rope cuts is not needed any longer than that.
            OptionalDouble cut = rope.overrides().cutAfter();
            if (cut.isPresent()) {
                double until = scene.pace().seconds(scene.pace().stepsAt(cut.getAsDouble()));
                hold = OptionalDouble.of(Math.min(until, hold.orElse(until)));
            }
            OptionalDouble stays = lasts ? OptionalDouble.empty() : stays(rope, mine, first);
            if (stays.isPresent()) {
                hold = OptionalDouble.of(Math.min(stays.getAsDouble(), hold.orElse(stays.getAsDouble())));
            }
        }
        return new Played(
                rope.name(),
                effect == null ? "" : effect.name(),
                origin,
                facing,
                fed,
                hold,
                scene.pace().seconds(steps),
                rope.companions(),
                rope.followUps(),
                took);
    }

    static Silent silent(Rope rope, Reason reason) {
        return new Silent(rope.name(), rope.play().orElse(rope.name()), reason);
    }

    // After a delay the rope may be another, and the subject elsewhere.
    private void begin(Cause cause, Holding held, String name) {
        scene.limiter().waited(name);
        Rope rope = scene.roster().rope(name);
        boolean off = held != null && held.over();
        if (rope != null && !off && scene.limiter().closed(rope)) {
            scene.outbox().note(name + " did not begin: as many play as its limit, lowered since, allows");
        } else if (rope != null && !off && rope.event().equals(cause.event().name())) {
            Cause late = cause.at(scene.world().begins());
            Decision decision = scene.decision(rope, late);
            Effect effect = scene.roster().effect(rope.play());
            Optional<Reason> empty = effect == null
                    ? Optional.empty()
                    : scene.ensemble().stops(effect, cause.event().weight(), crowded(rope), scene.now());
            if (empty.isPresent()) {
                scene.refused(rope, effect, empty.get());
            } else {
                begin(rope, late, held, decision, decision.placing().anchor());
            }
        }
    }

    // What a limit ends so that the rope can begin.
    private Instance crowded(Rope rope) {
        return scene.limiter().tooMany(rope);
    }

    private Optional<TakenOver> begin(Rope rope, Cause cause, Holding held, Decision decision, Vec3 anchor) {
        Instance crowded = crowded(rope);
        while (crowded != null) {
            scene.ensemble().cut(crowded);
            crowded = crowded(rope);
        }
        Effect effect = scene.roster().effect(rope.play());
        Effect start = held == null ? null : scene.roster().effect(rope.run().start());
        // What comes first gives way to what it is the beginning of.
        if (start != null && (effect == null || scene.ensemble().roomForBoth(start, effect))) {
            scene.enterIfRoom(instance(Origin.Role.START, rope, cause, anchor), rope, start, decision);
        } else if (start != null) {
            scene.ensemble().refused(start);
            scene.outbox()
                    .note(rope.name() + ": " + start.name() + " did not begin, so that " + effect.name() + " could");
        }
        Instance main = null;
        Optional<TakenOver> took = Optional.empty();
        if (effect != null) {
            main = instance(Origin.Role.MAIN, rope, cause, anchor);
            scene.limiter().began(rope, main);
            if (held != null) {
                held.plays(main);
            }
            took = scene.enter(main, rope, effect, decision);
        }
        if (held == null) {
            following.stays(rope.stay(), rope, cause, main);
        }
        companions(rope, cause, decision);
        Vec3 origin = decision.placing().origin(anchor);
        Vec3 facing = decision.placing().facing();
        following.cue(FollowUp.Cue.BEGUN, rope, cause, main, origin, facing);
        if (effect == null) {
            // Nothing plays, so it is over at once.
            following.cue(FollowUp.Cue.OVER, rope, cause, null, origin, facing);
        }
        return took;
    }

    private Instance instance(Origin.Role role, Rope rope, Cause cause, Vec3 anchor) {
        return new Instance(new Origin(role, 0, rope.name(), cause, scene.now(), anchor, Vec3.UP));
    }

    private void companions(Rope rope, Cause cause, Decision decision) {
        for (Companion companion : rope.companions()) {
            companion.visit(
                    shake -> scene.comfort().shake(shake, scene.now(), decision.unit(Purpose.PLACE_ANGLE)),
                    flash -> scene.comfort().flash(flash, scene.now()),
                    tint -> scene.comfort().tint(tint, scene.now()),
                    pause -> scene.comfort().hold(pause.seconds()),
                    notice -> scene.after(
                            scene.pace().stepsAt(notice.after()),
                            () -> scene.tell(notice.name(), Told.What.NOTICE, rope, cause, notice.values())));
        }
    }
}
