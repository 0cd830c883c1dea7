package bellrope.browser;

import org.teavm.jso.JSBody;

/** What the browser knows of Unicode. */
public final class Unicode {
    private Unicode() {}

    /** @param form NFD, NFC, NFKD or NFKC */
    @JSBody(
            params = {"text", "form"},
            script = "return text.normalize(form);")
    public static native String normalized(String text, String form);
}
