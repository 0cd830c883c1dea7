package bellrope.server.link;

import bellrope.format.json.LinkJson.Look;
import java.util.List;

/**
 * What a game says of itself when it comes.
 *
 * @param hash of the bundle that it has; empty where it does not say
 * @param first number of the oldest entry that it can still say
 * @param step on which that came
 */
record Hello(Who who, String hash, long first, int step) {
    /**
     * Who it says it is.
     *
     * @param contract empty where it does not say
     * @param can what a bench may ask it to do
     */
    record Who(String game, String contract, List<String> can, List<Look> looks) {}
}
