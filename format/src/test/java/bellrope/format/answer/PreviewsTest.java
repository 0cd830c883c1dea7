package bellrope.format.answer;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.value.Problem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PreviewsTest {
    private static final long CROWN = Asked.effect("water crown");

    private static PreviewHead head(PreviewWish wish) {
        return Previews.of(Asked.WHOLE, wish).head();
    }

    private static PreviewWish wish(Long rope, String payload, String surface, String side, double[] velocity) {
        return new PreviewWish(
                CROWN, rope, payload == null ? null : Asked.json(payload), surface, side, velocity, 1, null, null);
    }

    private static PreviewWish turned(String set) {
        return new PreviewWish(Asked.effect("kite tear"), null, null, null, null, null, 1, null, Asked.json(set));
    }

    @Test
    void saysWhatIsKnownOfTheEffect() {
        PreviewHead head = head(wish(null, null, null, null, null));
        assertThat(head.numbers().generations()[1]).as("ripples").isPositive();
        assertThat(head.report().findings()).isEmpty();
        assertThat(head.report().emitters()).hasSize(4);
        assertThat(head.report().emitters().get(1).speed()).hasSize(12);
        assertThat(head.report().answers().get(1).emitters().get(3))
                .as("amount does not reach the ripples")
                .isEmpty();
        assertThat(head.facing()).containsExactly(0, 1, 0);
    }

    @Test
    void followsItsSurfaceAndTheRopeItIsPlayedBy() {
        assertThat(head(wish(null, null, "wall", null, null)).facing()[0]).isEqualTo(-1);
        double usual = head(wish(null, null, null, null, null)).numbers().reach();
        double hard = head(wish(Asked.rope("landing on water"), "{'speed':14}", null, null, null))
                .numbers()
                .reach();
        assertThat(hard).as("true to size 1.7").isGreaterThan(usual * 1.4);
    }

    @ParameterizedTest
    @CsvSource({
        "moon, , 3, /surface, 'ground, wall or ceiling'",
        ", up, 3, /side, left or right",
        ", , 1, /velocity, three numbers"
    })
    void whatIsWrongSaysWhatIsAllowed(String surface, String side, int numbers, String place, String allowed) {
        Problem problem = Asked.problem(() -> head(wish(null, null, surface, side, new double[numbers])));
        assertThat(problem.place()).isEqualTo(place);
        assertThat(problem.allowed()).contains(allowed);
    }

    @Test
    void isPlayedWithWhatIsTurned() {
        double usual = head(turned("{}")).numbers().reach();
        assertThat(head(turned("{'size':1.5}")).numbers().reach()).isGreaterThan(usual * 1.2);
        assertThat(Asked.problem(() -> head(turned("{'size':'big'}"))))
                .isEqualTo(new Problem("/set/size", "big", "a number from 0.25 to 3"));
        assertThat(Asked.problem(() -> head(turned("{'Size':1}"))).allowed()).contains("did you mean size?");
    }
}
