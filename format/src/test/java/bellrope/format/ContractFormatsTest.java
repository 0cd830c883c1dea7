package bellrope.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Type;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.project.Project;
import bellrope.core.project.Renames;
import bellrope.core.rope.Companion;
import bellrope.core.rope.Facing;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.rope.When;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.format.code.Language;
import bellrope.format.contract.AsyncApi;
import bellrope.format.contract.ContractSchema;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.StringWriter;
import java.lang.reflect.Proxy;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ContractFormatsTest {
    private static final Project WINDROW = Demo.project();
    private static final Project RENAMED = Renames.parameter(
            Renames.event(WINDROW.handedOver("1", ""), "courier.landed", "courier.touched"),
            "water crown",
            "muddy",
            "boggy");

    /** Everything that could break out of a comment, a string or an identifier. */
    private static Project nasty() {
        String evil = "ends */ here /* and \\u002a/ there \"quoted\" \\ <b>&amp; ??/\nsecond line\u2028third ž 🐦";
        EventType event = new EventType(
                "new.class",
                EventType.Shape.MOMENT,
                evil,
                2,
                List.of(
                        new Field.Number("return", new Range(0, 1), 0.5, "\"u\""),
                        new Field.Number("Return", new Range(0, 1), 0.5, ""),
                        new Field.Choice("switch", List.of("a\"b", "a b", "a-b", "ž", "1", "true"), "on"),
                        new Field.Flag("日本"),
                        new Field.Text("wind_speed"),
                        new Field.Vector("wind speed", Field.Meaning.OTHER)),
                List.of(),
                java.util.Optional.empty());
        EventType same = new EventType(
                "new-cl.ass", EventType.Shape.SPAN, "", 1, List.of(), List.of(), java.util.Optional.empty());
        EventType state = EventType.state("events", "", 1, List.of("on", "null", "default"));
        Parameter p = new Parameter(
                "operator",
                new Type.Choice(List.of("int", "float")),
                new Datum.Word("int"),
                "",
                evil,
                false,
                false,
                List.of());
        Rope telling = WINDROW.ropes().get(0).with(d -> {
            d.when = new When("new.class", java.util.Optional.empty(), When.Match.ALL, List.of());
            d.play = java.util.Optional.empty();
            d.feeds = List.of();
            d.pointing = Pointing.of(Facing.UP);
            d.companions = List.of(new Companion.Notice(
                    "void * \"x\"",
                    0,
                    Stream.of("return", "switch", "日本", "wind_speed", "wind speed")
                            .map(field -> new NoticeValue(field, new Source.Payload(field)))
                            .toList()));
        });
        Project plain = WINDROW.withEvents(List.of(event, same, state))
                .withRopes(List.of(telling))
                .withChannels(List.of(new Channel("1st \"gale\"", evil, new Range(0, 1), 0, "")))
                .withEffects(List.of(WINDROW.effects().get(0).withParameters(List.of(p))));
        return new Project(
                "Events",
                plain.settings(),
                plain.sprites(),
                plain.events(),
                plain.effects(),
                plain.ropes(),
                plain.channels(),
                plain.places());
    }

    static Stream<Arguments> projects() {
        return Stream.of(
                Arguments.of("Windrow Post", WINDROW),
                Arguments.of("with former names", RENAMED),
                Arguments.of("with names that break out", nasty()),
                Arguments.of(
                        "with nothing",
                        WINDROW.withRopes(List.of())
                                .withEffects(List.of())
                                .withEvents(List.of())
                                .withChannels(List.of())));
    }

    private static String code(Language language, Project p) {
        return language.code(p.name(), p.contract(), p.settings().aliases(), "2");
    }

    // AsyncAPI 3.0.0, by its own published JSON Schema, read by networknt's validator.
    @ParameterizedTest(name = "{0}")
    @MethodSource("projects")
    void isAnAsyncApiDocument(String name, Project p) throws IOException {
        String document = AsyncApi.of(p.name(), p.contract(), "2");
        String schema = new String(
                ContractFormatsTest.class
                        .getResourceAsStream("/asyncapi-3.0.0.schema.json")
                        .readAllBytes(),
                java.nio.charset.StandardCharsets.UTF_8);
        assertThat(SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_7)
                        .getSchema(schema)
                        .validate(document, InputFormat.JSON))
                .isEmpty();
    }

    @Test
    void theValidatorOfAsyncApiDoesRefuse() throws IOException {
        String wrong = AsyncApi.of("x", WINDROW.contract(), "2").replace("\"receive\"", "\"hear\"");
        String schema = new String(
                ContractFormatsTest.class
                        .getResourceAsStream("/asyncapi-3.0.0.schema.json")
                        .readAllBytes(),
                java.nio.charset.StandardCharsets.UTF_8);
        assertThat(SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_7)
                        .getSchema(schema)
                        .validate(wrong, InputFormat.JSON))
                .isNotEmpty();
    }

    @Nested
    class TheSchema {
        // JSON Schema 2020-12, by its own meta-schema.
        @ParameterizedTest(name = "{0}")
        @MethodSource("bellrope.format.ContractFormatsTest#projects")
        void isOne(String name, Project p) {
            assertThat(SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                            .getSchema(SchemaLocation.of("https://json-schema.org/draft/2020-12/schema"))
                            .validate(ContractSchema.of(p.name(), p.contract(), "2"), InputFormat.JSON))
                    .isEmpty();
        }

        @Test
        void takesWhatTheStageTakesAndRefusesWhatItRefuses() {
            String schema = ContractSchema.of("x", WINDROW.contract(), "2")
                    .replaceFirst("\\{", "{\"\\$ref\": \"#/\\$defs/event.courier.landed\",");
            var landed = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(schema);
            String sound = "{\"position\":[0,0,0],\"normal\":[0,1,0],\"speed\":40,\"surface\":\"peat\"}";
            assertThat(landed.validate(sound, InputFormat.JSON)).isEmpty();
            assertThat(landed.validate(sound.replace("peat", "glass"), InputFormat.JSON))
                    .isNotEmpty();
            assertThat(landed.validate(sound.replace("\"speed\":40,", ""), InputFormat.JSON))
                    .isNotEmpty();
            assertThat(landed.validate(sound.replace("[0,1,0]", "[0,1]"), InputFormat.JSON))
                    .isNotEmpty();
        }
    }

    // Values of notices in the schema, by networknt's validator.
    @Test
    void aNoticeHasASchemaOfItsOwn() {
        String schema = ContractSchema.of("x", WINDROW.contract(), "2")
                .replaceFirst("\\{", "{\"\\$ref\": \"#/\\$defs/notice.hide_the_courier\",");
        var notice = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(schema);
        String sound = "{\"where\":[0,0,0],\"cause\":\"hail\"}";
        assertThat(notice.validate(sound, InputFormat.JSON)).isEmpty();
        assertThat(notice.validate(sound.replace("hail", "frost"), InputFormat.JSON))
                .isNotEmpty();
        assertThat(notice.validate("{}", InputFormat.JSON)).isNotEmpty();
    }

    @Nested
    class TheCode {
        @TempDir
        Path folder;

        @ParameterizedTest(name = "{0}")
        @MethodSource("bellrope.format.ContractFormatsTest#projects")
        void compilesAsJava(String name, Project p) throws IOException {
            assertThat(compiled(p)).isEmpty();
        }

        private String compiled(Project p) throws IOException {
            Path file = folder.resolve(Language.JAVA.file(p.name()));
            Files.writeString(file, code(Language.JAVA, p));
            JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
            StringWriter said = new StringWriter();
            try (StandardJavaFileManager files = compiler.getStandardFileManager(null, null, null)) {
                compiler.getTask(
                                said,
                                files,
                                null,
                                List.of("--release", "17", "-encoding", "UTF-8", "-Xlint:all", "-d", folder.toString()),
                                null,
                                files.getJavaFileObjects(file))
                        .call();
            }
            return said.toString();
        }

        @Test
        void callsWithTheNamesAndWordsOfTheContract() throws Exception {
            assertThat(compiled(RENAMED)).isEmpty();
            List<String> heard = new ArrayList<>();
            try (URLClassLoader loader =
                    new URLClassLoader(new URL[] {folder.toUri().toURL()}, null)) {
                Class<?> post = loader.loadClass("WindrowPost");
                Class<?> bellType = loader.loadClass("WindrowPost$Bell");
                Object bell = Proxy.newProxyInstance(loader, new Class<?>[] {bellType}, (proxy, method, arguments) -> {
                    heard.add(method.getName() + Arrays.deepToString(arguments));
                    return null;
                });
                Class<?> surface = loader.loadClass("WindrowPost$CourierTouchedSurface");
                Class<?> vec = loader.loadClass("WindrowPost$Vec");
                Object up = vec.getConstructor(double.class, double.class, double.class)
                        .newInstance(0, 1, 0);
                Object stone = surface.getField("STONE").get(null);
                for (String name : List.of("courierTouched", "courierLanded")) {
                    post.getMethod(name, bellType, String.class, vec, vec, double.class, surface)
                            .invoke(null, bell, "ann", up, up, 9.0, stone);
                }
                post.getMethod("publishWind", bellType, double.class).invoke(null, bell, 4.0);
                loader.loadClass("WindrowPost$StrawPuffEffect")
                        .getMethod("setSize", bellType, long.class, double.class)
                        .invoke(null, bell, 7L, 1.5);
            }
            assertThat(heard.get(0))
                    .startsWith("pull[courier.touched, moment, ann, null, {position=")
                    .contains("surface=stone");
            assertThat(heard.get(1))
                    .as("the former name does the same")
                    .startsWith("pull[courier.touched, moment, ann");
            assertThat(heard.subList(2, 4)).containsExactly("publish[wind, 4.0]", "set[7, size, 1.5]");
        }

        @Test
        void readsWhatANoticeCarries() throws Exception {
            assertThat(compiled(WINDROW)).isEmpty();
            try (URLClassLoader loader =
                    new URLClassLoader(new URL[] {folder.toUri().toURL()}, null)) {
                Class<?> notice = loader.loadClass("WindrowPost$HideTheCourierNotice");
                Map<String, Object> values = Map.of("where", new double[] {1, 2, 3}, "cause", "crow");
                assertThat(notice.getMethod("where", Map.class).invoke(null, values))
                        .hasToString("Vec[x=1.0, y=2.0, z=3.0]");
                assertThat(notice.getMethod("cause", Map.class).invoke(null, values))
                        .hasToString("CROW");
                assertThat(notice.getMethod("cause", Map.class).invoke(null, Map.of()))
                        .isNull();
            }
        }

        @ParameterizedTest(name = "{0}")
        @MethodSource("bellrope.format.ContractFormatsTest#projects")
        void compilesAsCpp(String name, Project p) throws Exception {
            assumeTrue(
                    Stream.of(System.getenv("PATH").split(":")).anyMatch(d -> Files.isExecutable(Path.of(d, "g++"))),
                    "a C++ compiler is at hand");
            Path header = folder.resolve(Language.CPP.file(p.name()));
            Files.writeString(header, code(Language.CPP, p));
            Path main = folder.resolve("main.cpp");
            Files.writeString(main, "#include \"" + header.getFileName() + "\"\nint main() { return 0; }\n");
            Process process = new ProcessBuilder(
                            "g++", "-std=c++17", "-Wall", "-Wextra", "-Werror", "-fsyntax-only", main.toString())
                    .redirectErrorStream(true)
                    .start();
            String said = new String(process.getInputStream().readAllBytes());
            assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
            assertThat(said).isEmpty();
            assertThat(process.exitValue()).isZero();
        }

        /** Windrow Post is built with its calls, so that it is compiled with what Handoff gives. */
        @Test
        void isWhatTheGameThatPlaysItselfCalls() throws IOException {
            assertThat(Files.readString(Path.of("../web/src/standin/WindrowPost.ts")))
                    .isEqualTo(Language.TYPESCRIPT.code(
                            Demo.project().name(), Demo.project().contract(), List.of(), "not handed over yet"));
        }

        @ParameterizedTest
        @org.junit.jupiter.params.provider.EnumSource(Language.class)
        void saysWhatIsCalledOtherwiseNow(Language language) {
            String text = code(language, RENAMED);
            assertThat(text).contains("called courier.touched now").contains("called boggy now");
            assertThat(text).contains("How big the whole answer is");
            assertThat(code(language, WINDROW)).doesNotContain(" now\")").doesNotContain("eprecated(");
        }
    }

    @Test
    void aVersionComesBackAsItWent() {
        Project out = RENAMED.handedOver("2", "with other words");
        String text = Bundle.write(out);
        assertThat(Bundle.read(JsonText.parse(text).node()).value()).contains(out);
        assertThat(out.settings().aliases())
                .extracting(Alias::kind)
                .containsExactly(Alias.Kind.EVENT, Alias.Kind.PARAMETER);
    }

    @Test
    void aBundleWithVersionsSatisfiesTheSchema() throws IOException {
        assertThat(SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                        .getSchema(Files.readString(Path.of("../docs/format/bundle.schema.json")))
                        .validate(Bundle.write(RENAMED.handedOver("2", "")), InputFormat.JSON))
                .isEmpty();
    }

    @Test
    void nothingOfAContractIsInTheWayOfAnother() {
        Contract contract = WINDROW.contract();
        assertThat(contract.effects())
                .allMatch(
                        e -> e.parameters().stream().allMatch(p -> p.bindings().isEmpty()));
    }
}
