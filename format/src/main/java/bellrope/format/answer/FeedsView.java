package bellrope.format.answer;

import bellrope.format.report.FeedReport;
import bellrope.format.report.OfferReport;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The feeds of a rope as curves, and how far its response reaches.
 *
 * @param reach null where the rope names no hit test
 * @param offers what can drive each parameter of its effect
 * @param units of what its conditions read
 */
public record FeedsView(
        List<FeedReport> feeds, FeedReport.@Nullable ReachReport reach, List<OfferReport> offers, List<String> units) {}
