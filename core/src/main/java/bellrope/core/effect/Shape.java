package bellrope.core.effect;

import bellrope.core.value.Demand;

/** Where particles are born, in the effect's own frame, whose y axis is the facing. */
public sealed interface Shape {
    /** All at the origin, thrown along the facing. */
    record Point() implements Shape {}

    /**
     * Evenly over a disc square to the facing, thrown along the facing.
     *
     * @param radius units, above 0 to 1,000
     */
    record Disc(double radius) implements Shape {
        public Disc {
            Demand.above("radius", radius, 0);
            Demand.within("radius", radius, 0, 1000);
        }
    }

    /**
     * Evenly over a disc square to the facing, thrown outward: along the facing in the middle, tilted by {@code angle} at
     * the rim. With a radius of 0, all from the origin and evenly over the cap of that half-angle.
     *
     * @param radius units, 0 to 1,000
     * @param angle degrees from the facing to the side of the cone, 0 to 180
     */
    record Cone(double radius, double angle) implements Shape {
        public Cone {
            Demand.within("radius", radius, 0, 1000);
            Demand.within("angle", angle, 0, 180);
        }
    }
}
