package bellrope.format.contract;

import bellrope.core.contract.Contract;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Type;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.JsonText;
import bellrope.format.json.PayloadJson;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A contract as one JSON Schema (2020-12), with a definition for each payload, each notice, each channel's value and each effect's
 * parameters. Ranges are told as descriptions and examples, not demanded, because the stage takes values beyond them.
 */
public final class ContractSchema {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private ContractSchema() {}

    /** Returns the schema as text. */
    public static String of(String project, Contract contract, String version) {
        ObjectNode schema = JSON.createObjectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("title", project + ", version " + version);
        ObjectNode defs = schema.putObject("$defs");
        contract.events().forEach(e -> defs.set(key("event", e.name()), payload(e)));
        contract.channels().forEach(c -> defs.set(key("channel", c.name()), value(c)));
        contract.effects().forEach(e -> defs.set(key("effect", e.name()), parameters(e)));
        contract.notices().forEach(n -> defs.set(key("notice", n.name()), values(n)));
        return JsonText.pretty(schema);
    }

    /** Returns the key of something in a document: letters, digits, dots, dashes and underscores, no two alike. */
    static String key(String kind, String name) {
        StringBuilder key = new StringBuilder(kind).append('.');
        name.codePoints().forEach(c -> {
            if (c < 128 && (Character.isLetterOrDigit(c) || c == '.' || c == '-')) {
                key.appendCodePoint(c);
            } else {
                // A space is common enough to stay readable; anything else is told by its code point.
                key.append(c == ' ' ? "_" : "_" + Integer.toHexString(c) + "_");
            }
        });
        return key.toString();
    }

    static ObjectNode payload(EventType event) {
        ObjectNode node = JSON.createObjectNode();
        node.put("type", "object");
        node.put("title", event.name());
        described(node, event.description());
        ObjectNode properties = node.putObject("properties");
        ArrayNode required = node.putArray("required");
        for (Field field : event.fields()) {
            properties.set(field.name(), field(field));
            required.add(field.name());
        }
        node.put("additionalProperties", false);
        return node;
    }

    static ObjectNode values(Contract.Notice notice) {
        ObjectNode node = JSON.createObjectNode();
        node.put("type", "object");
        node.put("title", notice.name());
        ObjectNode properties = node.putObject("properties");
        ArrayNode required = node.putArray("required");
        for (Contract.Value value : notice.values()) {
            properties.set(value.name(), field(value.field()));
            if (value.always()) {
                required.add(value.name());
            }
        }
        node.put("additionalProperties", false);
        return node;
    }

    private static ObjectNode field(Field field) {
        ObjectNode node = JSON.createObjectNode();
        field.visit(
                number -> {
                    node.put("type", "number");
                    described(node, number.expects());
                    node.putArray("examples").add(number.usual());
                },
                choice -> options(node, choice.options()),
                vector -> vector(
                        node,
                        vector.meaning() == Field.Meaning.OTHER
                                ? ""
                                : capital(vector.meaning().words())),
                flag -> node.put("type", "boolean"),
                colour -> colour(node, true),
                text -> node.put("type", "string"));
        return node;
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    static ObjectNode value(Channel channel) {
        ObjectNode node = JSON.createObjectNode();
        node.put("type", "number");
        node.put("title", channel.name());
        described(
                node,
                (channel.description() + " " + channel.range().least() + " to "
                                + channel.range().most() + " " + channel.unit())
                        .strip());
        node.putArray("examples").add(channel.usual());
        return node;
    }

    static ObjectNode parameters(Contract.Turnable effect) {
        ObjectNode node = JSON.createObjectNode();
        node.put("type", "object");
        node.put("title", effect.name());
        described(node, effect.description());
        ObjectNode properties = node.putObject("properties");
        for (Parameter p : effect.parameters()) {
            properties.set(p.name(), parameter(p));
        }
        node.put("additionalProperties", false);
        return node;
    }

    private static ObjectNode parameter(Parameter p) {
        ObjectNode node = JSON.createObjectNode();
        Type type = p.type();
        type.visit(
                number -> bounded(node, "number", type),
                whole -> bounded(node, "integer", type),
                flag -> node.put("type", "boolean"),
                choice -> options(node, choice.options()),
                vector -> vector(node, ""),
                colour -> colour(node, colour.opacity()));
        described(node, (p.description() + (p.unit().isEmpty() ? "" : " In " + p.unit() + ".")).strip());
        node.set("default", JacksonValue.node(PayloadJson.node(p.standard())));
        return node;
    }

    private static void bounded(ObjectNode node, String kind, Type type) {
        node.put("type", kind);
        node.put("minimum", type.lowest());
        node.put("maximum", type.highest());
    }

    private static void described(ObjectNode node, String words) {
        if (!words.isEmpty()) {
            node.put("description", words);
        }
    }

    private static void options(ObjectNode node, Iterable<String> options) {
        ArrayNode all = node.putArray("enum");
        options.forEach(all::add);
    }

    private static void vector(ObjectNode node, String words) {
        node.put("type", "array");
        node.putObject("items").put("type", "number");
        node.put("minItems", 3);
        node.put("maxItems", 3);
        described(node, words);
    }

    private static void colour(ObjectNode node, boolean opacity) {
        node.put("type", "string");
        node.put("pattern", opacity ? "^#[0-9A-Fa-f]{6}([0-9A-Fa-f]{2})?$" : "^#[0-9A-Fa-f]{6}$");
    }
}
