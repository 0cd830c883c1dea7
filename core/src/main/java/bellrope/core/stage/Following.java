package bellrope.core.stage;

import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Rope;
import bellrope.core.value.Vec3;
import java.util.Optional;

/** What ropes start later, where their first effect was. */
final class Following {
    private final Scene scene;
    private final Announcing announcing;

    /** Lets an event arrive because another did. */
    interface Announcing {
        Account pull(Pull pull, int depth);
    }

    Following(Scene scene, Announcing announcing) {
        this.scene = scene;
        this.announcing = announcing;
    }

    /**
     * Starts, or puts on the agenda, all follow-ups of a rope that wait for a cue.
     *
     * @param main where it was; null to take the place and facing given
     */
    void cue(FollowUp.Cue cue, Rope rope, Begin begin, Playing main, Vec3 place, Vec3 facing) {
        for (FollowUp follow : rope.followUps()) {
            if (follow.cue() == cue) {
                int index = follow.id();
                int steps = scene.pace().stepsAt(follow.after());
                Runnable work = () -> follow(rope.name(), index, begin, main, place, facing);
                if (cue == FollowUp.Cue.OVER) {
                    // Never in the midst of a step: what begins must not disturb the list that is gone through.
                    scene.later(steps, work);
                } else {
                    scene.after(steps, work);
                }
            }
        }
    }

    private void follow(String name, int index, Begin begin, Playing main, Vec3 place, Vec3 facing) {
        Rope rope = scene.ensemble.rope(name);
        FollowUp follow = scene.ensemble.followUp(name, index).orElse(null);
        if (rope == null || follow == null) {
            return;
        }
        if (follow.announce().isPresent()) {
            announce(follow.announce().get(), begin);
            tell(follow, Told.What.NOTICE, rope, begin);
            return;
        }
        Effect effect = scene.effect(follow.play());
        if (effect == null || scene.ensemble.full()) {
            if (effect != null) {
                scene.outbox.note(name + ": " + effect.name() + " did not follow, because " + Stage.MOST_INSTANCES
                        + " instances play");
            }
            unplayed(follow, rope, begin);
            return;
        }
        Vec3 at = (main == null ? place : main.run.place(scene.now)).plus(follow.offset());
        Vec3 way = main == null ? facing : main.run.facing();
        Playing instance = begin.playing(Playing.Role.FOLLOW, index, rope, scene.now, at, way);
        scene.enter(instance, rope, effect, scene.decision(rope, begin));
        tell(follow, Told.What.BEGINS, rope, begin);
        follow.inForce()
                .ifPresent(
                        seconds -> scene.later(Math.max(1, scene.pace().stepsAt(seconds)), () -> outOfForce(instance)));
    }

    private void tell(FollowUp follow, Told.What what, Rope rope, Begin begin) {
        follow.notice().ifPresent(name -> scene.tell(name, what, rope, begin, follow.values()));
    }

    // Game code is told all the same: what it does at those moments does not hang on a picture.
    private void unplayed(FollowUp follow, Rope rope, Begin begin) {
        if (follow.notice().isEmpty()) {
            return;
        }
        tell(follow, Told.What.BEGINS, rope, begin);
        if (follow.inForce().isPresent()) {
            int force = Math.max(1, scene.pace().stepsAt(follow.inForce().getAsDouble()));
            int fade = scene.pace().stepsAt(follow.fadeOut());
            scene.later(force, () -> {
                tell(follow, Told.What.ENDS, rope, begin);
                scene.later(fade, () -> tell(follow, Told.What.GONE, rope, begin));
            });
        } else {
            scene.later(0, () -> tell(follow, Told.What.GONE, rope, begin));
        }
    }

    private void outOfForce(Playing instance) {
        if (instance.gone) {
            return;
        }
        instance.stop(scene.now);
        Rope rope = scene.ensemble.rope(instance.rope);
        scene.ensemble.followUp(instance.rope, instance.index).ifPresent(follow -> {
            begun(instance).ifPresent(begin -> tell(follow, Told.What.ENDS, rope, begin));
            if (follow.fadeOut() > 0) {
                scene.ensemble.dim(instance, scene.now, scene.pace().stepsAt(follow.fadeOut()));
            }
        });
    }

    // What began an instance; empty when its event is no longer in the project.
    private Optional<Begin> begun(Playing instance) {
        return Optional.ofNullable(scene.event(instance.pull.event()))
                .map(event -> new Begin(
                        event, instance.pull, instance.number, instance.depth, instance.beginning, instance.key, null));
    }

    // Fields of the same name are handed on; the others are as usual.
    private void announce(String name, Begin begin) {
        EventType event = scene.event(name);
        if (event == null) {
            scene.outbox.note("there is no event named " + name + " to announce");
            return;
        }
        if (begin.depth() + 1 >= Stage.DEEPEST) {
            scene.outbox.note(name + " was not announced: " + Stage.DEEPEST + " events have announced one another");
            return;
        }
        var payload = Strength.USUAL.payload(event);
        event.fields().forEach(field -> {
            var given = begin.pull().payload().get(field.name());
            if (given != null && field.accepts(given)) {
                payload.put(field.name(), given);
            }
        });
        long seed = begin.pull().seed();
        Pull pull = switch (event.shape()) {
            case MOMENT -> new Pull(name, payload, seed);
            case SPAN -> Pull.begin(name, payload, seed);
            case STATE -> Pull.set(name, event.values().get(0), payload, seed);
        };
        Pull whole = pull.of(begin.pull().subject())
                .tagged(begin.pull().tags())
                .moving(begin.pull().velocity());
        scene.outbox.unasked(announcing.pull(whole, begin.depth() + 1));
    }

    /** Notes that an instance is over or was taken off. */
    void over(Playing instance) {
        scene.limiter.ended(instance);
        Rope rope = scene.ensemble.rope(instance.rope);
        if (rope == null) {
            return;
        }
        begun(instance).ifPresent(begin -> {
            if (instance.role == Playing.Role.FOLLOW) {
                scene.ensemble
                        .followUp(instance.rope, instance.index)
                        .ifPresent(follow -> tell(follow, Told.What.GONE, rope, begin));
            } else if (instance.role == Playing.Role.MAIN) {
                cue(FollowUp.Cue.OVER, rope, begin, instance, Vec3.ZERO, Vec3.UP);
            }
        });
    }
}
