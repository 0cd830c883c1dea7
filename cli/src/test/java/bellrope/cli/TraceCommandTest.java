package bellrope.cli;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TraceCommandTest extends AtCommandLine {
    private Path written(String form) throws IOException {
        Run run = run("trace", bundle.toString(), "--score", "delivery run", "--to", form);
        assertThat(run.code()).as(run.err()).isZero();
        return Files.writeString(folder.resolve("run." + form), run.out());
    }

    @ParameterizedTest
    @ValueSource(strings = {"jsonl", "csv"})
    void aScoreThatIsWrittenAsATraceIsPlayedAlike(String form) throws IOException {
        Path trace = written(form);
        Run sound = run("trace", bundle.toString(), trace.toString());
        assertThat(sound.err()).isEmpty();
        assertThat(sound.out()).containsPattern("^\\d{3} lines can be played, 0 cannot");
        Run played = run("rehearse", bundle.toString(), trace.toString());
        Run score = run("rehearse", bundle.toString(), "--score", "delivery run");
        assertThat(played.code()).isZero();
        // What is asked for comes after the lines of the pulls, and is the same.
        String asked = score.out().substring(score.out().indexOf("\n\n") + 2);
        assertThat(asked).contains("hail shatter");
        assertThat(played.out()).endsWith(asked);
    }

    @Test
    void aTraceBecomesAScoreThatABundleTakes() throws IOException {
        Run run = run("trace", bundle.toString(), written("csv").toString(), "--to", "score");
        assertThat(run.code()).as(run.err()).isZero();
        assertThat(Bundle.readScore(JsonText.parse(run.out()).value()).problems())
                .isEmpty();
        assertThat(run.out()).contains("\"name\" : \"run\"").contains("\"event\" : \"courier.struck\"");
    }

    @Test
    void whatCannotBeReadIsSaidLineByLine() throws IOException {
        Path trace = written("csv");
        List<String> lines = Files.readAllLines(trace);
        lines.set(4, lines.get(4).replaceFirst("^[^,]*", "-3"));
        Files.write(trace, lines);
        Run run = run("trace", bundle.toString(), trace.toString());
        assertThat(run.code()).isEqualTo(1);
        assertThat(run.err()).isEqualTo("run.csv /line 5/time: \"-3\": seconds from the beginning, 0 or more\n");
        assertThat(run.out()).endsWith("1 cannot\n");
        Files.write(trace, new byte[] {(byte) 0xff, 'a'});
        assertThat(run("trace", bundle.toString(), trace.toString()).err()).contains("no UTF-8");
        assertThat(run("trace", bundle.toString(), folder.resolve("nothing").toString())
                        .err())
                .contains("cannot be read");
    }

    @Test
    void wordsThatDoNotGoTogetherAreRefused() {
        assertThat(run("trace", bundle.toString()).code()).isEqualTo(2);
        assertThat(run("trace", bundle.toString(), "x.csv", "--score", "y").code())
                .isEqualTo(2);
        assertThat(run("trace", bundle.toString(), "x.csv", "--to", "csv").err())
                .contains("score, or nothing, for a file of pulls");
        assertThat(run("trace", bundle.toString(), "--score", "delivery run").err())
                .contains("jsonl or csv for a score");
        assertThat(run("trace", bundle.toString(), "--score", "deliver run", "--to", "csv")
                        .err())
                .contains("did you mean delivery run?");
    }
}
