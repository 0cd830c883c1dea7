package bellrope.tools;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

@DisplayName("The runtime script under a strict policy")
class StrictTest {
    private static String shipped() throws IOException {
        try (InputStream in = StrictTest.class.getClassLoader().getResourceAsStream(Compile.RUNTIME)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void makesNoFunctionFromText() throws IOException {
        assertThat(shipped()).contains("new Function");
        assertThat(Strict.of(shipped())).doesNotContain("new Function").doesNotContain("eval(");
    }

    @Test
    void keepsWhatItOffers() throws IOException {
        assertThat(Strict.of(shipped()))
                .endsWith("export { load, defaults, wrapImport };")
                .contains("Licensed under the Apache License");
    }

    @Test
    void ofAnotherReleaseIsRefusedInsteadOfShippedHalfChanged() throws IOException {
        String other = shipped().replace("let argumentList = [];", "const argumentList = [];");
        assertThatThrownBy(() -> Strict.of(other)).hasMessageContaining("another than the one that is known");
        String more = shipped() + "\nnew Function('return 1')();";
        assertThatThrownBy(() -> Strict.of(more)).hasMessageContaining("in a place that is not known");
    }
}
