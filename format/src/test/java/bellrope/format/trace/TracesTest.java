package bellrope.format.trace;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.score.Arrival;
import bellrope.core.score.Channelled;
import bellrope.core.score.Writing;
import bellrope.core.score.Written;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import io.cloudevents.core.provider.EventFormatProvider;
import io.cloudevents.jackson.JsonFormat;
import java.io.IOException;
import java.io.Reader;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TracesTest {
    private static final Project DEMO = Demo.project();
    private static final Written RUN = run();

    private static Written run() {
        Written demo = Writing.of(DEMO.scores().get(0), DEMO.events(), 0);
        List<Channelled.Point> wind =
                List.of(new Channelled.Point(0, 4), new Channelled.Point(20, 4), new Channelled.Point(30, 12.25));
        return new Written(
                demo.seconds(),
                demo.arrivals(),
                List.of(new Written.Gone(12.5, "gust-1"), new Written.Gone(40, "gust, \"the second\"")),
                List.of(new Channelled("wind", wind)));
    }

    private static String json(Written written) {
        return TraceWriter.json(written, "/windrow-post").stream()
                .map(JsonText::line)
                .collect(Collectors.joining());
    }

    private static Trace table(String text) throws IOException {
        return Trace.read(new StringReader(text), true, DEMO);
    }

    private static List<String> said(Written written) {
        return written.arrivals().stream().map(a -> a.at() + " " + a.pull()).toList();
    }

    private static void same(Trace trace) {
        assertThat(trace.problems()).isEmpty();
        assertThat(said(trace.written())).containsExactlyElementsOf(said(RUN)).hasSizeGreaterThan(200);
        assertThat(trace.written().gone()).isEqualTo(RUN.gone()).isNotEmpty();
        assertThat(trace.written().channels()).isEqualTo(RUN.channels()).isNotEmpty();
    }

    @Test
    void aScoreComesBackFromLinesOfJsonAsItWas() throws IOException {
        same(Trace.read(new StringReader(json(RUN)), false, DEMO));
    }

    @Test
    void aScoreComesBackFromATableAsItWas() throws IOException {
        same(table(TraceWriter.csv(RUN, DEMO, v -> Double.toString(v))));
    }

    @Test
    void fieldsThatHaveTheNamesOfOtherColumnsComeBackToo() throws IOException {
        EventType odd = new EventType(
                "thing.happened",
                "",
                3,
                List.of(
                        new Field.Number("value", new Range(0, 9), 1, ""),
                        new Field.Text("id"),
                        new Field.Text("data.id"),
                        new Field.Vector("velocity", Field.Meaning.VELOCITY)));
        Project project = DEMO.withEvents(List.of(odd));
        Pull pull = new Pull(
                "thing.happened",
                Map.of(
                        "value", new Datum.Num(2.5),
                        "id", new Datum.Word("7, \"eight\""),
                        "data.id", new Datum.Word("nine"),
                        "velocity", new Datum.Vec(new Vec3(1, 2, 3))),
                new Vec3(4, 5, 6),
                11);
        Written written = new Written(2, List.of(new Arrival(1.5, 0, 0, pull)), List.of(), List.of());
        String text = TraceWriter.csv(written, project, v -> Double.toString(v));
        Trace trace = Trace.read(new StringReader(text), true, project);
        assertThat(trace.problems()).isEmpty();
        assertThat(trace.written().arrivals().get(0).pull()).isEqualTo(pull);
    }

    /** Source: the CloudEvents library reads every line. */
    @Test
    void everyLineIsACloudEvent() {
        JsonFormat format = (JsonFormat) EventFormatProvider.getInstance().resolveFormat(JsonFormat.CONTENT_TYPE);
        for (String line : json(RUN).split("\n")) {
            assertThat(format.deserialize(line.getBytes(StandardCharsets.UTF_8)).getSource())
                    .hasToString("/windrow-post");
        }
    }

    /** Source: Apache Commons CSV, its format of RFC 4180, reads the same fields. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void readsWhatACsvLibraryReads(long seed) throws IOException {
        Random random = new Random(seed);
        String[] parts = {"a", "12", ",", "\"", "\n", "\r\n", " ", "é", ""};
        List<List<String>> rows = new ArrayList<>();
        for (int r = 0; r < 200; r++) {
            List<String> row = new ArrayList<>();
            for (int c = 0; c < 1 + random.nextInt(5); c++) {
                StringBuilder cell = new StringBuilder("x");
                for (int i = random.nextInt(6); i > 0; i--) {
                    cell.append(parts[random.nextInt(parts.length)]);
                }
                row.add(cell.toString());
            }
            rows.add(row);
        }
        StringBuilder text = new StringBuilder();
        try (var printer = CSVFormat.RFC4180.print(text)) {
            printer.printRecords(rows);
        }
        List<List<String>> theirs = new ArrayList<>();
        for (CSVRecord record : CSVFormat.RFC4180.parse(new StringReader(text.toString()))) {
            theirs.add(record.toList());
        }
        CsvRecords records = new CsvRecords();
        List<CsvRecords.Row> ours = new ArrayList<>();
        for (int at = 0; at < text.length(); ) {
            int next = Math.min(text.length(), at + 1 + random.nextInt(9));
            ours.addAll(records.take(text.substring(at, next)));
            at = next;
        }
        ours.addAll(records.end());
        assertThat(ours.stream().map(CsvRecords.Row::fields).toList())
                .isEqualTo(theirs)
                .isEqualTo(rows);
    }

    /** Source: the times of the Java library. */
    @Test
    void readsTimesAsTheLibraryDoes() {
        Random random = new Random(4);
        for (int i = 0; i < 5_000; i++) {
            OffsetDateTime time = OffsetDateTime.ofInstant(
                    java.time.Instant.ofEpochSecond(
                            random.nextLong(-8_000_000_000L, 7_000_000_000L), random.nextInt(1_000_000_000)),
                    ZoneOffset.ofTotalSeconds(60 * random.nextInt(-720, 840)));
            long nanos = Math.addExact(Math.multiplyExact(time.toEpochSecond(), 1_000_000_000L), time.getNano());
            String text = time.toString();
            // The library leaves out seconds that are nought.
            if (text.matches(".*T\\d\\d:\\d\\d[Z+-].*")) {
                text = text.replaceFirst("(T\\d\\d:\\d\\d)", "$1:00");
            }
            assertThat(Instant.nanos(text)).as(text).hasValue(nanos);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "2026",
                "2026-05-04",
                "2026-02-29T10:00:00Z",
                "2026-05-04T24:00:00Z",
                "2026-05-04T10:00:00",
                "2026-05-04T10:00:00.Z",
                "2026-05-04T10:00:00Zz",
                "2026-13-04T10:00:00Z",
                "2026-05-04T10:00:00+25:00",
                "9999-05-04T10:00:00Z"
            })
    void whatIsNoTimeIsNone(String text) {
        assertThat(Instant.nanos(text)).isEmpty();
    }

    private static final String TITLE =
            "time,event,position.x,position.y,position.z,normal.x,normal.y,normal.z,speed,surface\n";
    private static final String GOOD = "1,courier.landed,0,0,0,0,1,0,9,stone\n";

    @Test
    void aTableIsReadWithTheTypesOfItsFields() throws IOException {
        Trace trace = table("\uFEFF" + TITLE + GOOD + "2026-05-04T10:00:00Z,courier.landed,0,0,0,0,1,0,3,peat\n");
        // A time of the day begins at nought, which is before the line above.
        assertThat(trace.problems()).extracting(Object::toString).allMatch(p -> p.startsWith("/line 3/time: 0 s"));
        assertThat(trace.written().arrivals()).extracting(Arrival::at).containsExactly(1.0);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "2,courier.landed,0,0,0,0,1,0,fast,stone|/line 3/speed: fast: a number from 0 to 14 u/s",
                "2,courier.landed,0,0,0,0,1,0,9,mud|/line 3/surface: mud: thatch, stone, peat or water",
                "2,courier.landed,0,x,0,0,1,0,9,stone|/line 3/position: a list of 3: a number, a text, true or false, or three numbers",
                "2,courier.landed,0,0,0,0,1,0,9|/line 3: 9 cells: 10, as there are columns",
                "2,courier.lands,0,0,0,0,1,0,9,stone|/line 3/event: \"courier.lands\": the name of a known event; did you mean courier.landed?",
                "2,,0,0,0,0,1,0,9,stone|/line 3/event: missing: the name of a known event",
                "0.5,courier.landed,0,0,0,0,1,0,9,stone|/line 3/time: 0.5 s after the beginning: no earlier than line 2, at 1 s",
                "-1,courier.landed,0,0,0,0,1,0,9,stone|/line 3/time: \"-1\": seconds from the beginning, 0 or more",
                "noon,courier.landed,0,0,0,0,1,0,9,stone|/line 3/time: \"noon\": a time as in RFC 3339",
                "2,channel.wnd,,,,,,,,|/line 3/event: \"wnd\": the name of a known channel; did you mean wind?",
                "2,courier.la\"nded,0,0,0,0,1,0,9,stone|/line 3: a quote amid a field: CSV as in RFC 4180"
            })
    void aWrongRowIsRefusedAndTheOthersStay(String row, String message) throws IOException {
        Trace trace = table(TITLE + GOOD + row + "\n" + GOOD.replace("1,c", "3,c"));
        assertThat(trace.problems())
                .extracting(Object::toString)
                .first()
                .asString()
                .startsWith(message);
        assertThat(trace.written().arrivals()).extracting(Arrival::at).containsExactly(1.0, 3.0);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "event,speed|/line 1: no column time",
                "time,event,time|/line 1: \"time\" twice",
                "time,event,|/line 1: a column without a name"
            })
    void aTableWithoutItsColumnsIsRefused(String title, String message) throws IOException {
        Trace trace = table(title + "\n" + GOOD);
        assertThat(trace.problems())
                .extracting(Object::toString)
                .first()
                .asString()
                .startsWith(message);
        assertThat(trace.written().arrivals()).isEmpty();
    }

    /** Lines that are read one after the other are not kept: far more than the memory of the test could hold go through. */
    @Test
    void aTraceOfAnyLengthIsReadInAStream() throws IOException {
        long most = 500L << 20;
        String line = GOOD.replace("1,c", "1,c");
        long[] told = {0};
        TraceListener counting = new TraceListener() {
            @Override
            public void pull(double at, bellrope.core.event.Pull pull) {
                told[0]++;
            }
        };
        long lines = Boolean.getBoolean("bellrope.long") ? most / line.length() : 200_000;
        TraceReader reader = Trace.hear(new Repeated(TITLE, line, lines), true, DEMO, counting);
        assertThat(reader.problems()).isEmpty();
        assertThat(told[0]).isEqualTo(lines).isEqualTo(reader.sound());
    }

    // A text, then another so many times.
    private static final class Repeated extends Reader {
        private final String line;
        private String now;
        private int at;
        private long left;

        private Repeated(String first, String line, long times) {
            this.now = first;
            this.line = line;
            this.left = times;
        }

        @Override
        public int read(char[] to, int off, int len) {
            if (at == now.length()) {
                if (left-- == 0) {
                    return -1;
                }
                now = line;
                at = 0;
            }
            int count = Math.min(len, now.length() - at);
            now.getChars(at, at + count, to, off);
            at += count;
            return count;
        }

        @Override
        public void close() {}
    }

    @Test
    void aLineThatIsTooLongIsGivenUpAndTheNextIsRead() throws IOException {
        String long_ = "{\"a\":\"" + "x".repeat(CsvRecords.LONGEST) + "\"}\n";
        Trace trace = Trace.read(new StringReader(long_ + "[]\n" + long_), false, DEMO);
        assertThat(trace.problems())
                .extracting(Object::toString)
                .satisfiesExactly(
                        a -> assertThat(a).startsWith("/line 1: longer than"),
                        b -> assertThat(b).startsWith("/line 2: a list of 0: a CloudEvents"),
                        c -> assertThat(c).startsWith("/line 3: longer than"));
        Trace table = table(TITLE + "\"" + "x".repeat(CsvRecords.LONGEST + 9) + "\"\n" + GOOD + "\"1,c");
        assertThat(table.problems())
                .extracting(Object::toString)
                .satisfiesExactly(
                        a -> assertThat(a).startsWith("/line 2: longer than"),
                        b -> assertThat(b).startsWith("/line 4: a quote that does not end"));
        assertThat(table.written().arrivals()).hasSize(1);
    }
}
