package bellrope.core.rope;

import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * One wiring: when this event comes and these conditions hold, play that.
 *
 * @param name unique within its project
 * @param seed part of the address of its instances' random draws, unique within its project, 0 to 1,000,000
 * @param event name of the event
 * @param conditions all must hold; at most 16
 * @param play name of the effect; empty while none is chosen, and then nothing plays and the account says so
 * @param offset units from the event's point, in the event's own frame: y along its normal, x along its direction
 * @param facing which way the effect points
 * @param feeds at most 16, no two for one parameter
 */
public record Rope(
        String name,
        int seed,
        String event,
        List<Condition> conditions,
        Optional<String> play,
        Vec3 offset,
        Facing facing,
        List<Feed> feeds) {
    public static final int HIGHEST_SEED = 1_000_000;

    public Rope {
        Demand.name("name", name);
        Demand.within("seed", seed, 0, HIGHEST_SEED);
        Demand.name("event", event);
        conditions = Demand.atMost("conditions", conditions, 16);
        feeds = Demand.atMost("feeds", feeds, 16);
        Set<String> fed = new HashSet<>();
        for (int i = 0; i < feeds.size(); i++) {
            if (!fed.add(feeds.get(i).parameter())) {
                throw new Refused(
                        "feeds/" + i + "/parameter",
                        '"' + feeds.get(i).parameter() + '"',
                        "a parameter that no other feed of this rope drives");
            }
        }
    }
}
