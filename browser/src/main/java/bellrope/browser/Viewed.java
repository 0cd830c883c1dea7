package bellrope.browser;

import bellrope.core.stage.Viewing;
import bellrope.format.answer.NotThere;
import java.util.HashMap;
import java.util.Map;

/** The takes that can be looked at: one for each window of the page, whose next take replaces it. */
final class Viewed {
    /** More windows than a page has; whoever asks for more has lost count. */
    private static final int MOST = 16;

    private final Map<String, Numbered> byWindow = new HashMap<>();
    private int count;

    private record Numbered(int number, Viewing viewing) {}

    /** Returns the number that the take goes by. */
    int put(String window, Viewing viewing) {
        if (byWindow.size() >= MOST) {
            byWindow.clear();
        }
        byWindow.put(window, new Numbered(++count, viewing));
        return count;
    }

    Viewing get(int number) {
        return byWindow.values().stream()
                .filter(n -> n.number() == number)
                .findFirst()
                .map(Numbered::viewing)
                .orElseThrow(() -> new NotThere("take " + number + " any more"));
    }
}
