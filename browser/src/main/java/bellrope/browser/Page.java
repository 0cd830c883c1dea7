package bellrope.browser;

import bellrope.core.project.Project;
import bellrope.format.json.Bundle;
import org.teavm.jso.JSExport;
import org.teavm.jso.JSObject;

/** What the page can ask for. */
public final class Page {
    private Page() {}

    public static void main(String[] args) {}

    @JSExport
    public static String hex(JSObject bundle, int effect) {
        return Vectors.hex(Bundle.read(JsValue.of(bundle), png -> 1).value().get(), effect);
    }

    @JSExport
    public static String vectors(JSObject bundle) {
        Bundle.Read<Project> read = Bundle.read(JsValue.of(bundle), png -> 1);
        return read.value().map(Vectors::of).orElseGet(() -> read.problems().toString());
    }
}
