package bellrope.format.link;

import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Where the subjects of a game are, for who looks on: the last that moved, each going on as it last said. */
public final class Figures {
    /** Subjects that are remembered; of more, those that moved longest ago are forgotten. */
    static final int MOST = 500;

    private final Map<String, Moved> moved = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Moved> eldest) {
            return size() > MOST;
        }
    };
    private Vec3 camera;

    private record Moved(String look, Vec3 place, Vec3 heading, Vec3 velocity, int step) {}

    /**
     * A subject at a moment.
     *
     * @param look name of how it looks
     * @param place x, y, z in u
     * @param heading zeros where it does not say
     */
    public record Figure(String subject, String look, double[] place, double[] heading) {}

    Figures() {}

    void moved(String subject, String look, Vec3 place, Vec3 heading, Vec3 velocity, int step) {
        moved.put(subject, new Moved(look, place, heading, velocity, step));
    }

    void gone(String subject) {
        moved.remove(subject);
    }

    void camera(Vec3 place) {
        camera = place;
    }

    /** Returns where the camera was last said to be: x, y, z. */
    public Optional<double[]> camera() {
        return Optional.ofNullable(camera).map(Figures::three);
    }

    /** Returns the subjects as they are on a step, those that moved last at the end. */
    public List<Figure> at(int step, double stepsPerSecond) {
        List<Figure> all = new ArrayList<>();
        moved.forEach((subject, m) -> {
            Vec3 gone = m.velocity().times((step - m.step()) / stepsPerSecond);
            all.add(new Figure(subject, m.look(), three(m.place().plus(gone)), three(m.heading())));
        });
        return all;
    }

    private static double[] three(Vec3 v) {
        return new double[] {v.x(), v.y(), v.z()};
    }
}
