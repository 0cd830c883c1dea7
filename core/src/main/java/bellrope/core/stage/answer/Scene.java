package bellrope.core.stage.answer;

import bellrope.core.effect.Effect;
import bellrope.core.project.Project;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Rope;
import bellrope.core.stage.decide.Cause;
import bellrope.core.stage.decide.Decision;
import bellrope.core.stage.decide.Limiter;
import bellrope.core.stage.play.Ensemble;
import bellrope.core.stage.play.Instance;
import bellrope.core.stage.play.Roster;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Bent;
import bellrope.core.stage.told.Keeping;
import bellrope.core.stage.told.Outbox;
import bellrope.core.stage.told.Told;
import bellrope.core.stage.world.World;
import bellrope.core.value.Datum;
import bellrope.core.value.Exact;
import bellrope.core.value.Pace;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** Where answers take place: the step, the project, and the parts of a stage that those who answer work on. */
public final class Scene {
    private final World world = new World();
    private final Limiter<Instance> limiter = new Limiter<>();
    private final Comfort comfort = new Comfort();
    private final Agenda agenda = new Agenda();
    private final Outbox outbox = new Outbox();
    private final Ensemble ensemble;
    private Roster roster;
    private int now;

    /**
     * @param over told of each instance that is over or taken off
     * @param keeping what is kept of what plays
     */
    public Scene(Project project, Consumer<Instance> over, Keeping keeping) {
        ensemble = new Ensemble(world, over, outbox::note, keeping);
        world.follows(ensemble::subjects);
        take(project);
        if (keeping == Keeping.EVERYTHING) {
            world.keepEverything();
        }
        ensemble.take(roster);
    }

    private void take(Project next) {
        roster = new Roster(next);
        world.take(next);
        limiter.take(next.ropes(), next.settings().pace().seconds(1));
    }

    /** Goes on with a changed project of the same pace. */
    public Bent retune(Project next) {
        take(next);
        return ensemble.retune(roster, now);
    }

    /** Carries what is remembered over to steps that are so much shorter; nothing may play, last or be due. */
    public void repace(double faster) {
        limiter.empty();
        now = (int) Exact.round(now * faster);
        world.repace(faster);
    }

    /** Makes a step, all but what lasts and is due. */
    public void step() {
        now++;
        comfort.step(now, pace());
        ensemble.step(now);
    }

    /** Lets time pass in which nothing plays. */
    public void pass(int steps) {
        now += steps;
    }

    public int now() {
        return now;
    }

    public World world() {
        return world;
    }

    public Limiter<Instance> limiter() {
        return limiter;
    }

    public Comfort comfort() {
        return comfort;
    }

    public Agenda agenda() {
        return agenda;
    }

    public Outbox outbox() {
        return outbox;
    }

    public Ensemble ensemble() {
        return ensemble;
    }

    /** Returns what played on a step gone by, as it was then; only where everything is kept. */
    public Ensemble past(int step) {
        return ensemble.past().at(step, roster, world, ensemble.playing());
    }

    public Roster roster() {
        return roster;
    }

    public Pace pace() {
        return roster.pace();
    }

    Decision decision(Rope rope, Cause cause) {
        return new Decision(rope, cause, world, now);
    }

    /**
     * Gives an instance its run and lets it in; its pool was asked before.
     *
     * @return what ended so that it could begin
     */
    Optional<Account.TakenOver> enter(Instance instance, Rope rope, Effect effect, Decision decision) {
        return ensemble.enter(instance, rope, effect, decision, now);
    }

    /** Lets an instance in if its pool does; what its pool refuses is counted and noted. */
    boolean enterIfRoom(Instance instance, Rope rope, Effect effect, Decision decision) {
        Optional<Account.Reason> full = ensemble.stops(effect, instance.weight(), null, now);
        if (full.isPresent()) {
            refused(rope, effect, full.get());
            return false;
        }
        enter(instance, rope, effect, decision);
        return true;
    }

    /** Notes what its pool refused after the account was written. */
    void refused(Rope rope, Effect effect, Account.Reason why) {
        ensemble.refused(effect);
        outbox.note(rope.name() + ": " + effect.name() + " did not begin: " + why.inWords());
    }

    /** Does something after so many steps; at once if there are none. */
    void after(int steps, Runnable work) {
        if (steps == 0) {
            work.run();
        } else {
            later(steps, work);
        }
    }

    /** Does something after so many steps; after none, at the end of this one. */
    boolean later(int steps, Runnable work) {
        boolean room = agenda.add(now + steps, work);
        if (!room) {
            outbox.note("too many answers are due; one was dropped");
        }
        return room;
    }

    /** Tells game code something, with values as they are now. */
    void tell(String name, Told.What what, Rope rope, Cause cause, List<NoticeValue> values) {
        Map<String, Datum> carried = values.isEmpty()
                ? Map.of()
                : decision(rope, cause).feeding().carried(values, roster.effect(rope.play()));
        outbox.tell(new Told(now, name, what, rope.name(), cause.number(), carried));
    }
}
