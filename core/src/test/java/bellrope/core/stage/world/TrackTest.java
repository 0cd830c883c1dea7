package bellrope.core.stage.world;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class TrackTest {
    private static Track moved(int times) {
        Track track = new Track(60, Track.MOST);
        for (int i = 0; i < times; i++) {
            track.put(i, 0, new Vec3(i * 0.1, 0, 0), Vec3.ZERO, null);
        }
        return track;
    }

    @Test
    void goesOnEvenlyWithTheVelocityItWasToldAndRestsWithoutOne() {
        Track track = new Track(60, Track.MOST);
        track.put(0, 0, Vec3.ZERO, Vec3.ZERO, new Vec3(6, 0, 0));
        int entry = track.seenBy(30);
        assertThat(track.at(entry, 30).x()).isCloseTo(3, within(1e-12));
        assertThat(track.gone(entry, 30)).isCloseTo(3, within(1e-12));
        track.rest(30, 0);
        assertThat(track.at(track.seenBy(90), 90).x()).isCloseTo(3, within(1e-12));
        assertThat(track.velocity(track.seenBy(90))).isEqualTo(Vec3.ZERO);
    }

    @Test
    void whatIsToldAfterAStepCountsFromTheNext() {
        Track track = moved(10);
        assertThat(track.at(track.seenBy(5), 5).x())
                .as("step 5 saw what was told after step 4")
                .isCloseTo(0.4, within(1e-12));
        assertThat(track.velocity(track.seenBy(6)).x())
                .as("from its way: 0.1 u a step")
                .isCloseTo(6, within(1e-9));
        assertThat(track.heading(track.seenBy(6))).isEqualTo(Vec3.RIGHT);
        assertThat(track.gone(track.seenBy(10), 10)).isCloseTo(0.9, within(1e-9));
    }

    @Test
    void aBeginningSeesWhatWasToldBeforeItOnTheSameStep() {
        Track track = new Track(60, Track.MOST);
        track.put(7, 3, new Vec3(1, 0, 0), Vec3.ZERO, null);
        track.put(7, 4, new Vec3(2, 0, 0), Vec3.ZERO, null);
        assertThat(track.at(track.knownTo(4), 7).x()).isEqualTo(1);
        assertThat(track.at(track.knownTo(5), 7).x()).isEqualTo(2);
    }

    @Test
    void forgetsOnlyWhatIsLongPast() {
        Track track = moved(5000);
        assertThat(track.at(track.seenBy(4500), 4500).x()).isCloseTo(449.9, within(1e-9));
        assertThat(track.at(track.seenBy(10), 10).x()).as("the oldest there is").isGreaterThan(200);
    }

    @Test
    void aFollowerTurnsWithItsSubjectOnlyIfItShall() {
        for (boolean turns : new boolean[] {true, false}) {
            Track track = new Track(60, Track.MOST);
            track.put(0, 0, Vec3.ZERO, Vec3.RIGHT, null);
            FollowedPath way = new FollowedPath(
                    track,
                    0,
                    1,
                    new Vec3(2, 0, 0),
                    true,
                    OptionalDouble.empty(),
                    Rotation.NONE,
                    1,
                    turns ? FollowedPath.Turning.SHORTEST : FollowedPath.Turning.NOT);
            Rotation first = way.turn(0);
            track.put(0, 1, Vec3.ZERO, Vec3.UP, null);
            double[] place = new double[3];
            way.at(1, place);
            assertThat(place).as("2 u ahead, which is up now").containsExactly(0, 2, 0);
            assertThat(way.turn(1).equals(first)).isEqualTo(!turns);
        }
    }

    private static FollowedPath following(Track track, int start, Vec3 offset, OptionalDouble depth, double share) {
        return new FollowedPath(
                track, start, 100, offset, false, depth, Rotation.NONE, share, FollowedPath.Turning.NOT);
    }

    @Test
    void aFollowerIsWhereItsSubjectIsBetweenStepsToo() {
        Track track = new Track(60, Track.MOST);
        track.put(0, 0, new Vec3(1, 2, 3), Vec3.ZERO, new Vec3(6, 12, -18));
        FollowedPath path = following(track, 10, new Vec3(0, 1, 0), OptionalDouble.empty(), 0.5);
        double[] place = new double[3];
        // Ten steps after it was told, a sixth of a second on: 1 + 1, 2 + 2 and 3 − 3.
        path.at(0, place);
        assertThat(place).containsExactly(new double[] {2, 5, 0}, within(1e-9));
        path.at(2.5, place);
        assertThat(place).containsExactly(new double[] {2.25, 5.5, -0.75}, within(1e-9));
        path.at(-0.5, place);
        assertThat(place[0]).as("before it began it is where it began").isCloseTo(2, within(1e-9));
        double[] velocity = new double[3];
        path.velocity(0, velocity);
        assertThat(velocity).as("half of the subject's").containsExactly(3, 6, -9);
        path.velocity(3, velocity);
        assertThat(velocity).containsExactly(3, 6, -9);
        assertThat(path.gone(0)).isZero();
        assertThat(path.gone(30)).as("22.45 u/s for half a second").isCloseTo(Math.sqrt(504) / 2, within(1e-9));
        following(track, 10, Vec3.ZERO, OptionalDouble.of(-2), 1).at(5, place);
        assertThat(place[2]).as("held at its depth").isEqualTo(-2);
    }

    @Test
    void offsetsTurnWithTheSurfaceAndTheSubject() {
        Axes slope = Axes.surface(Vec3.RIGHT, new Vec3(0.6, -0.8, 0));
        assertThat(slope.apply(new Vec3(2, 3, 0)))
                .as("2 u along the fall, 3 u out of the wall")
                .isEqualTo(new Vec3(3, -2, 0));
        assertThat(Axes.surface(Vec3.UP, Vec3.UP).x())
                .as("no direction along the ground")
                .isEqualTo(Vec3.RIGHT);
        assertThat(Axes.surface(Vec3.RIGHT, Vec3.RIGHT).x().dot(Vec3.RIGHT)).isZero();
        Axes leftwards = Axes.subject(new Vec3(-1, 0, 0));
        assertThat(leftwards.apply(new Vec3(2, 1, 0))).isEqualTo(new Vec3(-2, 1, 0));
        Axes up = Axes.subject(Vec3.UP);
        assertThat(up.apply(new Vec3(2, 0, 0))).isEqualTo(new Vec3(0, 2, 0));
        assertThat(up.y().dot(up.x())).isZero();
        assertThat(up.y().length()).isEqualTo(1);
    }
}
