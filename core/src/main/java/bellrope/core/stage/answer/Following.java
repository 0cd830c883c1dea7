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
import java.util.OptionalDouble;

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
            tell(follow.stay(), Told.What.NOTICE, rope, cause);
            return;
        }
        Effect effect = scene.roster().effect(follow.play());
        if (effect == null || scene.ensemble().full()) {
            if (effect != null) {
                scene.outbox()
                        .note(name + ": " + effect.name() + " did not follow, because " + Ensemble.MOST
                                + " instances play");
            }
            stays(follow.stay(), rope, cause, null);
            return;
        }
        Vec3 at = (main == null ? place : main.place(scene.now())).plus(follow.offset());
        Vec3 way = main == null ? facing : main.facing();
        Instance instance =
                new Instance(new Origin(Origin.Role.FOLLOW, index, rope.name(), cause, scene.now(), at, way));
        boolean begins = scene.enterIfRoom(instance, rope, effect, scene.decision(rope, cause));
        stays(follow.stay(), rope, cause, begins ? instance : null);
    }

    /**
     * Tells the game that something is there, and ends it when its time is over.
     *
     * @param instance what plays; null if nothing does. Game code is told all the same: what it does at those moments does not
     *     hang on a picture
     */
    void stays(Optional<Stay> stay, Rope rope, Cause cause, Instance instance) {
        tell(stay, Told.What.BEGINS, rope, cause);
        OptionalDouble seconds = stay.map(Stay::inForce).orElse(OptionalDouble.empty());
        int force = seconds.isPresent() ? Math.max(1, scene.pace().stepsAt(seconds.getAsDouble())) : 0;
        if (instance != null) {
            if (force > 0) {
                scene.later(force, () -> outOfForce(instance));
            }
        } else if (stay.flatMap(Stay::notice).isPresent()) {
            scene.later(force, () -> {
                if (force > 0) {
                    tell(stay, Told.What.ENDS, rope, cause);
                }
                scene.later(scene.pace().stepsAt(stay.get().fadeOut()), () -> tell(stay, Told.What.GONE, rope, cause));
            });
        }
    }

    private void tell(Optional<Stay> stay, Told.What what, Rope rope, Cause cause) {
        stay.ifPresent(s -> s.notice().ifPresent(name -> scene.tell(name, what, rope, cause, s.values())));
    }

    // What is said of an instance now; the rope may have changed since it began.
    private Optional<Stay> stay(Instance instance, Rope rope) {
        boolean moment = instance.origin().cause().event().shape() == EventType.Shape.MOMENT;
        return switch (instance.role()) {
            case MAIN -> moment ? rope.stay() : Optional.empty();
            case FOLLOW ->
                scene.roster()
                        .followUp(instance.rope(), instance.origin().index())
                        .flatMap(FollowUp::stay);
            case START, END, CHILD -> Optional.empty();
        };
    }

    private void outOfForce(Instance instance) {
        Rope rope = scene.roster().rope(instance.rope());
        Optional<Stay> stay = rope == null ? Optional.empty() : stay(instance, rope);
        // What no longer has a time goes on.
        if (instance.gone() || stay.filter(s -> s.inForce().isPresent()).isEmpty()) {
            return;
        }
        cause(instance).ifPresent(cause -> tell(stay, Told.What.ENDS, rope, cause));
        end(instance, stay.get().fadeOut());
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
            tell(stay(instance, rope), Told.What.GONE, rope, cause);
            if (instance.role() == Origin.Role.MAIN) {
                cue(FollowUp.Cue.OVER, rope, cause, instance, Vec3.ZERO, Vec3.UP);
            }
        });
    }
}
