package bellrope.format.code;

import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Type;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.value.Datum;
import bellrope.core.value.Words;
import bellrope.format.code.Call.Doc;
import bellrope.format.code.Call.Does;
import bellrope.format.code.Call.Kind;
import bellrope.format.code.Call.Takes;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The contract as source text of one language: every name once as a constant, every event, channel and parameter once as a
 * typed call, the descriptions above them, former names marked as such. This walks the contract; a language says how each
 * thing is written.
 */
abstract class Code {
    /** What is said of the interface that calls go through, where games bring a socket of their own. */
    static final String SOCKET =
            "Where calls go; implement it once over the engine's own socket: each call is an entry of docs/format/link.md, and "
                    + "docs/format/link.conversation.json is a conversation to test it with.";

    private final StringBuilder text = new StringBuilder();
    private final Set<String> reserved;
    private final List<Alias> aliases;
    private int depth;

    Code(Set<String> reserved, List<Alias> aliases) {
        this.reserved = reserved;
        this.aliases = aliases;
    }

    abstract void begin(String project, String id, String version);

    abstract void end();

    abstract void group(String id, Doc doc);

    abstract void endGroup();

    abstract void constant(String id, String value, Doc doc);

    abstract void constant(String id, double value, Doc doc);

    /** Writes a type of a few words: identifiers with the words that they stand for. */
    abstract void words(String id, Map<String, String> words, Doc doc);

    abstract void call(Call call);

    /**
     * Writes a function that reads one value of what a notice carried; it gives nothing where the notice came without.
     *
     * @param value its identifier, name, kind and type
     */
    abstract void reading(Takes value, Doc doc);

    /** Returns what is taken as it is passed on. */
    abstract String passed(Takes takes);

    /** Returns a text as a literal. */
    String literal(String text) {
        return quoted(text);
    }

    /**
     * How the body of a call is written, each with a place for what goes in.
     *
     * @param payload makes an empty one
     * @param put a name and a value into it
     * @param pull event, phase, subject and value
     * @param publish channel
     * @param set parameter and value
     * @param nothing for a value that is not there
     */
    record Style(String payload, String put, String pull, String publish, String set, String nothing) {}

    /** Writes the body of a call. */
    final void body(Call call, Style style) {
        List<Takes> takes = call.takes();
        call.does()
                .visit(
                        pull -> {
                            boolean state = pull.phase().equals("set");
                            line(style.payload());
                            for (Takes t : takes.subList(state ? 2 : 1, takes.size())) {
                                line(style.put().formatted(literal(t.name()), passed(t)));
                            }
                            line(style.pull()
                                    .formatted(
                                            literal(pull.event()),
                                            literal(pull.phase()),
                                            takes.get(0).id(),
                                            state ? passed(takes.get(1)) : style.nothing()));
                        },
                        publish -> line(style.publish().formatted(literal(publish.channel()))),
                        set -> line(style.set().formatted(literal(set.parameter()), passed(takes.get(0)))));
    }

    /** Returns the name of a type of words as a caller writes it. */
    String typeOf(String id) {
        return id;
    }

    final void line(String... parts) {
        String joined = String.join("", parts);
        text.append(joined.isEmpty() ? "" : "    ".repeat(depth)).append(joined).append('\n');
    }

    final void in() {
        depth++;
    }

    final void out() {
        depth--;
    }

    final String write(String project, Contract contract, String version) {
        // One scope for everything at the top, the name of it all included.
        Identifiers top = new Identifiers(reserved);
        begin(project, top.pascal(project), version);
        names(contract, top);
        Map<String, String> typeIds = types(contract, top);
        calls(contract, top, typeIds);
        for (Contract.Notice notice : contract.notices()) {
            if (!notice.values().isEmpty()) {
                notice(notice, top, typeIds);
            }
        }
        for (Contract.Turnable effect : contract.effects()) {
            effect(effect, effect.name(), top, typeIds, "");
            for (Alias alias : former(Alias.Kind.EFFECT, "", effect.name())) {
                effect(effect, alias.from(), top, typeIds, alias.to());
            }
        }
        end();
        return text.toString();
    }

