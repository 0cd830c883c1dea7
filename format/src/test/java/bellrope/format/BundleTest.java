package bellrope.format;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.check.Check;
import bellrope.core.check.Subject;
import bellrope.core.effect.Effect;
import bellrope.core.project.Consistency;
import bellrope.core.project.Project;
import bellrope.core.value.Problem;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import bellrope.format.json.Recipes;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.node.ObjectNode;

class BundleTest {
    private static final String DEMO = new String(Demo.bytes(), StandardCharsets.UTF_8);

    private static List<String> problems(String text) {
        Bundle.Read<Project> read = Bundle.read(text.getBytes(StandardCharsets.UTF_8));
        assertThat(read.value().isPresent()).isEqualTo(read.problems().isEmpty());
        return read.problems().stream().map(Problem::toString).toList();
    }

    private static String changed(String pointer, String value) {
        ObjectNode root = (ObjectNode) JsonText.parse(DEMO).node();
        int cut = pointer.lastIndexOf('/');
        ObjectNode owner = (ObjectNode) root.at(pointer.substring(0, cut));
        owner.set(pointer.substring(cut + 1), JsonText.parse(value).node());
        return JsonText.pretty(root);
    }

    @Nested
    class TheDemo {
        @Test
        void comesBackByteForByte() {
            assertThat(Bundle.write(Demo.project())).isEqualTo(DEMO);
        }

        @Test
        void isConsistentAndAnswersMostEvents() {
            Project demo = Demo.project();
            assertThat(Consistency.problems(demo)).isEmpty();
            assertThat(demo.ropes()).hasSizeGreaterThanOrEqualTo(8);
            assertThat(demo.sprites()).hasSizeGreaterThanOrEqualTo(10);
        }

        @Test
        void andTheRecipesLeaveNothingToLookAt() {
            for (Project project : List.of(Demo.project(), Recipes.project())) {
                for (Effect effect : project.effects()) {
                    assertThat(Check.all(Subject.of(project, effect)))
                            .as(effect.name())
                            .isEmpty();
                }
            }
        }

        @Test
        void hasRecipesForSixteenNeedsEachWithASentence() throws IOException {
            Project recipes = Recipes.project();
            assertThat(recipes.effects())
                    .hasSizeGreaterThanOrEqualTo(16)
                    .allSatisfy(e -> assertThat(e.description()).endsWith("."));
            String text = Bundle.write(recipes);
            assertThat(Bundle.write(Bundle.read(text.getBytes(StandardCharsets.UTF_8))
                            .value()
                            .orElseThrow()))
                    .isEqualTo(text);
            assertThat(schema().validate(text, InputFormat.JSON)).isEmpty();
        }

        // JSON Schema 2020-12, by networknt's validator.
        @Test
        void satisfiesThePublishedSchema() throws IOException {
            assertThat(schema().validate(DEMO, InputFormat.JSON)).isEmpty();
        }
    }

