package bellrope.core.check;

import bellrope.core.effect.Effect;
import java.util.Optional;

/**
 * Something a check noticed.
 *
 * @param check name of the check, such as {@code pops}
 * @param emitter name of the emitter it is about; empty for the whole effect
 * @param place setting it is about, as a JSON pointer into the effect without the leading slash
 * @param words what was noticed and why it matters, with its numbers, after the name of the emitter
 * @param remedy a change that mends it
 */
public record Finding(
        String check, Severity severity, String emitter, String place, String words, Optional<Remedy> remedy) {
    /** How sure a check is that something is wrong. */
    public enum Severity {
        /** Wrong whatever was meant. */
        WRONG,
        /** Probably not what was meant. */
        DOUBTFUL
    }

    /**
     * A change that mends a finding.
     *
     * @param words what it does, as an order: <i>Fade to 0</i>
     * @param effect the effect with the change made
     */
    public record Remedy(String words, Effect effect) {}
}
