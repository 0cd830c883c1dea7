package bellrope.format.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.effect.Effect;
import bellrope.core.project.Project;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import bellrope.format.report.AccountReport;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A stage as a page drives it: told what a hand does, asked for what there is to say and to see. */
class LiveStageTest {
    private static final String LANDING =
            "{'do':'pull','event':'courier.landed','seed':1,'payload':{'position':[0,0,0],'normal':[0,1,0],'speed':9,'surface':'thatch'}}";
    private static final String SCATTERED =
            "{'do':'pull','event':'crow.scattered','seed':%d,'payload':{'position':[0,0,0],'direction':[1,0,0]}}";

    // Offsets in a frame, see docs/format/frames.md.
    private static final int STEP = 8;
    private static final int PARTICLES = 12;
    private static final int INSTANCES = 16;

    private final LiveStage live = new LiveStage(Demo.project(), 0);

    private void say(String message, double now) {
        live.receive(JsonText.parse(message.replace('\'', '"')).value(), now);
    }

    private String account() {
        List<AccountReport> accounts = live.said().accounts();
        return accounts.get(accounts.size() - 1).toString();
    }

    @Test
    void aPullIsSeenAndAnsweredInTheCallThatBringsIt() {
        say(LANDING, 5);
        ByteBuffer frame = live.seen().orElseThrow();
        assertThat(frame.getInt(PARTICLES)).isBetween(38, 49);
        assertThat(frame.getInt(INSTANCES)).isEqualTo(1);
        AccountReport account = live.said().accounts().get(0);
        assertThat(account.summary()).isEqualTo("5 ropes listened, 1 answered");
        assertThat(account.toString()).contains("speed was 9 u/s, wants over 11");
        assertThat(live.said().accounts()).as("said once").isEmpty();
    }

