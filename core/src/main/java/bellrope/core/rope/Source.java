package bellrope.core.rope;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;

/** Where a rope reads a number. */
public sealed interface Source {
    /** Returns what it is called in a sentence. */
    String words();

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
    }

    /** Seconds since another event last came; for ever if it never did. */
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
    }

    /**
     * A number from 0 to 1, all equally likely, drawn once for each pull.
     *
     * @param roll which of the pull's rolls, 0 to 999; feeds of one rope with the same roll get the same number
     */
    record Random(int roll) implements Source {
        public Random {
            Demand.within("random", roll, 0, 999);
        }

        @Override
        public String words() {
            return "chance";
        }

        @Override
        public boolean told() {
            return false;
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
    }
}
