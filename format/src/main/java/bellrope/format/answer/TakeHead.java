package bellrope.format.answer;

import bellrope.format.json.JsonValue;
import bellrope.format.report.AccountReport;
import bellrope.format.report.NumbersReport;

/**
 * What is told of a take.
 *
 * @param live particles alive, one number a step from the pull on
 * @param presence square units, one number a step
 * @param ended whether everything was gone before the take was cut
 * @param payload of the pull that was played
 */
public record TakeHead(
        int stepsPerSecond,
        AccountReport account,
        NumbersReport numbers,
        int[] live,
        float[] presence,
        boolean ended,
        JsonValue payload) {}
