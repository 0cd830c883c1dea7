package bellrope.core.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import bellrope.core.Sample;
import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import bellrope.core.contract.Difference;
import bellrope.core.contract.Difference.Kind;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Type;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.rope.Companion;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

class ContractTest {
    private static final Rope LANDS = Sample.rope("lands", 1, "courier.landed", "puff")
            .with(d -> d.companions = List.of(new Companion.Notice("thud", 0)));
    private static final Rope REEL = Sample.rope("reel", 2, "kite.reeling", "smoke");
    private static final Project GAME = Sample.game(LANDS, REEL);
    private static final Project OUT = GAME.handedOver("1", "the first");

    private static List<Difference> since(Project after) {
        return Difference.between(
                OUT.lastVersion().orElseThrow().contract(),
                after.contract(),
                after.settings().aliases());
    }

    private static Project withSpeed(Project p, Range range, String unit) {
        return p.withEvents(p.events().stream()
                .map(e -> e.withFields(e.fields().stream()
                        .map(f -> f.name().equals("speed") ? new Field.Number("speed", range, range.middle(), unit) : f)
                        .toList()))
                .toList());
    }

    private static Project withRate(Project p, Type type, Datum standard) {
        return p.withEffects(p.effects().stream()
                .map(e -> e.name().equals("smoke")
                        ? e.turned(
                                "rate",
                                x -> new Parameter("rate", type, standard, x.unit(), "", false, false, List.of()))
                        : e)
                .toList());
    }

    @Test
    void holdsWhatGameCodeNames() {
        Contract contract = GAME.contract();
        assertThat(contract.events()).extracting(EventType::name).contains("courier.landed", "weather");
        assertThat(contract.effect("smoke").orElseThrow().parameters())
                .extracting(Parameter::name)
                .containsExactly("rate");
        assertThat(contract.effect("smoke").orElseThrow().parameters().get(0).bindings())
                .isEmpty();
        assertThat(contract.notices()).containsExactly(new Contract.Notice("thud", List.of("lands"), List.of()));
    }

    private static Rope telling(String name, int seed, NoticeValue... values) {
        return Sample.rope(name, seed, "courier.landed", "smoke")
                .with(d -> d.companions = List.of(new Companion.Notice("thud", 0, List.of(values))));
    }

    private static NoticeValue constant(String name, Datum value) {
        return new NoticeValue(name, new Source.Constant(value));
    }

    @Test
    void aNoticeHasTheTypesOfWhatItCarries() {
        Contract contract = Sample.game(telling(
                        "lands",
                        1,
                        new NoticeValue("how fast", new Source.Payload("speed")),
                        new NoticeValue("on", new Source.Payload("surface")),
                        new NoticeValue("breeze", new Source.Channel("wind")),
                        new NoticeValue("reek", new Source.Parameter("rate")),
                        constant("tint", new Datum.Word("#C79A4B")),
                        constant("loud", new Datum.Flag(true))))
                .contract();
        Parameter rate =
                contract.effect("smoke").orElseThrow().parameter("rate").orElseThrow();
        assertThat(contract.notice("thud").orElseThrow().values())
                .extracting(Contract.Value::field, Contract.Value::always)
                .containsExactly(
                        tuple(new Field.Number("how fast", new Range(0, 14), 7, "u/s"), true),
                        tuple(Sample.landed().field("surface").orElseThrow().named("on"), true),
                        tuple(new Field.Number("breeze", new Range(0, 12), 2, "u/s"), true),
                        tuple(
                                new Field.Number(
                                        "reek",
                                        new Range(
                                                rate.type().least(), rate.type().most()),
                                        rate.type().position(rate.standard()),
                                        rate.unit()),
                                true),
                        tuple(new Field.Colour("tint"), true),
                        tuple(new Field.Flag("loud"), true));
    }

    @Test
    void whatSeveralRopesSendUnderOneNameIsOneType() {
        Contract.Notice both = Sample.game(
                        telling("a", 1, constant("kind", new Datum.Word("soft")), constant("n", new Datum.Num(2))),
                        telling("b", 2, constant("kind", new Datum.Word("hard"))))
                .contract()
                .notice("thud")
                .orElseThrow();
        assertThat(both.from()).containsExactly("a", "b");
        assertThat(both.values())
                .containsExactly(
                        new Contract.Value(new Field.Choice("kind", List.of("soft", "hard"), "with kind"), true),
                        new Contract.Value(new Field.Number("n", new Range(2, 2), 2, ""), false));
    }

