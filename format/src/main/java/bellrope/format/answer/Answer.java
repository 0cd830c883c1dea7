package bellrope.format.answer;

import bellrope.core.stage.Take;
import bellrope.core.stage.Viewing;

/**
 * A take that was asked for, with what is told about it.
 *
 * @param take without its frames
 * @param viewing gives its frames one by one
 */
public record Answer<H>(H head, Take take, Viewing viewing) {
    static int[] live(Take take) {
        int[] live = new int[take.last() + 1];
        for (int i = 0; i < live.length; i++) {
            live[i] = take.live(i);
        }
        return live;
    }

    static float[] presence(Take take) {
        float[] presence = new float[take.last() + 1];
        for (int i = 0; i < presence.length; i++) {
            presence[i] = take.presence(i);
        }
        return presence;
    }
}
