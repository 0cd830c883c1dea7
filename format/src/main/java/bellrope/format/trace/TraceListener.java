package bellrope.format.trace;

import bellrope.core.event.Pull;
import bellrope.core.score.ScoreBuilder;

/**
 * Whoever is told what a trace says, in its order; nobody where nothing is overridden. What it throws as
 * {@link bellrope.core.value.Refused} is said of the line.
 */
public interface TraceListener {
    default void pull(double at, Pull pull) {}

    /** @param evenly whether the channel went there evenly since it was last told, rather than now */
    default void channel(double at, String channel, double value, boolean evenly) {}

    default void gone(double at, String subject) {}

    /** Returns one that writes it all down. */
    static TraceListener by(ScoreBuilder builder) {
        return new TraceListener() {
            @Override
            public void pull(double at, Pull pull) {
                builder.pull(at, pull);
            }

            @Override
            public void channel(double at, String channel, double value, boolean evenly) {
                builder.channel(at, channel, value, evenly);
            }

            @Override
            public void gone(double at, String subject) {
                builder.gone();
            }
        };
    }
}
