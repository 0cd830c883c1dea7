package bellrope.format.answer;

/**
 * How far something long has come.
 *
 * @param done of all that there is to do
 * @param all how much there is; more where it turns out to take longer
 * @param over whether it is done
 */
public record Progress(double done, double all, boolean over) {}
