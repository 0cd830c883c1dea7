package bellrope.core.score;

import bellrope.core.event.Pull;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Writes down what a game says as a score: a lane of marks for each event and subject, and what channels carry. Pulls come
 * in the order of their times. Tags, velocities, seeds and ends of subjects have no place in a mark; they are counted.
 */
public final class ScoreBuilder {
    /** Most lanes of a score. */
    private static final int MOST_LANES = 200;
    /** Most points of a channel. */
    private static final int MOST_POINTS = 1000;
    /** A channel that was told nothing for longer, in seconds, kept its value until just before it is told again. */
    private static final double HELD = 0.1;
    /** How long before. */
    private static final double JUST_BEFORE = 0.05;
    /** By how much a score is longer than its last arrival, at least, in seconds. */
    private static final double AFTER = 0.1;

    private final Map<Who, Written> lanes = new LinkedHashMap<>();
    private final Map<String, List<Channelled.Point>> channels = new LinkedHashMap<>();
    private int marks;
    private int tagged;
    private int moving;
    private int gone;
    private double last;

    private record Who(String event, String subject) {}

    private static final class Written {
        private final List<Mark> marks = new ArrayList<>();
        // Of the span that has begun and not ended; −1 for none.
        private int open = -1;
    }

    /**
     * What of the pulls a score does not keep.
     *
     * @param tagged pulls with tags
     * @param moving pulls with a velocity
     * @param gone subjects that were told to be gone
     */
    public record Left(int tagged, int moving, int gone) {}

    /**
     * Writes down a pull.
     *
     * @throws Refused if it cannot stand in a score
     */
    public void pull(double at, Pull pull) {
        early(at);
        Who who = new Who(pull.event(), pull.subject());
        Written lane = lanes.get(who);
        if (pull.phase() == Pull.Phase.END) {
            if (lane == null || lane.open < 0) {
                throw new Refused("phase", "end", "a span that has begun and not ended");
            }
            Mark begun = lane.marks.get(lane.open);
            lane.marks.set(lane.open, lasting(begun, at - begun.at()));
            lane.open = -1;
            last = Math.max(last, at);
            return;
        }
        if (marks == Score.MOST_ARRIVALS) {
            throw new Refused("", "more than " + marks + " pulls", "at most " + marks + " in one score");
        }
        if (lane == null) {
            if (lanes.size() == MOST_LANES) {
                throw new Refused(
                        "subject",
                        pull.subject().isEmpty() ? pull.event() : pull.subject(),
                        "at most " + MOST_LANES + " pairs of event and subject in one score");
            }
            lane = new Written();
            lanes.put(who, lane);
        }
        if (lane.open >= 0) {
            throw new Refused("phase", "begin", "a span that does not last already");
        }
        lane.marks.add(new Mark(at, OptionalDouble.empty(), pull.value(), pull.payload()));
        if (pull.phase() == Pull.Phase.BEGIN) {
            lane.open = lane.marks.size() - 1;
        }
        marks++;
        tagged += pull.tags().isEmpty() ? 0 : 1;
        moving += pull.velocity().equals(Vec3.ZERO) ? 0 : 1;
        last = Math.max(last, at);
    }

    /**
     * Writes down what a channel carries from now on.
     *
     * @param evenly whether it went there evenly since it was last told, rather than now
     * @throws Refused if it cannot stand in a score
     */
    public void channel(double at, String channel, double value, boolean evenly) {
        early(at);
        carry(channels, at, channel, value, evenly);
        last = Math.max(last, at);
    }

    /**
     * Adds what a channel carries from a time on to what it carried before: held until then, unless it goes there evenly, or
     * is told so often that it does.
     *
     * @throws Refused if it is told too often
     */
    public static void carry(
            Map<String, List<Channelled.Point>> channels, double at, String channel, double value, boolean evenly) {
        List<Channelled.Point> points = channels.computeIfAbsent(channel, c -> new ArrayList<>());
        Channelled.Point before = points.isEmpty() ? null : points.get(points.size() - 1);
        if (before != null && at <= before.at()) {
            points.set(points.size() - 1, new Channelled.Point(before.at(), value));
        } else {
            boolean held = !evenly && before != null && before.value() != value && at - before.at() > HELD;
            if (points.size() + (held ? 2 : 1) > MOST_POINTS) {
                throw new Refused(
                        "data/value", "told more than " + MOST_POINTS + " times", "at most " + MOST_POINTS + " points");
            }
            if (held) {
                points.add(new Channelled.Point(at - JUST_BEFORE, before.value()));
            }
            points.add(new Channelled.Point(at, value));
        }
    }

    /** Takes notice that a subject is gone, which no mark says. */
    public void gone() {
        gone++;
    }

    private static void early(double at) {
        if (at > Score.LONGEST - AFTER) {
            throw new Refused(
                    "time",
                    Words.number(at) + " s after the beginning",
                    "less than " + Words.number(Score.LONGEST - AFTER) + " s, which is the longest score");
        }
    }

    private static Mark lasting(Mark mark, double seconds) {
        return new Mark(mark.at(), OptionalDouble.of(seconds), mark.value(), mark.payload());
    }

    /** Returns how many marks there are so far. */
    public int marks() {
        return marks;
    }

    public Left left() {
        return new Left(tagged, moving, gone);
    }

    /** Returns it all as a score; what has not ended lasts to its end. Empty where nothing was said. */
    public Optional<Score> score(String name) {
        if (marks == 0 && channels.isEmpty()) {
            return Optional.empty();
        }
        double seconds = Math.min(Score.LONGEST, Math.ceil((last + AFTER) * 10) / 10);
        List<Lane> written = new ArrayList<>();
        lanes.forEach((who, lane) -> {
            if (lane.open >= 0) {
                Mark begun = lane.marks.get(lane.open);
                lane.marks.set(lane.open, lasting(begun, seconds - begun.at()));
            }
            written.add(new Lane(written.size() + 1, who.event(), new Pattern.Marks(lane.marks)).about(who.subject()));
        });
        List<Channelled> carried = new ArrayList<>();
        channels.forEach((channel, points) -> carried.add(new Channelled(channel, points)));
        return Optional.of(new Score(name, seconds, 1, written, carried));
    }
}
