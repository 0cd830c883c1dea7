package org.teavm.classlib.java.text;

import bellrope.browser.Unicode;

/** Stands for {@link java.text.Normalizer} in a page, which the compiler's class library lacks; found by its package and name. */
public final class TNormalizer {
    /** The forms of Unicode Standard Annex 15. */
    public enum Form {
        NFD,
        NFC,
        NFKD,
        NFKC
    }

    private TNormalizer() {}

    public static String normalize(CharSequence text, Form form) {
        return Unicode.normalized(text.toString(), form.name());
    }
}
