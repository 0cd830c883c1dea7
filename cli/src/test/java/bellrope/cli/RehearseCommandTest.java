package bellrope.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class RehearseCommandTest extends AtCommandLine {
    private Path pulls;

    @BeforeEach
    void pulls() throws IOException {
        pulls = folder.resolve("pulls.jsonl");
        Files.writeString(pulls, landing("1", "00.000", "thatch", "9") + landing("2", "00.500", "stone", "12.5"));
    }

    private static String landing(String id, String second, String surface, String speed) {
        return "{\"specversion\":\"1.0\",\"id\":\"" + id
                + "\",\"source\":\"/windrow-post\",\"type\":\"courier.landed\","
                + "\"time\":\"2026-05-04T10:00:" + second + "Z\",\"data\":{\"position\":[12,0,0],\"normal\":[0,1,0],"
                + "\"speed\":" + speed + ",\"surface\":\"" + surface + "\"}}\n";
    }

    @Test
    void printsTheAccountAndTheNumbersOfEveryPull() {
        Run run = run("rehearse", bundle.toString(), pulls.toString());
        assertThat(run.code()).isZero();
        assertThat(run.err()).isEmpty();
        assertThat(run.out())
                .contains("0.000 s  courier.landed: 5 ropes listened, 1 answered")
                .contains("● straw puff at (12, 0, 0), size 1.2 from speed 9")
                .contains("○ stone chips silent: surface was thatch, wants stone")
                .contains("0.500 s  courier.landed: 5 ropes listened, 2 answered")
                .contains("● hard knock at (12, 0, 0)")
                .contains("onset 17 ms")
                // The landing on thatch is held for 1.3 s: all three are there half a second in.
                .containsPattern("effect +at once +at +mean +particles +at")
                .containsPattern("hard knock +1 +0\\.500 s")
                .containsPattern("straw puff +1 +0\\.000 s")
                .containsPattern("rope +at once +at +mean")
                .containsPattern("landing hard +1 +0\\.500 s")
                .contains("Windrow Post: 2 pulls in")
                .contains("0 dropped; 0 still playing");
    }

    @Test
    void givesTheSameOutputOnEveryRun() {
        Run first = run("rehearse", "--json", bundle.toString(), pulls.toString());
        assertThat(first.code()).isZero();
        assertThat(run("rehearse", "--json", bundle.toString(), pulls.toString()))
                .isEqualTo(first);
        assertThat(first.out()).startsWith("{\"project\":\"Windrow Post\"").contains("\"onset\":16.666666666666668");
    }

    @Test
    void anotherPullBeforeChangesNothingOfTheOthers() throws IOException {
        String before =
                run("rehearse", "--json", bundle.toString(), pulls.toString()).out();
        Files.writeString(pulls, Files.readString(pulls) + landing("0", "00.250", "peat", "3"));
        String after =
                run("rehearse", "--json", bundle.toString(), pulls.toString()).out();
        String numbersOfSecond = before.substring(before.lastIndexOf("\"numbers\""));
        assertThat(after).contains(numbersOfSecond);
    }

    @Test
    void playsWhatItCanReadAndFailsForTheRest() throws IOException {
        Files.writeString(pulls, Files.readString(pulls) + landing("3", "01.000", "thatch", "\"fast\""));
        Run run = run("rehearse", bundle.toString(), pulls.toString());
        assertThat(run.code()).isEqualTo(1);
        assertThat(run.err()).contains("pulls.jsonl /line 3/data/speed: fast: a number from 0 to 14 u/s");
        assertThat(run.out()).contains("2 pulls in");
    }

    @Test
    void refusesABrokenBundleWhole() throws IOException {
        String whole = Files.readString(bundle);
        Files.writeString(bundle, whole.substring(0, whole.lastIndexOf('\n', 5000)));
        Run run = run("rehearse", bundle.toString(), pulls.toString());
        assertThat(run.code()).isEqualTo(1);
        assertThat(run.err()).contains("windrow.bellrope.json /: cut off at line");
        assertThat(run.out()).isEmpty();
    }

    @Test
    void namesAFileThatIsNotThere() {
        Run run =
                run("rehearse", bundle.toString(), folder.resolve("none.jsonl").toString());
        assertThat(run.code()).isEqualTo(1);
        assertThat(run.err()).contains("none.jsonl: cannot be read");
    }

    @Test
    void wrongWordsExitWithTwo() {
        assertThat(run("rehearse", bundle.toString()).code()).isEqualTo(2);
        assertThat(run("rehearse", "--loud", bundle.toString(), pulls.toString())
                        .code())
                .isEqualTo(2);
    }
}
