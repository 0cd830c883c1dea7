package bellrope.e2e;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;

/** Stories at one bench with the demo, which is there for all stories of a class. */
abstract class AtBench {
    @TempDir
    static Path folder;

    static Bench bench;

    @BeforeAll
    static void startBench() {
        bench = new Bench(folder, true);
    }

    @AfterAll
    static void stopBench() {
        bench.close();
    }
}
