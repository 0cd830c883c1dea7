package bellrope.format.json;

import bellrope.core.value.Exact;

/**
 * A text, a number, true or false, or null.
 *
 * @param value String, Long for a whole number, Double, Boolean or null
 */
record JsonLeaf(Object value) implements JsonValue {
    static final JsonLeaf NULL = new JsonLeaf(null);

    static JsonLeaf of(String text) {
        return text == null ? NULL : new JsonLeaf(text);
    }

    static JsonLeaf of(boolean flag) {
        return new JsonLeaf(flag);
    }

    /** Returns a whole number without a point, so that 1 does not come back as 1.0. */
    static JsonLeaf of(double number) {
        return number == Exact.rint(number) && Math.abs(number) < 1e15
                ? new JsonLeaf((long) number)
                : new JsonLeaf(number);
    }

    static JsonLeaf of(long number) {
        return new JsonLeaf(number);
    }

    @Override
    public Kind kind() {
        return value == null
                ? Kind.NULL
                : value instanceof String ? Kind.TEXT : value instanceof Boolean ? Kind.FLAG : Kind.NUMBER;
    }

    @Override
    public String text() {
        return (String) value;
    }

    @Override
    public double number() {
        return ((Number) value).doubleValue();
    }

    @Override
    public boolean flag() {
        return (Boolean) value;
    }

    @Override
    public String written() {
        return value instanceof String text ? quoted(text) : String.valueOf(value);
    }

    private static String quoted(String text) {
        StringBuilder out = new StringBuilder("\"");
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '"' -> out.append("\\\"");
                case '\\' -> out.append("\\\\");
                case '\n' -> out.append("\\n");
                case '\r' -> out.append("\\r");
                case '\t' -> out.append("\\t");
                default -> {
                    if (c < ' ') {
                        String hex = Integer.toHexString(c);
                        out.append("\\u").append("0000", 0, 4 - hex.length()).append(hex);
                    } else {
                        out.append(c);
                    }
                }
            }
        }
        return out.append('"').toString();
    }
}
