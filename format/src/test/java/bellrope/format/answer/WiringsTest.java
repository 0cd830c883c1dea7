package bellrope.format.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.project.Project;
import bellrope.format.report.ParameterReport;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is said of many parts together: responses, wiring, feeds, and what answers to a parameter. */
class WiringsTest {
    @Test
    void responsesOfAllRopesSayWhyOneIsSilent() {
        List<ResponseView> all = Asked.RESPONSES.of(Asked.WHOLE, null);
        assertThat(all).hasSize(Asked.DEMO.ropes().size());
        assertThat(all).extracting(ResponseView::silent).contains("no effect is chosen");
        assertThat(all.get(0).numbers().onset()).as("a frame of 1/60 s, in ms").isBetween(16.0, 17.0);
        assertThat(all.get(0).strip().length).isLessThanOrEqualTo(90);
        assertThat(Asked.RESPONSES.of(Asked.WHOLE, List.of(501L))).hasSize(1);
    }

    @Test
    void theWiringIsLookedAtAndWeighed() {
        WiringView view = Wirings.of(Asked.WHOLE, Asked.RESPONSES, null, null);
        assertThat(view.findings().toString()).contains("no effect is chosen, so nothing will be seen");
        assertThat(view.slope()).isBetween(0.1, 3.0);
        assertThat(view.lines())
                .hasSizeGreaterThan(15)
                .allSatisfy(line -> assertThat(line.usual()).isPositive());
    }

    @Test
    void theWiringKnowsWhatCameAndHowFarTheGameHits() {
        Project closer = Asked.withRope("struck by hail", t -> t.replace("\"hit\":3.8", "\"hit\":2"));
        String found = Wirings.of(
                        Asked.whole(closer),
                        Asked.RESPONSES,
                        List.of(new Recorded("struck by hail", "amount", new double[] {3, 4, 5, 6})),
                        null)
                .findings()
                .toString();
        assertThat(found).contains("reach and hit differ", "the game hits within 2 u");
        assertThat(found).contains("never leaves its clamp", "in the last 4 pulls force was 3 to 6");
    }

    @Test
    void aFeedIsDrawnOverWhatTheGameSendsAndHeldInsideTheParameter() {
        FeedsView view = Wirings.feeds(Asked.WHOLE, Asked.rope("struck by hail"), Asked.RESPONSES);
        assertThat(view.feeds().get(0).least()).isZero();
        assertThat(view.feeds().get(0).most()).isEqualTo(100);
        assertThat(view.feeds().get(0).becomes()[0]).isEqualTo(0.6);
        assertThat(view.feeds().get(0).becomes()[64]).isEqualTo(1.8);
        assertThat(view.reach().agrees()).isTrue();
        assertThat(view.reach().reach()).hasSize(9);
    }

    private static ParameterReport table(Project project) {
        return ParameterReport.of(project, project.effect("kite tear").orElseThrow());
    }

    @Test
    void theTableSaysHowStronglyEachEmitterAnswers() {
        ParameterReport report = table(Asked.DEMO);
        assertThat(report.emitters()).hasSize(5);
        ParameterReport.RowReport size = report.rows().get(0);
        assertThat(size.parameter()).isEqualTo("size");
        assertThat(size.cells().get(2).high().size())
                .isCloseTo(3 * report.usual().get(2).size(), within(1e-4));
        assertThat(size.cells().get(2).bound().toString()).contains("force reach");
        assertThat(report.neutral().identical()).isTrue();
        assertThat(report.scales().get(0).holds()).isTrue();
        assertThat(report.scales().get(0).mended()).isNull();
        assertThat(size.curves().get(0).becomes()).hasSize(33);
    }

    @Test
    void aScaleThatForgetsIsBlamedAndMendedByWhatTheReportBrings() {
        Project forgets = Asked.withEffect(
                "kite tear", t -> t.replaceFirst("\\{\"property\":\"gravity\",\"mode\":\"multiply\"\\},", ""));
        ParameterReport.ScaleReport proof = table(forgets).scales().get(0);
        assertThat(proof.holds()).isFalse();
        assertThat(proof.causes().get(0).what()).isEqualTo("gravity");
        assertThat(proof.causes().get(0).fault()).isEqualTo("missing");
        Project mended = forgets.withEffects(forgets.effects().stream()
                .map(e -> e.name().equals("kite tear") ? Asked.written(Asked.text(proof.mended())) : e)
                .toList());
        assertThat(table(mended).scales().get(0).holds()).isTrue();
    }
}
