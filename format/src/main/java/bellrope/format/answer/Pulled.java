package bellrope.format.answer;

import bellrope.core.value.Demand;

/**
 * The last pulls of an event.
 *
 * @param at seconds, in the order they came
 * @param named whether any of them named a subject
 */
public record Pulled(String event, double[] at, boolean named) {
    public Pulled {
        Demand.given("event", event, "the name of an event");
        Demand.given("at", at, "a list of seconds");
    }
}
