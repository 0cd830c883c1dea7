package bellrope.format.code;

import bellrope.core.contract.Alias;
import bellrope.format.code.Call.Doc;
import bellrope.format.code.Call.Does;
import bellrope.format.code.Call.Takes;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** C++17: one header with one namespace. */
final class CppCode extends Code {
    private static final Set<String> RESERVED = Set.of(
            ("alignas alignof and and_eq asm auto bitand bitor bool break case catch char char16_t char32_t class compl const constexpr "
                            + "const_cast continue decltype default delete do double dynamic_cast else enum explicit export extern "
                            + "false float for friend goto if inline int long mutable namespace new noexcept not not_eq nullptr "
                            + "operator or or_eq private protected public register reinterpret_cast return short signed sizeof "
                            + "static static_assert static_cast struct switch template this thread_local throw true try typedef "
                            + "typeid typename union unsigned using virtual void volatile wchar_t while xor xor_eq std Vec Bell "
                            + "Value Payload find VERSION NULL EOF INFINITY NAN TRUE FALSE word as bell payload instance")
                    .split(" "));

    private static final Style STYLE = new Style(
            "Payload payload;",
            "payload.emplace_back(%s, %s);",
            "bell.pull(%s, %s, %s, %s, payload);",
            "bell.publish(%s, value);",
            "bell.set(instance, %s, %s);",
            "std::string()");

    CppCode(List<Alias> aliases) {
        super(RESERVED, aliases);
    }

    // Other than in the others, a letter beyond ASCII is written as its bytes in UTF-8; octal, because hex digits never
    // end.
    @Override
    String literal(String text) {
        StringBuilder literal = new StringBuilder("\"");
        for (byte b : text.getBytes(StandardCharsets.UTF_8)) {
            int c = b & 0xFF;
            if (c == '"' || c == '\\') {
                literal.append('\\').append((char) c);
            } else if (c < ' ' || c > '~' || c == '?') {
                literal.append(String.format("\\%03o", c));
            } else {
                literal.append((char) c);
            }
        }
        return literal.append('"').toString();
    }

    @Override
    void begin(String project, String id, String version) {
        line("// The contract of ", plain(project), ", version ", plain(version), ".");
        line("// Generated; a change here is lost.");
        line("#pragma once");
        line();
        line("#include <cstdint>");
        line("#include <optional>");
        line("#include <string>");
        line("#include <utility>");
        line("#include <variant>");
        line("#include <vector>");
        line();
        line("namespace ", id, " {");
        line();
        line("inline constexpr const char* VERSION = ", literal(version), ";");
        line();
        comment(Doc.of("Three numbers; y is up."), List.of(), "", "");
        line("struct Vec {");
        in();
        line("double x, y, z;");
        out();
        line("};");
        line();
        line("using Value = std::variant<double, bool, std::string, Vec>;");
        line("using Payload = std::vector<std::pair<std::string, Value>>;");
        line();
        comment(Doc.of("Returns a value of what a notice carried; null where it came without."), List.of(), "", "");
        line("inline const Value* find(const Payload& values, const char* name) {");
        in();
        line("for (const auto& one : values) {");
        in();
        line("if (one.first == name) return &one.second;");
        out();
        line("}");
        line("return nullptr;");
        out();
        line("}");
        line();
        comment(Doc.of(SOCKET), List.of(), "", "");
        line("struct Bell {");
        in();
        line("virtual ~Bell() = default;");
        line("virtual void pull(const std::string& event, const std::string& phase, const std::string& subject,"
                + " const std::string& value, const Payload& payload) = 0;");
        line("virtual void publish(const std::string& channel, double value) = 0;");
        line("virtual void set(std::int64_t instance, const std::string& parameter, const Value& value) = 0;");
        out();
        line("};");
    }

    @Override
    void end() {
        line();
        line("}");
    }

    private void above(Doc doc, List<Takes> takes) {
        comment(doc, takes, "@param ", "");
    }

    private String deprecated(Doc doc) {
        return doc.instead()
                .map(present -> "[[deprecated(" + literal("called " + present + " now") + ")]] ")
                .orElse("");
    }

    @Override
    void group(String id, Doc doc) {
        line();
        above(doc, List.of());
        line("namespace ", deprecated(doc), id, " {");
        in();
    }

    @Override
    void endGroup() {
        out();
        line("}");
    }

    @Override
    void constant(String id, String value, Doc doc) {
        above(doc, List.of());
        line(deprecated(doc), "inline constexpr const char* ", id, " = ", literal(value), ";");
    }

    @Override
    void constant(String id, double value, Doc doc) {
        above(doc, List.of());
        line(deprecated(doc), "inline constexpr double ", id, " = ", number(value), ";");
    }

    @Override
    void words(String id, Map<String, String> words, Doc doc) {
        line();
        above(doc, List.of());
        line("enum class ", id, " { ", String.join(", ", words.keySet()), " };");
        line("inline const char* word(", id, " value) {");
        in();
        line("switch (value) {");
        in();
        words.forEach((name, word) -> line("case ", id, "::", name, ": return ", literal(word), ";"));
        out();
        line("}");
        line("return \"\";");
        out();
        line("}");
        line("inline std::optional<", id, "> as(", id, ", const std::string& text) {");
        in();
        words.forEach((name, word) -> line("if (text == ", literal(word), ") return ", id, "::", name, ";"));
        line("return std::nullopt;");
        out();
        line("}");
    }

    @Override
    void call(Call call) {
        line();
        above(call.doc(), call.takes());
        List<String> takes = new ArrayList<>(List.of("Bell& bell"));
        if (call.does() instanceof Does.Set) {
            takes.add("std::int64_t instance");
        }
        call.takes().forEach(t -> takes.add(type(t) + " " + t.id()));
        line(deprecated(call.doc()), "inline void ", call.name(), "(", String.join(", ", takes), ") {");
        in();
        body(call, STYLE);
        out();
        line("}");
    }

    @Override
    void reading(Takes t, Doc doc) {
        line();
        above(doc, List.of());
        boolean text = t.kind() == Call.Kind.TEXT || t.kind() == Call.Kind.WORD;
        String held = text ? "std::string" : type(t);
        line(
                "inline std::optional<",
                t.kind() == Call.Kind.TEXT ? held : type(t),
                "> ",
                t.id(),
                "(const Payload& values) {");
        in();
        line("const Value* value = find(values, ", literal(t.name()), ");");
        line("const auto* one = value ? std::get_if<", held, ">(value) : nullptr;");
        line("if (!one) return std::nullopt;");
        line("return ", t.kind() == Call.Kind.WORD ? "as(" + t.of() + "{}, *one)" : "*one", ";");
        out();
        line("}");
    }

    private static String type(Takes t) {
        return switch (t.kind()) {
            case NUMBER -> "double";
            case FLAG -> "bool";
            case WORD -> t.of();
            case TEXT -> "const std::string&";
            case VECTOR -> "Vec";
        };
    }

    @Override
    String passed(Takes t) {
        return t.kind() == Call.Kind.WORD ? "std::string(word(" + t.id() + "))" : t.id();
    }
}
