package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.End.Child;
import bellrope.core.effect.Life;
import bellrope.core.effect.Sprite;
import bellrope.core.sim.Watch.ByEmitter;
import bellrope.core.value.Exact;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.util.Optional;

/**
 * How often a particle is expected to spawn children of a kind. Births fall on whole numbers, of seconds or units times the
 * rate, and one at the very end of a life does not count; so the mean is not the mean life times the rate.
 */
public final class Occurrences {
    /** Births of which the ways are measured: the mean of so many is within 2 % for any usual range. */
    private static final int DRAWN = 4_096;

    /** Pieces that a curved way is measured in (Simpson's rule). */
    private static final int PIECES = 32;

    private static final double AT_THE_END = 1e-6;

    private Occurrences() {}

    /**
     * Returns the mean number of times.
     *
     * @param kind index among the emitter's children
     * @param counted what was counted of the emitter where it was played; used where no theory is: for collisions, and for ways
     *     under forces and collisions
     */
    public static double expected(Emitter emitter, int kind, Optional<ByEmitter> counted) {
        Child child = emitter.end().children().get(kind);
        return switch (child.when()) {
            case AT_BIRTH, AT_END -> 1;
            case PER_SECOND -> beforeTheEnd(emitter.birth().lifetime(), child.rate());
            case ON_COLLISION ->
                counted.filter(by -> by.births() > 0)
                        .map(by -> (double) by.hits() / by.births())
                        .orElse(1.0);
            case PER_UNIT ->
                plain(emitter)
                        ? alongTheWay(emitter, child.rate())
                        : counted.filter(by -> by.births() > 0)
                                .map(by -> (double) by.occasions(kind) / by.births())
                                .orElseGet(() -> alongTheWay(emitter, child.rate()));
        };
    }

    private static boolean plain(Emitter emitter) {
        return emitter.life().forces().isEmpty()
                && emitter.end().collision().isEmpty()
                && emitter.birth().space() == Birth.Space.WORLD;
    }

    /** Returns the mean of how many whole multiples of 1 / rate lie above 0 and below a length that is anywhere in a range. */
    static double beforeTheEnd(Range lengths, double rate) {
        double a = lengths.least() * rate;
        double b = lengths.most() * rate;
        return b - a < 1e-9 ? wholeBelow(b) : (sumOfFloors(b) - sumOfFloors(a)) / (b - a);
    }

    private static double wholeBelow(double x) {
        return Math.max(0, Math.ceil(x - x * AT_THE_END - 1e-9) - 1);
    }

    // The integral of floor(t) from 0 to x.
    private static double sumOfFloors(double x) {
        double n = Math.floor(x);
        return n * (n - 1) / 2 + n * (x - n);
    }

    private static double alongTheWay(Emitter emitter, double rate) {
        Emitter alone = emitter.withEnd(End.NONE).withPlayback(1);
        Layer layer = new Layer(alone, Pace.SIXTY.stepsPerSecond(), 0, new Sprite("none", 1));
        Births births = new Births(Pace.SIXTY);
        births.room = DRAWN;
        Orientation frame = Orientation.of(Rotation.between(Vec3.UP, Vec3.UP), alone.birth(), alone.look());
        births.spawn(layer, alone, births.launch(), frame, new Batch().together(1, 0, 0, DRAWN, 0, 1));
        ParticleStore store = layer.store();
        double sum = 0;
        for (int i = 0; i < store.slots(); i++) {
            double life = 1 / (store.pace[i] * (double) Pace.SIXTY.stepsPerSecond());
            sum += wholeBelow(rate * way(emitter.life(), store.fall(i), store.vx[i], store.vy[i], store.vz[i], life));
        }
        return store.slots() == 0 ? 0 : sum / store.slots();
    }

    // Units that a particle comes in its life.
    private static double way(Life life, double fall, double vx, double vy, double vz, double seconds) {
        Vec3 a = life.gravity().times(fall);
        double rest = life.evenRest().orElse(0);
        boolean laned =
                rest > 0 || !life.speed().equals(bellrope.core.value.Curve.ONE) || life.replaces(Life.Lane.SPEED);
        if (!laned && a.equals(Vec3.ZERO)) {
            return Math.sqrt(vx * vx + vy * vy + vz * vz) * Flight.carriedBySpeed(life.dragPerSecond(), seconds);
        }
        double sum = 0;
        for (int k = 0; k <= PIECES; k++) {
            double share = (double) k / PIECES;
            double t = seconds * share;
            double left = Exact.exp(-life.dragPerSecond() * t);
            double p = Flight.carriedBySpeed(life.dragPerSecond(), t);
            double x = vx * left + a.x() * p;
            double y = vy * left + a.y() * p;
            double z = vz * left + a.z() * p;
            double lane = laned ? life.speed().at(life.along(Life.Lane.SPEED, share, seconds)) : 1;
            lane *= rest > 0 ? Math.max(0, 1 - t / rest) : 1;
            double speed = life.replaces(Life.Lane.SPEED) ? lane : lane * Math.sqrt(x * x + y * y + z * z);
            sum += speed * (k == 0 || k == PIECES ? 1 : k % 2 == 1 ? 4 : 2);
        }
        return sum * seconds / PIECES / 3;
    }
}
