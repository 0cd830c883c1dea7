package bellrope.core.stage.answer;

import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Stay;
import bellrope.core.stage.decide.Cause;
import bellrope.core.stage.play.Ensemble;
import bellrope.core.stage.play.Instance;
import bellrope.core.stage.play.Origin;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Told;
import bellrope.core.value.Vec3;
import java.util.Optional;

/** What ropes start later, where their first effect was. */
public final class Following {
    /** How deep events may announce one another. */
    public static final int DEEPEST = 8;

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
    void cue(FollowUp.Cue cue, Rope rope, Cause cause, Instance main, Vec3 place, Vec3 facing) {
        for (FollowUp follow : rope.followUps()) {
            if (follow.cue() == cue) {
                int index = follow.id();
                int steps = scene.pace().stepsAt(follow.after());
                Runnable work = () -> follow(rope.name(), index, cause, main, place, facing);
                if (cue == FollowUp.Cue.OVER) {
                    // Never in the midst of a step: what begins must not disturb the list that is gone through.
                    scene.later(steps, work);
                } else {
                    scene.after(steps, work);
                }
            }
        }
    }

    private void follow(String name, int index, Cause cause, Instance main, Vec3 place, Vec3 facing) {
        Rope rope = scene.roster().rope(name);
        FollowUp follow = scene.roster().followUp(name, index).orElse(null);
        if (rope == null || follow == null) {
            return;
        }
        if (follow.announce().isPresent()) {
            announce(follow.announce().get(), cause);
            tell(follow, Told.What.NOTICE, rope, cause);
            return;
        }
        Effect effect = scene.roster().effect(follow.play());
        if (effect == null || scene.ensemble().full()) {
            if (effect != null) {
                scene.outbox()
                        .note(name + ": " + effect.name() + " did not follow, because " + Ensemble.MOST
                                + " instances play");
            }
            unplayed(follow, rope, cause);
            return;
        }
        Vec3 at = (main == null ? place : main.place(scene.now())).plus(follow.offset());
        Vec3 way = main == null ? facing : main.facing();
        Instance instance =
                new Instance(new Origin(Origin.Role.FOLLOW, index, rope.name(), cause, scene.now(), at, way));
        scene.enter(instance, rope, effect, scene.decision(rope, cause));
        tell(follow, Told.What.BEGINS, rope, cause);
        follow.inForce()
                .ifPresent(
                        seconds -> scene.later(Math.max(1, scene.pace().stepsAt(seconds)), () -> outOfForce(instance)));
    }

    /**
     * Tells the game that what a moment began is there, and ends it when its time is over.
     *
     * @param main what plays; null if nothing does
     */
    void stays(Rope rope, Cause cause, Instance main) {
        Stay stay = rope.stay().orElse(null);
        if (stay == null) {
            return;
        }
        tell(stay, Told.What.BEGINS, rope, cause);
        int force = stay.inForce().isPresent()
                ? Math.max(1, scene.pace().stepsAt(stay.inForce().getAsDouble()))
                : 0;
        if (main != null) {
            if (force > 0) {
                scene.later(force, () -> outOfForce(main));
            }
            return;
        }
        if (stay.notice().isPresent()) {
            if (force > 0) {
                scene.later(force, () -> tell(stay, Told.What.ENDS, rope, cause));
            }
            int gone = force + scene.pace().stepsAt(stay.fadeOut());
            scene.later(gone, () -> tell(stay, Told.What.GONE, rope, cause));
        }
    }

    private void tell(Stay stay, Told.What what, Rope rope, Cause cause) {
        stay.notice().ifPresent(name -> scene.tell(name, what, rope, cause, stay.values()));
    }

    private void tell(FollowUp follow, Told.What what, Rope rope, Cause cause) {
        follow.notice().ifPresent(name -> scene.tell(name, what, rope, cause, follow.values()));
    }

