package bellrope.core.stage;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.random.Draws;
import bellrope.core.rope.Rope;
import bellrope.core.sim.EffectRun;
import bellrope.core.sim.FrameEncoder;
import bellrope.core.sim.Hold;
import bellrope.core.sim.Layer;
import bellrope.core.stage.Account.Answer;
import bellrope.core.stage.Account.Fed;
import bellrope.core.stage.Account.Played;
import bellrope.core.stage.Account.Reason;
import bellrope.core.stage.Account.Silent;
import bellrope.core.value.Pace;
import bellrope.core.value.Problem;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * The running whole: a project's ropes, the instances they started, and the account of every pull. This is the front door
 * for games written in Java: make one, {@link #pull} events into it, {@link #advance} it by the time that passed, draw
 * its {@link #frame}.
 *
 * <p>Time runs in whole steps of the project's pace and the remainder is carried over, so the same pulls at the same
 * steps give the same bits at any frame rate. An instance remembers the pull that began it, not only its state, so
 * {@link #retune} can play it again under new settings up to now. Not for use by several threads at once. A step allocates
 * nothing once the layers have grown to their size; a pull allocates its account.
 */
public final class Stage {
    /** How deep effects begun by particles may nest before their time counts as unbounded. */
    private static final int DEEPEST = 16;

    private final FrameEncoder encoder = new FrameEncoder();
    private final List<Playing> playing = new ArrayList<>();
    private Project project;
    private Pace pace;
    private Map<String, EventType> events;
    private Map<String, Effect> effects;
    private Map<String, List<Rope>> listeners;
    private Cast cast;
    private double remainder;
    private int now;
    private int pulls;
    private long births;
    private long swallowed;

    /** Most instances at once; what would begin beyond them is swallowed and counted. */
    public static final int MOST_INSTANCES = 5_000;

    /** An instance: what began it, and its run under the present settings. One begun by a particle has no pull. */
    private static final class Playing {
        private final String rope;
        private final Pull pull;
        private final int start;
        private EffectRun run;
        private int stopped = Integer.MAX_VALUE;

        private Playing(String rope, Pull pull, int start) {
            this.rope = rope;
            this.pull = pull;
            this.start = start;
        }
    }

    public Stage(Project project) {
        take(project);
    }

    private void take(Project next) {
        project = next;
        pace = next.settings().pace();
        cast = new Cast(next);
        events = new HashMap<>();
        next.events().forEach(e -> events.put(e.name(), e));
        effects = new HashMap<>();
        next.effects().forEach(e -> effects.put(e.name(), e));
        listeners = new HashMap<>();
        next.ropes()
                .forEach(r -> listeners
                        .computeIfAbsent(r.event(), e -> new ArrayList<>())
                        .add(r));
    }

    /**
     * Lets an event arrive now. What answers is born at once and can be seen in the next frame.
     *
     * @return the account; a pull that cannot be read is refused in it and changes nothing
     */
    public Account pull(Pull pull) {
        pulls++;
        EventType event = events.get(pull.event());
        if (event == null) {
            Problem unknown = new Problem(
                    "/type",
                    '"' + pull.event() + '"',
                    "the name of a known event" + Words.nearest(pull.event(), events.keySet()));
            return new Account(pulls, pull, now, List.of(unknown), List.of(), List.of());
        }
        List<Problem> refused = event.check(pull.payload());
        if (!refused.isEmpty()) {
            return new Account(pulls, pull, now, refused, List.of(), List.of());
        }
        List<Answer> answers = new ArrayList<>();
        for (Rope rope : listeners.getOrDefault(pull.event(), List.of())) {
            answers.add(answer(rope, event, pull));
        }
        return new Account(pulls, pull, now, List.of(), Decision.notes(event, pull), List.copyOf(answers));
    }

    private Answer answer(Rope rope, EventType event, Pull pull) {
        Decision decision = new Decision(rope, event, pull);
        Optional<Effect> effect = rope.play().map(effects::get);
        Optional<Reason> reason = decision.stopped(effect);
        if (reason.isPresent()) {
            return new Silent(rope.name(), rope.play().orElse(rope.name()), reason.get());
        }
        Playing instance = new Playing(rope.name(), pull, now);
        Played played = begin(instance, rope, decision, effect.orElseThrow());
        playing.add(instance);
        bear(instance, now);
        begun(instance, now, true);
        return played;
    }

    private Played begin(Playing instance, Rope rope, Decision decision, Effect effect) {
        List<Fed> fed = decision.fed(effect);
        List<Emitter> emitters = effect.resolved(Decision.values(fed));
        Vec3 origin = decision.origin();
        Vec3 facing = decision.facing();
        long pullSeed = effect.seed().orElse(instance.pull.seed());
        long key = Draws.instanceKey(project.settings().seed(), pullSeed, rope.seed());
        instance.run = new EffectRun(
                effect,
                emitters,
                cast.of(effect, emitters),
                pace,
                key,
                instance.start,
                new EffectRun.Placement(origin, facing, instance.pull.velocity()));
        OptionalInt hold = holdWithChildren(effect, emitters, 0);
        return new Played(
                rope.name(),
                effect.name(),
                origin,
                facing,
                List.copyOf(fed),
                hold.isPresent() ? OptionalDouble.of(pace.seconds(hold.getAsInt())) : OptionalDouble.empty());
    }

    // A whole effect begun by a particle may last on after its parent: their times add up.
    private OptionalInt holdWithChildren(Effect effect, List<Emitter> emitters, int depth) {
        OptionalInt own = Hold.of(effect.course(), emitters, pace).steps();
        int longest = 0;
        for (Emitter emitter : emitters) {
            for (End.Child child : emitter.end().children()) {
                Effect begun = child.effect().map(effects::get).orElse(null);
                if (begun != null) {
                    OptionalInt below = depth > DEEPEST
                            ? OptionalInt.empty()
                            : holdWithChildren(begun, begun.emitters(), depth + 1);
                    if (below.isEmpty()) {
                        return OptionalInt.empty();
                    }
                    longest = Math.max(longest, below.getAsInt());
                }
            }
        }
        return own.isEmpty() ? own : OptionalInt.of(own.getAsInt() + longest);
    }

    private void bear(Playing instance, int step) {
        instance.run.open(project.settings().particleLimit() - particles());
        instance.run.bear(step);
        count(instance);
    }

    private void count(Playing instance) {
        births += instance.run.borne();
        swallowed += instance.run.asked() - instance.run.borne();
    }

    /** Advances by one step. */
    public void step() {
        now++;
        make(now, true);
        List<Layer> layers = cast.layers();
        for (int i = 0; i < layers.size(); i++) {
            layers.get(i).advance(now);
        }
    }

    // Everything of a step but the exact motion, which can be had for any step at once.
    private void make(int step, boolean releasing) {
        List<Layer> layers = cast.layers();
        for (int i = 0; i < layers.size(); i++) {
            if (!layers.get(i).walks()) {
                layers.get(i).store().bury(step);
            }
        }
        for (int i = 0; i < playing.size(); i++) {
            Playing instance = playing.get(i);
            if (instance.start < step) {
                instance.run.open(project.settings().particleLimit() - particles());
                instance.run.walk(step);
                count(instance);
                // Before their parent is released; they bear with all others below.
                begun(instance, step, false);
            }
        }
        if (releasing) {
            release(step);
        }
        for (int i = 0; i < playing.size(); i++) {
            if (playing.get(i).start <= step) {
                bear(playing.get(i), step);
            }
        }
        // Those begun now bear at once, and what they begin in turn is seen by the same loop.
        for (int i = 0; i < playing.size(); i++) {
            begun(playing.get(i), step, true);
        }
    }

    private void begun(Playing parent, int step, boolean bearing) {
        List<EffectRun.Begun> begun = parent.run.begun();
        for (int i = 0; i < begun.size(); i++) {
            EffectRun.Begun child = begun.get(i);
            Effect effect = effects.get(child.effect());
            if (effect == null || playing.size() >= MOST_INSTANCES) {
                swallowed++;
                continue;
            }
            Playing instance = new Playing(parent.rope, null, step);
            List<Emitter> emitters = effect.emitters();
            instance.run = new EffectRun(
                    effect,
                    emitters,
                    cast.of(effect, emitters),
                    pace,
                    child.key(),
                    step,
                    new EffectRun.Placement(child.origin(), child.facing(), child.velocity()));
            playing.add(instance);
            if (bearing) {
                bear(instance, step);
            }
        }
        parent.run.clearBegun();
    }

    /** Tells everything that loops to end: it fades out as its effect says. */
    public void stop() {
        for (Playing instance : playing) {
            instance.stopped = Math.min(instance.stopped, now);
            instance.run.stop(instance.stopped);
        }
    }

    private void release(int step) {
        int kept = 0;
        for (int i = 0; i < playing.size(); i++) {
            Playing instance = playing.get(i);
            if (!instance.run.over(step)) {
                playing.set(kept++, instance);
            } else {
                cast.remove(instance.run.layers());
            }
        }
        while (playing.size() > kept) {
            playing.remove(playing.size() - 1);
        }
    }

    /**
     * Advances by the whole steps in the time that passed and keeps the rest for the next call.
     *
     * @param seconds 0 or more
     * @return how many steps were made
     */
    public int advance(double seconds) {
        remainder += seconds * pace.stepsPerSecond();
        int steps = (int) Math.floor(remainder + 1e-9);
        remainder = Math.max(0, remainder - steps);
        for (int i = 0; i < steps; i++) {
            step();
        }
        return steps;
    }

    /**
     * Takes a changed project without stopping: every instance is played again from its birth under the new settings, up
     * to now. Instances whose rope or effect is gone end. Counts of births and swallowed births stay as they were.
     */
    public void retune(Project next) {
        if (!next.settings().pace().equals(pace)) {
            playing.clear();
        }
        take(next);
        // What particles began is begun anew by their parents.
        playing.removeIf(instance -> instance.pull == null || !restart(instance));
        int earliest = now;
        for (Playing instance : playing) {
            OptionalInt memory = memory(instance);
            // Nothing whose line began earlier than the longest line ago can still be there.
            int since = memory.isPresent() ? Math.max(instance.start, now - memory.getAsInt()) : instance.start;
            earliest = Math.min(earliest, since);
        }
        long bornBefore = births;
        long swallowedBefore = swallowed;
        for (int step = earliest; step <= now; step++) {
            make(step, false);
        }
        births = bornBefore;
        swallowed = swallowedBefore;
        release(now);
        cast.layers().forEach(layer -> layer.advance(now));
    }

    /** Returns for how many steps back an instance must be played again; empty where a line may have no end. */
    private OptionalInt memory(Playing instance) {
        if (!instance.run.hold().bounded()) {
            return OptionalInt.empty();
        }
        int longest = 0;
        Effect effect =
                effects.get(project.rope(instance.rope).flatMap(Rope::play).orElse(""));
        for (Emitter emitter : effect == null ? List.<Emitter>of() : effect.emitters()) {
            for (End.Child child : emitter.end().children()) {
                Effect begun = child.effect().map(effects::get).orElse(null);
                OptionalInt below = begun == null ? OptionalInt.of(0) : holdWithChildren(begun, begun.emitters(), 1);
                if (below.isEmpty()) {
                    return below;
                }
                longest = Math.max(longest, below.getAsInt());
            }
        }
        return OptionalInt.of(instance.run.hold().longestLine() + longest);
    }

    private boolean restart(Playing instance) {
        Optional<Rope> rope = project.rope(instance.rope);
        Optional<Effect> effect = rope.flatMap(Rope::play).map(effects::get);
        EventType event = events.get(instance.pull.event());
        if (effect.isEmpty() || event == null || !rope.get().event().equals(event.name())) {
            return false;
        }
        begin(instance, rope.get(), new Decision(rope.get(), event, instance.pull), effect.get());
        instance.run.stop(instance.stopped);
        return instance.run.hold().steps().isEmpty() || !instance.run.over(now);
    }

    /** Ends everything that plays. */
    public void clear() {
        playing.forEach(instance -> cast.remove(instance.run.layers()));
        playing.clear();
        cast.layers().forEach(layer -> layer.store().clear());
    }

    /**
     * Encodes what is on the stage; see {@link FrameEncoder}.
     *
     * @param sequence number of this frame on its way to one reader
     * @return valid until the next call
     */
    public ByteBuffer frame(int sequence) {
        return encoder.encode(cast.layers(), now, playing.size(), sequence);
    }

    /** Returns the layers in draw order, for measuring. */
    public List<Layer> layers() {
        return cast.layers();
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
        return playing.size();
    }

    /** Returns how many particles live. */
    public int particles() {
        int sum = 0;
        List<Layer> layers = cast.layers();
        for (int i = 0; i < layers.size(); i++) {
            sum += layers.get(i).store().count();
        }
        return sum;
    }

    public long births() {
        return births;
    }

    /** Returns how many were born of each generation by what plays now; see {@link EffectRun#byGeneration}. */
    public long[] byGeneration() {
        long[] sum = new long[EffectRun.GENERATIONS];
        for (Playing instance : playing) {
            long[] one = instance.run.byGeneration();
            for (int i = 0; i < sum.length; i++) {
                sum[i] += one[i];
            }
        }
        return sum;
    }

    /** Returns how many births the particle limit, a cap of an emitter or the limit of instances has swallowed. */
    public long swallowed() {
        return swallowed;
    }
}
