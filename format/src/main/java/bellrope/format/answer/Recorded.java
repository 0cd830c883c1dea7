package bellrope.format.answer;

import bellrope.core.value.Demand;

/** What the source of a feed gave at the last pulls. */
public record Recorded(String rope, String parameter, double[] given) {
    public Recorded {
        Demand.given("rope", rope, "the name of a rope");
        Demand.given("parameter", parameter, "the name of a parameter");
        Demand.given("given", given, "a list of numbers");
    }
}
