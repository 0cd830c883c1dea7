package bellrope.format.trace;

import bellrope.core.event.Pull;
import bellrope.core.score.Transcript;

/**
 * Whoever is told what a trace says, in its order; nobody where nothing is overridden. What it throws as
 * {@link bellrope.core.value.Refused} is said of the line.
 */
public interface Heard {
    default void pull(double at, Pull pull) {}

    /** @param evenly whether the channel went there evenly since it was last told, rather than now */
    default void channel(double at, String channel, double value, boolean evenly) {}

    default void gone(double at, String subject) {}

    /** Returns one that writes it all down. */
    static Heard by(Transcript transcript) {
        return new Heard() {
            @Override
            public void pull(double at, Pull pull) {
                transcript.pull(at, pull);
            }

            @Override
            public void channel(double at, String channel, double value, boolean evenly) {
                transcript.channel(at, channel, value, evenly);
            }

            @Override
            public void gone(double at, String subject) {
                transcript.gone();
            }
        };
    }
}
