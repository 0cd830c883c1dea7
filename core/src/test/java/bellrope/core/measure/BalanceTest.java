package bellrope.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.measure.Balance.Line;
import bellrope.core.measure.Balance.Response;
import bellrope.core.measure.Balance.Verdict;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class BalanceTest {
    private static List<Response> onALine() {
        List<Response> responses = new ArrayList<>();
        for (int weight = 1; weight <= 5; weight++) {
            responses.add(new Response("r" + weight, "e.w" + weight, weight, Math.exp(0.5 + 0.8 * weight)));
        }
        return responses;
    }

    /** Source: Theil 1950, Sen 1968: on a line the slope is exact, and fewer than 29 % of outliers do not move it far. */
    @Test
    void theLineIsFoundInSpiteOfALoudOne() {
        List<Response> responses = onALine();
        Balance exact = Balance.of(responses);
        assertThat(exact.slope().orElseThrow()).isCloseTo(0.8, within(1e-12));
        assertThat(exact.intercept()).isCloseTo(0.5, within(1e-12));
        assertThat(exact.lines()).extracting(Line::verdict).containsOnly(Verdict.USUAL);
        responses.add(new Response("loud", "e.w1", 1, 1000));
        Balance loud = Balance.of(responses);
        assertThat(loud.slope().orElseThrow()).isCloseTo(0.8, within(0.25));
        Line last = loud.lines().get(5);
        assertThat(last.verdict()).isEqualTo(Verdict.LOUD);
        assertThat(last.outdoes()).isEqualTo("e.w2");
    }

    @Test
    void oneWeightHasNoSlopeAndNothingNoLines() {
        Balance flat = Balance.of(List.of(new Response("a", "e.x", 3, 2), new Response("b", "e.y", 3, 0.1)));
        assertThat(flat.slope()).isEmpty();
        assertThat(flat.lines()).extracting(Line::verdict).containsExactly(Verdict.LOUD, Verdict.FAINT);
        assertThat(Balance.of(List.of(new Response("a", "e.x", 3, 0))).lines()).isEmpty();
    }
}