    @Test
    void aValueWithoutASourceOrOfTwoTypesIsRefusedWithItsPlace() {
        assertThat(Consistency.problems(Sample.game(
                        telling(
                                "a",
                                1,
                                new NoticeValue("x", new Source.Payload("sped")),
                                new NoticeValue("y", new Source.Parameter("girth")),
                                new NoticeValue("z", new Source.Channel("gale")),
                                constant("kind", new Datum.Word("soft"))),
                        telling("b", 2, constant("kind", new Datum.Num(1))))))
                .extracting(Problem::place, Problem::given)
                .containsExactly(
                        tuple("/ropes/0/with/0/values/0/field", "\"sped\""),
                        tuple("/ropes/0/with/0/values/1/from", "\"girth\""),
                        tuple("/ropes/0/with/0/values/2/channel", "\"gale\""),
                        tuple("/ropes/1/with/0/values/0", "kind of notice \"thud\" as a number from 1 to 1"));
    }

    @Nested
    class ADifference {
        private List<Difference> carried(NoticeValue[] before, NoticeValue... after) {
            Project out = Sample.game(telling("a", 1, before)).handedOver("1", "");
            return Difference.between(
                    out.lastVersion().orElseThrow().contract(),
                    out.withRopes(List.of(telling("a", 1, after))).contract(),
                    List.of());
        }

        private NoticeValue[] values(NoticeValue... values) {
            return values;
        }

        @Test
        void ofWhatANoticeCarriesBreaksWhoeverReadsIt() {
            NoticeValue soft = constant("kind", new Datum.Word("soft"));
            NoticeValue hard = constant("kind", new Datum.Word("hard"));
            NoticeValue number = constant("kind", new Datum.Num(1));
            assertThat(carried(values(soft), soft)).isEmpty();
            assertThat(carried(values(soft)))
                    .extracting(Difference::kind, Difference::what, Difference::breaks)
                    .containsExactly(tuple(Kind.REMOVED, "notice thud, value kind", true));
            assertThat(carried(values(), soft))
                    .extracting(Difference::kind, Difference::what, Difference::breaks)
                    .containsExactly(tuple(Kind.ADDED, "notice thud, value kind", false));
            assertThat(carried(values(soft), hard))
                    .extracting(Difference::kind, Difference::what, Difference::breaks)
                    .containsExactly(
                            tuple(Kind.ADDED, "notice thud, value kind, option hard", true),
                            tuple(Kind.REMOVED, "notice thud, value kind, option soft", false));
            assertThat(carried(values(soft), number))
                    .extracting(Difference::kind, Difference::what, Difference::breaks)
                    .containsExactly(tuple(Kind.CHANGED, "notice thud, value kind, type", true));
        }

        @Test
        void ofWhoTellsANoticeBreaksWhatCountedOnAValue() {
            NoticeValue soft = constant("kind", new Datum.Word("soft"));
            Project out = Sample.game(telling("a", 1, soft)).handedOver("1", "");
            assertThat(Difference.between(
                            out.lastVersion().orElseThrow().contract(),
                            out.withRopes(List.of(telling("a", 1, soft), telling("b", 2)))
                                    .contract(),
                            List.of()))
                    .extracting(Difference::what, Difference::before, Difference::after, Difference::breaks)
                    .containsExactly(tuple("notice thud, value kind, sent", "always", "by some ropes", true));
        }

        @Test
        void isNotMadeByWhatCodeDoesNotSee() {
            assertThat(since(OUT.withRopes(List.of(LANDS.with(d -> d.feeds = List.of()), REEL))))
                    .isEmpty();
            assertThat(since(OUT)).isEmpty();
        }

        @Test
        void ofTheRangeBreaksNothingAndOfTheUnitDoes() {
            assertThat(since(withSpeed(OUT, new Range(0, 20), "u/s")))
                    .extracting(Difference::what, Difference::before, Difference::after, Difference::breaks)
                    .containsExactly(tuple("event courier.landed, field speed, range", "0 to 14", "0 to 20", false));
            assertThat(since(withSpeed(OUT, new Range(0, 14), "m/s")))
                    .extracting(Difference::what, Difference::breaks)
                    .containsExactly(tuple("event courier.landed, field speed, unit", true));
        }

        @Test
        void ofAFieldMoreBreaksWhoeverDoesNotSendIt() {
            List<Field> more = new ArrayList<>(Sample.landed().fields());
            more.add(new Field.Flag("wet"));
            Project after = OUT.withEvents(OUT.events().stream()
                    .map(e -> e.name().equals("courier.landed") ? e.withFields(more) : e)
                    .toList());
            assertThat(since(after))
                    .extracting(Difference::kind, Difference::what, Difference::breaks)
                    .containsExactly(tuple(Kind.ADDED, "event courier.landed, field wet", true));
            assertThat(new Stage(after).pull(Sample.landing(9, "thatch", 1)).refused())
                    .as("the stage says so too")
                    .isNotEmpty();
        }

