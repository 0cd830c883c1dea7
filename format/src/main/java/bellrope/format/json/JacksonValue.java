package bellrope.format.json;

import java.util.Collection;
import tools.jackson.databind.JsonNode;

/** A value that Jackson parsed. */
public final class JacksonValue implements JsonValue {
    private final JsonNode node;

    private JacksonValue(JsonNode node) {
        this.node = node;
    }

    /** Returns a node as a value; null for null and for what is missing. */
    public static JsonValue of(JsonNode node) {
        return node == null || node.isMissingNode() ? null : new JacksonValue(node);
    }

    @Override
    public Kind kind() {
        return switch (node.getNodeType()) {
            case OBJECT -> Kind.OBJECT;
            case ARRAY -> Kind.LIST;
            case STRING -> Kind.TEXT;
            case NUMBER -> Kind.NUMBER;
            case BOOLEAN -> Kind.FLAG;
            case NULL, MISSING, BINARY, POJO -> Kind.NULL;
        };
    }

    @Override
    public Collection<String> keys() {
        return node.propertyNames();
    }

    @Override
    public JsonValue get(String key) {
        return of(node.get(key));
    }

    @Override
    public int size() {
        return node.size();
    }

    @Override
    public JsonValue get(int index) {
        return of(node.get(index));
    }

    @Override
    public String text() {
        return node.stringValue();
    }

    @Override
    public double number() {
        return node.doubleValue();
    }

    @Override
    public boolean flag() {
        return node.booleanValue();
    }

    @Override
    public String written() {
        return node.toString();
    }
}
