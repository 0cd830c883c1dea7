package bellrope.format.code;

import bellrope.core.contract.Alias;
import bellrope.format.code.Call.Doc;
import bellrope.format.code.Call.Does;
import bellrope.format.code.Call.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** TypeScript: one module. */
final class TypeScriptCode extends Code {
    private static final Set<String> RESERVED = Set.of(
            ("break case catch class const continue debugger default delete do else enum export extends false finally for function if "
                            + "import in instanceof new null return super switch this throw true try typeof var void while with "
                            + "as implements interface let package private protected public static yield any boolean number "
                            + "string symbol object never unknown type of await async eval arguments undefined Vec Bell Value "
                            + "VERSION Record bell instance")
                    .split(" "));

    private boolean inside;

    TypeScriptCode(List<Alias> aliases) {
        super(RESERVED, aliases);
    }

    @Override
    void begin(String project, String id, String version) {
        line("// The contract of ", plain(project), ", version ", plain(version), ".");
        line("// Generated; a change here is lost.");
        line();
        line("export const VERSION = ", quoted(version), ";");
        line();
        comment(Doc.of("Three numbers; y is up."), List.of(), "", "");
        line("export type Vec = readonly [x: number, y: number, z: number];");
        line("export type Value = number | boolean | string | Vec;");
        line();
        comment(
                Doc.of(
                        "Where calls go: the bell of a Stage, or of a LinkedStage that is linked with a bench. See docs/web-games.md."),
                List.of(),
                "",
                "");
        line("export interface Bell {");
        in();
        line(
                "pull(event: string, phase: string, subject: string, value: string | undefined, payload: Record<string, Value>):"
                        + " void;");
        line("publish(channel: string, value: number): void;");
        line("set(instance: number, parameter: string, value: Value): void;");
        out();
        line("}");
    }

    @Override
    void end() {}

    private void above(Doc doc, List<Takes> takes) {
        comment(doc, takes, "@param ", "@deprecated ");
    }

    @Override
    void group(String id, Doc doc) {
        line();
        above(doc, List.of());
        line("export const ", id, " = {");
        in();
        inside = true;
    }

    @Override
    void endGroup() {
        inside = false;
        out();
        line("} as const;");
    }

    @Override
    void constant(String id, String value, Doc doc) {
        above(doc, List.of());
        line(id, ": ", quoted(value), ",");
    }

    @Override
    void constant(String id, double value, Doc doc) {
        above(doc, List.of());
        line(id, ": ", number(value), ",");
    }

    @Override
    void words(String id, Map<String, String> words, Doc doc) {
        line();
        above(doc, List.of());
        line(
                "export type ",
                id,
                " = ",
                String.join(" | ", words.values().stream().map(Code::quoted).toList()),
                ";");
    }

    @Override
    void call(Call call) {
        if (!inside) {
            line();
        }
        above(call.doc(), call.takes());
        List<String> takes = new ArrayList<>(List.of("bell: Bell"));
        if (call.does() instanceof Does.Set) {
            takes.add("instance: number");
        }
        call.takes().forEach(t -> takes.add(t.id() + ": " + type(t)));
        String signature = call.name() + "(" + String.join(", ", takes) + "): void {";
        line(inside ? "" : "export function ", signature);
        in();
        call.does()
                .visit(
                        pull -> pull(pull, call.takes()),
                        publish -> line("bell.publish(", quoted(publish.channel()), ", value);"),
                        set -> line("bell.set(instance, ", quoted(set.parameter()), ", value);"));
        out();
        line(inside ? "}," : "}");
    }

    private void pull(Does.Pull pull, List<Takes> takes) {
        boolean state = pull.phase().equals("set");
        List<String> payload = new ArrayList<>();
        for (Takes t : takes.subList(state ? 2 : 1, takes.size())) {
            payload.add(quoted(t.name()) + ": " + t.id());
        }
        line(
                "bell.pull(",
                quoted(pull.event()),
                ", ",
                quoted(pull.phase()),
                ", ",
                takes.get(0).id(),
                ", ",
                state ? takes.get(1).id() : "undefined",
                ", { ",
                String.join(", ", payload),
                " });");
    }

    @Override
    void reading(Takes t, Doc doc) {
        above(doc, List.of());
        line(t.id(), "(values: Record<string, Value>): ", type(t), " | undefined {");
        in();
        line("return values[", quoted(t.name()), "] as ", type(t), " | undefined;");
        out();
        line("},");
    }

    @Override
    String passed(Takes t) {
        return t.id();
    }

    private static String type(Takes t) {
        return switch (t.kind()) {
            case NUMBER -> "number";
            case FLAG -> "boolean";
            case WORD -> t.of();
            case TEXT -> "string";
            case VECTOR -> "Vec";
        };
    }
}
