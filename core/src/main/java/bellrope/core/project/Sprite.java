package bellrope.core.project;

import bellrope.core.value.Demand;

/**
 * A picture for particles.
 *
 * @param coverage its mean opacity over the whole square, 0 to 1, by which presence is measured
 */
public record Sprite(String name, double coverage) {
    public Sprite {
        Demand.name("name", name);
        Demand.within("coverage", coverage, 0, 1);
    }
}
