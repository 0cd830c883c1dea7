package bellrope.e2e;

import java.nio.file.*;
import org.junit.jupiter.api.Test;

class LookIT extends AtBench {
    @Test
    void look() throws Exception {
        bench.browser().get(bench.address() + "/standin.html?project=1");
        bench.await(b -> bench.js("return window.windrow ? 1 : null") != null);
        for (int i = 0; i < 8; i++) {
            bench.js("windrow.step(arguments[0])", 60 + 97 * i);
            Thread.sleep(1600);
            Files.write(Path.of("/tmp/w" + i + ".png"), bench.picture());
            System.out.println("LOOK "
                    + bench.js("return document.querySelector('aside').innerText.slice(0,200) + windrow.world.now"));
        }
        System.out.println("LOOK axe " + bench.violations());
    }
}