        @Test
        void ofAnEventMoreBreaksNothingAndOfOneLessDoes() {
            assertThat(since(OUT.withEvents(OUT.events().subList(0, 3))))
                    .extracting(Difference::kind, Difference::what, Difference::breaks)
                    .containsExactly(tuple(Kind.REMOVED, "event weather", true));
            List<EventType> more = new ArrayList<>(OUT.events());
            more.add(new EventType("mill.stopped", "", 1, List.of()));
            assertThat(since(OUT.withEvents(more)))
                    .extracting(Difference::kind, Difference::breaks)
                    .containsExactly(tuple(Kind.ADDED, false));
        }

        @Test
        void ofAParameterIsToldByTypeBoundsAndDefault() {
            assertThat(since(withRate(OUT, new Type.Number(0.1, 2, 0), new Datum.Num(1))))
                    .extracting(Difference::what, Difference::breaks)
                    .containsExactly(tuple("effect smoke, parameter rate, takes", false));
            assertThat(since(withRate(OUT, new Type.Flag(), new Datum.Flag(true))))
                    .extracting(Difference::what, Difference::breaks)
                    .containsExactly(tuple("effect smoke, parameter rate, type", true));
        }

        @Test
        void ofANoticeLessBreaksWhoeverWaitsForIt() {
            assertThat(since(OUT.withRopes(List.of(REEL))))
                    .extracting(Difference::what, Difference::breaks)
                    .containsExactly(tuple("notice thud", true));
        }

        @Test
        void ofTheUnitOfAChannelBreaks() {
            assertThat(since(OUT.withChannels(List.of(new Channel("wind", "", new Range(0, 12), 2, "m/s")))))
                    .extracting(Difference::what, Difference::breaks)
                    .containsExactly(tuple("channel wind, unit", true));
        }
    }

    @Nested
    class ARename {
        private final Project renamed = Renames.event(OUT, "courier.landed", "courier.touched");

        @Test
        void leavesTheFormerNameForAVersion() {
            assertThat(renamed.settings().aliases())
                    .containsExactly(new Alias(Alias.Kind.EVENT, "", "courier.landed", "courier.touched", "1"));
            assertThat(since(renamed))
                    .extracting(Difference::kind, Difference::before, Difference::after, Difference::breaks)
                    .containsExactly(tuple(Kind.RENAMED, "courier.landed", "courier.touched", false));
            Project second = renamed.handedOver("2", "");
            assertThat(second.settings().aliases())
                    .as("code against version 1 still works")
                    .hasSize(1);
            assertThat(second.handedOver("3", "").settings().aliases()).isEmpty();
        }

        @Test
        void letsAStageTakeTheFormerNameAndSaySo() {
            Project all = Renames.channel(
                    Renames.parameter(
                            Renames.field(renamed, "courier.touched", "speed", "pace"), "smoke", "rate", "heat"),
                    "wind",
                    "gale");
            Stage stage = new Stage(all);
            Account account = stage.pull(Sample.landing(9, "thatch", 1));
            assertThat(account.refused()).isEmpty();
            assertThat(account.answered()).isEqualTo(1);
            assertThat(account.notes())
                    .contains(
                            "courier.landed is called courier.touched now; deprecated, the former name is accepted for this version",
                            "speed is called pace now; deprecated, the former name is accepted for this version");
            stage.publish("wind", 3);
            Account reeling = stage.pull(Sample.reels(Vec3.ZERO, 1));
            assertThat(stage.knob(reeling, "reel", "rate").parameter().name()).isEqualTo("heat");
        }

        @Test
        void onwardLetsTheFirstNameFollowAndBackAgainForgetsIt() {
            Project onward = Renames.event(renamed, "courier.touched", "courier.grounded");
            assertThat(onward.settings().aliases())
                    .containsExactly(new Alias(Alias.Kind.EVENT, "", "courier.landed", "courier.grounded", "1"));
            assertThat(Renames.event(onward, "courier.grounded", "courier.landed")
                            .settings()
                            .aliases())
                    .isEmpty();
        }

        @Test
        void ofWhatWasNeverHandedOverLeavesNothing() {
            assertThat(Renames.event(GAME, "courier.landed", "courier.touched")
                            .settings()
                            .aliases())
                    .isEmpty();
        }

        @Test
        void ofAnEventTakesTheFormerNamesOfItsFieldsAlong() {
            Project both = Renames.event(
                    Renames.field(OUT, "courier.landed", "speed", "pace"), "courier.landed", "courier.touched");
            Map<String, Datum> payload =
                    new HashMap<>(Sample.landing(9, "thatch", 1).payload());
            assertThat(new Stage(both)
                            .pull(new Pull("courier.landed", payload, 1))
                            .refused())
                    .isEmpty();
        }
    }
}