    @Test
    void aStageThatPlayedShowsOneEmptyPictureAndThenNoneUntilSomethingHappens() {
        assertThat(live.seen()).isEmpty();
        List<Integer> instances = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            say(SCATTERED.formatted(i), 0);
        }
        double now = 0;
        while (!live.said().still()) {
            instances.add(live.seen().orElseThrow().getInt(INSTANCES));
            now += 1 / 60.0;
            say("{'do':'tick'}", now);
        }
        // The pool of the flock holds no more.
        assertThat(instances).contains(11).allMatch(n -> n <= 11);
        ByteBuffer last = live.seen().orElseThrow();
        assertThat(last.getInt(INSTANCES)).isZero();
        assertThat(last.getInt(PARTICLES)).isZero();
        say("{'do':'tick'}", now + 1);
        assertThat(live.seen()).isEmpty();
        say(LANDING, now + 2);
        assertThat(live.seen()).isPresent();
    }

    @Test
    void whoeverLooksSeldomSeesTheNewestMoment() {
        say(LANDING, 0);
        live.seen();
        say("{'do':'tick'}", 0.2);
        say("{'do':'tick'}", 0.4);
        assertThat(live.seen().orElseThrow().getInt(STEP))
                .as("24 steps of 1/60 s")
                .isEqualTo(24);
    }

    @Test
    void whatWasMissedWhileThePageWasHiddenIsNotPlayedThrough() {
        say(LANDING, 0);
        say("{'do':'tick'}", 600);
        assertThat(live.seen().orElseThrow().getInt(STEP))
                .as("a quarter of a second")
                .isEqualTo(15);
    }

    @Test
    void aClockThatJumpsBackMovesNothing() {
        say(LANDING, 10);
        int step = live.seen().orElseThrow().getInt(STEP);
        say("{'do':'tick'}", 3);
        say("{'do':'tick'}", 10);
        assertThat(live.seen().orElseThrow().getInt(STEP)).isEqualTo(step);
    }

    @Test
    void aSpanIsHeldMovedAndEnded() {
        say(
                "{'do':'pull','event':'kite.reeling','phase':'begin','subject':'red kite','seed':1,"
                        + "'payload':{'position':[2,3,0],'heading':[1,0,0]}}",
                0);
        assertThat(account()).contains("reel smoke");
        say("{'do':'move','subject':'red kite','position':[4,3,0]}", 0.1);
        assertThat(live.seen().orElseThrow().getInt(INSTANCES)).isPositive();
        say("{'do':'pull','event':'kite.reeling','phase':'end','subject':'red kite','seed':0}", 0.2);
        assertThat(account()).contains("phase=end").contains("with line hiss");
    }

    @Test
    void aStateFollowsAChannelAndALoneEndIsSaid() {
        say("{'do':'publish','channel':'intensity','value':1}", 0);
        say("{'do':'pull','event':'weather','value':'downpour','seed':1,'payload':{}}", 0);
        assertThat(account()).contains("downpour at").contains("amount 1.5 from intensity");
        say("{'do':'pull','event':'mill.turning','phase':'end','seed':0}", 0);
        assertThat(account()).contains("ends for mill without anything that runs");
        say("{'do':'pull','event':'weather','value':'clear','seed':1,'payload':{}}", 1);
        assertThat(account()).contains("downpour ends after");
    }

    @Test
    void whatGameCodeIsToldAndWhatShakesIsSaid() {
        say("{'do':'comfort','lessShake':false,'lessFlash':true}", 0);
        say(
                "{'do':'pull','event':'courier.downed','seed':1,"
                        + "'payload':{'position':[0,0,0],'direction':[1,0,0],'cause':'hail'}}",
                0);
        StageReply said = live.said();
        assertThat(said.told().get(0).name()).isEqualTo("hide the courier");
        assertThat(said.comfort().flash()[3]).as("less flash").isBetween(0.01, 0.125);
        assertThat(said.comfort().paused()).isPositive();
        double now = 0;
        StageReply.Comfort last = null;
        for (StageReply next = said; next.comfort() != null; next = live.said()) {
            last = next.comfort();
            say("{'do':'tick'}", now += 0.05);
        }
        assertThat(last.flash()[3]).as("once more when all is over").isZero();
        assertThat(live.accounts("downed", 10)).hasSize(1);
        assertThat(live.accounts("landed", 10)).isEmpty();
        assertThat(live.accounts()).hasSize(1);
    }

    @Test
    void whatPlaysBendsToAChangeAndLastsOnlyIfItStillIsThere() {
        say(LANDING, 0);
        int before = live.seen().orElseThrow().getInt(PARTICLES);
        Project project = Demo.project();
        List<Effect> more = project.effects().stream()
                .map(e -> e.name().equals("straw puff") ? richer(e) : e)
                .toList();
        live.retune(project.withEffects(more), 0.05);
        assertThat(live.seen().orElseThrow().getInt(PARTICLES)).isGreaterThan(before + 150);
        live.retune(project.withRopes(List.of()), 0.1);
        assertThat(live.seen().orElseThrow().getInt(INSTANCES)).isZero();
        assertThat(live.said().still()).isTrue();
    }

    private static Effect richer(Effect effect) {
        String text = JsonText.pretty(Bundle.write(effect))
                .replaceFirst("\"least\" : 8,\\s+\"most\" : 11", "\"least\": 200, \"most\": 200");
        return Bundle.readEffect(JsonText.parse(text).value()).value().orElseThrow();
    }

    @Test
    void clearedItIsEmptyAtOnce() {
        say(LANDING, 0);
        live.seen();
        say("{'do':'clear'}", 0);
        assertThat(live.seen().orElseThrow().getInt(INSTANCES)).isZero();
        assertThat(live.said().still()).isTrue();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            {'do':'dance'}                                                           | do       | comfort, reset or clear
            {}                                                                       | do       | a text
            []                                                                       |          | an object that says what to do
            7                                                                        |          | an object that says what to do
            {'do':'publish','channel':'wind','value':'NaN'}                          | value    | a finite number
            {'do':'publish','channel':'wind'}                                        | value    | a finite number
            {'do':'publish','channel':'intnsity','value':1}                          | channel  | did you mean intensity?
            {'do':'move','subject':'kite','position':[1e300,0,0]}                    | position/0 | to
            {'do':'move','subject':'kite','position':[4,3,null]}                     | position | three finite numbers: x, y, z
            {'do':'move','subject':'','position':[0,0,0]}                            | subject  | a name
            {'do':'camera'}                                                          | position | three finite numbers: x, y, z
            {'do':'gone','subject':7}                                                | subject  | a text
            {'do':'comfort','lessShake':1,'lessFlash':true}                          | lessShake | true or false
            {'do':'pull','seed':1,'payload':{}}                                      | event    | a text
            {'do':'pull','event':'courier.landed','seed':'one','payload':{}}         | seed     | a finite number
            {'do':'pull','event':'courier.landed','seed':1,'payload':{'speed':null}} | /payload/speed | number
            """)
    void whatIsWrongIsRefusedWithItsPlaceAndTheStageGoesOn(String message, String place, String allowed) {
        say(LANDING, 0);
        assertThat(problem(() -> say(message, 0.1))).satisfies(p -> {
            assertThat(p.place()).isEqualTo(place == null ? "" : place);
            assertThat(p.allowed()).contains(allowed);
        });
        say(LANDING, 0.2);
        assertThat(live.said().accounts()).hasSize(2);
        assertThat(live.seen().orElseThrow().getInt(INSTANCES)).isEqualTo(2);
    }

    private static Problem problem(ThrowingCallable call) {
        Problem[] found = new Problem[1];
        assertThatThrownBy(call).satisfies(e -> {
            if (e instanceof Wrong wrong) {
                found[0] = wrong.problems().get(0);
            } else {
                Refused refused = (Refused) e;
                found[0] = new Problem(refused.place(), refused.given(), refused.allowed());
            }
        });
        return found[0];
    }
}
