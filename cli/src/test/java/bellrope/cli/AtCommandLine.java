package bellrope.cli;

import bellrope.format.json.Demo;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;

/** Commands as one types them, with the demo as a bundle. */
abstract class AtCommandLine {
    @TempDir
    Path folder;

    Path bundle;

    record Run(int code, String out, String err) {}

    @BeforeEach
    void files() throws IOException {
        bundle = Files.write(folder.resolve("windrow.bellrope.json"), Demo.bytes());
    }

    static Run run(String... args) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        int code = new CommandLine(new Commands())
                .setOut(new PrintWriter(out))
                .setErr(new PrintWriter(err))
                .execute(args);
        return new Run(code, out.toString(), err.toString());
    }
}
