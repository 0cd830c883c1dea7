package bellrope.core.score;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.List;

/**
 * What a channel carries over a score.
 *
 * @param points 1 to 1,000, each later than the one before; evenly between them, and as the last one after it
 */
public record Channelled(String channel, List<Point> points) {
    public static final int MOST_POINTS = 1000;

    /**
     * @param at seconds from the beginning
     */
    public record Point(double at, double value) {
        public static final Bounds AT = Bounds.of(0, Score.LONGEST);

        public Point {
            AT.check("at", at);
            Demand.finite("value", value);
        }
    }

    public Channelled {
        Demand.name("channel", channel);
        points = Demand.atMost("points", points, MOST_POINTS);
        if (points.isEmpty()) {
            throw new Refused("points", "none", "at least one point");
        }
        for (int i = 1; i < points.size(); i++) {
            if (points.get(i).at() <= points.get(i - 1).at()) {
                throw new Refused(
                        "points/" + i + "/at",
                        Words.number(points.get(i).at()) + " s",
                        "later than the point before it, at "
                                + Words.number(points.get(i - 1).at()) + " s");
            }
        }
    }

    /** Returns what it carries at a time. */
    public double at(double seconds) {
        Point before = points.get(0);
        for (Point point : points) {
            if (point.at() > seconds) {
                double share = point.at() > before.at() ? (seconds - before.at()) / (point.at() - before.at()) : 0;
                return share <= 0 ? before.value() : before.value() + (point.value() - before.value()) * share;
            }
            before = point;
        }
        return before.value();
    }
}
