package bellrope.format.json;

import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import bellrope.core.contract.Version;
import java.util.List;

/** What was handed over to game code, as JSON, both ways. */
final class ContractJson {
    private static final Form<Contract.Turnable> TURNABLE = Form.of("Turnable", f -> {
        var name = f.name("name", Contract.Turnable::name).says("By which game code plays it.");
        var description = f.text("description", Contract.Turnable::description)
                .usual("")
                .always()
                .says("What is seen, in a sentence.");
        var looping =
                f.flag("looping", Contract.Turnable::looping).says("Whether it goes on until it is told to stop.");
        var parameters = f.list("parameters", Contract.Turnable::parameters, ParameterJson.PARAMETER)
                .says("What game code may set of it.");
        return v -> new Contract.Turnable(name.of(v), description.of(v), looping.of(v), parameters.of(v));
    });

    private static final Form<Contract.Value> VALUE = Form.of("Carried", f -> {
        var field =
                f.set("field", Contract.Value::field, EventJson.FIELD).says("What it is called, and what it can be.");
        var always =
                f.flag("always", Contract.Value::always).says("Whether every rope that sends the notice sends it.");
        return v -> new Contract.Value(field.of(v), always.of(v));
    });

    private static final Form<Contract.Notice> NOTICE = Form.of("Noticed", f -> {
        var name = f.name("name", Contract.Notice::name).says("By which game code is told.");
        var from = f.names("from", Contract.Notice::from).says("Ropes that tell it.");
        var values = f.list("values", Contract.Notice::values, VALUE)
                .usual(List.of())
                .says("What it carries.");
        return v -> new Contract.Notice(name.of(v), from.of(v), values.of(v));
    });

    static final Form<Contract> CONTRACT = Form.of("Contract", "What game code names.", f -> {
        var events = f.list("events", Contract::events, EventJson.EVENT).says("The events that the game says.");
        var channels = f.list("channels", Contract::channels, EventJson.CHANNEL)
                .says("The numbers that it publishes all the time.");
        var effects = f.list("effects", Contract::effects, TURNABLE)
                .says("The effects that game code can set parameters of.");
        var notices = f.list("notices", Contract::notices, NOTICE).says("What game code is told.");
        var announced = f.names("announced", Contract::announced).says("Events that ropes announce.");
        return v -> new Contract(events.of(v), channels.of(v), effects.of(v), notices.of(v), announced.of(v));
    });

    static final Form<Version> VERSION = Form.of("Version", "A contract as it was handed over.", f -> {
        var name = f.name("name", Version::name).says("By which it is known; no two versions have the same.");
        var note = f.text("note", Version::note)
                .usual("")
                .always()
                .characters(0, Version.LONGEST_NOTE)
                .says("What is new in it, in a sentence or two.");
        var contract = f.set("contract", Version::contract, CONTRACT).says("What game code could name then.");
        return v -> new Version(name.of(v), note.of(v), contract.of(v));
    });

    static final Form<Alias> ALIAS = Form.of("Alias", "A deprecated name, accepted for one more version.", f -> {
        var kind = f.choice("kind", Alias::kind, Alias.Kind.class).says("What has another name now.");
        var within = f.text("within", Alias::within).usual("").says("The event of a field, the effect of a parameter.");
        var from = f.name("from", Alias::from).says("The deprecated name.");
        var to = f.name("to", Alias::to).says("The present name.");
        var since = f.name("since", Alias::since)
                .says("The last version in which the deprecated name was the present one.");
        return v -> new Alias(kind.of(v), within.of(v), from.of(v), to.of(v), since.of(v));
    });

    private ContractJson() {}
}
