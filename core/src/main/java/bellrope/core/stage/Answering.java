package bellrope.core.stage;

import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.random.Purpose;
import bellrope.core.rope.Companion;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Rope;
import bellrope.core.stage.Account.Answer;
import bellrope.core.stage.Account.Fed;
import bellrope.core.stage.Account.Played;
import bellrope.core.stage.Account.Reason;
import bellrope.core.stage.Account.Silent;
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
        Holding hold(Begin begin, Rope rope, Vec3 origin, Vec3 facing);

        /** Returns what plays now and ends if this answers; null for none. */
        default Playing replaced() {
            return null;
        }
    }

    /**
     * Lets a rope answer.
     *
     * @param wait seconds that it waits for others besides its own delay
     * @param lasts what holds it; null for a moment
     */
    Answer answer(Rope rope, EventType event, Pull pull, int number, int depth, double wait, Lasts lasts) {
        long key = scene.ensemble.key(rope, pull.seed());
        Begin begin = new Begin(event, pull, number, depth, scene.world.begins(), key, null);
        Decision decision = scene.decision(rope, begin);
        Effect effect = scene.effect(rope.play());
        Vec3 anchor = decision.anchor();
        Vec3 origin = decision.origin(anchor);
        double seconds = scene.pace().seconds(scene.now) - scene.ago;
        Optional<Reason> reason = decision.stopped(Optional.ofNullable(effect));
        if (reason.isEmpty()) {
            Playing replaced = lasts == null ? null : lasts.replaced();
            reason = scene.limiter.stopped(rope, begin.subject(), decision, seconds, origin, event.weight(), replaced);
        }
        if (reason.isEmpty() && scene.ensemble.full()) {
            reason = Optional.of(new Account.Limited(
                    "instances on the stage", Stage.MOST_INSTANCES + " play", "fewer than " + Stage.MOST_INSTANCES));
        }
        if (reason.isPresent()) {
            return silent(rope, reason.get());
        }
        scene.limiter.answered(rope, begin.subject(), seconds, origin);
        double jitter = rope.timing().jitter();
        double delay = wait + rope.timing().delay() + (jitter > 0 ? jitter * decision.unit(Purpose.JITTER) : 0);
        Vec3 facing = decision.facing();
        Holding held = lasts == null ? null : lasts.hold(begin, rope, origin, facing);
        Begin whole = new Begin(event, pull, number, depth, begin.beginning(), key, held);
        int steps = scene.pace().stepsAt(delay);
        if (steps == 0) {
            begin(rope, whole, decision, anchor);
        } else {
            scene.limiter.waits(rope);
            if (!scene.later(steps, () -> begin(whole, rope.name()))) {
                scene.limiter.waited(rope.name());
            }
        }
        return played(rope, effect, decision, origin, facing, steps);
    }

    private Played played(Rope rope, Effect effect, Decision decision, Vec3 origin, Vec3 facing, int steps) {
        List<Fed> fed = List.of();
        OptionalDouble hold = OptionalDouble.empty();
        if (effect != null) {
            Effect mine = scene.ensemble.over(rope, effect);
            Decision.Beginning first = decision.beginning(mine);
            fed = first.fed();
            OptionalInt kept = scene.ensemble.hold(mine, first.emitters());
            hold = kept.isPresent() ? OptionalDouble.of(scene.pace().seconds(kept.getAsInt())) : hold;
            // What the rope cuts is not needed any longer than that.
            OptionalDouble cut = rope.overrides().goneAfter();
            if (cut.isPresent()) {
                double until = scene.pace().seconds(scene.pace().stepsAt(cut.getAsDouble()));
                hold = OptionalDouble.of(Math.min(until, hold.orElse(until)));
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
                rope.followUps());
    }

    static Silent silent(Rope rope, Reason reason) {
        return new Silent(rope.name(), rope.play().orElse(rope.name()), reason);
    }

    // After a delay the rope may be another, and the subject elsewhere.
    private void begin(Begin begin, String name) {
        scene.limiter.waited(name);
        Rope rope = scene.ensemble.rope(name);
        boolean off = begin.held() != null && begin.held().over;
        if (rope != null && !off && scene.limiter.closed(rope)) {
            scene.outbox.note(name + " did not begin: as many play as its limit, lowered since, allows");
        } else if (rope != null && !off && rope.event().equals(begin.event().name())) {
            Begin late = begin.at(scene.world.begins());
            Decision decision = scene.decision(rope, late);
            begin(rope, late, decision, decision.anchor());
        }
    }

    private void begin(Rope rope, Begin begin, Decision decision, Vec3 anchor) {
        for (Playing crowded = scene.limiter.tooMany(rope); crowded != null; crowded = scene.limiter.tooMany(rope)) {
            scene.ensemble.cut(crowded);
        }
        Effect start = begin.held() == null ? null : scene.effect(rope.run().start());
        if (start != null) {
            Playing first = begin.playing(Playing.Role.START, 0, rope, scene.now, anchor, Vec3.UP);
            scene.enter(first, rope, start, decision);
        }
        Effect effect = scene.effect(rope.play());
        Playing main = null;
        if (effect != null) {
            main = begin.playing(Playing.Role.MAIN, 0, rope, scene.now, anchor, Vec3.UP);
            scene.limiter.began(rope, main);
            if (begin.held() != null) {
                begin.held().main = main;
            }
            scene.enter(main, rope, effect, decision);
        }
        companions(rope, begin, decision);
        Vec3 origin = decision.origin(anchor);
        Vec3 facing = decision.facing();
        following.cue(FollowUp.Cue.BEGUN, rope, begin, main, origin, facing);
        if (effect == null) {
            // Nothing plays, so it is over at once.
            following.cue(FollowUp.Cue.OVER, rope, begin, null, origin, facing);
        }
    }

    private void companions(Rope rope, Begin begin, Decision decision) {
        for (Companion companion : rope.companions()) {
            companion.visit(
                    shake -> scene.comfort.shake(shake, scene.now, decision.unit(Purpose.PLACE_ANGLE)),
                    flash -> scene.comfort.flash(flash, scene.now),
                    pause -> scene.comfort.hold(pause.seconds()),
                    notice -> scene.after(
                            scene.pace().stepsAt(notice.after()),
                            () -> scene.tell(notice.name(), Told.What.NOTICE, rope, begin, notice.values())));
        }
    }
}
