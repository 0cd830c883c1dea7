package bellrope.format.answer;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.project.Project;
import bellrope.core.value.Curve;
import bellrope.core.value.Problem;
import bellrope.format.json.JsonValue;
import bellrope.format.report.EffectReport.FindingReport;
import java.util.List;
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
                CROWN,
                rope,
                payload == null ? null : Asked.json(payload),
                surface,
                side,
                velocity,
                1,
                null,
                null,
                null);
    }

    private static PreviewWish turned(String set) {
        return new PreviewWish(Asked.effect("kite tear"), null, null, null, null, null, 1, null, null, Asked.json(set));
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
    void showsAnEmitterAloneAndJudgesWhatIsAuthored() {
        PreviewHead all = head(wish(null, null, null, null, null));
        PreviewHead ring = head(alone("ring"));
        assertThat(ring.numbers().births()).isEqualTo(1);
        // What it spawns plays with it, and what spawns it.
        long drops = head(alone("crown drops")).numbers().births();
        assertThat(drops).isGreaterThan(30L).isLessThan(all.numbers().births());
        assertThat(head(alone("ripples")).numbers().births()).isEqualTo(drops);
        assertThat(Asked.problem(() -> head(alone("rings"))).allowed()).contains("did you mean ring?");
    }

    @Test
    void aRemedyThatIsTakenWhileOneIsAloneLeavesTheOthersOn() {
        Project project = Asked.WHOLE.project();
        Project large = project.withEffects(project.effects().stream()
                .map(e -> e.changed(
                        "mist", m -> m.withLife(m.life().withSize(Curve.ONE).withOpacity(Curve.through(0, 1, 1, 0)))))
                .toList());
        Whole whole = new Whole(large, Asked.WHOLE.effects(), Asked.WHOLE.ropes());
        List<FindingReport> found =
                Previews.of(whole, alone("mist")).head().report().findings();
        assertThat(found).extracting(FindingReport::emitter).contains("mist");
        JsonValue emitters = found.get(0).mended().get("emitters");
        for (int i = 0; i < emitters.size(); i++) {
            assertThat(emitters.get(i).get("off")).isNull();
        }
    }

    private static PreviewWish alone(String emitter) {
        return new PreviewWish(CROWN, null, null, null, null, null, 1, null, emitter, null);
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
