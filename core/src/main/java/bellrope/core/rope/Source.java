package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Done;
import java.util.function.Consumer;
import java.util.function.Function;

/** Where a rope reads a number. */
public sealed interface Source {
    /** A function for each kind. */
    record Cases<R>(
            Function<Payload, R> payload,
            Function<Channel, R> channel,
            Function<Held, R> held,
            Function<Since, R> since,
            Function<Constant, R> constant,
            Function<Random, R> random,
            Function<Parameter, R> parameter) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(
            Function<Payload, R> payload,
            Function<Channel, R> channel,
            Function<Held, R> held,
            Function<Since, R> since,
            Function<Constant, R> constant,
            Function<Random, R> random,
            Function<Parameter, R> parameter) {
        return match(new Cases<>(payload, channel, held, since, constant, random, parameter));
    }

    /** Does what belongs to its kind. */
    default void visit(
            Consumer<Payload> payload,
            Consumer<Channel> channel,
            Consumer<Held> held,
            Consumer<Since> since,
            Consumer<Constant> constant,
            Consumer<Random> random,
            Consumer<Parameter> parameter) {
        match(
                Done.by(payload),
                Done.by(channel),
                Done.by(held),
                Done.by(since),
                Done.by(constant),
                Done.by(random),
                Done.by(parameter));
    }

    /** Returns what it is called in a sentence. */
    String words();

    /** Returns the number that it gives now; NaN where it gives none, infinite for the time since what never came. */
    double number(Situation now);

    /** Returns the value that it gives now; null where it gives none. */
    default Datum value(Situation now) {
        double number = number(now);
        return Double.isFinite(number) ? new Datum.Num(number) : null;
    }

    /** Tells whether it is a time, in seconds. */
    default boolean timed() {
        return false;
    }

    /** Tells whether it may say something else while an instance plays. */
    default boolean changes() {
        return false;
    }

    /** Tells whether conditions can look at it: what the game says, not what the rope makes up. */
    default boolean told() {
        return true;
    }

    /** A field of the payload, as it was when the event came. */
    record Payload(String field) implements Source {
        public Payload {
            Demand.name("field", field);
        }

        @Override
        public String words() {
            return field;
        }

        @Override
        public double number(Situation now) {
            return now.payload(field) instanceof Datum.Num num ? num.value() : Double.NaN;
        }

        @Override
        public Datum value(Situation now) {
            return now.payload(field);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.payload().apply(this);
        }
    }

    /** A channel, as it is now. */
    record Channel(String channel) implements Source {
        public Channel {
            Demand.name("channel", channel);
        }

        @Override
        public String words() {
            return channel;
        }

        @Override
        public boolean changes() {
            return true;
        }

        @Override
        public double number(Situation now) {
            return now.channel(channel);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.channel().apply(this);
        }
    }

    /** Seconds for which a span has been held, or a state has lasted. */
    record Held() implements Source {
        @Override
        public String words() {
            return "time held";
        }

        @Override
        public boolean changes() {
            return true;
        }

        @Override
        public boolean told() {
            return false;
        }

        @Override
        public double number(Situation now) {
            return now.held();
        }

        @Override
        public boolean timed() {
            return true;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.held().apply(this);
        }
    }

    /** Seconds since another event last came; for good if it never did. */
    record Since(String event) implements Source {
        public Since {
            Demand.name("since", event);
        }

        @Override
        public String words() {
            return "time since " + event;
        }

        @Override
        public boolean changes() {
            return true;
        }

        @Override
        public double number(Situation now) {
            return now.since(event);
        }

        @Override
        public boolean timed() {
            return true;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.since().apply(this);
        }
    }

    /** Always the same. */
    record Constant(Datum value) implements Source {
        @Override
        public String words() {
            return "always " + value.inWords();
        }

        @Override
        public boolean told() {
            return false;
        }

        @Override
        public double number(Situation now) {
            return value instanceof Datum.Num num ? num.value() : Double.NaN;
        }

        @Override
        public Datum value(Situation now) {
            return value;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.constant().apply(this);
        }
    }

    /**
     * A number from 0 to 1, all equally likely, drawn once for each pull.
     *
     * @param roll which of the pull's rolls, 0 to 999; feeds of one rope with the same roll get the same number
     */
    record Random(int roll) implements Source {
        public static final Bounds RANDOM = Bounds.of(0, 999);

        public Random {
            RANDOM.check("random", roll);
        }

        @Override
        public String words() {
            return "chance";
        }

        @Override
        public boolean told() {
            return false;
        }

        @Override
        public double number(Situation now) {
            return now.random(roll);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.random().apply(this);
        }
    }

    /** Another parameter of the same effect, as it is now. */
    record Parameter(String parameter) implements Source {
        public Parameter {
            Demand.name("from", parameter);
        }

        @Override
        public String words() {
            return parameter;
        }

        @Override
        public boolean changes() {
            return true;
        }

        @Override
        public boolean told() {
            return false;
        }

        /** NaN: the instance knows its parameters, the situation does not. */
        @Override
        public double number(Situation now) {
            return Double.NaN;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.parameter().apply(this);
        }
    }
}
