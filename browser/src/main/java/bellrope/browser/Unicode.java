package bellrope.browser;

/** What the browser knows of Unicode. */
public final class Unicode {
    private Unicode() {}

    /** @param form NFD, NFC, NFKD or NFKC */
    public static String normalized(String text, String form) {
        return Js.hand().normalized(text, form);
    }
}
