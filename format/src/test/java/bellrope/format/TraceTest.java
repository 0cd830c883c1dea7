package bellrope.format;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.project.Project;
import bellrope.core.score.Arrival;
import bellrope.core.value.Problem;
import bellrope.format.json.Demo;
import bellrope.format.trace.Trace;
import bellrope.format.trace.TraceReader;
import io.cloudevents.CloudEvent;
import io.cloudevents.core.builder.CloudEventBuilder;
import io.cloudevents.jackson.JsonFormat;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TraceTest {
    private static final String DATA = "{\"position\":[4,0,0],\"normal\":[0,1,0],\"speed\":9,\"surface\":\"stone\"}";

    // Written by the CloudEvents SDK, 1.0 JSON format.
    private static String line(String id, String time, String type, String data) {
        CloudEvent event = CloudEventBuilder.v1()
                .withId(id)
                .withSource(URI.create("/windrow-post"))
                .withType(type)
                .withTime(OffsetDateTime.parse(time))
                .withData("application/json", data.getBytes(StandardCharsets.UTF_8))
                .build();
        return new String(new JsonFormat().serialize(event), StandardCharsets.UTF_8);
    }

    private static List<Arrival> pulls(Trace trace) {
        return trace.written().arrivals();
    }

    @Test
    void readsWhatTheCloudEventsLibraryWrites() {
        String text = line("a", "2026-05-04T12:00:01+02:00", "courier.landed", DATA) + "\n\n"
                + line("b", "2026-05-04T10:00:01.250Z", "courier.landed", DATA) + "\n";
        Trace trace = Trace.read(text, Demo.project());
        assertThat(trace.problems()).isEmpty();
        assertThat(pulls(trace)).extracting(Arrival::at).containsExactly(0.0, 0.25);
        assertThat(pulls(trace).get(0).pull().seed())
                .isNotEqualTo(pulls(trace).get(1).pull().seed());
        assertThat(pulls(trace).get(0).pull().seed()).isEqualTo(TraceReader.seed("/windrow-post", "a"));
    }

    @Test
    void aSeedDependsOnTheEventAloneAndFitsAnyJsonReader() {
        assertThat(TraceReader.seed("a", "bc")).isNotEqualTo(TraceReader.seed("ab", "c"));
        assertThat(TraceReader.seed("x", "y")).isBetween(0L, (1L << 53) - 1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"speed\":9|\"speed\":\"fast\"|/line 2/data/speed: fast: a number from 0 to 14 u/s",
                "\"speed\":9|\"speeed\":9|/line 2/data/speeed: unknown field: one of position, normal, speed or surface; did you mean speed?",
                "\"speed\":9,|''|/line 2/data/speed: missing: a number from 0 to 14 u/s",
                "stone|mud|/line 2/data/surface: mud: thatch, stone, peat or water",
                "courier.landed|courier.lands|/line 2/type: \"courier.lands\": the name of a known event; did you mean courier.landed?",
                "[4,0,0]|[4,0]|/line 2/data/position: a list of 2: a number, a text, true or false, or three numbers",
                "1.0|0.3|/line 2/specversion: 0.3: 1.0",
                "\"id\":\"a\"|\"id\":7|/line 2/id: 7: a text",
                "{\"specversion|\"specversion|/line 2: not JSON"
            })
    void aWrongLineIsRefusedAndTheOthersStay(String find, String replace, String message) {
        String good = line("a", "2026-05-04T10:00:00Z", "courier.landed", DATA);
        Trace trace = Trace.read(good + "\n" + good.replace(find, replace) + "\n" + good, Demo.project());
        assertThat(pulls(trace)).hasSize(2);
        List<String> all = trace.problems().stream().map(Problem::toString).toList();
        assertThat(all).anyMatch(p -> p.startsWith(message));
    }

    private static String line(String type, String more, String data) {
        return "{\"specversion\":\"1.0\",\"id\":\"1\",\"source\":\"/s\",\"type\":\"" + type
                + "\",\"time\":\"2026-05-04T10:00:00Z\"" + more + (data == null ? "" : ",\"data\":" + data) + "}";
    }

    @Test
    void spansAndStatesAreLinesToo() {
        Project demo = bellrope.format.json.Demo.project();
        String reels = "{\"position\":[0,0,0],\"heading\":[1,0,0]}";
        Trace trace = Trace.read(
                String.join(
                        "\n",
                        line(
                                "kite.reeling",
                                ",\"phase\":\"begin\",\"subject\":\"red kite\",\"tags\":\"torn, new\"",
                                reels),
                        line("kite.reeling", ",\"phase\":\"end\",\"subject\":\"red kite\"", null),
                        line("weather", ",\"value\":\"snow\"", "{}")),
                demo);
        assertThat(trace.problems()).isEmpty();
        assertThat(pulls(trace)).hasSize(3);
        assertThat(pulls(trace).get(0).pull().tags()).containsExactly("new", "torn");
        assertThat(pulls(trace).get(1).pull().subject()).isEqualTo("red kite");
        assertThat(pulls(trace).get(2).pull().value()).contains("snow");
    }

    @Test
    void whatDoesNotFitTheShapeIsRefusedWithItsPlace() {
        Project demo = bellrope.format.json.Demo.project();
        assertThat(Trace.read(line("kite.reeling", "", "{\"position\":[0,0,0],\"heading\":[1,0,0]}"), demo)
                        .problems())
                .extracting(Object::toString)
                .containsExactly("/line 1/phase: moment: begin or end: kite.reeling is a span");
        assertThat(Trace.read(line("weather", ",\"value\":\"snwo\"", "{}"), demo)
                        .problems()
                        .toString())
                .contains("/line 1/value")
                .contains("did you mean snow?");
        assertThat(Trace.read(line("weather", ",\"phase\":\"often\"", "{}"), demo)
                        .problems()
                        .toString())
                .contains("moment, begin, end or set");
    }
}
