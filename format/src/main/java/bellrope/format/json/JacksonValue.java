package bellrope.format.json;

import java.util.Collection;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

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

    /** Returns a value as a node, whoever made it; null for null. */
    public static JsonNode node(JsonValue value) {
        if (value == null) {
            return null;
        }
        if (value instanceof JacksonValue parsed) {
            return parsed.node;
        }
        JsonNodeFactory nodes = JsonNodeFactory.instance;
        return switch (value.kind()) {
            case OBJECT -> {
                ObjectNode object = nodes.objectNode();
                value.keys().forEach(key -> object.set(key, node(value.get(key))));
                yield object;
            }
            case LIST -> {
                ArrayNode list = nodes.arrayNode();
                for (int i = 0; i < value.size(); i++) {
                    list.add(node(value.get(i)));
                }
                yield list;
            }
            case TEXT -> nodes.stringNode(value.text());
            case NUMBER ->
                JsonLeaf.of(value.number()).value() instanceof Long whole
                        ? nodes.numberNode(whole.longValue())
                        : nodes.numberNode(value.number());
            case FLAG -> nodes.booleanNode(value.flag());
            case NULL -> nodes.nullNode();
        };
    }

    /** Returns what lets Jackson write values that others made. */
    public static JacksonModule module() {
        return new SimpleModule().addSerializer(JsonValue.class, new ValueSerializer<>() {
            @Override
            public void serialize(JsonValue value, JsonGenerator out, SerializationContext context) {
                context.writeTree(out, node(value));
            }
        });
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
