package bellrope.tools;

import bellrope.core.value.Problem;
import bellrope.format.answer.FeedsView;
import bellrope.format.answer.FittedView;
import bellrope.format.answer.GameReply;
import bellrope.format.answer.HeldRun;
import bellrope.format.answer.PreviewHead;
import bellrope.format.answer.Progress;
import bellrope.format.answer.RehearsalView;
import bellrope.format.answer.ResponseView;
import bellrope.format.answer.SizedView;
import bellrope.format.answer.StageReply;
import bellrope.format.answer.TakeHead;
import bellrope.format.answer.TraceView;
import bellrope.format.answer.WiringView;
import bellrope.format.json.JsonValue;
import bellrope.format.report.AccountReport;
import bellrope.format.report.ParameterReport;
import java.io.IOException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Writes the Java that turns answers into objects of a page, since what is compiled for a page cannot look into records
 * while it runs: {@code Writers FOLDER}. The objects are what Jackson makes of the same records elsewhere.
 */
public final class Writers {
    private static final List<Class<?>> ANSWERS = List.of(
            PreviewHead.class,
            TakeHead.class,
            ResponseView.class,
            FeedsView.class,
            WiringView.class,
            FittedView.class,
            ParameterReport.class,
            StageReply.class,
            RehearsalView.class,
            Progress.class,
            SizedView.class,
            HeldRun.class,
            TraceView.class,
            GameReply.class,
            AccountReport.class,
            Problem.class);

    private final StringBuilder out = new StringBuilder();
    private final Set<Class<?>> known = new LinkedHashSet<>();
    private final Deque<Class<?>> open = new ArrayDeque<>();

    private Writers() {}

    public static void main(String[] args) throws IOException {
        Path file = Path.of(args[0], "bellrope", "browser", "Answers.java");
        Files.createDirectories(file.getParent());
        Files.writeString(file, written(ANSWERS));
    }

    /** Returns the class that writes some records, and those within them. */
    static String written(List<? extends Class<?>> answers) {
        return new Writers().all(answers);
    }

    private String all(List<? extends Class<?>> answers) {
        out.append("package bellrope.browser;\n\nimport org.teavm.jso.JSObject;\n\n");
        out.append(
                "/** Answers as objects of the page; made from their records by the build. */\nfinal class Answers {\n");
        out.append("    private Answers() {}\n");
        answers.forEach(this::ask);
        while (!open.isEmpty()) {
            write(open.poll());
        }
        return out.append("}\n").toString();
    }

    private void ask(Class<?> record) {
        if (known.add(record)) {
            open.add(record);
        }
    }

    private void write(Class<?> record) {
        out.append("\n    static JSObject of(")
                .append(record.getCanonicalName())
                .append(" r) {\n");
        out.append("        if (r == null) {\n            return null;\n        }\n");
        out.append("        JSObject o = Js.object();\n");
        for (RecordComponent c : record.getRecordComponents()) {
            String value = "r." + c.getName() + "()";
            out.append("        Js.put(o, \"").append(c.getName()).append("\", ");
            out.append(value(c.getGenericType(), value)).append(");\n");
        }
        out.append("        return o;\n    }\n");
    }

    // A function of a value within another, whose name is longer by a letter.
    private String each(Type type, String within) {
        String name = within.startsWith("r.") ? "x" : within + "x";
        return name + " -> " + value(type, name);
    }

    /** Returns an expression of type JSObject. */
    private String value(Type type, String from) {
        if (type instanceof ParameterizedType generic) {
            Class<?> raw = (Class<?>) generic.getRawType();
            Type[] of = generic.getActualTypeArguments();
            if (List.class.isAssignableFrom(raw)) {
                return "Js.list(" + from + ", " + each(of[0], from) + ")";
            } else if (Map.class.isAssignableFrom(raw) && of[0] == String.class) {
                return "Js.map(" + from + ", " + each(of[1], from) + ")";
            }
        } else if (type instanceof Class<?> c) {
            if (c.isRecord()) {
                ask(c);
                return "of(" + from + ")";
            } else if (JsonValue.class.isAssignableFrom(c)) {
                return "Js.json(" + from + ")";
            } else if (c.isPrimitive()
                    || c == Object.class
                    || c == String.class
                    || c == Boolean.class
                    || Number.class.isAssignableFrom(c)
                    || c.isArray() && c.getComponentType().isPrimitive()) {
                return "Js.value(" + from + ")";
            }
        }
        throw new IllegalStateException("no way to write " + type + " of " + from);
    }
}