    private List<Alias> former(Alias.Kind kind, String within, String name) {
        return aliases.stream()
                .filter(a -> a.kind() == kind && a.within().equals(within) && a.to().equals(name))
                .toList();
    }

    private void names(Contract contract, Identifiers groups) {
        Identifiers ids = new Identifiers(reserved);
        group(groups.pascal("Events"), Doc.of("Names of events."));
        for (EventType event : contract.events()) {
            constant(ids.upper(event.name()), event.name(), Doc.of(event.description()));
            for (Alias alias : former(Alias.Kind.EVENT, "", event.name())) {
                constant(
                        ids.upper(alias.from()),
                        event.name(),
                        Doc.of(event.description()).formerly(alias.to()));
            }
        }
        endGroup();
        ids = new Identifiers(reserved);
        group(groups.pascal("Channels"), Doc.of("Names of channels."));
        for (Channel channel : contract.channels()) {
            constant(ids.upper(channel.name()), channel.name(), Doc.of(channel.description(), says(channel)));
            for (Alias alias : former(Alias.Kind.CHANNEL, "", channel.name())) {
                constant(
                        ids.upper(alias.from()),
                        channel.name(),
                        Doc.of(channel.description()).formerly(alias.to()));
            }
        }
        endGroup();
        ids = new Identifiers(reserved);
        group(groups.pascal("Notices"), Doc.of("What the game is told by name."));
        for (Contract.Notice notice : contract.notices()) {
            constant(
                    ids.upper(notice.name()),
                    notice.name(),
                    Doc.of("Told by " + String.join(", ", notice.from()) + "."));
        }
        endGroup();
    }

    private static String says(Channel channel) {
        return Words.number(channel.range().least()) + " to "
                + Words.number(channel.range().most()) + unit(channel.unit()) + ", usually "
                + Words.number(channel.usual()) + ".";
    }

    private static String unit(String unit) {
        return unit.isEmpty() ? "" : " " + unit;
    }

    // Types of words: for choices of payloads and of parameters, and for the values of states.
    private Map<String, String> types(Contract contract, Identifiers types) {
        Map<String, String> ids = new HashMap<>();
        for (EventType event : contract.events()) {
            if (!event.values().isEmpty()) {
                ids.put(
                        "value " + event.name(),
                        words(types.pascal(event.name(), "value"), event.values(), event.name()));
            }
            for (Field field : event.fields()) {
                if (field instanceof Field.Choice choice) {
                    ids.put(
                            "field " + event.name() + "/" + field.name(),
                            words(
                                    types.pascal(event.name(), field.name()),
                                    choice.options(),
                                    event.name() + ", " + field.name()));
                }
            }
        }
        for (Contract.Turnable effect : contract.effects()) {
            for (Parameter p : effect.parameters()) {
                if (p.type() instanceof Type.Choice choice) {
                    ids.put(
                            "parameter " + effect.name() + "/" + p.name(),
                            words(
                                    types.pascal(effect.name(), p.name()),
                                    choice.options(),
                                    effect.name() + ", " + p.name()));
                }
            }
        }
        for (Contract.Notice notice : contract.notices()) {
            for (Contract.Value value : notice.values()) {
                if (value.field() instanceof Field.Choice choice) {
                    ids.put(
                            "notice " + notice.name() + "/" + value.name(),
                            words(
                                    types.pascal(notice.name(), value.name()),
                                    choice.options(),
                                    notice.name() + ", " + value.name()));
                }
            }
        }
        return ids;
    }

