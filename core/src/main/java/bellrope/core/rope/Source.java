package bellrope.core.rope;

import bellrope.core.value.Demand;

/** Where a rope reads a number. */
public sealed interface Source {
    /** Returns what it is called in a sentence. */
    String words();

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
    }

    /** Seconds for which a span has been held, or a state has lasted. */
    record Held() implements Source {
        @Override
        public String words() {
            return "time held";
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
    }
}
