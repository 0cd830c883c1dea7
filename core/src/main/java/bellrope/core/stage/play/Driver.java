package bellrope.core.stage.play;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Type;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.sim.EffectRun;
import bellrope.core.stage.decide.Decision;
import bellrope.core.stage.world.World;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.IntToDoubleFunction;

/**
 * What goes on driving an instance while it plays: feeds from channels, times and other parameters, and the hand of game
 * code, which goes before them. It is a function of the steps since the beginning: after a jump it works through the steps
 * between, so that playing again gives the same bits.
 */
final class Driver {
    /** Values of a parameter that are tried for its highest rate and longest life. */
    private static final int TRIED = 33;

    private final Instance instance;
    private final Effect effect;
    private final Decision decision;
    private final World world;
    private final List<Driving> feeds = new ArrayList<>();
    private final Map<String, Datum> values;
    private final double dt;
    private int at = Integer.MIN_VALUE;
    private int raised;
    private boolean changed;

    /** One feed with what it has come to. */
    private static final class Driving {
        private final Feed feed;
        private final Parameter parameter;
        private final IntToDoubleFunction reading;
        private double given;
        private double lagged;
        private double last = Double.NaN;
        private long look = -1;

        private Driving(Feed feed, Parameter parameter, IntToDoubleFunction reading) {
            this.feed = feed;
            this.parameter = parameter;
            this.reading = reading;
        }
    }

    /** @param values of all parameters at first */
    Driver(Instance instance, Rope rope, Effect effect, Decision decision, World world, Map<String, Datum> values) {
        this.instance = instance;
        this.effect = effect;
        this.decision = decision;
        this.world = world;
        this.values = new HashMap<>(values);
        this.dt = world.seconds(1);
        if (instance.role() == Origin.Role.MAIN) {
            for (Feed feed : rope.feedsInOrder()) {
                Parameter parameter = effect.parameter(feed.parameter()).orElse(null);
                if (feed.continuous() && parameter != null && parameter.type().scalar()) {
                    feeds.add(new Driving(feed, parameter, reading(feed)));
                }
            }
        }
    }

    /** Tells whether anything may drive an instance, so that it needs one. */
    static boolean wanted(Instance instance, Rope rope) {
        if (!instance.hands().isEmpty()) {
            return true;
        }
        for (Feed feed : rope.feeds()) {
            if (feed.continuous()) {
                return true;
            }
        }
        return false;
    }

    /** Tells whether anything drives yet. */
    boolean idle() {
        return feeds.isEmpty() && instance.hands().isEmpty();
    }

    /** Sets what is born on a step; works only when a value has changed. */
    void drive(EffectRun run, int step) {
        int from = at == Integer.MIN_VALUE ? instance.start() : at + 1;
        for (int s = from; s <= step; s++) {
            work(s);
        }
        at = Math.max(at, step);
        int hands = raising(step);
        if (hands != raised) {
            raised = hands;
            run.raise(peaks(step), hands);
        }
        if (changed) {
            changed = false;
            run.drive(decision.feeding().resolved(effect, values));
        }
    }

    // Hands that touch births, each of which raised the peaks once.
    private int raising(int step) {
        int count = 0;
        for (int i = 0; i < instance.hands().size(); i++) {
            Hand hand = instance.hands().get(i);
            if (!Double.isNaN(hand.seenBy(step))
                    && births(effect.parameter(hand.parameter()).orElse(null))) {
                count++;
            }
        }
        return count;
    }

    private static boolean births(Parameter parameter) {
        return parameter != null
                && parameter.bindings().stream().anyMatch(b -> b.property().births());
    }

    private void work(int step) {
        for (int i = 0; i < instance.hands().size(); i++) {
            Hand hand = instance.hands().get(i);
            Parameter parameter = effect.parameter(hand.parameter()).orElse(null);
            double position = hand.seenBy(step);
            if (parameter == null || Double.isNaN(position)) {
                continue;
            }
            Datum other = hand.valueSeenBy(step);
            if (other != null && parameter.type().accepts(other)) {
                put(parameter, other);
            } else if (parameter.type().scalar()) {
                put(parameter, parameter.type().within(position));
            }
        }
        for (int i = 0; i < feeds.size(); i++) {
            Driving one = feeds.get(i);
            double value = follow(one, step);
            if (!Double.isNaN(value) && !turned(one.parameter.name(), step)) {
                value = one.parameter.type().within(value);
                if (value != one.last) {
                    one.last = value;
                    put(one.parameter, value);
                }
            }
        }
    }

    private boolean turned(String parameter, int step) {
        for (int i = 0; i < instance.hands().size(); i++) {
            if (instance.hands().get(i).parameter().equals(parameter)
                    && !Double.isNaN(instance.hands().get(i).seenBy(step))) {
                return true;
            }
        }
        return false;
    }

    private void put(Parameter parameter, double position) {
        Datum now = values.get(parameter.name());
        if (now == null || parameter.type().position(now) != position) {
            put(parameter, parameter.type().at(position));
        }
    }

    private void put(Parameter parameter, Datum value) {
        if (!value.equals(values.put(parameter.name(), value))) {
            changed = true;
        }
    }

