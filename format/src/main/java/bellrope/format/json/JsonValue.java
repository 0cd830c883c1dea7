package bellrope.format.json;

import java.util.Collection;

/**
 * A JSON value as the readers see it, whoever parsed it: on a server {@link JacksonValue}, in a page the browser's own parser.
 * Each getter may only be called on the kind it belongs to.
 */
public interface JsonValue {
    /** What a value can be. */
    enum Kind {
        OBJECT,
        LIST,
        TEXT,
        NUMBER,
        FLAG,
        NULL
    }

    Kind kind();

    /** Returns the keys of an object in their order. */
    default Collection<String> keys() {
        throw other();
    }

    /** Returns the value under a key of an object; null when there is none. */
    default JsonValue get(String key) {
        throw other();
    }

    /** Returns how many values a list has. */
    default int size() {
        throw other();
    }

    /** Returns one value of a list, counted from 0. */
    default JsonValue get(int index) {
        throw other();
    }

    default String text() {
        throw other();
    }

    default double number() {
        throw other();
    }

    default boolean flag() {
        throw other();
    }

    /** Returns a text, number, flag or null as it stands in a file, texts in quotes. */
    default String written() {
        throw other();
    }

    private IllegalStateException other() {
        return new IllegalStateException("asked for what " + kind() + " does not have");
    }

    /** Returns a short rendering for a message. */
    default String shown() {
        return switch (kind()) {
            case OBJECT -> "an object";
            case LIST -> "a list of " + size();
            default -> {
                String text = written();
                yield text.length() > 60 ? text.substring(0, 57) + "…" : text;
            }
        };
    }

    default boolean isObject() {
        return kind() == Kind.OBJECT;
    }

    default boolean isList() {
        return kind() == Kind.LIST;
    }

    default boolean isText() {
        return kind() == Kind.TEXT;
    }

    default boolean isNumber() {
        return kind() == Kind.NUMBER;
    }

    default boolean isFlag() {
        return kind() == Kind.FLAG;
    }

    default boolean isNull() {
        return kind() == Kind.NULL;
    }
}
