package bellrope.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

@DisplayName("What was computed")
class KeptTest {
    private final List<String> made = new ArrayList<>();
    private final Kept<String, String> kept = new Kept<>(10, (key, value) -> value.length());

    private String get(String key) {
        return kept.get(key, k -> {
            made.add(k);
            return k.repeat(4);
        });
    }

    @Test
    void isComputedOnce() {
        assertThat(get("a")).isEqualTo("aaaa");
        assertThat(get("a")).isEqualTo("aaaa");
        assertThat(made).containsExactly("a");
    }

    @Test
    void goesWhenItIsTooMuchAndWhatWasNotAskedForTheLongestGoesFirst() {
        get("a");
        get("b");
        get("a");
        get("c");
        get("a");
        assertThat(made).containsExactly("a", "b", "c");
        get("b");
        assertThat(made).as("b had to go for c").containsExactly("a", "b", "c", "b");
    }

    @Test
    void isForgottenWithItsProject() {
        get("a");
        kept.clear();
        get("a");
        assertThat(made).containsExactly("a", "a");
    }

    @Test
    void isGivenEvenIfItIsTooMuchToBeKept() {
        assertThat(kept.get("x", k -> "x".repeat(40))).hasSize(40);
        get("a");
        get("b");
        assertThat(get("a")).isEqualTo("aaaa");
        assertThat(made).containsExactly("a", "b");
    }
}