    private void notice(Contract.Notice notice, Identifiers types, Map<String, String> typeIds) {
        group(types.pascal(notice.name(), "notice"), Doc.of("What the notice " + notice.name() + " carries."));
        Identifiers ids = new Identifiers(reserved);
        for (Contract.Value value : notice.values()) {
            reading(
                    new Takes(
                            ids.camel(value.name()),
                            value.name(),
                            kind(value.field()),
                            words(value.field()),
                            typeIds.getOrDefault("notice " + notice.name() + "/" + value.name(), "")),
                    Doc.of(
                            words(value.field()) + ".",
                            value.always() ? "With every such notice." : "Not every rope sends it with the notice."));
        }
        endGroup();
    }

    private String words(String id, List<String> words, String of) {
        Identifiers ids = new Identifiers(reserved);
        Map<String, String> named = new java.util.LinkedHashMap<>();
        words.forEach(w -> named.put(ids.upper(w), w));
        words(id, named, Doc.of("Words of " + of + "."));
        return typeOf(id);
    }

    private void calls(Contract contract, Identifiers ids, Map<String, String> typeIds) {
        for (EventType event : contract.events()) {
            event(event, event.name(), ids, typeIds, "");
            for (Alias alias : former(Alias.Kind.EVENT, "", event.name())) {
                event(event, alias.from(), ids, typeIds, alias.to());
            }
        }
        for (Channel channel : contract.channels()) {
            channel(channel, channel.name(), ids, "");
            for (Alias alias : former(Alias.Kind.CHANNEL, "", channel.name())) {
                channel(channel, alias.from(), ids, alias.to());
            }
        }
    }

    private static Doc doc(String present, String... lines) {
        Doc doc = Doc.of(lines);
        return present.isEmpty() ? doc : doc.formerly(present);
    }

    private void event(EventType event, String called, Identifiers ids, Map<String, String> typeIds, String present) {
        Identifiers arguments = new Identifiers(reserved);
        arguments.camel("bell");
        List<Takes> takes = new ArrayList<>();
        takes.add(new Takes(
                arguments.camel("subject"),
                "subject",
                Kind.TEXT,
                "who or what it is about; empty for the usual one",
                ""));
        if (event.shape() == EventType.Shape.STATE) {
            takes.add(new Takes(
                    arguments.camel("value"),
                    "value",
                    Kind.WORD,
                    Words.either(event.values()),
                    typeIds.get("value " + event.name())));
        }
        List<Takes> subjectOnly = List.copyOf(takes);
        for (Field field : event.fields()) {
            takes.add(new Takes(
                    arguments.camel(field.name()),
                    field.name(),
                    kind(field),
                    words(field),
                    typeIds.getOrDefault("field " + event.name() + "/" + field.name(), "")));
        }
        switch (event.shape()) {
            case MOMENT ->
                call(new Call(
                        ids.camel(called),
                        doc(present, event.description()),
                        takes,
                        new Does.Pull(event.name(), "moment")));
            case SPAN -> {
                call(new Call(
                        ids.camel(called, "begins"),
                        doc(present, event.description(), "It begins."),
                        takes,
                        new Does.Pull(event.name(), "begin")));
                call(new Call(
                        ids.camel(called, "ends"),
                        doc(present, event.description(), "It ends."),
                        subjectOnly,
                        new Does.Pull(event.name(), "end")));
            }
            case STATE ->
                call(new Call(
                        ids.camel(called),
                        doc(present, event.description()),
                        takes,
                        new Does.Pull(event.name(), "set")));
        }
    }

    private void channel(Channel channel, String called, Identifiers ids, String present) {
        call(new Call(
                ids.camel("publish", called),
                doc(present, channel.description()),
                List.of(new Takes("value", "value", Kind.NUMBER, says(channel), "")),
                new Does.Publish(channel.name())));
    }

    private void effect(
            Contract.Turnable effect, String called, Identifiers types, Map<String, String> typeIds, String present) {
        group(types.pascal(called, "effect"), doc(present, effect.description()));
        Identifiers ids = new Identifiers(reserved);
        constant(ids.upper("effect"), effect.name(), Doc.of("Its name."));
        for (Parameter p : effect.parameters()) {
            parameter(effect, p, p.name(), ids, typeIds, "");
            for (Alias alias : former(Alias.Kind.PARAMETER, effect.name(), p.name())) {
                parameter(effect, p, alias.from(), ids, typeIds, alias.to());
            }
        }
        endGroup();
    }

