package bellrope.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlayCommandTest extends AtCommandLine {
    private static final String NOBODY = "ws://localhost:1/link";

    private Path pulls(String lines) throws IOException {
        return Files.writeString(folder.resolve("run.jsonl"), lines.replace('\'', '"'));
    }

    @Test
    void playsWithoutABenchAndSaysSoOnce() throws IOException {
        Path file = pulls(
                "{'specversion':'1.0','id':'1','source':'/g','type':'courier.landed','at':'0','data':{'position':[0,0,0],'normal':[0,1,0],'speed':9,'surface':'thatch'}}\n"
                        + "{'specversion':'1.0','id':'2','source':'/g','type':'courier.landed','at':'6','data':{'position':[0,0,0],'normal':[0,1,0],'speed':9,'surface':'stone'}}\n");
        Run run = run("play", bundle.toString(), file.toString(), "--link", NOBODY, "--speed", "20", "--rounds", "2");
        assertThat(run.code()).isZero();
        assertThat(run.out()).matches("played 4 pulls; \\d{2,} particles were born\\R");
        assertThat(run.err().lines()).containsExactly("unlinked: no server at localhost:1");
    }

    @ParameterizedTest
    @CsvSource({
        "--speed 0, --speed 0.1 to 20",
        "--rounds 0, --rounds 1 to 1000",
        "--link nonsense, an address such as ws://localhost:7333/link?project=1",
        "--link http://localhost:7333, an address such as",
    })
    void wrongWordsAreSaidBeforeAnythingIsRead(String words, String said) {
        String[] two = words.split(" ");
        Run run = run("play", "none.bellrope.json", "--score", "x", two[0], two[1]);
        assertThat(run.code()).isEqualTo(Commands.MISUSED);
        assertThat(run.err()).contains(said);
    }

    @Test
    void whatCannotBeReadIsNotPlayed() throws IOException {
        Path file = pulls("{'specversion':'1.0','id':'1','source':'/g','type':'courier.laned','at':'0','data':{}}\n");
        Run run = run("play", bundle.toString(), file.toString(), "--link", NOBODY);
        assertThat(run.code()).isEqualTo(Commands.UNREADABLE);
        assertThat(run.err()).contains("courier.landed");
        assertThat(run("play", bundle.toString()).code()).isEqualTo(Commands.MISUSED);
    }
}
