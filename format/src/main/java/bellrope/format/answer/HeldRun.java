package bellrope.format.answer;

import bellrope.core.pool.Held;
import bellrope.format.json.JsonValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What was held in one run of a score, so that several workers, or machines, can share the runs.
 *
 * @param held of each instance: effect and rope by their places in the lists, weight, first step, step on which it is over, distance
 *     from the camera
 */
public record HeldRun(int run, List<String> effects, List<String> ropes, List<double[]> held) {
    public static HeldRun of(int run, List<Held> held) {
        Map<String, Integer> effects = new LinkedHashMap<>();
        Map<String, Integer> ropes = new LinkedHashMap<>();
        List<double[]> rows = new ArrayList<>();
        for (Held one : held) {
            rows.add(new double[] {
                effects.computeIfAbsent(one.effect(), e -> effects.size()),
                ropes.computeIfAbsent(one.rope(), r -> ropes.size()),
                one.weight(),
                one.start(),
                one.end(),
                one.distance()
            });
        }
        return new HeldRun(run, List.copyOf(effects.keySet()), List.copyOf(ropes.keySet()), rows);
    }

    /**
     * Reads what was held.
     *
     * @throws RuntimeException if it is not as it was written
     */
    public static List<Held> read(JsonValue run) {
        List<Held> held = new ArrayList<>();
        JsonValue rows = run.get("held");
        for (int i = 0; i < rows.size(); i++) {
            JsonValue row = rows.get(i);
            held.add(new Held(
                    run.get("effects").get((int) row.get(0).number()).text(),
                    run.get("ropes").get((int) row.get(1).number()).text(),
                    (int) row.get(2).number(),
                    (int) row.get(3).number(),
                    (int) row.get(4).number(),
                    row.get(5).number()));
        }
        return held;
    }
}
