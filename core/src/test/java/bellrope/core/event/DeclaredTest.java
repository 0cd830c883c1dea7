package bellrope.core.event;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.Field.Meaning;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DeclaredTest {
    private static Pull pull(String event, Pull.Phase phase, String value, Map<String, Datum> payload) {
        return new Pull(event, phase, "", Set.of(), Optional.ofNullable(value), payload, Vec3.ZERO, 1);
    }

    @Test
    void everyValueThatCameHasAField() {
        Map<String, Datum> payload = new LinkedHashMap<>();
        payload.put("position", new Datum.Vec(Vec3.UP));
        payload.put("startPosition", new Datum.Vec(Vec3.UP));
        payload.put("surface_normal", new Datum.Vec(Vec3.UP));
        payload.put("supper", new Datum.Vec(Vec3.UP));
        payload.put("half extent", new Datum.Vec(Vec3.UP));
        payload.put("wet", new Datum.Flag(true));
        payload.put("note", new Datum.Word("frayed"));
        payload.put("tension", new Datum.Num(37));
        Pull snapped = pull("line.snapped", Pull.Phase.MOMENT, null, payload);
        EventType declared = Declared.from(snapped).orElseThrow();
        assertThat(declared.fields())
                .containsExactly(
                        new Field.Vector("position", Meaning.POSITION),
                        // Only one vector can say where.
                        new Field.Vector("startPosition", Meaning.OTHER),
                        new Field.Vector("surface_normal", Meaning.NORMAL),
                        new Field.Vector("supper", Meaning.OTHER),
                        new Field.Vector("half extent", Meaning.EXTENT),
                        new Field.Flag("wet"),
                        new Field.Text("note"),
                        new Field.Number("tension", new Range(0, 50), 37, ""));
        assertThat(declared.check(snapped)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "37, 0, 50",
        "12, 0, 20",
        "50, 0, 50",
        "51, 0, 100",
        "1, 0, 1",
        "0, 0, 1",
        "0.03, 0, 0.05",
        "-0.4, -0.5, 0.5",
        "9000000, 0, 10000000"
    })
    void aRangeHoldsWhatCameToARoundEnd(double value, double least, double most) {
        Pull pull = pull("a.b", Pull.Phase.MOMENT, null, Map.of("x", new Datum.Num(value)));
        Field.Number number =
                (Field.Number) Declared.from(pull).orElseThrow().fields().get(0);
        assertThat(number.range()).isEqualTo(new Range(least, most));
        assertThat(number.usual()).isEqualTo(value);
    }

    @Test
    void spansAndStatesAreToldByHowTheyCame() {
        assertThat(Declared.from(pull("a.b", Pull.Phase.BEGIN, null, Map.of()))
                        .orElseThrow()
                        .shape())
                .isEqualTo(EventType.Shape.SPAN);
        EventType state =
                Declared.from(pull("tide", Pull.Phase.SET, "high", Map.of())).orElseThrow();
        assertThat(state.shape()).isEqualTo(EventType.Shape.STATE);
        assertThat(state.values()).isEqualTo(List.of("none", "high"));
        assertThat(Declared.from(pull("tide", Pull.Phase.SET, "none", Map.of()))
                        .orElseThrow()
                        .values())
                .isEqualTo(List.of("other", "none"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"Courier.Landed", "landed", "courier landed", "a.b.c", ""})
    void aNameThatNoEventCanHaveDeclaresNothing(String name) {
        assertThat(Declared.from(pull(name, Pull.Phase.MOMENT, null, Map.of()))).isEmpty();
    }
}
