package bellrope.format.code;

import bellrope.core.contract.Alias;
import bellrope.format.code.Call.Doc;
import bellrope.format.code.Call.Does;
import bellrope.format.code.Call.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Java 17: one final class with everything in it. */
final class JavaCode extends Code {
    private static final Set<String> RESERVED = Set.of(
            ("abstract assert boolean break byte case catch char class const continue default do double else enum extends final "
                            + "finally float for goto if implements import instanceof int interface long native new package "
                            + "private protected public return short static strictfp super switch synchronized this throw throws "
                            + "transient try void volatile while true false null var record yield sealed permits String Object "
                            + "Map Vec Bell Double Boolean Deprecated Override VERSION")
                    .split(" "));

    private static final Style STYLE = new Style(
            "Map<String, Object> payload = new LinkedHashMap<>();",
            "payload.put(%s, %s);",
            "bell.pull(%s, %s, %s, %s, payload);",
            "bell.publish(%s, value);",
            "bell.set(instance, %s, %s);",
            "null");

    JavaCode(List<Alias> aliases) {
        super(RESERVED, aliases);
    }

    @Override
    void begin(String project, String id, String version) {
        line("import java.util.LinkedHashMap;");
        line("import java.util.Map;");
        line();
        comment(
                Doc.of(
                        "The contract of " + project + ", version " + version + ".",
                        "Generated; a change here is lost."),
                List.of(),
                "",
                "");
        line("public final class ", id, " {");
        in();
        line("public static final String VERSION = ", quoted(version), ";");
        line();
        line("private ", id, "() {}");
        line();
        comment(
                Doc.of(
                        "Where calls go; implement it once: over a Stage, or a LinkedGame that is linked with a bench. See docs/java.md."),
                List.of(),
                "",
                "");
        line("public interface Bell {");
        in();
        line("void pull(String event, String phase, String subject, String value, Map<String, Object> payload);");
        line();
        line("void publish(String channel, double value);");
        line();
        line("void set(long instance, String parameter, Object value);");
        out();
        line("}");
        line();
        comment(Doc.of("Three numbers; y is up."), List.of(), "", "");
        line("public record Vec(double x, double y, double z) {}");
    }

    @Override
    void end() {
        out();
        line("}");
    }

    @Override
    void group(String id, Doc doc) {
        line();
        above(doc, List.of());
        line("public static final class ", id, " {");
        in();
        line("private ", id, "() {}");
    }

    @Override
    void endGroup() {
        out();
        line("}");
    }

    private void above(Doc doc, List<Takes> takes) {
        comment(doc, takes, "@param ", "@deprecated ");
        if (doc.instead().isPresent()) {
            line("@Deprecated");
        }
    }

    @Override
    void constant(String id, String value, Doc doc) {
        line();
        above(doc, List.of());
        line("public static final String ", id, " = ", quoted(value), ";");
    }

    @Override
    void constant(String id, double value, Doc doc) {
        line();
        above(doc, List.of());
        line("public static final double ", id, " = ", number(value), ";");
    }

    @Override
    void words(String id, Map<String, String> words, Doc doc) {
        line();
        above(doc, List.of());
        line("public enum ", id, " {");
        in();
        List<String> each = new ArrayList<>();
        words.forEach((name, word) -> each.add(name + "(" + quoted(word) + ")"));
        for (int i = 0; i < each.size(); i++) {
            line(each.get(i), i < each.size() - 1 ? "," : ";");
        }
        line();
        line("public final String word;");
        line();
        line(id, "(String word) {");
        in();
        line("this.word = word;");
        out();
        line("}");
        line();
        line("/** Returns what a word stands for; null for any other. */");
        line("public static ", id, " of(Object word) {");
        in();
        line("for (", id, " one : values()) {");
        in();
        line("if (one.word.equals(word)) {");
        in();
        line("return one;");
        out();
        line("}");
        out();
        line("}");
        line("return null;");
        out();
        line("}");
        out();
        line("}");
    }

    @Override
    void call(Call call) {
        line();
        above(call.doc(), call.takes());
        List<String> takes = new ArrayList<>(List.of("Bell bell"));
        if (call.does() instanceof Does.Set) {
            takes.add("long instance");
        }
        call.takes().forEach(t -> takes.add(type(t) + " " + t.id()));
        line("public static void ", call.name(), "(", String.join(", ", takes), ") {");
        in();
        body(call, STYLE);
        out();
        line("}");
    }

    @Override
    void reading(Takes t, Doc doc) {
        line();
        above(doc, List.of());
        String type = switch (t.kind()) {
            case NUMBER -> "Double";
            case FLAG -> "Boolean";
            default -> type(t);
        };
        line("public static ", type, " ", t.id(), "(Map<String, Object> values) {");
        in();
        String value = "values.get(" + quoted(t.name()) + ")";
        switch (t.kind()) {
            case NUMBER -> line("return ", value, " instanceof Number number ? number.doubleValue() : null;");
            case FLAG -> line("return ", value, " instanceof Boolean flag ? flag : null;");
            case WORD -> line("return ", t.of(), ".of(", value, ");");
            case TEXT -> line("return ", value, " instanceof String text ? text : null;");
            case VECTOR -> line("return ", value, " instanceof double[] v ? new Vec(v[0], v[1], v[2]) : null;");
        }
        out();
        line("}");
    }

    private static String type(Takes t) {
        return switch (t.kind()) {
            case NUMBER -> "double";
            case FLAG -> "boolean";
            case WORD -> t.of();
            case TEXT -> "String";
            case VECTOR -> "Vec";
        };
    }

    @Override
    String passed(Takes t) {
        return switch (t.kind()) {
            case WORD -> t.id() + ".word";
            case VECTOR -> "new double[] {" + t.id() + ".x(), " + t.id() + ".y(), " + t.id() + ".z()}";
            default -> t.id();
        };
    }
}
