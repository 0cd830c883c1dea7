package bellrope.core.stage.play;

import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.rope.Rope;
import bellrope.core.stage.decide.Decision;
import bellrope.core.stage.told.Bent;
import bellrope.core.stage.world.World;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalInt;

/**
 * Plays what plays again under other settings: every instance from what began it, up to now. What is left of it is as if it
 * had been so from the beginning.
 */
final class Replay {
    private final Roster next;
    private final World world;
    private final Map<String, Integer> ended = new LinkedHashMap<>();

    Replay(Roster next, World world) {
        this.next = next;
        this.world = world;
    }

    Bent retune(Ensemble ensemble, int now) {
        ensemble.take(next);
        // What particles began is started again by their parents.
        ensemble.keep(instance -> instance.role() != Origin.Role.CHILD && restart(ensemble.casting(), instance, now));
        int earliest = now;
        for (Instance instance : ensemble.playing()) {
            OptionalInt memory = memory(instance);
            // Nothing whose line began earlier than the longest line ago can still be there.
            int since = memory.isPresent() ? Math.max(instance.start(), now - memory.getAsInt()) : instance.start();
            earliest = Math.min(earliest, since);
        }
        ensemble.again(earliest, now);
        return new Bent(ensemble.playing().size(), ended);
    }

    private boolean restart(Casting casting, Instance instance, int now) {
        Origin origin = instance.origin();
        Rope rope = next.rope(origin.rope());
        Effect effect = next.effect(origin);
        EventType event = next.event(origin.cause().event().name());
        if (effect == null || event == null || !rope.event().equals(event.name())) {
            ended.merge(origin.rope(), 1, (a, b) -> a + b);
            return false;
        }
        casting.build(instance, rope, effect, new Decision(rope, origin.cause().of(event), world, origin.start()));
        return instance.run().hold().steps().isEmpty() || !instance.run().over(now);
    }

    /** Returns for how many steps back an instance must be played again; empty where a line may have no end. */
    private OptionalInt memory(Instance instance) {
        if (!instance.run().hold().bounded()) {
            return OptionalInt.empty();
        }
        OptionalInt longest = next.begun(next.effect(instance.origin()).emitters());
        return longest.isEmpty()
                ? longest
                : OptionalInt.of(instance.run().hold().longestLine() + longest.getAsInt());
    }
}
