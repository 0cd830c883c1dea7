package bellrope.cli;

import bellrope.core.project.Project;
import bellrope.core.score.Score;
import bellrope.core.value.Problem;
import bellrope.core.value.Words;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Reads what a command is given; what cannot be read is said, with its place. */
final class Inputs {
    private final PrintWriter err;

    Inputs(PrintWriter err) {
        this.err = err;
    }

    /** Returns the project of a bundle; empty where it cannot be read. */
    Optional<Project> project(Path file) {
        Optional<byte[]> bytes = bytes(file, JsonText.MOST_BYTES);
        if (bytes.isEmpty()) {
            return Optional.empty();
        }
        Bundle.Read<Project> read = Bundle.read(bytes.get());
        if (read.value().isEmpty()) {
            refuse(file, read.problems());
        }
        return read.value();
    }

    /** Returns a score of a project; the only one where none is named. */
    Optional<Score> score(Project project, Path bundle, String name) {
        List<String> names = project.scores().stream().map(Score::name).toList();
        if (name == null && names.size() == 1) {
            return project.score(names.get(0));
        }
        if (name == null || project.score(name).isEmpty()) {
            err.println(bundle.getFileName() + " --score: " + (name == null ? "missing" : '"' + name + '"') + ": "
                    + (names.isEmpty()
                            ? "the bundle has no scores"
                            : Words.known("score", name == null ? "" : name, names)));
            return Optional.empty();
        }
        return project.score(name);
    }

    /** Tells whether either a file of pulls or a score is given; says so where it is both or neither. */
    boolean either(String command, Path pulls, String score) {
        if ((pulls == null) != (score == null)) {
            return true;
        }
        err.println(command + ": " + (pulls == null ? "no pulls" : "a file of pulls and a score")
                + ": either PULLS or --score NAME");
        return false;
    }

    void refuse(Path file, List<Problem> problems) {
        problems.forEach(problem -> err.println(file.getFileName() + " " + problem));
    }

    /** Returns the bytes of a file; empty where it cannot be read, or has more than it may. */
    Optional<byte[]> bytes(Path file, long most) {
        try {
            if (Files.size(file) > most) {
                err.println(file.getFileName() + ": " + (Files.size(file) >> 20) + " MiB: at most " + (most >> 20)
                        + " MiB");
                return Optional.empty();
            }
            return Optional.of(Files.readAllBytes(file));
        } catch (IOException e) {
            err.println(file + ": cannot be read: a file that exists and may be read");
            return Optional.empty();
        }
    }
}
