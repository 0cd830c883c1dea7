package bellrope.core.event;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.Sample;
import bellrope.core.event.EventType.Shape;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EventTypeTest {
    @ParameterizedTest
    @CsvSource({
        "courier.landed,MOMENT,true",
        "weather,MOMENT,false",
        "weather,STATE,true",
        "Weather,STATE,false",
        "a.b.c,MOMENT,false",
        "kite.reeling,SPAN,true",
        "kite reeling,SPAN,false"
    })
    void onlyAStateMayBeNamedByItsSubjectAlone(String name, Shape shape, boolean right) {
        List<String> values = shape == Shape.STATE ? List.of("a", "b") : List.of();
        if (right) {
            EventType event = new EventType(name, shape, "", 1, List.of(), values, Optional.empty());
            assertThat(event.subject()).isEqualTo(name.split("\\.")[0]);
        } else {
            assertThatThrownBy(() -> new EventType(name, shape, "", 1, List.of(), values, Optional.empty()))
                    .hasMessageContaining("subject.verb, in small letters");
        }
    }

    @Test
    void aStateHasTwoValuesOrMoreAndNothingElseHasAny() {
        assertThatThrownBy(() -> EventType.state("weather", "", 1, List.of("clear")))
                .hasMessageContaining("two values or more, no two alike");
        assertThatThrownBy(() -> EventType.state("weather", "", 1, List.of("clear", "clear")))
                .hasMessageContaining("two values or more, no two alike");
        assertThatThrownBy(
                        () -> new EventType("a.b", Shape.SPAN, "", 1, List.of(), List.of("x", "y"), Optional.empty()))
                .hasMessageContaining("only a state has values");
    }

    @Test
    void aReasonIsAReasonAndVectorsOfOneMeaningComeOnce() {
        assertThatThrownBy(() -> new EventType("a.b", Shape.MOMENT, "", 1, List.of(), List.of(), Optional.of("  ")))
                .hasMessageContaining("a reason of 1 to 400 characters");
        Field one = new Field.Vector("one", Field.Meaning.EXTENT);
        Field two = new Field.Vector("two", Field.Meaning.EXTENT);
        assertThatThrownBy(() -> new EventType("a.b", "", 1, List.of(one, two)))
                .hasMessageContaining("at most one vector of each meaning");
        Field other = new Field.Vector("three", Field.Meaning.OTHER);
        Field another = new Field.Vector("four", Field.Meaning.OTHER);
        assertThat(new EventType("a.b", "", 1, List.of(other, another)).fieldNames())
                .containsExactly("three", "four");
    }

    @Test
    void eachShapeTakesItsOwnPhases() {
        Map<String, Datum> landing = Sample.landing(9, "stone", 1).payload();
        assertThat(Sample.landed().check(new Pull("courier.landed", landing, 1)))
                .isEmpty();
        assertThat(Sample.landed().check(Pull.begin("courier.landed", landing, 1)))
                .extracting(Problem::allowed)
                .containsExactly("moment: courier.landed happens at once and has no beginning, end or value");
        assertThat(Sample.reeling().check(Pull.end("kite.reeling")))
                .as("an end needs no payload")
                .isEmpty();
        assertThat(Sample.reeling().check(new Pull("kite.reeling", Map.of(), 1)))
                .extracting(Problem::place)
                .contains("/phase", "/position", "/force");
        assertThat(Sample.weather().check(Pull.set("weather", "clear", Map.of(), 1)))
                .isEmpty();
        assertThat(Sample.weather().check(Pull.set("weather", "sunny", Map.of(), 1)))
                .extracting(Problem::allowed)
                .containsExactly("one of clear, drizzle or downpour");
    }

    @Test
    void fieldsOfEveryTypeKnowTheirOwn() {
        assertThat(new Field.Flag("wet").accepts(new Datum.Flag(true))).isTrue();
        assertThat(new Field.Flag("wet").accepts(new Datum.Num(1))).isFalse();
        assertThat(new Field.Colour("dye").accepts(new Datum.Word("#C79A4B"))).isTrue();
        assertThat(new Field.Colour("dye").accepts(new Datum.Word("#C79A4B80"))).isTrue();
        assertThat(new Field.Colour("dye").accepts(new Datum.Word("ochre"))).isFalse();
        assertThat(new Datum.Flag(false).inWords()).isEqualTo("no");
    }

    @Test
    void aPullKeepsItsTagsAndPayloadToItself() {
        Pull pull = Sample.reels(Vec3.ZERO, 4)
                .of("red kite")
                .tagged(Set.of("torn", "new"))
                .moving(Vec3.UP);
        assertThat(pull.tags()).containsExactly("new", "torn");
        assertThatThrownBy(() -> pull.tags().add("old")).isInstanceOf(UnsupportedOperationException.class);
        assertThatThrownBy(() -> pull.payload().clear()).isInstanceOf(UnsupportedOperationException.class);
        assertThat(pull.seeded(9)).isEqualTo(pull.seeded(9)).isNotEqualTo(pull);
    }

    @Test
    void everyStrengthFillsEveryField() {
        EventType event = EventType.span(
                "gust.crossing",
                "",
                1,
                List.of(
                        new Field.Vector("extent", Field.Meaning.EXTENT),
                        new Field.Vector("heading", Field.Meaning.HEADING),
                        new Field.Flag("wet"),
                        new Field.Colour("dye"),
                        new Field.Text("note")));
        for (Strength strength : Strength.values()) {
            assertThat(event.check(strength.payload(event))).isEmpty();
        }
    }
}
