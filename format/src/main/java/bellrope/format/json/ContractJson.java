package bellrope.format.json;

import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import bellrope.core.contract.Version;
import bellrope.core.effect.Parameter;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import java.util.List;

/** What was handed over to game code, as JSON, both ways. */
final class ContractJson {
    private ContractJson() {}

    static Version readVersion(JsonReader thing) {
        String name = thing.text("name");
        String note = thing.text("note", "");
        Contract contract = thing.read("contract", ContractJson::read);
        return contract == null ? null : thing.make(() -> new Version(name, note, contract));
    }

    static Contract read(JsonReader thing) {
        List<EventType> events = thing.list("events", EventJson::read);
        List<Channel> channels = thing.list("channels", EventJson::readChannel);
        List<Contract.Turnable> effects = thing.list("effects", t -> {
            String name = t.text("name");
            String description = t.text("description", "");
            boolean looping = t.yes("looping");
            List<Parameter> parameters = t.list("parameters", ParameterJson::read);
            return t.make(() -> new Contract.Turnable(name, description, looping, parameters));
        });
        List<Contract.Notice> notices = thing.list("notices", t -> {
            String name = t.text("name");
            List<String> from = t.texts("from");
            List<Contract.Value> values = t.has("values") ? t.list("values", ContractJson::value) : List.of();
            return t.make(() -> new Contract.Notice(name, from, values));
        });
        List<String> announced = thing.texts("announced");
        return thing.make(() -> new Contract(events, channels, effects, notices, announced));
    }

    private static Contract.Value value(JsonReader thing) {
        boolean always = thing.yes("always");
        Field field = thing.read("field", EventJson::field);
        return field == null ? null : new Contract.Value(field, always);
    }

    static JsonObject write(Version version) {
        JsonObject node = Json.object();
        node.put("name", version.name());
        node.put("note", version.note());
        node.set("contract", write(version.contract()));
        return node;
    }

    static JsonObject write(Contract contract) {
        JsonObject node = Json.object();
        JsonList events = node.putArray("events");
        contract.events().forEach(e -> events.add(EventJson.write(e)));
        JsonList channels = node.putArray("channels");
        contract.channels().forEach(c -> channels.add(EventJson.write(c)));
        JsonList effects = node.putArray("effects");
        for (Contract.Turnable effect : contract.effects()) {
            JsonObject e = effects.addObject();
            e.put("name", effect.name());
            e.put("description", effect.description());
            if (effect.looping()) {
                e.put("looping", true);
            }
            JsonList parameters = e.putArray("parameters");
            effect.parameters().forEach(p -> parameters.add(ParameterJson.write(p)));
        }
        JsonList notices = node.putArray("notices");
        for (Contract.Notice notice : contract.notices()) {
            JsonObject n = notices.addObject();
            n.put("name", notice.name());
            JsonList from = n.putArray("from");
            notice.from().forEach(from::add);
            if (!notice.values().isEmpty()) {
                JsonList values = n.putArray("values");
                for (Contract.Value value : notice.values()) {
                    JsonObject v = values.addObject();
                    EventJson.write(value.field(), v.putObject("field"));
                    if (value.always()) {
                        v.put("always", true);
                    }
                }
            }
        }
        JsonList announced = node.putArray("announced");
        contract.announced().forEach(announced::add);
        return node;
    }

    static Alias readAlias(JsonReader thing) {
        Alias.Kind kind = thing.choice("kind", Alias.Kind.class);
        String within = thing.text("within", "");
        String from = thing.text("from");
        String to = thing.text("to");
        String since = thing.text("since");
        return kind == null ? null : thing.make(() -> new Alias(kind, within, from, to, since));
    }

    static JsonObject write(Alias alias) {
        JsonObject node = Json.object();
        node.put("kind", JsonReader.word(alias.kind()));
        if (!alias.within().isEmpty()) {
            node.put("within", alias.within());
        }
        node.put("from", alias.from());
        node.put("to", alias.to());
        node.put("since", alias.since());
        return node;
    }
}
