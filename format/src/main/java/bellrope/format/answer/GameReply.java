package bellrope.format.answer;

import bellrope.core.stage.told.Bent;
import bellrope.core.value.Problem;
import bellrope.format.json.JsonValue;
import bellrope.format.link.Figures;
import bellrope.format.report.AccountReport;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What came of what a running game said.
 *
 * @param step that has been reached
 * @param at the same in seconds
 * @param stepsPerSecond the pace of the bundle that the game has
 * @param instances that are held now
 * @param particles that live now
 * @param agreed how often what the game showed was found to be the same here
 * @param lines the newest of what happened, oldest first, at most 400
 * @param outcomes of all that happened so far
 * @param bent what became of all that played when the game last took a bundle; null until it does
 * @param camera where the game said its camera is; null where it did not
 * @param figures subjects that said where they are, at most 500
 * @param kinds those of which something happened now, with all that happened of them so far
 */
public record GameReply(
        int step,
        double at,
        double stepsPerSecond,
        int instances,
        int particles,
        int agreed,
        List<Happening> lines,
        Outcomes outcomes,
        List<HappenedKind> kinds,
        @Nullable Bent bent,
        double @Nullable [] camera,
        List<Figures.Figure> figures) {
    /** How what happened ended, as {@link Happening#outcome}; the words are these names. */
    public enum Outcome {
        ANSWERED,
        SILENT,
        UNWIRED,
        UNKNOWN,
        WRONG;

        /** Returns its word. */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * One thing that happened in the game.
     *
     * @param number of what the game said; 0 for what came of itself
     * @param type as the game called it
     * @param at seconds on the game's clock
     * @param outcome {@code answered}, {@code silent}, {@code unwired} (no rope listens), {@code unknown} (no such event) or
     *     {@code wrong}
     * @param words which effects answered, or why none did
     * @param account of it; null where it could not be read
     * @param declared the body of an event that would know it; null where there is one, or none can be
     */
    public record Happening(
            long number,
            String type,
            double at,
            String subject,
            String outcome,
            String words,
            @Nullable AccountReport account,
            List<Problem> problems,
            @Nullable JsonValue declared) {}

    /** How often each outcome came. */
    public record Outcomes(int answered, int silent, int unwired, int unknown, int wrong) {}

    /**
     * What happened of one kind of event so far.
     *
     * @param came how often
     * @param last the newest of it
     */
    public record HappenedKind(String type, int came, Outcomes outcomes, Happening last) {}
}
