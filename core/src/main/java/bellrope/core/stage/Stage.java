package bellrope.core.stage;

import bellrope.core.contract.Alias;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.event.EventType;
import bellrope.core.event.Field.Meaning;
import bellrope.core.event.Pull;
import bellrope.core.event.Pull.Phase;
import bellrope.core.project.Project;
import bellrope.core.rope.Owner;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Where;
import bellrope.core.sim.EffectRun;
import bellrope.core.sim.FrameEncoder;
import bellrope.core.sim.Layer;
import bellrope.core.stage.Account.Answer;
import bellrope.core.value.Demand;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

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
    public static final int MOST_INSTANCES = 5_000;
    /** Most seconds that {@link #advance} makes good in one call. */
    public static final double LONGEST_ADVANCE = 600;
    /** How deep events may announce one another. */
    public static final int DEEPEST = 8;

    private final FrameEncoder encoder = new FrameEncoder();
    private final Ledger ledger = new Ledger();
    private final Scene scene = new Scene(this::over);
    private final Following following = new Following(scene, this::pull);
    private final Answering answering = new Answering(scene, following);
    private final Lasting lasting = new Lasting(scene, answering, following);
    private final Lasting.Expired expired = this::expired;
    private double remainder;
    private int pulls;

    /** How far the camera is moved, units to the right and up. */
    public record Shaken(double x, double y) {}

    /** What lies over the screen: a colour in linear light and how much of it, 0 to 1. */
    public record Flashed(double red, double green, double blue, double opacity) {
        static final Flashed NONE = new Flashed(0, 0, 0, 0);
    }

    public Stage(Project project) {
        scene.take(project);
        scene.ensemble.take(project);
    }

    private void over(Playing instance) {
        following.over(instance);
    }

    private void expired(Pull end, String words, Account.Ended answer) {
        scene.outbox.unasked(account(++pulls, end, List.of(), List.of(words), List.of(answer)));
    }

    /**
     * Lets an event arrive now. What answers is born at once and can be seen in the next frame.
     *
     * @return the account; a pull that cannot be read is refused in it and changes nothing
     */
    public Account pull(Pull pull) {
        return pull(pull, 0);
    }

    /**
     * Lets an event arrive that came a little before this step, for limits that count time: they keep their average though the
     * stage looks only on its steps.
     *
     * @param secondsAgo 0 to one step; more or less is held within that
     */
    public Account pullLate(Pull pull, double secondsAgo) {
        scene.ago = Math.max(0, Math.min(scene.pace().seconds(1), secondsAgo));
        try {
            return pull(pull, 0);
        } finally {
            scene.ago = 0;
        }
    }

    private Account pull(Pull given, int depth) {
        int number = ++pulls;
        List<String> said = new ArrayList<>();
        Pull pull = scene.formerly().pull(given, said);
        EventType event = scene.event(pull.event());
        if (event == null) {
            Problem unknown = new Problem(
                    "/type",
                    '"' + pull.event() + '"',
                    "the name of a known event" + Words.nearest(pull.event(), scene.eventNames()));
            return account(number, pull, List.of(unknown), said, List.of());
        }
        List<Problem> refused = event.check(pull);
        if (!refused.isEmpty()) {
            return account(number, pull, refused, said, List.of());
        }
        said.addAll(Decision.notes(event, pull));
        scene.resets(pull.event()).forEach(scene.limiter::reset);
        List<Rope> ropes = scene.listeners(pull.event());
        place(event, pull, ropes);
        List<Answer> answers = new ArrayList<>();
        switch (pull.phase()) {
            case MOMENT ->
                ropes.forEach(rope -> answers.add(answering.answer(rope, event, pull, number, depth, 0, null)));
            case BEGIN -> ropes.forEach(rope -> answers.add(lasting.begin(rope, event, pull, number, depth, said)));
            case END -> lasting.end(ropes, event, pull, said, answers);
            case SET -> lasting.set(ropes, event, pull, number, depth, answers);
        }
        if (pull.phase() != Phase.END) {
            scene.world.came(pull.event(), scene.now);
        }
        return account(number, pull, List.of(), said, answers);
    }

    private Account account(int number, Pull pull, List<Problem> refused, List<String> said, List<Answer> answers) {
        List<String> notes = new ArrayList<>(scene.outbox.takeNotes());
        notes.addAll(said);
        Account account = new Account(number, pull, scene.now, refused, List.copyOf(notes), List.copyOf(answers));
        ledger.add(account);
        return account;
    }

    // An event that says where its subject is tells those who follow it, unless the game itself moves it.
    private void place(EventType event, Pull pull, List<Rope> ropes) {
        boolean wanted = false;
        for (Rope rope : ropes) {
            wanted |= rope.where().anchor() == Where.Anchor.SUBJECT;
        }
        Optional<Vec3> at = event.vector(Meaning.POSITION).flatMap(f -> pull.vector(f.name()));
        String subject = World.subject(event, pull);
        World world = scene.world;
        if (at.isPresent() && (wanted || world.subject(subject) != null) && !world.moved(subject)) {
            Vec3 heading = event.vector(Meaning.HEADING)
                    .flatMap(f -> pull.vector(f.name()))
                    .orElse(Vec3.ZERO);
            world.heard(subject)
                    .put(scene.now, world.order(), at.get(), heading.directionOr(Vec3.ZERO), pull.velocity());
        }
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
        scene.world.heard(subject).put(scene.now, scene.world.order(), place, heading.directionOr(Vec3.ZERO), velocity);
        scene.world.moves(subject);
    }

    /**
     * Says where the camera is.
     *
     * @throws Refused if a number is not finite, or beyond {@link Pull#FARTHEST}
     */
    public void camera(Vec3 place) {
        Demand.within("position", place, Pull.FARTHEST);
        scene.world.camera().put(scene.now, scene.world.order(), place, Vec3.ZERO, null);
    }

    /**
     * Says that a subject is no more. Its spans end, its instances do what their ropes say of their owner's end.
     *
     * @return the account, with a line for each rope that had something of it
     */
    public Account gone(String subject) {
        List<Answer> answers = lasting.gone(subject);
        Track track = scene.world.subject(subject);
        if (track != null) {
            track.rest(scene.now, scene.world.order());
        }
        boolean known = track != null || !answers.isEmpty();
        for (Playing instance : List.copyOf(scene.ensemble.playing())) {
            Rope rope = scene.ensemble.rope(instance.rope);
            if (instance.role == Playing.Role.MAIN && instance.subject.equals(subject) && rope != null) {
                known = true;
                if (rope.owner().end() == Owner.AtEnd.VANISH) {
                    scene.ensemble.cut(instance);
                } else if (rope.owner().end() == Owner.AtEnd.FADE) {
                    scene.ensemble.dim(
                            instance,
                            scene.now,
                            scene.pace().stepsAt(rope.owner().over()));
                }
            }
        }
        scene.world.forget(subject);
        scene.limiter.forget(subject);
        List<String> said = known ? List.of() : List.of("nothing was known of " + subject);
        return account(++pulls, new Pull("subject.gone", Map.of(), 0).of(subject), List.of(), said, answers);
    }

    /**
     * Says what a channel carries from now on.
     *
     * @throws Refused if there is no channel of that name, or the value is not finite
     */
    public void publish(String given, double value) {
        String channel = scene.formerly().name(Alias.Kind.CHANNEL, "", given);
        if (!scene.world.has(channel)) {
            throw new Refused(
                    "channel",
                    '"' + channel + '"',
                    "the name of a channel" + Words.nearest(channel, scene.world.channelNames()));
        }
        scene.world.publish(channel, scene.now, Demand.finite("value", value));
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
        Playing instance = scene.ensemble.instance(account.number(), rope);
        if (instance == null) {
            throw new Refused("rope", '"' + rope + '"', "an instance that plays; this one has ended or not begun yet");
        }
        return knob(instance, parameter);
    }

    private Knob knob(Playing instance, String given) {
        Effect effect = scene.ensemble.effect(instance).orElseThrow();
        String parameter = scene.formerly().name(Alias.Kind.PARAMETER, effect.name(), given);
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
        return new Knob(this, instance, scene.ensemble.hand(instance, wanted), wanted);
    }

    /** Pretends that an event last came so many seconds ago. */
    public void came(String event, double secondsAgo) {
        scene.world.came(event, scene.now - secondsAgo * scene.pace().stepsPerSecond());
    }

    /** Lets ropes that answer once for each subject answer everyone again. */
    public void reset() {
        scene.project().ropes().forEach(scene.limiter::reset);
    }

    /** Sets what the player wants less of. */
    public void less(boolean shake, boolean flash) {
        scene.comfort.lessShake = shake;
        scene.comfort.lessFlash = flash;
    }

    /** Advances by one step, whatever is paused. */
    public void step() {
        scene.comfort.eat(scene.pace().seconds(1));
        make();
    }

    private void make() {
        scene.now++;
        scene.comfort.step(scene.now, scene.pace());
        scene.ensemble.step(scene.now);
        lasting.expire(expired);
        scene.agenda.run(scene.now);
        scene.ensemble.advance(scene.now);
    }

    /** Ends every span and state, and tells everything that loops to end. */
    public void stop() {
        lasting.stop();
        scene.ensemble.stop(scene.now);
    }

    /**
     * Advances by the whole steps in the time that passed and keeps the rest for the next call. A pause held by a companion
     * is taken off the time from the step on which it begins, so that the same time in many calls or in one comes to the same.
     *
     * @param seconds 0 or more; anything else changes nothing and is said in the next account
     * @return how many steps were made
     */
    public int advance(double seconds) {
        if (!(seconds >= 0) || Double.isInfinite(seconds)) {
            scene.outbox.note("the clock was told to advance by " + Words.number(seconds) + " s; nothing moved");
            return 0;
        }
        double left = seconds;
        if (seconds > LONGEST_ADVANCE) {
            scene.outbox.note("the clock was told to advance by " + Words.number(seconds) + " s; it advanced by "
                    + Words.number(LONGEST_ADVANCE) + " s, the most at once");
            left = LONGEST_ADVANCE;
        }
        int perSecond = scene.pace().stepsPerSecond();
        int made = 0;
        while (true) {
            // A pause may begin with any step, so it is checked before each.
            left = scene.comfort.eat(left);
            if (still()) {
                // Nothing moves: time is only counted.
                double steps = remainder + left * perSecond;
                int whole = (int) Math.floor(steps + 1e-9);
                remainder = Math.max(0, steps - whole);
                scene.now += whole;
                return made + whole;
            }
            double missing = 1 - remainder;
            if (left * perSecond + 1e-9 < missing) {
                remainder += left * perSecond;
                return made;
            }
            left = Math.max(0, left - missing / perSecond);
            remainder = 0;
            make();
            made++;
        }
    }

    /**
     * Takes a changed project without stopping: every instance is played again from its birth under the new settings, up
     * to now. Instances whose rope or effect is gone end. Counts of births and dropped births stay as they were; what was
     * told, shaken and flashed is not told, shaken or flashed again.
     */
    public void retune(Project next) {
        double faster =
                (double) next.settings().pace().stepsPerSecond() / scene.pace().stepsPerSecond();
        if (faster != 1) {
            repace(faster);
        }
        scene.take(next);
        scene.ensemble.retune(next, scene.now);
        lasting.retune();
    }

    // Steps mean another time from now on: what plays, lasts or is due ends, and what is remembered keeps its time.
    private void repace(double faster) {
        boolean still = still();
        scene.ensemble.clear();
        lasting.clear();
        scene.agenda.clear();
        scene.limiter.empty();
        scene.comfort.clear();
        scene.now = (int) Math.round(scene.now * faster);
        remainder *= faster;
        scene.world.repace(faster);
        if (!still) {
            scene.outbox.note("the pace of the project changed: everything that played or lasted has ended");
        }
    }

    /** Ends everything that plays, lasts or is due, and forgets what limits remember. */
    public void clear() {
        scene.ensemble.clear();
        lasting.clear();
        scene.agenda.clear();
        scene.limiter.clear();
        scene.comfort.clear();
    }

    /**
     * Encodes what is on the stage; see {@link FrameEncoder}.
     *
     * @param sequence number of this frame on its way to one reader
     * @return valid until the next call
     */
    public ByteBuffer frame(int sequence) {
        return encoder.encode(scene.ensemble.layers(), scene.now, instances(), sequence);
    }

    /** Returns the layers in draw order, for measuring. */
    public List<Layer> layers() {
        return scene.ensemble.layers();
    }

    /** Returns the layers that went with their instances in the last step, for measuring what happened in them then. */
    public List<Layer> departed() {
        return scene.ensemble.departed();
    }

    public Project project() {
        return scene.project();
    }

    /** Returns how many steps have been made. */
    public int now() {
        return scene.now;
    }

    /** Returns how many instances are held. */
    public int instances() {
        return scene.ensemble.playing().size();
    }

    /** Returns how many spans and states last, each counted for every rope that answers it. */
    public int holding() {
        return lasting.count();
    }

    /** Tells whether nothing plays, lasts, shakes or is due. */
    public boolean still() {
        return scene.ensemble.playing().isEmpty() && lasting.none() && scene.agenda.isEmpty() && scene.comfort.still();
    }

    /** Returns how many particles live. */
    public int particles() {
        return scene.ensemble.alive();
    }

    public long births() {
        return scene.ensemble.births();
    }

    /** Returns how many were born of each generation so far; see {@link EffectRun#byGeneration}. */
    public long[] byGeneration() {
        return scene.ensemble.byGeneration();
    }

    /** Returns how many births the particle limit, a cap of an emitter or the limit of instances has dropped. */
    public long dropped() {
        return scene.ensemble.dropped();
    }

    /** Returns how far the camera is moved now, within the project's cap and the player's settings. */
    public Shaken shaken() {
        return scene.comfort.shaken(
                scene.now, scene.pace(), scene.project().settings().comfort());
    }

    /** Returns what lies over the screen now, within the project's cap and the player's settings. */
    public Flashed flashed() {
        return scene.comfort.flashed(
                scene.now, scene.pace(), scene.project().settings().comfort());
    }

    /** Returns for how many seconds the game still holds its breath. */
    public double paused() {
        return scene.comfort.pause();
    }

    /** Returns what game code is told since the last call, oldest first. */
    public List<Told> told() {
        return scene.outbox.takeTold();
    }

    /** Returns the accounts of what came by itself since the last call: announced events, spans that ended. */
    public List<Account> unasked() {
        return scene.outbox.takeUnasked();
    }

    /** Returns the accounts of the last pulls. */
    public Ledger ledger() {
        return ledger;
    }
}
