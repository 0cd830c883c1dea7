package bellrope.format.answer;

import bellrope.format.json.JsonValue;
import bellrope.format.report.EffectReport;
import bellrope.format.report.NumbersReport;

/**
 * What is told of a preview.
 *
 * @param live particles alive, one number a step
 * @param presence square units, one number a step
 * @param ended whether everything was gone before the preview was cut
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
        double[] facing,
        JsonValue payload) {}
