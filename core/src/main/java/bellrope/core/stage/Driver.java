package bellrope.core.stage;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Source;
import bellrope.core.sim.EffectRun;
import bellrope.core.value.Range;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/** Feeds from channels and times, which go on driving an instance while it plays. */
final class Driver {
    private final List<Feed> feeds;
    private final Parameter[] parameters;
    private final double[] last;
    private final Effect effect;
    private final Decision decision;
    private final World world;
    private final Map<String, Double> values;

    private Driver(List<Feed> feeds, Effect effect, Decision decision, World world, Map<String, Double> values) {
        this.feeds = feeds;
        this.effect = effect;
        this.decision = decision;
        this.world = world;
        this.values = new HashMap<>(values);
        this.parameters = feeds.stream()
                .map(f -> effect.parameter(f.parameter()).orElseThrow())
                .toArray(Parameter[]::new);
        this.last = new double[feeds.size()];
        Arrays.fill(last, Double.NaN);
    }

    /**
     * Returns what drives an instance; null when nothing does.
     *
     * @param values of all parameters at first
     */
    static Driver of(List<Feed> feeds, Effect effect, Decision decision, World world, Map<String, Double> values) {
        List<Feed> driving = feeds.stream()
                .filter(f -> f.continuous()
                        && !(f.source() instanceof Source.Since)
                        && effect.parameter(f.parameter()).isPresent())
                .toList();
        return driving.isEmpty() ? null : new Driver(driving, effect, decision, world, values);
    }

    /** Returns the emitters with the highest rates and the longest lives that any values of the feeds can bring. */
    List<Emitter> peaks() {
        List<Emitter> peaks = null;
        for (int corner = 0; corner < 1 << feeds.size(); corner++) {
            Map<String, Double> at = new HashMap<>(values);
            for (int i = 0; i < feeds.size(); i++) {
                Feed feed = feeds.get(i);
                at.put(feed.parameter(), parameters[i].held((corner >> i & 1) == 0 ? feed.from() : feed.to()));
            }
            List<Emitter> here = decision.resolved(effect, at);
            peaks = peaks == null ? here : higher(peaks, here);
        }
        return peaks;
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

    /** Sets what is born on a step; works only when a value has changed. */
    void drive(EffectRun run, int step) {
        boolean changed = false;
        for (int i = 0; i < last.length; i++) {
            Feed feed = feeds.get(i);
            double given = feed.source() instanceof Source.Channel channel
                    ? decision.seconds(step) > 0 ? world.channel(channel.channel(), step) : decision.given(feed)
                    : decision.seconds(step);
            if (Double.isNaN(given)) {
                continue;
            }
            double value = parameters[i].held(feed.value(given));
            if (value != last[i]) {
                last[i] = value;
                values.put(feed.parameter(), value);
                changed = true;
            }
        }
        if (changed) {
            run.drive(decision.resolved(effect, values));
        }
    }
}
