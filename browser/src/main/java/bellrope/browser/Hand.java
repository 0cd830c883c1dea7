package bellrope.browser;

import org.teavm.jso.JSObject;

/**
 * What the core needs of JavaScript, as {@code core.js} brings it. Methods of an object, not texts of functions: those
 * would have to be evaluated, which a page with a strict policy forbids.
 */
interface Hand extends JSObject {
    JSObject object();

    JSObject list();

    void set(JSObject o, String key, JSObject value);

    /** Sets what is not null. */
    void put(JSObject o, String key, JSObject value);

    void add(JSObject list, JSObject value);

    JSObject number(double value);

    JSObject flag(boolean value);

    JSObject text(String value);

    /** Returns the ordinal of the value's kind; −1 for what is not there. */
    int kind(JSObject value);

    String[] keys(JSObject value);

    JSObject under(JSObject value, String key);

    int size(JSObject list);

    JSObject at(JSObject list, int index);

    String textOf(JSObject value);

    double numberOf(JSObject value);

    boolean flagOf(JSObject value);

    /** Reads a decimal number. */
    double read(String text);

    String written(JSObject value);

    /** @param form NFD, NFC, NFKD or NFKC */
    String normalized(String text, String form);
}
