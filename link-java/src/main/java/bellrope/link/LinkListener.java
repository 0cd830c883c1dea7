package bellrope.link;

import bellrope.format.json.LinkJson.Look;
import java.lang.System.Logger;
import java.lang.System.Logger.Level;
import java.util.List;

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

    /** Returns what a bench may ask the game to do, each in at most 60 characters; at most 40. */
    default List<String> can() {
        return List.of();
    }

    /** Returns how subjects look on a bench; those that have no look are dots. */
    default List<Look> looks() {
        return List.of();
    }

    /** Someone at a bench asks for something of {@link #can}; called by {@link LinkedGame#advance}, on the game's own thread. */
    default void asked(String what) {
        LOG.log(Level.INFO, "asked: " + what);
    }

    /** Something of what was sent, or said, could not be followed; the game goes on with what it has. */
    default void wrong(String why) {
        LOG.log(Level.WARNING, why);
    }
}
