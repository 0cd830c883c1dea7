package bellrope.core.score;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The arrivals of one event in a score.
 *
 * @param id the address of its random draws, 1 to {@value #HIGHEST_ID}, no two of a score alike
 * @param subject whom its events are about; empty for the one of its kind
 * @param subjects how many there are of it, taken in turn as {@code crow-1}, {@code crow-2}; 1 to 1,000. One has the name alone
 * @param muted whether it is passed over
 * @param from seconds at which it begins, 0 or more
 * @param until seconds at which it ends; empty for the end of the score
 * @param when it arrives
 * @param manner how the fields that nothing is said of are filled
 * @param said what arrivals say, taken in turn; none to leave everything to the manner. A state without any takes its values in turn
 * @param lasts seconds that a span lasts, 0 to {@value Score#LONGEST}; for other shapes of no meaning
 * @param spread units by which the position of each lies off what is said, at random, at most on each axis
 * @param gone seconds after each arrival at which its subject is no more; empty where it stays
 */
public record Lane(
        int id,
        String event,
        String subject,
        int subjects,
        boolean muted,
        double from,
        OptionalDouble until,
        Pattern when,
        Manner manner,
        List<Said> said,
        Range lasts,
        Vec3 spread,
        OptionalDouble gone) {
    public static final int MOST_SAID = 64;

    public static final Bounds ID = Bounds.of(1, Lane.HIGHEST_ID);
    public static final Bounds SUBJECTS = Bounds.of(1, 1000);
    public static final Bounds FROM = Bounds.of(0, Score.LONGEST);
    public static final Bounds UNTIL = Bounds.of(0, Score.LONGEST);
    public static final Bounds LASTS = Bounds.of(0, Score.LONGEST);
    public static final Bounds SPREAD = Bounds.around(10_000);
    public static final Bounds GONE = Bounds.of(0, Score.LONGEST);

    /** How the fields of an arrival are filled that nothing is said of. */
    public enum Manner {
        SOFT,
        USUAL,
        HARD,
        /** Each at random within its range. */
        ANY
    }

    public static final int HIGHEST_ID = 9_999;

    /** Seconds that a span lasts where nothing is said of it. */
    public static final Range USUAL_LENGTH = Range.ONE;

    public Lane {
        ID.check("id", id);
        Demand.name("event", event);
        if (!subject.isEmpty()) {
            Demand.name("subject", subject);
        }
        SUBJECTS.check("subjects", subjects);
        FROM.check("from", from);
        if (until.isPresent()) {
            UNTIL.check("until", until.getAsDouble());
            if (until.getAsDouble() < from) {
                throw new Refused(
                        "until",
                        Words.number(until.getAsDouble()) + " s",
                        "no earlier than its beginning, at " + Words.number(from) + " s");
            }
        }
        said = Demand.atMost("said", said, MOST_SAID);
        LASTS.check("lasts", lasts);
        SPREAD.check("spread", spread);
        if (spread.x() < 0 || spread.y() < 0 || spread.z() < 0) {
            throw new Refused("spread", Words.vector(spread), "0 u or more on each axis");
        }
        GONE.check("gone", gone);
    }

    /** A lane that says what is usual, from the beginning to the end. */
    public Lane(int id, String event, Pattern when) {
        this(
                id,
                event,
                "",
                1,
                false,
                0,
                OptionalDouble.empty(),
                when,
                Manner.USUAL,
                List.of(),
                USUAL_LENGTH,
                Vec3.ZERO,
                OptionalDouble.empty());
    }

    public Lane of(String other) {
        return new Lane(id, other, subject, subjects, muted, from, until, when, manner, said, lasts, spread, gone);
    }

    public Lane about(String other) {
        return new Lane(id, event, other, subjects, muted, from, until, when, manner, said, lasts, spread, gone);
    }

    public Lane saying(List<Said> others) {
        return new Lane(id, event, subject, subjects, muted, from, until, when, manner, others, lasts, spread, gone);
    }

    public Lane when(Pattern other) {
        return new Lane(id, event, subject, subjects, muted, from, until, other, manner, said, lasts, spread, gone);
    }

    /** Returns the id of the lane that it comes after; empty where its times are its own. */
    public Optional<Integer> follows() {
        return when instanceof Pattern.After after ? Optional.of(after.lane()) : Optional.empty();
    }

    double end(double seconds) {
        return Math.min(seconds, until.orElse(seconds));
    }
}
