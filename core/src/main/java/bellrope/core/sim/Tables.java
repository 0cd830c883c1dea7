package bellrope.core.sim;

import bellrope.core.effect.Life;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** The tables that many layers share, each made when it is first asked for. */
public final class Tables {
    /** Beyond so many, as with feeds that make new curves for each pull, all are forgotten and made again. */
    private static final int MOST = 512;

    private final Map<Curves, Lanes> lanes = new HashMap<>();
    private final Map<Motion, Flight> flights = new HashMap<>();

    private record Motion(double drag, double stepsPerSecond) {}

    /**
     * What tables are made of. Curves are told apart by identity, which is quick and costs at most a table too many; a life
     * whose gravity is fed keeps its curves.
     */
    private record Curves(
            Curve size,
            Curve opacity,
            Gradient colour,
            Gradient otherColour,
            Curve spin,
            Curve speed,
            Set<Life.Lane> replaces) {
        Curves(Life life) {
            this(
                    life.size(),
                    life.opacity(),
                    life.colour(),
                    life.otherColour().orElse(null),
                    life.spin(),
                    life.speed(),
                    life.replaces());
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Curves c
                    && size == c.size
                    && opacity == c.opacity
                    && colour == c.colour
                    && otherColour == c.otherColour
                    && spin == c.spin
                    && speed == c.speed
                    && replaces.equals(c.replaces);
        }

        @Override
        public int hashCode() {
            int hash = System.identityHashCode(size);
            hash = 31 * hash + System.identityHashCode(opacity);
            hash = 31 * hash + System.identityHashCode(colour);
            return 31 * hash + System.identityHashCode(speed);
        }
    }

    Lanes lanes(Life life) {
        if (lanes.size() > MOST) {
            lanes.clear();
        }
        return lanes.computeIfAbsent(new Curves(life), c -> new Lanes(life));
    }

    Flight flight(double drag, double stepsPerSecond) {
        if (flights.size() > MOST) {
            flights.clear();
        }
        return flights.computeIfAbsent(new Motion(drag, stepsPerSecond), m -> new Flight(m.drag, m.stepsPerSecond));
    }
}
