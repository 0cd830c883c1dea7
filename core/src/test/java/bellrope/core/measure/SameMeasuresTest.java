package bellrope.core.measure;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Binding.Mode;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Through;
import bellrope.core.effect.Type;
import bellrope.core.project.Project;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * What is told of a parameter stays what it was: the table of what it does to each emitter, whether its default changes nothing,
 * whether it scales truly and what is to blame, how far a response reaches for each value. The texts lie beside this test.
 */
class SameMeasuresTest {
    private static Binding by(Property property, Mode mode) {
        return new Binding(property, mode, Optional.empty());
    }

    private static Parameter number(
            String name, double least, double standard, double most, boolean scale, Binding... bindings) {
        return new Parameter(
                name,
                new Type.Number(least, most, 0),
                new Datum.Num(standard),
                "",
                "",
                scale,
                false,
                List.of(bindings));
    }

    private static Map<String, Effect> effects() {
        Effect lengths = Sample.lengths();
        Binding bent = new Binding(
                Property.SPEED,
                Mode.MULTIPLY,
                Optional.empty(),
                new Through.Remap(new Remap(new Range(0.5, 4), 0.2, 3)));
        Map<String, Effect> all = new LinkedHashMap<>();
        all.put(
                "a scale that is whole",
                lengths.withParameters(List.of(TrueScale.mended(
                        lengths.withParameters(List.of(number("scale", 0.5, 1, 3, true))),
                        number("scale", 0.5, 1, 3, true)))));
        all.put(
                "a scale that lacks and bends",
                lengths.withParameters(List.of(number(
                        "scale",
                        0.1,
                        0.5,
                        1,
                        true,
                        by(Property.SIZE, Mode.MULTIPLY),
                        bent,
                        by(Property.LIFETIME, Mode.MULTIPLY)))));
        all.put(
                "one that is not neutral",
                lengths.withParameters(List.of(
                        number("amount", 0, 2, 4, false, by(Property.COUNT, Mode.MULTIPLY)),
                        number(
                                "glow",
                                0,
                                1,
                                3,
                                false,
                                by(Property.BRIGHTNESS, Mode.MULTIPLY),
                                by(Property.OPACITY, Mode.ADD)),
                        number("push", -2, 0, 2, false, by(Property.FORCE, Mode.ADD)))));
        all.put(
                "one that another replaces",
                lengths.withParameters(List.of(
                        number("scale", 0.5, 1, 2, true, by(Property.SIZE, Mode.MULTIPLY)),
                        number("girth", 0.1, 0.3, 1, false, by(Property.SIZE, Mode.REPLACE)))));
        return all;
    }

    private static String told(Effect effect) {
        StringBuilder text = new StringBuilder();
        Project project = Sample.project(effect);
        ParameterTable table = ParameterTable.of(project, effect);
        text.append("as it is ").append(table.usual()).append('\n');
        for (ParameterTable.Row row : table.rows()) {
            text.append(row.parameter())
                    .append(' ')
                    .append(row.low())
                    .append(' ')
                    .append(row.high())
                    .append('\n');
            for (ParameterTable.Cell cell : row.cells()) {
                text.append("  acts on ").append(new TreeSet<>(cell.bound()));
                text.append(", not on ").append(new TreeSet<>(cell.missing())).append('\n');
                text.append("    ")
                        .append(cell.low())
                        .append("\n    ")
                        .append(cell.high())
                        .append('\n');
            }
        }
        text.append(Neutral.of(project, effect)).append('\n');
        text.append(Answers.of(effect)).append('\n');
        for (Parameter parameter : effect.parameters()) {
            if (parameter.scale()) {
                TrueScale proof = TrueScale.of(project, effect, parameter);
                text.append(proof.parameter())
                        .append(" × ")
                        .append(proof.scale())
                        .append(" at ")
                        .append(proof.value());
                text.append(proof.holds() ? " holds, " : " does not hold, ")
                        .append(proof.difference())
                        .append('\n');
                proof.emitters().forEach(e -> text.append("  ").append(e).append('\n'));
                proof.causes().forEach(c -> text.append("  ").append(c).append('\n'));
                proof.mended()
                        .bindings()
                        .forEach(b -> text.append("  mended by ").append(b).append('\n'));
            }
        }
        Rope rope = Sample.onThatch(effect.name()).with(d -> {
            d.feeds = List.of(new Feed(effect.parameters().get(0).name(), "speed", new Range(0, 14), 0.5, 2));
            d.hit = Optional.of(new Source.Constant(new Datum.Num(2)));
        });
        Reaches reaches = Reaches.of(project.withRopes(List.of(rope)), rope);
        text.append("reach over ")
                .append(reaches.over())
                .append(", ")
                .append(reaches.unit())
                .append(", by ")
                .append(reaches.parameter())
                .append('\n');
        reaches.points()
                .forEach(p -> text.append("  ")
                        .append(p)
                        .append(" off ")
                        .append(p.off())
                        .append('\n'));
        text.append("  usually ")
                .append(reaches.usual())
                .append(", worst ")
                .append(reaches.worst())
                .append(", agrees ")
                .append(reaches.agreeing(2))
                .append('\n');
        return text.toString();
    }

    @TestFactory
    List<DynamicTest> measuresComeOutAsTheyAlwaysDid() {
        List<DynamicTest> tests = new ArrayList<>();
        effects()
                .forEach((name, effect) -> tests.add(DynamicTest.dynamicTest(name, () -> compare(name, told(effect)))));
        return tests;
    }

    private static void compare(String name, String now) throws IOException {
        String file = name.replace(' ', '-') + ".txt";
        String before;
        try (InputStream in = SameMeasuresTest.class.getResourceAsStream(file)) {
            before = in == null ? "" : new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        if (!now.equals(before)) {
            Path folder = Files.createDirectories(Path.of("target", "answers"));
            Files.writeString(folder.resolve(file), now);
        }
        assertThat(now).isEqualTo(before);
    }
}
