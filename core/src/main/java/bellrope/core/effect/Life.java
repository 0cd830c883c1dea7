package bellrope.core.effect;

import bellrope.core.value.Curve;
import bellrope.core.value.Demand;
import bellrope.core.value.Gradient;
import bellrope.core.value.Vec3;

/**
 * The second act: what happens to a particle between birth and end.
 *
 * @param gravity units a second squared, in world space, each axis −1,000 to 1,000
 * @param drag share of its speed that a particle loses per second (linear drag), 0 to 100
 * @param size multiplies the size over life fraction
 * @param opacity multiplies the opacity over life fraction, never below 0
 * @param colour multiplies the colour over life fraction, in linear light
 */
public record Life(Vec3 gravity, double drag, Curve size, Curve opacity, Gradient colour) {
    public Life {
        Demand.within("gravity/0", gravity.x(), -1000, 1000);
        Demand.within("gravity/1", gravity.y(), -1000, 1000);
        Demand.within("gravity/2", gravity.z(), -1000, 1000);
        Demand.within("drag", drag, 0, 100);
        for (int i = 0; i < size.keys().size(); i++) {
            Demand.within("size/" + i + "/value", size.keys().get(i).value(), 0, 1000);
        }
        for (int i = 0; i < opacity.keys().size(); i++) {
            Demand.within("opacity/" + i + "/value", opacity.keys().get(i).value(), 0, 1);
        }
    }
}
