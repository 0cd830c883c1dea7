package bellrope.format.contract;

import bellrope.core.contract.Contract;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.format.json.JsonText;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A contract as an AsyncAPI 3 document, as the stage sees it: it receives what the game announces, publishes and sets, and
 * sends what the game is told. Messages are CloudEvents 1.0 in JSON.
 */
public final class AsyncApi {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final ObjectNode document = JSON.createObjectNode();
    private final ObjectNode channels;
    private final ObjectNode operations;
    private final ObjectNode messages;
    private final ObjectNode schemas;

    private AsyncApi(String project, String version) {
        document.put("asyncapi", "3.0.0");
        ObjectNode info = document.putObject("info");
        info.put("title", project);
        info.put("version", version);
        info.put(
                "description", "What " + project + " announces to its effects, may turn in them, and is told by them.");
        document.put("defaultContentType", "application/cloudevents+json");
        channels = document.putObject("channels");
        operations = document.putObject("operations");
        ObjectNode components = document.putObject("components");
        messages = components.putObject("messages");
        schemas = components.putObject("schemas");
    }

    /** Returns the document as text. */
    public static String of(String project, Contract contract, String version) {
        AsyncApi api = new AsyncApi(project, version);
        for (EventType event : contract.events()) {
            api.event(event);
        }
        for (Channel channel : contract.channels()) {
            ObjectNode data = JSON.createObjectNode();
            data.put("type", "object");
            data.putObject("properties").set("value", ContractSchema.value(channel));
            data.putArray("required").add("value");
            api.message(
                    ContractSchema.key("channel", channel.name()),
                    "receive",
                    channel.name(),
                    channel.description(),
                    "channel." + channel.name(),
                    data,
                    JSON.createObjectNode());
        }
        for (Contract.Turnable effect : contract.effects()) {
            if (!effect.parameters().isEmpty()) {
                api.message(
                        ContractSchema.key("effect", effect.name()),
                        "receive",
                        effect.name(),
                        effect.description(),
                        "effect." + effect.name(),
                        ContractSchema.parameters(effect),
                        JSON.createObjectNode());
            }
        }
        for (Contract.Notice notice : contract.notices()) {
            api.message(
                    ContractSchema.key("notice", notice.name()),
                    "send",
                    notice.name(),
                    "Told by " + String.join(", ", notice.from()) + ".",
                    "notice." + notice.name(),
                    ContractSchema.values(notice),
                    JSON.createObjectNode());
        }
        return JsonText.pretty(api.document);
    }

    private void event(EventType event) {
        ObjectNode more = JSON.createObjectNode();
        if (event.shape() == EventType.Shape.SPAN) {
            more.putObject("phase").putArray("enum").add("begin").add("end");
        } else if (event.shape() == EventType.Shape.STATE) {
            ArrayNode values = more.putObject("value").putArray("enum");
            event.values().forEach(values::add);
        }
        message(
                ContractSchema.key("event", event.name()),
                "receive",
                event.name(),
                event.description(),
                event.name(),
                ContractSchema.payload(event),
                more);
    }

    private void message(
            String key, String action, String title, String words, String type, ObjectNode data, ObjectNode more) {
        schemas.set(key, data);
        ObjectNode message = messages.putObject(key);
        message.put("name", type);
        message.put("title", title);
        if (!words.isEmpty()) {
            message.put("summary", words);
        }
        ObjectNode payload = message.putObject("payload");
        payload.put("type", "object");
        ObjectNode properties = payload.putObject("properties");
        properties.putObject("specversion").put("const", "1.0");
        properties.putObject("id").put("type", "string");
        properties.putObject("source").put("type", "string");
        properties.putObject("type").put("const", type);
        properties.putObject("subject").put("type", "string");
        more.properties().forEach(e -> properties.set(e.getKey(), e.getValue()));
        properties.putObject("data").put("$ref", "#/components/schemas/" + key);
        ArrayNode required = payload.putArray("required");
        required.add("specversion").add("id").add("source").add("type").add("data");
        ObjectNode channel = channels.putObject(key);
        channel.put("address", type);
        channel.put("title", title);
        channel.putObject("messages").putObject("one").put("$ref", "#/components/messages/" + key);
        ObjectNode operation = operations.putObject(action + "." + key);
        operation.put("action", action);
        operation.putObject("channel").put("$ref", "#/channels/" + key);
        operation.putArray("messages").addObject().put("$ref", "#/channels/" + key + "/messages/one");
    }
}
