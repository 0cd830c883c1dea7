package bellrope.cli;

import bellrope.core.project.Project;
import bellrope.core.score.Arrival;
import bellrope.core.score.Channelled;
import bellrope.core.score.Written;
import bellrope.core.value.Pace;
import bellrope.link.LinkListener;
import bellrope.link.LinkedGame;
import java.io.PrintWriter;
import java.util.Arrays;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.locks.LockSupport;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Plays a trace or a score as a running game would, linked with a bench. */
@Command(
        name = "play",
        mixinStandardHelpOptions = true,
        description = {
            "Plays a file of pulls, or a score, in real time as a running game would: linked with a bench, which sees what it "
                    + "does, and whose saved changes it takes.",
            "Ends when all has been played. Exit code 0; 1 if something could not be read; 2 if the command itself is wrong."
        })
final class PlayCommand implements Callable<Integer> {
    private static final double LONGEST_FRAME = 0.25;

    @Mixin
    private Played played;

    @Mixin
    private Linked linked;

    @Option(names = "--speed", paramLabel = "N", defaultValue = "1", description = "how fast time passes, 0.1 to 20")
    private double speed;

    @Option(names = "--rounds", paramLabel = "N", defaultValue = "1", description = "how often it is played, 1 to 1000")
    private int rounds;

    @Option(names = "--as", paramLabel = "NAME", description = "what the game is called on the bench")
    private String name;

    @Spec
    private CommandSpec spec;

    private final class Telling implements LinkListener {
        private void say(String words) {
            spec.commandLine().getErr().println(words);
            spec.commandLine().getErr().flush();
        }

        @Override
        public void linked(String project) {
            say("linked with " + project);
        }

        @Override
        public void unlinked(String why) {
            say("unlinked: " + why);
        }

        @Override
        public void wrong(String why) {
            say(why);
        }
    }

    @Override
    public Integer call() {
        PrintWriter err = spec.commandLine().getErr();
        Inputs inputs = new Inputs(err);
        if (!played.chosen("play", inputs)) {
            return Commands.MISUSED;
        }
        if (!(speed >= 0.1 && speed <= 20) || rounds < 1 || rounds > 1000) {
            err.println("play: --speed 0.1 to 20, --rounds 1 to 1000");
            return Commands.MISUSED;
        }
        if (!linked.sound(err)) {
            return Commands.MISUSED;
        }
        Optional<Project> project = played.project(inputs);
        Optional<Played.Read> read = project.flatMap(p -> played.read(p, 0, inputs));
        if (read.isEmpty() || !read.get().whole()) {
            err.flush();
            return Commands.UNREADABLE;
        }
        Written written = read.get().written();
        String called = name == null ? project.get().name() : name;
        try (LinkedGame game = LinkedGame.open(project.get(), called, "", linked.address(), new Telling())) {
            for (int round = 0; round < rounds; round++) {
                play(game, written);
            }
            spec.commandLine()
                    .getOut()
                    .println("played " + rounds * written.arrivals().size() + " pulls; "
                            + game.stage().births() + " particles were born"
                            + (game.dropped() > 0 ? "; " + game.dropped() + " things said were lost" : ""));
            spec.commandLine().getOut().flush();
        }
        return Commands.FINE;
    }

    private void play(LinkedGame game, Written written) {
        int first = game.stage().now();
        int next = 0;
        int gone = 0;
        double[] published = new double[written.channels().size()];
        Arrays.fill(published, Double.NaN);
        long before = System.nanoTime();
        int checked = first;
        while (true) {
            Pace pace = game.stage().project().settings().pace();
            double at = pace.seconds(game.stage().now() - first);
            for (int i = 0; i < published.length; i++) {
                Channelled channel = written.channels().get(i);
                if (channel.at(at) != published[i]) {
                    published[i] = channel.at(at);
                    game.publish(channel.channel(), published[i]);
                }
            }
            while (next < written.arrivals().size()
                    && written.arrivals().get(next).at() <= at) {
                Arrival arrival = written.arrivals().get(next++);
                game.pull(arrival.pull());
            }
            while (gone < written.gone().size() && written.gone().get(gone).at() <= at) {
                game.gone(written.gone().get(gone++).subject());
            }
            if (at >= written.seconds() && next == written.arrivals().size()) {
                return;
            }
            if (game.stage().now() - checked >= pace.stepsPerSecond()) {
                checked = game.stage().now();
                game.check();
            }
            LockSupport.parkNanos(1_000_000_000L / 60);
            long now = System.nanoTime();
            game.advance(speed * Math.min(LONGEST_FRAME, (now - before) / 1e9));
            before = now;
        }
    }
}
