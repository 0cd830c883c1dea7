package bellrope.browser;

import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToIntBiFunction;

/** What was computed, by everything that it depends on; when it is too much, what was not asked for the longest goes first. */
final class Kept<K, V> {
    private final Map<K, V> values = new LinkedHashMap<>(16, 0.75f, true);
    private final int most;
    private final ToIntBiFunction<K, V> weight;
    private int sum;

    /** @param weight of a value with its key in bytes, roughly */
    Kept(int most, ToIntBiFunction<K, V> weight) {
        this.most = most;
        this.weight = weight;
    }

    V get(K key, Function<K, V> maker) {
        V known = values.get(key);
        if (known != null) {
            return known;
        }
        V made = maker.apply(key);
        values.put(key, made);
        sum += weight.applyAsInt(key, made);
        Iterator<Map.Entry<K, V>> oldest = values.entrySet().iterator();
        while (sum > most && oldest.hasNext()) {
            Map.Entry<K, V> one = oldest.next();
            sum -= weight.applyAsInt(one.getKey(), one.getValue());
            oldest.remove();
        }
        return made;
    }

    void clear() {
        values.clear();
        sum = 0;
    }
}
