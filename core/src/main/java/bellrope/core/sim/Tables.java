package bellrope.core.sim;

import bellrope.core.effect.Life;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;

/**
 * The tables that many layers share, each made when it is first asked for. Lives are told apart by identity, which is quick
 * and costs at most a table too many.
 */
public final class Tables {
    /** Beyond so many, as with feeds that make a new life for each pull, all are forgotten and made again. */
    private static final int MOST = 512;

    private final Map<Life, Lanes> lanes = new IdentityHashMap<>();
    private final Map<Motion, Flight> flights = new HashMap<>();

    private record Motion(double drag, double stepsPerSecond) {}

    Lanes lanes(Life life) {
        if (lanes.size() > MOST) {
            lanes.clear();
        }
        return lanes.computeIfAbsent(life, Lanes::new);
    }

    Flight flight(double drag, double stepsPerSecond) {
        if (flights.size() > MOST) {
            flights.clear();
        }
        return flights.computeIfAbsent(new Motion(drag, stepsPerSecond), m -> new Flight(m.drag, m.stepsPerSecond));
    }
}
