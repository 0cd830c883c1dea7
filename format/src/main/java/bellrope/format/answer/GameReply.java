package bellrope.format.answer;

import bellrope.core.value.Problem;
import bellrope.format.report.AccountReport;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What came of what a running game said.
 *
 * @param step that has been reached
 * @param stepsPerSecond the pace of the bundle that the game has
 * @param instances that are held now
 * @param particles that live now
 * @param agreed how often what the game showed was found to be the same here
 * @param lines the newest of what is told, oldest first
 * @param left how many older lines were left out
 */
public record GameReply(
        int step, double stepsPerSecond, int instances, int particles, int agreed, List<Happening> lines, int left) {
    /**
     * One thing that happened in the game.
     *
     * @param number of what the game said; 0 for what came of itself
     * @param type as the game called it
     * @param account of it; null where it could not be read
     * @param problems what could not be read
     */
    public record Happening(
            long number, String type, @Nullable AccountReport account, List<Problem> problems) {}
}
