package bellrope.format.answer;

import static org.assertj.core.api.Assertions.catchThrowableOfType;

import bellrope.core.effect.Effect;
import bellrope.core.project.Project;
import bellrope.core.rope.Rope;
import bellrope.core.value.Problem;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import bellrope.format.json.JsonValue;
import java.util.List;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.LongStream;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;

/** The demo as it is asked about: its effects numbered from 100 on, its ropes from 500 on. */
final class Asked {
    static final Project DEMO = Demo.project();
    static final Whole WHOLE = whole(DEMO);
    static final Responses RESPONSES =
            new Responses((key, maker) -> maker.apply(key), (key, maker) -> maker.apply(key));

    private Asked() {}

    static Whole whole(Project project) {
        return new Whole(
                project,
                numbers(100, project.effects().size()),
                numbers(500, project.ropes().size()));
    }

    private static List<Long> numbers(long first, int count) {
        return LongStream.range(first, first + count).boxed().toList();
    }

    static long effect(String name) {
        return 100 + DEMO.effects().indexOf(DEMO.effect(name).orElseThrow());
    }

    static long rope(String name) {
        return 500 + DEMO.ropes().indexOf(rope(DEMO, name));
    }

    static Rope rope(Project project, String name) {
        return project.ropes().stream()
                .filter(r -> r.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    /** Returns the demo with another text of one effect. */
    static Project withEffect(String name, UnaryOperator<String> change) {
        return DEMO.withEffects(DEMO.effects().stream()
                .map(e -> e.name().equals(name) ? written(change.apply(text(Bundle.write(e)))) : e)
                .toList());
    }

    /** Returns the demo with another text of one rope. */
    static Project withRope(String name, UnaryOperator<String> change) {
        return DEMO.withRopes(DEMO.ropes().stream()
                .map(r -> r.name().equals(name) ? read(change.apply(text(Bundle.write(r))), Bundle::readRope) : r)
                .toList());
    }

    static Effect written(String text) {
        return read(text, Bundle::readEffect);
    }

    private static <T> T read(String text, Function<JsonValue, Bundle.Read<T>> reader) {
        return reader.apply(json(text)).value().orElseThrow();
    }

    static String text(JsonValue value) {
        return JsonText.compact(value);
    }

    /** Reads JSON in which quotes may be single ones. */
    static JsonValue json(String text) {
        return JsonText.parse(text.contains("\"") ? text : text.replace('\'', '"'))
                .value();
    }

    /** Returns the first problem of a question that cannot be answered. */
    static Problem problem(ThrowingCallable question) {
        return catchThrowableOfType(Wrong.class, question).problems().get(0);
    }
}
