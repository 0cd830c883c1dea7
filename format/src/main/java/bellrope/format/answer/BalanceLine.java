package bellrope.format.answer;

import org.jspecify.annotations.Nullable;

/**
 * A response against the weight of its event.
 *
 * @param presence square units × s
 * @param usual what a response of that weight has in this project
 * @param verdict usual, loud or faint
 * @param outdoes heavier event that has less; null for none
 */
public record BalanceLine(
        long rope,
        String event,
        int weight,
        double presence,
        double usual,
        double ratio,
        String verdict,
        @Nullable String outdoes) {}
