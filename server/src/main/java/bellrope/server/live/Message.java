package bellrope.server.live;

import bellrope.core.value.Problem;
import bellrope.format.json.JsonValue;
import bellrope.format.report.AccountReport;
import bellrope.server.view.Views.Saved;
import java.util.List;

/** What a stage says to its reader besides frames. */
sealed interface Message {
    /** Which kind it is, as the reader tells them apart. */
    String is();

    /** A word without more to say, such as {@code ready}. */
    record Word(String is) implements Message {}

    /** Someone else saved a part, or imported a bundle. */
    record RevisionSaved(String is, Saved saved) implements Message {}

    /** The account of a pull. */
    record PullAnswered(String is, AccountReport account) implements Message {}

    /** What game code would be told. */
    record NoticesSent(String is, List<Notice> told) implements Message {}

    /**
     * Something told.
     *
     * @param what notice, begins, ends or gone
     * @param values what it carries, as a payload
     */
    record Notice(String name, String what, String rope, int pull, double at, JsonValue values) {}

    /**
     * How the player's comfort stands.
     *
     * @param shake units to the right and up by which the camera is moved
     * @param flash red, green and blue in linear light, and how much of it lies over the screen
     * @param paused seconds that are left of a hit pause
     */
    record ComfortChanged(String is, double[] shake, double[] flash, double paused) implements Message {}

    /** The stage had to be given up. */
    record StageFailed(String is, String detail) implements Message {}

    /** A message, or a draft, could not be followed. */
    record MessageRefused(String is, String detail, List<Problem> problems) implements Message {}
}
