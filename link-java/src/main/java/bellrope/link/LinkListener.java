package bellrope.link;

import java.lang.System.Logger;
import java.lang.System.Logger.Level;

/** Whoever wants to know of a link: by default it is written to the log of the JDK, {@code bellrope.link}. */
public interface LinkListener {
    Logger LOG = System.getLogger("bellrope.link");

    /** The server is there, for the first time or again. */
    default void linked(String project) {
        LOG.log(Level.INFO, "linked with " + project);
    }

    /** The server is not there, or not there any more; said once until it is. */
    default void unlinked(String why) {
        LOG.log(Level.INFO, "unlinked: " + why);
    }

    /** Something of what was sent, or said, could not be followed; the game goes on with what it has. */
    default void wrong(String why) {
        LOG.log(Level.WARNING, why);
    }
}
