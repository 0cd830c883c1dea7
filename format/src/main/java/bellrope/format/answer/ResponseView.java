package bellrope.format.answer;

import bellrope.format.json.JsonValue;
import bellrope.format.report.NumbersReport;
import org.jspecify.annotations.Nullable;

/**
 * The response of one rope to a usual pull that it answers to.
 *
 * @param rope its number
 * @param strip most particles alive in each thirtieth of a second from the pull on, for 3 s at most
 * @param silent why it cannot answer; null if it does
 * @param payload of that pull; null if there is no such event
 */
public record ResponseView(
        long rope,
        @Nullable NumbersReport numbers,
        int[] strip,
        boolean ended,
        @Nullable String silent,
        @Nullable JsonValue payload) {
    /** Returns the same of a rope with another number. */
    ResponseView of(long number) {
        return number == rope ? this : new ResponseView(number, numbers, strip, ended, silent, payload);
    }
}
