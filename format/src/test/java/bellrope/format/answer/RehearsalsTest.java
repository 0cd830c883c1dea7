package bellrope.format.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.event.Pull;
import bellrope.core.project.Consistency;
import bellrope.core.project.WorstSecond;
import bellrope.core.score.Arrival;
import bellrope.core.score.Score;
import bellrope.core.score.Writing;
import bellrope.format.answer.RehearsalView.LanePlayed;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import bellrope.format.json.JsonValue;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class RehearsalsTest {
    private static Rehearsals played(JsonValue score) {
        Rehearsals rehearsals = Rehearsals.of(Asked.WHOLE, score, 2);
        double before = 0;
        Progress step = rehearsals.on(0);
        while (!step.over()) {
            step = rehearsals.on(300);
            assertThat(step.done()).isGreaterThan(before).isLessThanOrEqualTo(step.all());
            before = step.done();
        }
        return rehearsals;
    }

    private static JsonValue json(String text) {
        return JsonText.parse(text).value();
    }

    @Test
    void everyArrivalLeadsToItsAccountAndSpansHaveTheirEnds() {
        Score run = Asked.DEMO.scores().get(0);
        Rehearsals rehearsals = played(Bundle.write(run));
        RehearsalView view = rehearsals.view();
        assertThat(view.still()).isTrue();
        assertThat(view.live()).hasSizeGreaterThan(90 * 60);
        assertThat(view.lanes()).hasSameSizeAs(run.lanes());
        List<Arrival> written = Writing.of(run, Asked.DEMO.events(), 0).arrivals();
        for (LanePlayed lane : view.lanes()) {
            List<Arrival> mine = written.stream()
                    .filter(a -> a.lane() == lane.lane() && a.pull().phase() != Pull.Phase.END)
                    .toList();
            assertThat(lane.at()).hasSize(mine.size());
            for (int i = 0; i < lane.at().length; i++) {
                var account = rehearsals.account(lane.pulls()[i]).orElseThrow();
                assertThat(account.event()).isEqualTo(mine.get(i).pull().event());
                assertThat(account.seed()).isEqualTo(mine.get(i).pull().seed());
                assertThat(lane.answered()[i]).isEqualTo((int)
                        account.answers().stream().filter(l -> l.answered()).count());
            }
            if (lane.until() != null) {
                for (int i = 0; i < lane.at().length; i++) {
                    assertThat(lane.until()[i]).isGreaterThan(lane.at()[i]);
                }
            }
        }
        assertThat(view.pools()).extracting(RehearsalView.PoolUsed::name).containsExactly("hail shatter", "flock");
        assertThat(view.whole().get(1).peak())
                .isEqualTo(Arrays.stream(view.live()).max().orElseThrow());
        assertThat(rehearsals.accounts(600, 5)).hasSize(5).allMatch(a -> a.at() <= 10);
        assertThat(rehearsals.account(1_000_000)).isEmpty();
    }

    @Test
    void theWorstSecondIsAScoreOfTheProjectThatAsksForMuch() {
        Score worst = WorstSecond.of(Asked.DEMO, "the worst second");
        assertThat(Consistency.problems(worst, Asked.DEMO)).isEmpty();
        assertThat(worst.lanes()).extracting(l -> l.event()).contains("courier.landed", "weather", "kite.reeling");
        RehearsalView view =
                played(Rehearsals.worstSecond(Asked.DEMO, "the worst second")).view();
        assertThat(view.whole().get(0).peak()).isGreaterThan(15);
        assertThat(view.dropped()).isZero();
    }

    @Test
    void sizesComeRunByRun() {
        Rehearsals rehearsals = played(Bundle.write(Asked.DEMO.scores().get(0)));
        // Whoever played which, and in whatever order: they are taken in one after the other.
        JsonValue second = json(JsonText.compact(rehearsals.run(1)));
        JsonValue first = json(JsonText.compact(rehearsals.run(0)));
        assertThatThrownBy(() -> rehearsals.take(second))
                .isInstanceOfSatisfying(
                        Wrong.class,
                        w -> assertThat(w.problems().get(0).toString()).isEqualTo("/run: 1: run 0"));
        assertThat(rehearsals.take(first)).isEqualTo(new Progress(1, 2, false));
        assertThat(rehearsals.take(second)).isEqualTo(new Progress(2, 2, true));
        assertThatThrownBy(() -> rehearsals.take(second)).isInstanceOf(Wrong.class);
        assertThat(rehearsals.sized()).extracting(SizedView::name).contains("hail shatter", "flock", "straw puff");
    }

    @Test
    void whatIsNotThereIsRefusedWithItsPlace() {
        JsonValue other = json(
                "{\"name\": \"x\", \"seconds\": 5, \"lanes\": [{\"id\": 1, \"event\": \"courier.lande\", \"when\": {\"kind\": \"steady\", \"perSecond\": 1}}]}");
        assertThatThrownBy(() -> Rehearsals.of(Asked.WHOLE, other, 1))
                .isInstanceOfSatisfying(
                        Wrong.class,
                        w -> assertThat(w.problems().get(0).toString())
                                .isEqualTo(
                                        "/lanes/0/event: \"courier.lande\": the name of a known event; did you mean courier.landed?"));
        assertThatThrownBy(
                        () -> Rehearsals.of(Asked.WHOLE, json("{\"name\": \"x\", \"seconds\": -1, \"lanes\": []}"), 1))
                .isInstanceOf(Wrong.class);
    }
}
