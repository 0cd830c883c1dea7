package bellrope.core.event;

import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * One arrival of an event.
 *
 * @param phase what of it arrives
 * @param subject which one of its kind it is about, such as {@code crow-3}; empty where the game has only one
 * @param tags what is true of the subject now, such as {@code soaked}
 * @param value that a state takes; empty for moments and spans
 * @param payload by field name, in the order of the fields
 * @param velocity of what caused it, units a second in the world; zero when it stands. An effect goes on with it
 * @param seed what tells this pull's randomness from another's; the same pull with the same seed looks the same
 */
public record Pull(
        String event,
        Phase phase,
        String subject,
        Set<String> tags,
        Optional<String> value,
        Map<String, Datum> payload,
        Vec3 velocity,
        long seed) {
    /** Farthest place from the origin on an axis, and longest of any vector on an axis, units or units a second. */
    public static final double FARTHEST = 10_000_000;

    /** What of an event arrives. */
    public enum Phase {
        /** It happens, at once. */
        MOMENT,
        /** A span begins. */
        BEGIN,
        /** A span ends. */
        END,
        /** A state takes a value. */
        SET
    }

    public Pull {
        tags = Collections.unmodifiableSet(new TreeSet<>(tags));
        payload = Collections.unmodifiableMap(new LinkedHashMap<>(payload));
    }

    /** A moment. */
    public Pull(String event, Map<String, Datum> payload, Vec3 velocity, long seed) {
        this(event, Phase.MOMENT, "", Set.of(), Optional.empty(), payload, velocity, seed);
    }

    /** A moment whose cause stands still. */
    public Pull(String event, Map<String, Datum> payload, long seed) {
        this(event, payload, Vec3.ZERO, seed);
    }

    /** Returns the beginning of a span. */
    public static Pull begin(String event, Map<String, Datum> payload, long seed) {
        return new Pull(event, Phase.BEGIN, "", Set.of(), Optional.empty(), payload, Vec3.ZERO, seed);
    }

    /** Returns the end of a span; its payload is that of the beginning. */
    public static Pull end(String event) {
        return new Pull(event, Phase.END, "", Set.of(), Optional.empty(), Map.of(), Vec3.ZERO, 0);
    }

    /** Returns a state's taking of a value. */
    public static Pull set(String event, String value, Map<String, Datum> payload, long seed) {
        return new Pull(event, Phase.SET, "", Set.of(), Optional.of(value), payload, Vec3.ZERO, seed);
    }

    /** Returns the same about another of its kind. */
    public Pull of(String other) {
        return new Pull(event, phase, other, tags, value, payload, velocity, seed);
    }

    public Pull tagged(Set<String> others) {
        return new Pull(event, phase, subject, others, value, payload, velocity, seed);
    }

    public Pull moving(Vec3 other) {
        return new Pull(event, phase, subject, tags, value, payload, other, seed);
    }

    /** Returns the same as a pull of another event. */
    public Pull called(String other) {
        return new Pull(other, phase, subject, tags, value, payload, velocity, seed);
    }

    public Pull with(Map<String, Datum> other) {
        return new Pull(event, phase, subject, tags, value, other, velocity, seed);
    }

    public Pull seeded(long other) {
        return new Pull(event, phase, subject, tags, value, payload, velocity, other);
    }

    /** Tells whether a vector lies within {@link #FARTHEST} on each axis. */
    public static boolean near(Vec3 v) {
        return Math.abs(v.x()) <= FARTHEST && Math.abs(v.y()) <= FARTHEST && Math.abs(v.z()) <= FARTHEST;
    }

    public Optional<Vec3> vector(String field) {
        return payload.get(field) instanceof Datum.Vec vec ? Optional.of(vec.value()) : Optional.empty();
    }
}
