package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class OctahedronTest {
    // Cigolle et al., JCGT 2014 (from memory): 16 bits are off by less than a degree.
    @Test
    void aDirectionComesBackWithinADegree() {
        Random r = new Random(4);
        for (int i = 0; i < 20_000; i++) {
            Vec3 v = new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).directionOr(Vec3.UP);
            double cos = Math.min(1, Octahedron.decode(Octahedron.encode(v)).dot(v));
            assertThat(Math.toDegrees(Math.acos(cos))).isLessThan(0.95);
        }
    }

    @Test
    void theAxesAreExact() {
        for (Vec3 axis : List.of(Vec3.UP, Vec3.RIGHT, new Vec3(0, 0, 1))) {
            for (Vec3 v : List.of(axis, axis.times(-1))) {
                assertThat(Octahedron.decode(Octahedron.encode(v)).dot(v)).isCloseTo(1, within(1e-9));
            }
        }
    }
}
