package bellrope.server.link;

import java.util.List;

/**
 * Some of what a game said.
 *
 * @param from number of the first entry
 * @param step how many steps its stage has made by now
 * @param entries as they came, in JSON
 */
record Said(long from, int step, List<String> entries) {
    long next() {
        return from + entries.size();
    }
}
