package bellrope.core.rope;

import bellrope.core.value.Datum;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** A situation put together by hand. */
record Around(Map<String, Datum> values, Map<String, Double> channels, Map<String, Double> times, Set<String> tags)
        implements Situation {
    static Around payload(Map<String, Datum> values) {
        return new Around(values, new HashMap<>(), new HashMap<>(), Set.of());
    }

    static Around with(String field, Datum value) {
        return payload(Map.of(field, value));
    }

    @Override
    public Datum payload(String field) {
        return values.get(field);
    }

    @Override
    public double channel(String name) {
        return channels.getOrDefault(name, Double.NaN);
    }

    @Override
    public double held() {
        return 0;
    }

    @Override
    public double since(String event) {
        return times.getOrDefault(event, Double.POSITIVE_INFINITY);
    }

    @Override
    public boolean tagged(String tag) {
        return tags.contains(tag);
    }
}
