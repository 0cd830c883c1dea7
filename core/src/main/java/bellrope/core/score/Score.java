package bellrope.core.score;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Exact;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a game says over a stretch of time, a lane for each kind of arrival: what a rehearsal plays.
 *
 * @param seconds how long it is, above 0 to {@value #LONGEST}; what plays then is played to its end
 * @param seed of all that is at random in it, see {@link Writing}
 * @param lanes at most 200; together {@value #MOST_ARRIVALS} arrivals at most
 * @param channels at most 200, no two of one name
 */
public record Score(String name, double seconds, long seed, List<Lane> lanes, List<Channelled> channels) {
    public static final int MOST_LANES = 200;
    public static final int MOST_CHANNELS = 200;

    public static final Bounds SECONDS = Bounds.above(0, Score.LONGEST);

    /** Longest score, in seconds. */
    public static final int LONGEST = 3_600;

    /** Most arrivals that a score may lead one to expect. */
    public static final int MOST_ARRIVALS = 100_000;

    /** Highest seed: whole numbers up to here are the same in every language. */
    public static final long HIGHEST_SEED = (1L << 53) - 1;

    public Score {
        Demand.name("name", name);
        SECONDS.check("seconds", seconds);
        if (seed < 0 || seed > HIGHEST_SEED) {
            throw new Refused("seed", Long.toString(seed), "a whole number from 0 to " + HIGHEST_SEED);
        }
        lanes = Demand.atMost("lanes", lanes, MOST_LANES);
        channels = Demand.atMost("channels", channels, MOST_CHANNELS);
        Map<Integer, Lane> byId = new HashMap<>();
        for (int i = 0; i < lanes.size(); i++) {
            Lane lane = lanes.get(i);
            if (byId.put(lane.id(), lane) != null) {
                throw new Refused("lanes/" + i + "/id", Integer.toString(lane.id()), "an id no other lane has");
            }
        }
        for (int i = 0; i < lanes.size(); i++) {
            follows(lanes.get(i), "lanes/" + i + "/when/lane", byId);
        }
        Set<String> names = new HashSet<>();
        for (int i = 0; i < channels.size(); i++) {
            if (!names.add(channels.get(i).channel())) {
                throw new Refused("channels/" + i + "/channel", channels.get(i).channel(), "each channel once");
            }
        }
        double expected = 0;
        for (Lane lane : lanes) {
            expected += expected(lane, byId, seconds);
        }
        if (expected > MOST_ARRIVALS) {
            throw new Refused(
                    "lanes",
                    "some " + Words.number(Exact.rint(expected)) + " arrivals",
                    "at most " + MOST_ARRIVALS + "; lower the rates, or make the score shorter");
        }
    }

    // A lane may come after one that comes after another, but never after itself.
    private static void follows(Lane lane, String place, Map<Integer, Lane> byId) {
        Set<Integer> met = new HashSet<>();
        Lane now = lane;
        while (now.follows().isPresent()) {
            int next = now.follows().get();
            if (!byId.containsKey(next)) {
                throw new Refused(place, Integer.toString(next), "the id of another lane");
            }
            if (next == lane.id()) {
                throw new Refused(
                        place, Integer.toString(lane.follows().get()), "a lane that does not come after this one");
            }
            if (!met.add(next)) {
                // Told of those that are in the circle.
                return;
            }
            now = byId.get(next);
        }
    }

    private static double expected(Lane lane, Map<Integer, Lane> byId, double seconds) {
        double share = 1;
        Lane now = lane;
        while (now.when() instanceof Pattern.After after) {
            share *= after.chance();
            now = byId.get(after.lane());
        }
        return now.when().expected(Math.max(0, now.end(seconds) - now.from())) * share;
    }

    public Score withLanes(List<Lane> others) {
        return new Score(name, seconds, seed, others, channels);
    }

    public Score withChannels(List<Channelled> others) {
        return new Score(name, seconds, seed, lanes, others);
    }
}
