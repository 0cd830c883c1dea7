package bellrope.format.code;

import bellrope.core.contract.Alias;
import bellrope.format.code.Call.Doc;
import bellrope.format.code.Call.Does;
import bellrope.format.code.Call.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** C# 8 and later: one static class with everything in it. */
final class CSharpCode extends Code {
    private static final Set<String> RESERVED = Set.of(
            ("abstract as base bool break byte case catch char checked class const continue decimal default delegate do double else "
                            + "enum event explicit extern false finally fixed float for foreach goto if implicit in int interface "
                            + "internal is lock long namespace new null object operator out override params private protected "
                            + "public readonly ref return sbyte sealed short sizeof stackalloc static string struct switch this "
                            + "throw true try typeof uint ulong unchecked unsafe ushort using virtual void volatile while var "
                            + "record dynamic async await System Vec Bell Obsolete Version Word")
                    .split(" "));

    private static final Style STYLE = new Style(
            "var payload = new Dictionary<string, object>();",
            "payload[%s] = %s;",
            "bell.Pull(%s, %s, %s, %s, payload);",
            "bell.Publish(%s, value);",
            "bell.Set(instance, %s, %s);",
            "null");

    CSharpCode(List<Alias> aliases) {
        super(RESERVED, aliases);
    }

    @Override
    void begin(String project, String id, String version) {
        line("// The contract of ", plain(project), ", version ", plain(version), ".");
        line("// Generated; a change here is lost.");
        line("using System.Collections.Generic;");
        line();
        line("public static class ", id);
        line("{");
        in();
        line("public const string Version = ", quoted(version), ";");
        line();
        summary(Doc.of(SOCKET), List.of());
        line("public interface Bell");
        line("{");
        in();
        line(
                "void Pull(string name, string phase, string subject, string? value, Dictionary<string, object> payload);");
        line("void Publish(string channel, double value);");
        line("void Set(long instance, string parameter, object value);");
        out();
        line("}");
        line();
        summary(Doc.of("Three numbers; y is up."), List.of());
        line("public readonly struct Vec");
        line("{");
        in();
        line("public readonly double X, Y, Z;");
        line("public Vec(double x, double y, double z) { X = x; Y = y; Z = z; }");
        out();
        line("}");
    }

    @Override
    void end() {
        out();
        line("}");
    }

    private static String xml(String text) {
        return plain(text).replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }

    private void summary(Doc doc, List<Takes> takes) {
        List<String> lines = new ArrayList<>();
        doc.lines().forEach(l -> lines.addAll(List.of(l.split("\\R"))));
        if (!lines.isEmpty()) {
            line("/// <summary>", xml(String.join(" ", lines)), "</summary>");
        }
        for (Takes t : takes) {
            line("/// <param name=\"", t.id(), "\">", xml(t.words()), "</param>");
        }
        doc.instead().ifPresent(present -> line("[System.Obsolete(", quoted("called " + present + " now"), ")]"));
    }

    @Override
    void group(String id, Doc doc) {
        line();
        summary(doc, List.of());
        line("public static class ", id);
        line("{");
        in();
    }

    @Override
    void endGroup() {
        out();
        line("}");
    }

    @Override
    void constant(String id, String value, Doc doc) {
        summary(doc, List.of());
        line("public const string ", id, " = ", quoted(value), ";");
    }

    @Override
    void constant(String id, double value, Doc doc) {
        summary(doc, List.of());
        line("public const double ", id, " = ", number(value), ";");
    }

    @Override
    void words(String id, Map<String, String> words, Doc doc) {
        line();
        summary(doc, List.of());
        line("public readonly struct ", id);
        line("{");
        in();
        line("public readonly string Word;");
        line("private ", id, "(string word) { Word = word; }");
        words.forEach(
                (name, word) -> line("public static readonly ", id, " ", name, " = new ", id, "(", quoted(word), ");"));
        line("/// <summary>What a word stands for; nothing for any other.</summary>");
        line("public static ", id, "? Of(object word)");
        line("{");
        in();
        line("switch (word as string)");
        line("{");
        in();
        words.forEach((name, word) -> line("case ", quoted(word), ": return ", name, ";"));
        line("default: return null;");
        out();
        line("}");
        out();
        line("}");
        out();
        line("}");
    }

    @Override
    void call(Call call) {
        line();
        summary(call.doc(), call.takes());
        List<String> takes = new ArrayList<>(List.of("Bell bell"));
        if (call.does() instanceof Does.Set) {
            takes.add("long instance");
        }
        call.takes().forEach(t -> takes.add(type(t) + " " + t.id()));
        String name = Character.toUpperCase(call.name().charAt(0)) + call.name().substring(1);
        line("public static void ", name, "(", String.join(", ", takes), ")");
        line("{");
        in();
        body(call, STYLE);
        out();
        line("}");
    }

    @Override
    void reading(Takes t, Doc doc) {
        line();
        summary(doc, List.of());
        String type = t.kind() == Call.Kind.TEXT ? "string" : type(t) + "?";
        String name = Character.toUpperCase(t.id().charAt(0)) + t.id().substring(1);
        line("public static ", type, " ", name, "(IReadOnlyDictionary<string, object> values)");
        line("{");
        in();
        line("if (!values.TryGetValue(", quoted(t.name()), ", out var value)) return null;");
        switch (t.kind()) {
            case NUMBER, FLAG -> line("return value is ", type(t), " one ? one : (", type, ")null;");
            case WORD -> line("return ", t.of(), ".Of(value);");
            case TEXT -> line("return value as string;");
            case VECTOR -> line("return value is double[] v ? new Vec(v[0], v[1], v[2]) : (Vec?)null;");
        }
        out();
        line("}");
    }

    private static String type(Takes t) {
        return switch (t.kind()) {
            case NUMBER -> "double";
            case FLAG -> "bool";
            case WORD -> t.of();
            case TEXT -> "string";
            case VECTOR -> "Vec";
        };
    }

    @Override
    String passed(Takes t) {
        return switch (t.kind()) {
            case WORD -> t.id() + ".Word";
            case VECTOR -> "new double[] { " + t.id() + ".X, " + t.id() + ".Y, " + t.id() + ".Z }";
            default -> t.id();
        };
    }
}
