package bellrope.core.sim;

import bellrope.core.value.Pace;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;

/** Where an instance is from step to step, counted from the step on which it began. */
public interface MovementPath {
    /** Writes where it is, x, y, z; the step may lie between two. */
    void at(double step, double[] place);

    /** Returns how many units it has come since it began. */
    double gone(int step);

    /** Writes with what velocity it goes on, units a second: the share of it that newborns inherit. */
    void velocity(int step, double[] velocity);

    /** Returns how it is turned; the very same object for as long as that stays. */
    Rotation turn(int step);

    /**
     * Returns the way that goes straight on.
     *
     * @param facing where the instance's y axis points; not zero
     * @param velocity units a second
     */
    static MovementPath straight(Vec3 origin, Vec3 facing, Vec3 velocity, Pace pace) {
        return straight(origin, Rotation.between(Vec3.UP, facing), velocity, pace);
    }

    /** Returns the way that goes straight on. */
    static MovementPath straight(Vec3 origin, Rotation turn, Vec3 velocity, Pace pace) {
        double unitsPerStep = velocity.length() / pace.stepsPerSecond();
        return new MovementPath() {
            @Override
            public void at(double step, double[] place) {
                double seconds = step / pace.stepsPerSecond();
                place[0] = origin.x() + velocity.x() * seconds;
                place[1] = origin.y() + velocity.y() * seconds;
                place[2] = origin.z() + velocity.z() * seconds;
            }

            @Override
            public double gone(int step) {
                return step * unitsPerStep;
            }

            @Override
            public void velocity(int step, double[] out) {
                out[0] = velocity.x();
                out[1] = velocity.y();
                out[2] = velocity.z();
            }

            @Override
            public Rotation turn(int step) {
                return turn;
            }
        };
    }
}
