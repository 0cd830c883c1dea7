package bellrope.format.answer;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * All ropes looked at.
 *
 * @param slope of the logarithm of presence for one step of weight; null with fewer than two weights
 * @param lines one for each rope that can be seen
 */
public record WiringView(
        List<NoticedView> findings, @Nullable Double slope, double intercept, List<BalanceLine> lines) {}
