package bellrope.core.measure;

import bellrope.core.value.Exact;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;

/**
 * Responses against the weight of their events: how much presence a weight usually has in this project, and which responses
 * stand out.
 *
 * <p>The usual presence is {@code e^(intercept + slope × weight)}. The slope is the median of the slopes between all pairs,
 * the intercept the median of what is left (Theil 1950, Sen 1968), so a few loud responses do not bend the line they are
 * measured by.
 *
 * @param slope of the logarithm of presence, for one step of weight; empty with fewer than two weights
 * @param lines one for each response that can be seen, in the order given
 */
public record Balance(OptionalDouble slope, double intercept, List<Line> lines) {
    /** So many times more or less than usual stands out. */
    public static final double STANDS_OUT = 3;

    /**
     * A response.
     *
     * @param weight of its event, 1 to 5
     * @param presence total, square units × seconds, above 0
     */
    public record Response(String rope, String event, int weight, double presence) {}

    /**
     * A response as it compares.
     *
     * @param usual presence at its weight
     * @param ratio of its presence to the usual
     * @param verdict what stands out
     * @param outdoes event that is heavier and yet has less presence in the middle of its responses; empty if none
     * @param outdone that presence; 0 if none
     */
    public record Line(
            Response response, double usual, double ratio, Verdict verdict, String outdoes, double outdone) {}

    /** How a response compares. */
    public enum Verdict {
        USUAL,
        LOUD,
        FAINT
    }

    /** Returns the balance of those responses that have any presence. */
    public static Balance of(List<Response> responses) {
        List<Response> seen = responses.stream().filter(r -> r.presence() > 0).toList();
        List<Double> slopes = new ArrayList<>();
        for (int i = 0; i < seen.size(); i++) {
            for (int j = i + 1; j < seen.size(); j++) {
                int run = seen.get(j).weight() - seen.get(i).weight();
                if (run != 0) {
                    slopes.add((Exact.log(seen.get(j).presence())
                                    - Exact.log(seen.get(i).presence()))
                            / run);
                }
            }
        }
        OptionalDouble slope = slopes.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(median(slopes));
        double rise = slope.orElse(0);
        double intercept = seen.isEmpty()
                ? 0
                : median(seen.stream()
                        .map(r -> Exact.log(r.presence()) - rise * r.weight())
                        .toList());
        List<Line> lines = new ArrayList<>();
        for (Response response : seen) {
            double usual = Exact.exp(intercept + rise * response.weight());
            double ratio = response.presence() / usual;
            Verdict verdict =
                    ratio > STANDS_OUT ? Verdict.LOUD : ratio < 1 / STANDS_OUT ? Verdict.FAINT : Verdict.USUAL;
            String outdoes = outdone(response, seen);
            double middle = outdoes.isEmpty() ? 0 : middle(outdoes, seen);
            lines.add(new Line(response, usual, ratio, verdict, outdoes, middle));
        }
        return new Balance(slope, intercept, List.copyOf(lines));
    }

    private static String outdone(Response response, List<Response> all) {
        for (Response heavier : all) {
            if (heavier.weight() > response.weight() && response.presence() > middle(heavier.event(), all)) {
                return heavier.event();
            }
        }
        return "";
    }

    private static double middle(String event, List<Response> all) {
        return median(all.stream()
                .filter(r -> r.event().equals(event))
                .map(Response::presence)
                .toList());
    }

    private static double median(List<Double> values) {
        double[] sorted = values.stream().mapToDouble(Double::doubleValue).toArray();
        Arrays.sort(sorted);
        int middle = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }
}
