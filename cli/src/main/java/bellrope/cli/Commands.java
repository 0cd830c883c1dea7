package bellrope.cli;

import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The entry of the command line. */
@Command(
        name = "bellrope",
        description = "Plays, measures and checks the effects of a game without a server.",
        subcommands = {
            RehearseCommand.class,
            SweepCommand.class,
            MergeCommand.class,
            TraceCommand.class,
            PlayCommand.class,
            GameCommand.class
        },
        mixinStandardHelpOptions = true)
public final class Commands {
    /** Exit code when everything was read and played. */
    public static final int FINE = 0;
    /** Exit code when something in a file could not be read. */
    public static final int UNREADABLE = 1;
    /** Exit code when the words of the command are wrong. */
    public static final int MISUSED = 2;

    public static void main(String[] args) {
        System.exit(new CommandLine(new Commands()).execute(args));
    }
}
