package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.value.Ease;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.chrome.ChromeDriver;

/** The eases of the core against the browser's own: Web Animations, {@code getComputedTiming().progress}. */
class EasingIT {
    @TempDir
    private Path folder;

    @Test
    void everyPresetAndAnyBezierIsTheBrowsers() {
        Map<String, Ease> eases = new LinkedHashMap<>();
        eases.put("linear", Ease.LINEAR);
        eases.put("ease", Ease.EASE);
        eases.put("ease-in", Ease.EASE_IN);
        eases.put("ease-out", Ease.EASE_OUT);
        eases.put("ease-in-out", Ease.EASE_IN_OUT);
        eases.put("cubic-bezier(0.1, -0.6, 0.2, 1.8)", new Ease.CubicBezier(0.1, -0.6, 0.2, 1.8));
        eases.put("cubic-bezier(0.9, 0.1, 0.05, 0.95)", new Ease.CubicBezier(0.9, 0.1, 0.05, 0.95));
        eases.put("steps(10, jump-none)", new Ease.Steps(10, Ease.Steps.Jump.NONE));
        eases.put("steps(4)", new Ease.Steps(4, Ease.Steps.Jump.END));
        eases.put("steps(3, jump-start)", new Ease.Steps(3, Ease.Steps.Jump.START));
        eases.put("steps(7, jump-both)", new Ease.Steps(7, Ease.Steps.Jump.BOTH));
        eases.put("steps(1)", new Ease.Steps(1, Ease.Steps.Jump.END));
        ChromeDriver browser = Bench.browser(folder);
        try {
            for (Map.Entry<String, Ease> ease : eases.entrySet()) {
                List<?> progress = (List<?>) browser.executeScript("""
                        const e = document.createElement('div');
                        document.body.append(e);
                        const a = e.animate([{ opacity: 0 }, { opacity: 1 }], { duration: 1000, easing: arguments[0], fill: 'both' });
                        a.pause();
                        const seen = [];
                        for (let t = 0; t <= 1000; t += 25) {
                          a.currentTime = t;
                          seen.push(a.effect.getComputedTiming().progress);
                        }
                        return seen;
                        """, ease.getKey());
                for (int i = 0; i < progress.size(); i++) {
                    assertThat(ease.getValue().at(i / 40.0))
                            .as("%s at %s", ease.getKey(), i / 40.0)
                            .isCloseTo(((Number) progress.get(i)).doubleValue(), within(1e-5));
                }
            }
        } finally {
            browser.quit();
        }
    }
}
