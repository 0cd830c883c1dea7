package bellrope.core.stage;

import bellrope.core.contract.Alias;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.event.Pull;
import bellrope.core.pool.Held;
import bellrope.core.project.Project;
import bellrope.core.sim.EffectRun;
import bellrope.core.sim.FrameEncoder;
import bellrope.core.sim.Layer;
import bellrope.core.stage.answer.Following;
import bellrope.core.stage.answer.Intake;
import bellrope.core.stage.answer.Scene;
import bellrope.core.stage.play.Ensemble;
import bellrope.core.stage.play.Instance;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Account.Answer;
import bellrope.core.stage.told.Bent;
import bellrope.core.stage.told.Flashed;
import bellrope.core.stage.told.Keeping;
import bellrope.core.stage.told.Ledger;
import bellrope.core.stage.told.PoolUse;
import bellrope.core.stage.told.Shaken;
import bellrope.core.stage.told.Told;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.nio.ByteBuffer;
import java.util.List;

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
    /** Most instances at once; what would begin beyond them is dropped and counted, or refused in the account. */
    public static final int MOST_INSTANCES = Ensemble.MOST;
    /** Most seconds that {@link #advance} makes good in one call. */
    public static final double LONGEST_ADVANCE = 600;
    /** How deep events may announce one another. */
    public static final int DEEPEST = Following.DEEPEST;

    private final FrameEncoder encoder = new FrameEncoder();
    private final Intake intake;
    private final Scene scene;
    private final Clock clock;

    public Stage(Project project) {
        this(project, Keeping.NOTHING);
    }

    /** @param keeping what is kept of what plays */
    Stage(Project project, Keeping keeping) {
        intake = new Intake(project, keeping);
        scene = intake.scene();
        clock = new Clock(intake);
    }

    /**
     * Makes what the pools of the project want to have made before play starts, so that the first instances cost no more than
     * later ones. For games; nothing that is shown depends on it.
     */
    public void prewarm() {
        scene.ensemble().prewarm();
    }

    /**
     * Lets an event arrive now. What answers is born at once and can be seen in the next frame.
     *
     * @return the account; a pull that cannot be read is refused in it and changes nothing
     */
    public Account pull(Pull pull) {
        return intake.pull(pull, 0);
    }

    /**
     * Lets an event arrive that came a little before this step, for limits that count time: they keep their average though the
     * stage looks only on its steps.
     *
     * @param secondsAgo 0 to one step; more or less is held within that
     */
    public Account pullLate(Pull pull, double secondsAgo) {
        return intake.pull(pull, Math.max(0, Math.min(scene.pace().seconds(1), secondsAgo)));
    }

    /**
     * Says where a subject is. Instances that follow it go with it.
     *
     * @param subject as in {@link Pull#subject}, or the subject of events that name none, such as {@code kite}
     * @param heading which way it points; zero to leave it as it was
     * @param velocity with which it goes on until it is moved again; null if it is moved each step
     * @throws Refused if a number is not finite, or beyond {@link Pull#FARTHEST}
     */
    public void move(String subject, Vec3 place, Vec3 heading, Vec3 velocity) {
        Demand.within("position", place, Pull.FARTHEST);
        Demand.within("heading", heading, Pull.FARTHEST);
        if (velocity != null) {
            Demand.within("velocity", velocity, Pull.FARTHEST);
        }
        scene.world()
                .heard(subject)
                .put(scene.now(), scene.world().order(), place, heading.directionOr(Vec3.ZERO), velocity);
        scene.world().moves(subject);
    }

    /**
     * Says where the camera is.
     *
     * @throws Refused if a number is not finite, or beyond {@link Pull#FARTHEST}
     */
    public void camera(Vec3 place) {
        Demand.within("position", place, Pull.FARTHEST);
        scene.world().camera().put(scene.now(), scene.world().order(), place, Vec3.ZERO, null);
    }

    /**
     * Says that a subject is no more. Its spans end, its instances do what their ropes say of their owner's end.
     *
     * @return the account, with a line for each rope that had something of it
     */
    public Account gone(String subject) {
        return intake.gone(subject);
    }

    /**
     * Says what a channel carries from now on.
     *
     * @throws Refused if there is no channel of that name, or the value is not finite
     */
    public void publish(String given, double value) {
        String channel = scene.roster().formerly().name(Alias.Kind.CHANNEL, "", given);
        if (!scene.world().has(channel)) {
            throw new Refused(
                    "channel",
                    '"' + channel + '"',
                    "the name of a channel"
                            + Words.nearest(channel, scene.world().channelNames()));
        }
        scene.world().publish(channel, scene.now(), Demand.finite("value", value));
    }

    /**
     * Returns the knob of a parameter of an instance that an answer began.
     *
     * @param account of the pull
     * @param rope that answered
     * @param parameter of the effect it plays
     * @throws Refused if the rope did not answer, its instance has not begun or plays no more, or its effect has no parameter
     *     of that name; the nearest name is told
     */
    public Knob knob(Account account, String rope, String parameter) {
        List<String> answered = account.answers().stream()
                .filter(Account.Played.class::isInstance)
                .map(Answer::rope)
                .toList();
        if (!answered.contains(rope)) {
            throw new Refused(
                    "rope",
                    '"' + rope + '"',
                    answered.isEmpty()
                            ? "a pull that a rope answered; none answered this one"
                            : "a rope that answered this pull" + Words.nearest(rope, answered));
        }
        Instance instance = scene.ensemble().instance(account.number(), rope);
        if (instance == null) {
            throw new Refused("rope", '"' + rope + '"', "an instance that plays; this one has ended or not begun yet");
        }
        return knob(instance, parameter);
    }

    private Knob knob(Instance instance, String given) {
        Effect effect = scene.ensemble().effect(instance);
        String parameter = scene.roster().formerly().name(Alias.Kind.PARAMETER, effect.name(), given);
        Parameter wanted = effect.parameter(parameter)
                .orElseThrow(() -> new Refused(
                        "parameter",
                        '"' + parameter + '"',
                        "the name of a parameter of " + effect.name()
                                + Words.nearest(
                                        parameter,
                                        effect.parameters().stream()
                                                .map(Parameter::name)
                                                .toList())));
        return new Knob(scene, instance, scene.ensemble().hand(instance, wanted), wanted);
    }

    /** Pretends that an event last came so many seconds ago. */
    public void came(String event, double secondsAgo) {
        scene.world().came(event, scene.now() - secondsAgo * scene.pace().stepsPerSecond());
    }

    /** Lets ropes that answer once for each subject answer everyone again. */
    public void reset() {
        project().ropes().forEach(scene.limiter()::reset);
    }

    /** Sets what the player wants less of. */
    public void less(boolean shake, boolean flash) {
        scene.comfort().less(shake, flash);
    }

    /** Advances by one step, whatever is paused. */
    public void step() {
        clock.step();
    }

    /**
     * Makes the steps up to one, whatever is paused: for a stage that follows another, which says how many steps it has made.
     * What was told at the same steps gives the same bits.
     *
     * @param step does nothing if it is gone by
     */
    public void reach(int step) {
        clock.reach(step);
    }

    /** Ends every span and state, and tells everything that loops to end. */
    public void stop() {
        intake.stop();
    }

    /**
     * Advances by the whole steps in the time that passed and keeps the rest for the next call. A pause held by a companion
     * is taken off the time from the step on which it begins, so that the same time in many calls or in one comes to the same.
     *
     * @param seconds 0 or more; anything else changes nothing and is said in the next account
     * @return how many steps were made
     */
    public int advance(double seconds) {
        return clock.advance(seconds);
    }

    /**
     * Takes a changed project without stopping: every instance is played again from its birth under the new settings, up
     * to now. Instances whose rope or effect is gone end. Counts of births and dropped births stay as they were; what was
     * told, shaken and flashed is not told, shaken or flashed again.
     *
     * @return what became of all that played
     */
    public Bent retune(Project next) {
        clock.repace(
                (double) next.settings().pace().stepsPerSecond() / scene.pace().stepsPerSecond());
        return intake.retune(next);
    }

    /** Ends everything that plays, lasts or is due, and forgets what limits remember. */
    public void clear() {
        intake.clear();
    }

    /**
     * Encodes what is on the stage; see {@link FrameEncoder}.
     *
     * @param sequence number of this frame on its way to one reader
     * @return valid until the next call
     */
    public ByteBuffer frame(int sequence) {
        return encoder.encode(scene.ensemble().layers(), scene.now(), instances(), sequence);
    }

    /** Returns the layers in draw order, for measuring. */
    public List<Layer> layers() {
        return scene.ensemble().layers();
    }

    /** Returns the layers that went with their instances in the last step, for measuring what happened in them then. */
    public List<Layer> departed() {
        return scene.ensemble().departed();
    }

    public Project project() {
        return scene.roster().project();
    }

    /** Returns how many steps have been made. */
    public int now() {
        return scene.now();
    }

    /** Returns how many instances are held. */
    public int instances() {
        return scene.ensemble().playing().size();
    }

    /** Told of an instance that is held. */
    public interface Playing {
        void one(String rope, String effect, String subject);
    }

    /** Tells of each instance that is held. */
    public void playing(Playing each) {
        List<Instance> playing = scene.ensemble().playing();
        for (int i = 0; i < playing.size(); i++) {
            Instance one = playing.get(i);
            each.one(one.rope(), one.effect(), one.subject());
        }
    }

    /** Returns how many spans and states last, each counted for every rope that answers it. */
    public int holding() {
        return intake.holding();
    }

    /** Tells whether nothing plays, lasts, shakes or is due. */
    public boolean still() {
        return intake.still();
    }

    /** Returns how many particles live. */
    public int particles() {
        return scene.ensemble().alive();
    }

    public long births() {
        return scene.ensemble().births();
    }

    /** Returns how many were born of each generation so far; see {@link EffectRun#byGeneration}. */
    public long[] byGeneration() {
        return scene.ensemble().byGeneration();
    }

    /** Returns how many births the particle limit, a cap of an emitter or the limit of instances has dropped. */
    public long dropped() {
        return scene.ensemble().dropped();
    }

    /** Encodes what was on the stage on a step gone by; only where everything is kept. */
    ByteBuffer frame(int step, int sequence) {
        Ensemble then = scene.past(step);
        return encoder.encode(then.layers(), step, then.playing().size(), sequence);
    }

    /** Returns what was held so far, in the order of the starts; only where it is kept. */
    List<Held> held() {
        return scene.ensemble().held();
    }

    /** Returns what was asked of each pool so far. */
    public List<PoolUse> pools() {
        return scene.ensemble().pools();
    }

    /** Returns how far the camera is moved now, within the project's cap and the player's settings. */
    public Shaken shaken() {
        return scene.comfort()
                .shaken(scene.now(), scene.pace(), project().settings().comfort());
    }

    /** Returns what lies over the screen now, within the project's cap and the player's settings. */
    public Flashed flashed() {
        return scene.comfort()
                .flashed(scene.now(), scene.pace(), project().settings().comfort());
    }

    /** Returns what lies over the edges of the screen besides, growing towards them; the middle stays clear. */
    public Flashed edged() {
        return scene.comfort()
                .edged(scene.now(), scene.pace(), project().settings().comfort());
    }

    /** Returns for how many seconds the game still stands still. */
    public double paused() {
        return scene.comfort().pause();
    }

    /** Returns what game code is told since the last call, oldest first. */
    public List<Told> told() {
        return scene.outbox().takeTold();
    }

    /** Returns the accounts of what came by itself since the last call: announced events, spans that ended. */
    public List<Account> unasked() {
        return scene.outbox().takeUnasked();
    }

    /** Returns the accounts of the last pulls. */
    public Ledger ledger() {
        return intake.ledger();
    }
}
