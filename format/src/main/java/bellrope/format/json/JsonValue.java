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
    Collection<String> keys();

    /** Returns the value under a key of an object; null when there is none. */
    JsonValue get(String key);

    /** Returns how many values a list has. */
    int size();

    /** Returns one value of a list, counted from 0. */
    JsonValue get(int index);

    String text();

    double number();

    boolean flag();

    /** Returns a text, number, flag or null as it stands in a file, texts in quotes. */
    String written();

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
