package bellrope.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class SweepCommandTest extends AtCommandLine {
    private Path shard(String of) throws IOException {
        Run run = run("sweep", bundle.toString(), "--runs", "7", "--shard", of);
        assertThat(run.code()).isZero();
        return Files.writeString(folder.resolve(of.replace('/', '-') + ".jsonl"), run.out());
    }

    @Test
    void sharesPutTogetherAreTheSameAsOneSweepToTheBit() throws IOException {
        Run whole = run("sweep", bundle.toString(), "--score", "delivery run", "--runs", "7", "--json");
        assertThat(whole.code()).isZero();
        assertThat(whole.out())
                .startsWith("{\"set\":{},\"score\":\"delivery run\",\"runs\":7,\"pools\":[{\"name\":\"hail shatter\"");
        Path two = shard("2/3");
        Path three = shard("3/3");
        Path one = shard("1/3");
        Run merged = run(
                "merge", bundle.toString(), two.toString(), three.toString(), one.toString(), "--runs", "7", "--json");
        assertThat(merged.err()).isEmpty();
        assertThat(merged.out()).isEqualTo(whole.out());
        assertThat(run("sweep", bundle.toString(), "--runs", "7").out())
                .containsPattern("hail shatter \\* .*")
                .containsPattern("straw puff +0\\.")
                .contains("delivery run, 7 runs.");
    }

    @Test
    void whatDoesNotBelongTogetherIsRefused() throws IOException {
        Path one = shard("1/2");
        Path two = shard("2/2");
        Run missing = run("merge", bundle.toString(), one.toString(), "--runs", "7");
        assertThat(missing.code()).isEqualTo(1);
        assertThat(missing.err()).contains("run 1 is missing: files with all runs from 0 to 6");
        Run twice = run("merge", bundle.toString(), one.toString(), two.toString(), one.toString(), "--runs", "7");
        assertThat(twice.code()).isEqualTo(1);
        assertThat(twice.err()).contains("a second time");
        Run other = run("merge", bundle.toString(), one.toString(), two.toString(), "--runs", "8");
        assertThat(other.err()).contains("1-2.jsonl line 1/runs: another number of runs: 8");
        Path torn =
                Files.writeString(folder.resolve("torn"), Files.readString(one).substring(0, 400));
        assertThat(run("merge", bundle.toString(), torn.toString(), "--runs", "7")
                        .code())
                .isEqualTo(1);
        Path none = Files.writeString(folder.resolve("none"), "hello\n");
        assertThat(run("merge", bundle.toString(), none.toString()).err()).contains("none line 1");
        Path changed = Files.writeString(folder.resolve("changed.json"), Files.readString(bundle) + " ");
        assertThat(run("merge", changed.toString(), one.toString(), two.toString(), "--runs", "7")
                        .err())
                .contains("line 1/bundle: another bundle");
    }

    @Test
    void settingsAreSweptOneAfterTheOtherAndSharedToo() throws IOException {
        String set = "/scores/0/lanes/5/when/perSecond/1/value=2,20";
        Run whole = run("sweep", bundle.toString(), "--runs", "3", "--set", set, "--json");
        assertThat(whole.err()).doesNotContain("--set");
        String[] lines = whole.out().split("\n");
        assertThat(lines).hasSize(2);
        assertThat(lines[0]).startsWith("{\"set\":{\"/scores/0/lanes/5/when/perSecond/1/value\":2}");
        assertThat(load(lines[1])).isGreaterThan(2 * load(lines[0]));
        List<String> merge =
                new ArrayList<>(List.of("merge", bundle.toString(), "--runs", "3", "--set", set, "--json"));
        for (String share : List.of("2/2", "1/2")) {
            Run run = run("sweep", bundle.toString(), "--runs", "3", "--set", set, "--shard", share);
            merge.add(Files.writeString(folder.resolve(share.replace('/', '-')), run.out())
                    .toString());
        }
        Run merged = run(merge.toArray(String[]::new));
        assertThat(merged.err()).isEmpty();
        assertThat(merged.out()).isEqualTo(whole.out());
        assertThat(run("sweep", bundle.toString(), "--runs", "1", "--set", "/pools/0/capacity=9")
                        .out())
                .startsWith("/pools/0/capacity = 9\n");
    }

    private static double load(String line) {
        return Double.parseDouble(line.replaceFirst(".*?\"load\":([0-9.]+).*", "$1"));
    }

    @Test
    void settingsThatAreNotThereAreRefused() {
        assertThat(run("sweep", bundle.toString(), "--set", "capacity=3").err())
                .contains("such as /pools/0/capacity=6,8,10");
        assertThat(run("sweep", bundle.toString(), "--set", "/pools/9=3").err())
                .contains("a place that is in the bundle");
        assertThat(run("sweep", bundle.toString(), "--set", "/pools/9/capacity=3")
                        .err())
                .contains("a place that is in the bundle");
        assertThat(run("sweep", bundle.toString(), "--set", "/pools/0/capacity=0")
                        .err())
                .contains("windrow.bellrope.json /pools/0/capacity: 0");
        String many = "1" + ",1".repeat(10);
        assertThat(run(
                                "sweep",
                                bundle.toString(),
                                "--set",
                                "/pools/0/capacity=" + many,
                                "--set",
                                "/pools/0/prewarm=" + many)
                        .err())
                .contains("121 combinations: at most 100");
    }

    @Test
    void wordsThatAreWrongAreSaidWithWhatIsAllowed() {
        assertThat(run("sweep", bundle.toString(), "--runs", "0")).satisfies(r -> {
            assertThat(r.code()).isEqualTo(2);
            assertThat(r.err()).contains("--runs: 0: a whole number from 1 to 10000");
        });
        assertThat(run("sweep", bundle.toString(), "--shard", "4/3").err()).contains("a share from 1/3 to 3/3");
        assertThat(run("sweep", bundle.toString(), "--shard", "x").err()).contains("--shard: \"x\": such as 3/16");
        assertThat(run("sweep", bundle.toString(), "--score", "delivry run")).satisfies(r -> {
            assertThat(r.code()).isEqualTo(1);
            assertThat(r.err()).contains("did you mean delivery run?");
        });
    }

    @Test
    void aScoreIsRehearsedWithWhatItsPoolsLost() {
        Run run = run("rehearse", bundle.toString(), "--score", "delivery run");
        assertThat(run.code()).isZero();
        assertThat(run.out())
                .containsPattern("hail shatter +8 +8 +\\d+ +0 +\\d+ +0\\.\\d{3} u²·s")
                .containsPattern("rope +at once +at +mean")
                .contains("dropped; 0 still playing");
        assertThat(run("rehearse", bundle.toString(), "--score", "delivery run", "--run", "3")
                        .out())
                .isNotEqualTo(run.out());
        Run neither = run("rehearse", bundle.toString());
        assertThat(neither.code()).isEqualTo(2);
        assertThat(neither.err()).contains("either PULLS or --score NAME");
    }
}
