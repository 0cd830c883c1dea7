package bellrope.format.answer;

import bellrope.format.json.JsonValue;
import org.jspecify.annotations.Nullable;

/**
 * A feed that is wished for.
 *
 * @param index of the feed that it replaces; null to add one
 * @param source as in a feed of a bundle; null for the usual one
 */
public record FeedWish(
        @Nullable Integer index, String parameter, @Nullable JsonValue source) {}
