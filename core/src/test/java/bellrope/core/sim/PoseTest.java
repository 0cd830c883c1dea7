package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.value.Vec3;
import java.util.SplittableRandom;
import org.joml.Matrix3d;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class PoseTest {
    private final double[] axes = new double[4];

    private static double area(double[] a) {
        return Math.abs(a[0] * a[3] - a[1] * a[2]);
    }

    private static Vec3 drawn(SplittableRandom random) {
        return new Vec3(random.nextDouble(-1, 1), random.nextDouble(-1, 1), random.nextDouble(-1, 1))
                .directionOr(Vec3.UP);
    }

    // JOML's rotation about z as reference.
    @Test
    void whatFacesTheCameraIsTurnedAndKeepsItsSize() {
        for (double turns : new double[] {0, 0.1, 0.25, 0.6}) {
            Pose.axes(Pose.CAMERA, 0, 0, 0, turns, 3, 2, false, axes);
            Matrix3d turn = new Matrix3d().rotateZ(turns * 2 * Math.PI);
            Vector3d width = turn.transform(new Vector3d(3, 0, 0));
            Vector3d height = turn.transform(new Vector3d(0, 2, 0));
            assertThat(axes[0]).isCloseTo(width.x, within(1e-9));
            assertThat(axes[1]).isCloseTo(width.y, within(1e-9));
            assertThat(axes[2]).isCloseTo(height.x, within(1e-9));
            assertThat(axes[3]).isCloseTo(height.y, within(1e-9));
        }
    }

    @Test
    void whatLiesAlongItsFlightShowsAsMuchOfItsLengthAsIsSeenFromTheSide() {
        SplittableRandom random = new SplittableRandom(1);
        for (int i = 0; i < 500; i++) {
            Vec3 d = drawn(random);
            double seen = Math.hypot(d.x(), d.y());
            Pose.axes(Pose.ALONG, d.x(), d.y(), d.z(), 0.3, 2, 0.5, false, axes);
            assertThat(Math.hypot(axes[0], axes[1])).isCloseTo(Math.max(0.5, 2 * seen), within(1e-9));
            assertThat(axes[0] * d.y()).as("it points along the flight").isCloseTo(axes[1] * d.x(), within(1e-9));
            assertThat(axes[0] * d.x() + axes[1] * d.y()).isPositive();
            assertThat(axes[0] * axes[2] + axes[1] * axes[3])
                    .as("square to its breadth")
                    .isCloseTo(0, within(1e-9));
            assertThat(Math.hypot(axes[2], axes[3])).isCloseTo(0.5, within(1e-9));
            assertThat(axes[0] * axes[3] - axes[1] * axes[2]).as("not mirrored").isPositive();
            Pose.axes(Pose.ALONG, d.x(), d.y(), d.z(), 0.3, 2, 0.5, true, axes);
            assertThat(Math.hypot(axes[0], axes[1])).as("of a ribbon").isCloseTo(2 * seen, within(1e-9));
        }
    }

    @Test
    void whatFliesStraightAtTheViewerIsAsLongAsItIsBroad() {
        Pose.axes(Pose.ALONG, 0, 0, 1, 0, 2, 0.5, false, axes);
        assertThat(axes).containsExactly(0.5, 0, -0.0, 0.5);
        assertThat(Pose.area(Pose.ALONG, 0, 0, 1, 2, 0.5, false)).isEqualTo(0.25);
        assertThat(Pose.area(Pose.ALONG, 0, 0, 1, 2, 0.5, true)).isZero();
    }

    // The view is orthographic along −z, and depth is sheared by 0.3 along the normal: (x, y) − 0.3 z (nx, ny).
    @Test
    void whatLiesInAPlaneIsSeenAsItsTwoSidesAre() {
        SplittableRandom random = new SplittableRandom(2);
        for (int i = 0; i < 500; i++) {
            Vec3 n = drawn(random);
            double turns = random.nextDouble();
            Vector3d normal = new Vector3d(n.x(), n.y(), n.z());
            Vector3d level = new Vector3d(0, 1, 0).cross(normal).normalize();
            Vector3d across = new Vector3d(normal).cross(level);
            level.rotateAxis(turns * 2 * Math.PI, n.x(), n.y(), n.z());
            across.rotateAxis(turns * 2 * Math.PI, n.x(), n.y(), n.z());
            Pose.axes(Pose.FLAT, n.x(), n.y(), n.z(), turns, 2, 0.5, false, axes);
            assertThat(axes[0]).isCloseTo(2 * (level.x - 0.3 * level.z * n.x()), within(1e-6));
            assertThat(axes[1]).isCloseTo(2 * (level.y - 0.3 * level.z * n.y()), within(1e-6));
            assertThat(axes[2]).isCloseTo(0.5 * (across.x - 0.3 * across.z * n.x()), within(1e-6));
            assertThat(axes[3]).isCloseTo(0.5 * (across.y - 0.3 * across.z * n.y()), within(1e-6));
        }
    }

    @Test
    void theAreaIsThatOfTheTwoSidesWhateverThePose() {
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < 500; i++) {
            Vec3 d = drawn(random);
            for (int pose : new int[] {Pose.CAMERA, Pose.ALONG, Pose.FLAT}) {
                double w = random.nextDouble(0.1, 3);
                double h = random.nextDouble(0.1, 3);
                Pose.axes(pose, d.x(), d.y(), d.z(), random.nextDouble(), w, h, false, axes);
                assertThat(Pose.area(pose, d.x(), d.y(), d.z(), w, h, false)).isCloseTo(area(axes), within(1e-9));
            }
        }
    }

    @Test
    void whatFacesTheViewerIsSeenWhole() {
        assertThat(Pose.share(0, 0, 1)).isCloseTo(1, within(1e-12));
        assertThat(Pose.share(0, 1, 0)).as("the ground, from the side").isBetween(0.2, 0.4);
        assertThat(Pose.share(0, -1, 0)).isEqualTo(Pose.share(0, 1, 0));
        assertThat(Pose.share(1, 0, 0)).as("a wall from its edge").isBetween(0.2, 0.4);
    }
}