    private double follow(Driving one, int step) {
        Feed.Follow follow = one.feed.follow();
        double seconds = decision.seconds(step);
        long look = follow.every() > 0 ? (long) Math.floor(seconds / follow.every() + 1e-9) : step;
        boolean first = one.look < 0;
        if (first || look != one.look) {
            one.given = one.reading.applyAsDouble(step);
            one.look = Math.max(0, look);
        }
        if (Double.isNaN(one.given)) {
            return Double.NaN;
        }
        double target = one.feed.value(one.given);
        one.lagged = first ? target : follow.after(one.lagged, target, dt);
        return one.lagged;
    }

    // Chosen once, because a warm step allocates nothing.
    private IntToDoubleFunction reading(Feed feed) {
        Source source = feed.source();
        return source.match(
                payload -> step -> Double.NaN,
                channel -> step -> first(step) ? decision.number(source) : world.channel(channel.channel(), step),
                held -> step -> instance.stopped(step) ? 0 : decision.seconds(step),
                since -> step -> {
                    double gone = first(step) ? decision.number(source) : world.since(since.event(), step);
                    return Double.isInfinite(gone)
                            ? feed.remap().map(r -> r.in().most()).orElse(Double.NaN)
                            : gone;
                },
                constant -> step -> Double.NaN,
                random -> step -> Double.NaN,
                other -> effect.parameter(other.parameter())
                        .<IntToDoubleFunction>map(
                                p -> step -> p.type().position(values.getOrDefault(p.name(), p.standard())))
                        .orElse(step -> Double.NaN));
    }

    private boolean first(int step) {
        return step == instance.start();
    }

    /**
     * Returns the emitters with the highest rates and the longest lives that anything driving can bring.
     *
     * @param step up to which hands count
     */
    List<Emitter> peaks(int step) {
        Map<Parameter, Range> driven = new LinkedHashMap<>();
        for (Driving one : feeds) {
            Type type = one.parameter.type();
            Range bounds = new Range(type.least(), type.most());
            Range out = one.feed
                    .remap()
                    .filter(bellrope.core.value.Remap::clamp)
                    .map(bellrope.core.value.Remap::out)
                    .orElse(bounds);
            driven.put(one.parameter, out.heldIn(type.lowest(), type.highest()));
        }
        for (Hand hand : instance.hands()) {
            Parameter parameter = effect.parameter(hand.parameter()).orElse(null);
            if (parameter != null && parameter.type().scalar() && !Double.isNaN(hand.seenBy(step))) {
                driven.put(
                        parameter,
                        new Range(parameter.type().least(), parameter.type().most()));
            }
        }
        List<Emitter> peaks = decision.feeding().resolved(effect, values);
        if (driven.isEmpty()) {
            return peaks;
        }
        // What is highest for one emitter may be lowest for another, so each has values of its own.
        for (int e = 0; e < effect.emitters().size(); e++) {
            for (boolean rate : new boolean[] {true, false}) {
                Map<String, Datum> highest = new HashMap<>(values);
                for (Map.Entry<Parameter, Range> one : driven.entrySet()) {
                    if (births(one.getKey())) {
                        highest.put(one.getKey().name(), highest(one.getKey(), one.getValue(), e, rate, highest));
                    }
                }
                peaks = higher(peaks, decision.feeding().resolved(effect, highest));
            }
        }
        return peaks;
    }

    // The value at which an emitter's rates, or its lives, are highest: tried from end to end, as it may act through a
    // curve.
    private Datum highest(Parameter parameter, Range range, int e, boolean rate, Map<String, Datum> others) {
        Datum highest = null;
        double most = -1;
        Map<String, Datum> tried = new HashMap<>(others);
        for (int i = 0; i < TRIED; i++) {
            Datum value = parameter.type().at(range.at((double) i / (TRIED - 1)));
            tried.put(parameter.name(), value);
            Birth birth = effect.resolved(tried).get(e).birth();
            double now = rate
                    ? birth.stream().map(s -> s.perSecond()).orElse(0.0)
                            + birth.perUnit().orElse(0)
                    : birth.lifetime().most();
            if (now > most) {
                most = now;
                highest = value;
            }
        }
        return highest;
    }

    private static List<Emitter> higher(List<Emitter> a, List<Emitter> b) {
        List<Emitter> out = new ArrayList<>();
        for (int i = 0; i < a.size(); i++) {
            Emitter one = a.get(i);
            Birth other = b.get(i).birth();
            out.add(one.withBirth(one.birth().with(d -> {
                if (d.stream.isPresent()
                        && other.stream().get().perSecond() > d.stream.get().perSecond()) {
                    d.stream = other.stream();
                }
                if (d.perUnit.isPresent()) {
                    d.perUnit = OptionalDouble.of(
                            Math.max(d.perUnit.getAsDouble(), other.perUnit().getAsDouble()));
                }
                d.lifetime = new Range(
                        Math.max(d.lifetime.least(), other.lifetime().least()),
                        Math.max(d.lifetime.most(), other.lifetime().most()));
            })));
        }
        return out;
    }

    /** Returns what all parameters are now. */
    Map<String, Datum> values() {
        return values;
    }
}