    // Game code is told all the same: what it does at those moments does not hang on a picture.
    private void unplayed(FollowUp follow, Rope rope, Cause cause) {
        if (follow.notice().isEmpty()) {
            return;
        }
        tell(follow, Told.What.BEGINS, rope, cause);
        if (follow.inForce().isPresent()) {
            int force = Math.max(1, scene.pace().stepsAt(follow.inForce().getAsDouble()));
            int fade = scene.pace().stepsAt(follow.fadeOut());
            scene.later(force, () -> {
                tell(follow, Told.What.ENDS, rope, cause);
                scene.later(fade, () -> tell(follow, Told.What.GONE, rope, cause));
            });
        } else {
            scene.later(0, () -> tell(follow, Told.What.GONE, rope, cause));
        }
    }

    private void outOfForce(Instance instance) {
        if (instance.gone()) {
            return;
        }
        Rope rope = scene.roster().rope(instance.rope());
        if (rope == null) {
            instance.stop(scene.now());
            return;
        }
        Optional<Cause> cause = cause(instance);
        if (instance.role() == Origin.Role.MAIN) {
            Optional<Stay> stay = rope.stay();
            stay.ifPresent(s -> cause.ifPresent(c -> tell(s, Told.What.ENDS, rope, c)));
            end(instance, stay.map(Stay::fadeOut).orElse(0.0));
        } else {
            Optional<FollowUp> follow =
                    scene.roster().followUp(instance.rope(), instance.origin().index());
            follow.ifPresent(f -> cause.ifPresent(c -> tell(f, Told.What.ENDS, rope, c)));
            end(instance, follow.map(FollowUp::fadeOut).orElse(0.0));
        }
    }

    // What fades goes on until nothing can be seen of it; what does not spawns no more.
    private void end(Instance instance, double fade) {
        if (fade > 0) {
            scene.ensemble().dim(instance, scene.now(), scene.pace().stepsAt(fade), true);
        } else {
            instance.stop(scene.now());
        }
    }

    // What began an instance; empty when its event is no longer in the project.
    private Optional<Cause> cause(Instance instance) {
        Cause cause = instance.origin().cause();
        return Optional.ofNullable(scene.roster().event(cause.event().name())).map(cause::of);
    }

    // Fields of the same name are handed on; the others are as usual.
    private void announce(String name, Cause cause) {
        EventType event = scene.roster().event(name);
        if (event == null) {
            scene.outbox().note("there is no event named " + name + " to announce");
            return;
        }
        if (cause.depth() + 1 >= DEEPEST) {
            scene.outbox().note(name + " was not announced: " + DEEPEST + " events have announced one another");
            return;
        }
        var payload = Strength.USUAL.payload(event);
        event.fields().forEach(field -> {
            var given = cause.pull().payload().get(field.name());
            if (given != null && field.accepts(given)) {
                payload.put(field.name(), given);
            }
        });
        long seed = cause.pull().seed();
        Pull pull = switch (event.shape()) {
            case MOMENT -> new Pull(name, payload, seed);
            case SPAN -> Pull.begin(name, payload, seed);
            case STATE -> Pull.set(name, event.values().get(0), payload, seed);
        };
        Pull whole = pull.of(cause.pull().subject())
                .tagged(cause.pull().tags())
                .moving(cause.pull().velocity());
        scene.outbox().unasked(announcing.pull(whole, cause.depth() + 1));
    }

    /** Notes that an instance is over or was taken off. */
    void over(Instance instance) {
        scene.limiter().ended(instance);
        Rope rope = scene.roster().rope(instance.rope());
        if (rope == null) {
            return;
        }
        cause(instance).ifPresent(cause -> {
            if (instance.role() == Origin.Role.FOLLOW) {
                scene.roster()
                        .followUp(instance.rope(), instance.origin().index())
                        .ifPresent(follow -> tell(follow, Told.What.GONE, rope, cause));
            } else if (instance.role() == Origin.Role.MAIN) {
                if (cause.event().shape() == EventType.Shape.MOMENT) {
                    rope.stay().ifPresent(stay -> tell(stay, Told.What.GONE, rope, cause));
                }
                cue(FollowUp.Cue.OVER, rope, cause, instance, Vec3.ZERO, Vec3.UP);
            }
        });
    }
}