    private void parameter(
            Contract.Turnable effect,
            Parameter p,
            String called,
            Identifiers ids,
            Map<String, String> typeIds,
            String present) {
        String takes = p.type().expects() + unit(p.unit()) + ", usually "
                + p.standard().inWords() + ".";
        constant(ids.upper(called), p.name(), doc(present, p.description(), takes));
        if (present.isEmpty() && p.standard() instanceof Datum.Num standard) {
            constant(ids.upper(called, "default"), standard.value(), Doc.of("The default of " + p.name() + "."));
            constant(ids.upper(called, "least"), p.type().least(), Doc.of("The least of " + p.name() + "."));
            constant(ids.upper(called, "most"), p.type().most(), Doc.of("The most of " + p.name() + "."));
        }
        call(new Call(
                ids.camel("set", called),
                doc(present, p.description()),
                List.of(new Takes(
                        "value",
                        "value",
                        kind(p.type()),
                        takes,
                        typeIds.getOrDefault("parameter " + effect.name() + "/" + p.name(), ""))),
                new Does.Set(p.name())));
    }

    private static Kind kind(Field field) {
        return field.match(
                number -> Kind.NUMBER,
                choice -> Kind.WORD,
                vector -> Kind.VECTOR,
                flag -> Kind.FLAG,
                colour -> Kind.TEXT,
                text -> Kind.TEXT);
    }

    private static String words(Field field) {
        return field.match(
                number -> number.expects() + ", usually " + Words.number(number.usual()),
                Field::expects,
                vector -> vector.meaning() == Field.Meaning.OTHER
                        ? vector.expects()
                        : vector.meaning().words(),
                Field::expects,
                Field::expects,
                Field::expects);
    }

    private static Kind kind(Type type) {
        return type.match(
                number -> Kind.NUMBER,
                whole -> Kind.NUMBER,
                flag -> Kind.FLAG,
                choice -> Kind.WORD,
                vector -> Kind.VECTOR,
                colour -> Kind.TEXT);
    }

    /** Returns a text as a literal that every one of the languages reads alike. */
    static String quoted(String text) {
        StringBuilder literal = new StringBuilder("\"");
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '"' || c == '\\') {
                literal.append('\\').append(c);
            } else if (c < ' ' || c > '~') {
                literal.append(String.format("\\u%04x", (int) c));
            } else {
                literal.append(c);
            }
        }
        return literal.append('"').toString();
    }

    /** Returns a number as a literal. */
    static String number(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e9
                ? Long.toString((long) value)
                : Double.toString(value);
    }

    /** Returns a line that cannot end the comment it stands in, nor mean anything to a compiler. */
    static String plain(String line) {
        return line.replace("??", "? ?")
                .replace("\\", "/")
                .replace("*/", "* /")
                .replace("/*", "/ *")
                .replaceAll("[\\p{Cntrl}\\u2028\\u2029]", " ");
    }

    /** Writes a comment of the family that begins with {@code /**}. */
    final void comment(Doc doc, List<Takes> takes, String param, String deprecated) {
        List<String> lines = new ArrayList<>();
        doc.lines().forEach(l -> lines.addAll(List.of(l.split("\\R"))));
        for (Takes t : takes) {
            lines.add(param + t.id() + " " + t.words());
        }
        if (!deprecated.isEmpty()) {
            doc.instead().ifPresent(present -> lines.add(deprecated + "called " + present + " now"));
        }
        if (lines.isEmpty()) {
            return;
        }
        if (lines.size() == 1) {
            line("/** ", plain(lines.get(0)), " */");
            return;
        }
        line("/**");
        lines.forEach(l -> line(" * ", plain(l)));
        line(" */");
    }
}
