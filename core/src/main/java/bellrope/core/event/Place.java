package bellrope.core.event;

import bellrope.core.value.Demand;
import bellrope.core.value.Vec3;

/** A named place of the world, such as the door of a mill. */
public record Place(String name, Vec3 position) {
    public Place {
        Demand.name("name", name);
    }
}