    private static Schema schema() throws IOException {
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(Path.of("../docs/format/bundle.schema.json")));
    }

    @Nested
    @DisplayName("a wrong value")
    class AWrongValue {
        @ParameterizedTest
        @CsvSource(
                delimiter = '|',
                value = {
                    "/effects/0/emitters/1/birth/lifetime|[0.8, 0.2]|/effects/0/emitters/1/birth/lifetime: 0.8 to 0.2: the minimum must not be above the maximum",
                    "/effects/0/emitters/1/birth/lifetime|[0, 1]|/effects/0/emitters/1/birth/lifetime/0: 0: a number above 0",
                    "/effects/0/emitters/1/birth/bursts|[{\"at\":0,\"least\":-3,\"most\":4}]|/effects/0/emitters/1/birth/bursts/0/least: -3: a whole number from 0 to 10000",
                    "/effects/2/emitters/0/birth/speed|\"fast\"|/effects/2/emitters/0/birth/speed: \"fast\": a pair: minimum, maximum",
                    "/effects/2/emitters/0/look/blend|\"aditive\"|/effects/2/emitters/0/look/blend: \"aditive\": alpha, additive, screen or multiply; did you mean additive?",
                    "/effects/2/emitters/0/birth/colour|[\"#FFF\",\"#FFFFFFFF\"]|/effects/2/emitters/0/birth/colour/0: \"#FFF\": a colour as #RRGGBB or #RRGGBBAA",
                    "/effects/3/name|\"straw puff\"|/effects/3/name: \"straw puff\": a name that is there once",
                    "/ropes/0/event|\"courier.lnded\"|/ropes/0/event: \"courier.lnded\": the name of a known event; did you mean courier.landed?",
                    "/events/0/weight|9|/events/0/weight: 9: a whole number from 1 to 5",
                    "/settings/particleLimit|2.5|/settings/particleLimit: 2.5: a whole number",
                    "/ropes/0/colour|1|/ropes/0/colour: unknown key: one of name, seed, off, remark, group, event, value, match, conditions, play, overrides, offset, place, facing, pointing, feeds, run, stay, timing, limits, hit, owner, then or with",
                    "/bellrope|7|/bellrope: 7: version 1",
                    "/effects/0/emitters/1/birth/cap|0|/effects/0/emitters/1/birth/cap: 0: a whole number from 1 to 100000",
                    "/effects/0/emitters/1/birth/shape|{\"kind\":\"sphere\",\"radius\":0}|/effects/0/emitters/1/birth/shape/radius: 0: a number above 0",
                    "/effects/0/emitters/1/birth/aim|{\"kind\":\"along\",\"axis\":[0,0,0]}|/effects/0/emitters/1/birth/aim/axis: 0, 0, 0: a direction that is not zero",
                    "/effects/0/emitters/1/birth/bursts|[{\"at\":0,\"least\":1,\"most\":4,\"times\":3}]|/effects/0/emitters/1/birth/bursts/0/pause: 0: a time above 0 s between 3 bursts",
                    "/effects/0/emitters/1/life/size|[{\"at\":0.5,\"value\":1},{\"at\":0.2,\"value\":1}]|/effects/0/emitters/1/life/size/1/at: 0.2: later than the key before it, at 0.5",
                    "/effects/0/emitters/1/life/forces|[{\"kind\":\"swirl\",\"strength\":1,\"radius\":0,\"falloff\":\"none\"}]|/effects/0/emitters/1/life/forces/0/radius: 0: a number above 0",
                    "/effects/0/emitters/1/life/replaces|[\"sise\"]|/effects/0/emitters/1/life/replaces/0: \"sise\": size, opacity, colour, speed or spin",
                    "/effects/0/emitters/1/end|{\"children\":[{\"when\":\"on collision\",\"emitter\":\"dust\",\"least\":1,\"most\":1}]}|/effects/0/emitters/1/end/children/0/when: on collision: another moment, or a collision for this emitter",
                    "/effects/0/emitters/1/end|{\"children\":[{\"when\":\"at end\",\"emitter\":\"dusst\",\"least\":1,\"most\":1}]}|/effects/0/emitters/1/end/children/0/emitter: \"dusst\": the name of an emitter of this effect; did you mean dust?",
                    "/effects/0/emitters/1/end|{\"children\":[{\"when\":\"at end\",\"effect\":\"straw puff\",\"least\":1,\"most\":1}]}|/effects/0/emitters: straw puff begins straw puff: children that do not lead back to the effect itself",
                    "/effects/0/parameters/0/default|\"big\"|/effects/0/parameters/0/default: big: a number from 0.25 to 3",
                    "/effects/0/parameters/0/least|9|/effects/0/parameters/0/least: 9 to 3: the minimum must not be above the maximum",
                    "/effects/0/parameters/0/name|\"amount\"|/effects/0/parameters/1/name: \"amount\": a name no other parameter here has",
                    "/effects/0/parameters/0/type|\"colur\"|/effects/0/parameters/0/type: \"colur\": number, whole, flag, choice, vector or colour; did you mean colour?",
                    "/effects/0/parameters/0/bindings/0/property|\"colour\"|/effects/0/parameters/0/bindings/0/property: colour: a property with a number; only a colour can act on colours",
                    "/ropes/0/feeds|[{\"parameter\":\"size\",\"constant\":\"big\"}]|/ropes/0/feeds/0/constant: big: a number from 0.25 to 3",
                    "/ropes/0/feeds|[{\"parameter\":\"size\",\"field\":\"surface\"}]|/ropes/0/feeds/0/field: \"surface\": a field that gives a number from 0.25 to 3",
                    "/ropes/0/feeds|[{\"parameter\":\"size\",\"from\":\"amount\",\"in\":[0,1],\"out\":[1,2]},{\"parameter\":\"amount\",\"from\":\"size\",\"in\":[0,1],\"out\":[1,2]}]|/ropes/0/feeds: size from amount from size: parameters that do not drive one another in a circle",
                    "/ropes/0/hit|0|/ropes/0/hit: 0: a number above 0",
                    "/effects/0/course|{\"kind\":\"one shot\",\"duration\":1,\"fadeOut\":1}|/effects/0/course/fadeOut: 1: 0 for a one-shot; a loop fades out when told to stop"
                })
        void isRefusedWithItsPlaceWhatWasGivenAndWhatIsAllowed(String pointer, String value, String message) {
            assertThat(problems(
                            pointer.equals("/bellrope")
                                    ? DEMO.replace("\"bellrope\" : 1", "\"bellrope\" : 7")
                                    : changed(pointer, value)))
                    .contains(message);
        }

        // What the reader refuses for its form, the published schema refuses too.
        @ParameterizedTest
        @CsvSource(
                delimiter = '|',
                value = {
                    "/effects/2/emitters/0/birth/speed|\"fast\"",
                    "/effects/2/emitters/0/look/blend|\"aditive\"",
                    "/events/0/weight|9",
                    "/ropes/0/colour|1",
                    "/ropes/0/conditions|[{\"field\":\"speed\"}]",
                    "/effects/0/emitters|[]"
                })
        void isRefusedByTheSchemaAsWell(String pointer, String value) throws IOException {
            String text = changed(pointer, value);
            assertThat(problems(text)).isNotEmpty();
            assertThat(schema().validate(text, InputFormat.JSON)).isNotEmpty();
        }

        @Test
        void doesNotHideTheOthers() {
            String text = DEMO.replaceFirst("\"drag\" : 2.2", "\"drag\" : -1")
                    .replaceFirst("\"usual\" : 9", "\"usual\" : 99")
                    .replaceFirst("\"metresPerUnit\" : 1", "\"metresPerUnit\" : \"one\"");
            assertThat(problems(text))
                    .containsExactly(
                            "/settings/metresPerUnit: \"one\": a number",
                            "/events/0/fields/2/usual: 99: a number from 0 to 14",
                            "/effects/0/emitters/0/life/drag: -1: a number from 0 to 100");
        }
    }

    @Nested
    @DisplayName("a broken file")
    class ABrokenFile {
        @Test
        void cutInHalfSaysWhere() {
            assertThat(problems(DEMO.substring(0, DEMO.length() / 2)))
                    .singleElement()
                    .asString()
                    .contains("cut off at line");
        }

        @Test
        void nestedTenThousandDeepIsRefused() {
            assertThat(problems("[".repeat(10_000) + "]".repeat(10_000)))
                    .containsExactly(
                            "/: nested too deeply: at most 40 levels, texts of at most 2 MiB, numbers of at most 60 digits, and 1500000 values in all");
        }

        @Test
        void of200MegabytesIsRefusedBeforeItIsRead() {
            byte[] large = new byte[200 << 20];
            assertThat(Bundle.read(large).problems().toString()).contains("200 MiB: at most 32 MiB");
        }

        @ParameterizedTest
        @CsvSource(
                delimiter = '|',
                value = {
                    "''|/: nothing: JSON",
                    "[]|/: a list of 0: an object",
                    "{}|/bellrope: missing: a whole number",
                    "NaN|not JSON at line 1",
                    "{\"a\":1,\"a\":2}|a key given twice",
                    "{} {}|not JSON at line 1"
                })
        void isRefusedWhateverIsWrongWithIt(String text, String message) {
            assertThat(problems(text)).singleElement().asString().contains(message);
        }

        @Test
        void withAThousandProblemsShowsAHundred() {
            String text = DEMO.replace("\"least\" :", "\"lest\" :").replace("\"value\" :", "\"valu\" :");
            List<String> all = problems(text);
            assertThat(all).hasSize(101);
            assertThat(all.get(100)).contains("more problems: fix these first");
        }
    }
}
