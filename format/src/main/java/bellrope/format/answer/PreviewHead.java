package bellrope.format.answer;

import bellrope.format.json.JsonValue;
import bellrope.format.report.EffectReport;
import bellrope.format.report.NumbersReport;
import org.jspecify.annotations.Nullable;

/**
 * The head of a preview; the frames follow it.
 *
 * @param live particles alive, one number a step
 * @param presence square units, one number a step
 * @param ended whether everything was gone before the preview was cut
 * @param cut why it was cut before its time, with the sum; null where it was not
 * @param facing of the effect in the world
 * @param payload of the pull that was played
 */
public record PreviewHead(
        int stepsPerSecond,
        NumbersReport numbers,
        EffectReport report,
        int[] live,
        float[] presence,
        boolean ended,
        @Nullable String cut,
        double[] facing,
        JsonValue payload) {}
