package bellrope.core.contract;

import bellrope.core.effect.Parameter;
import bellrope.core.effect.Type;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.value.Range;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;

/**
 * One thing that differs between two contracts, and whether it breaks game code that was written against the earlier one.
 *
 * @param kind of difference
 * @param what such as {@code event courier.landed, field speed}
 * @param before in words; empty where there was nothing
 * @param after in words; empty where there is nothing now
 * @param breaks whether code against the earlier contract does something else, or no longer compiles
 * @param why in a sentence part
 */
public record Difference(Kind kind, String what, String before, String after, boolean breaks, String why) {
    /** How two contracts differ. */
    public enum Kind {
        ADDED,
        CHANGED,
        REMOVED,
        RENAMED
    }

    /**
     * Returns what differs.
     *
     * @param aliases former names that still do
     */
    public static List<Difference> between(Contract before, Contract after, List<Alias> aliases) {
        Looking looking = new Looking(aliases);
        looking.events(before, after);
        looking.channels(before, after);
        looking.effects(before, after);
        looking.notices(before, after);
        return List.copyOf(looking.found);
    }

    private static final class Looking {
        private final List<Difference> found = new ArrayList<>();
        private final List<Alias> aliases;

        private Looking(List<Alias> aliases) {
            this.aliases = aliases;
        }

        private void add(Kind kind, String what, String before, String after, boolean breaks, String why) {
            found.add(new Difference(kind, what, before, after, breaks, why));
        }

        private void changed(String what, Object before, Object after, boolean breaks, String why) {
            if (!Objects.equals(before, after)) {
                add(Kind.CHANGED, what, String.valueOf(before), String.valueOf(after), breaks, why);
            }
        }

        // The present name of something, as far as renames tell.
        private String now(Alias.Kind kind, String within, String name) {
            for (Alias alias : aliases) {
                if (alias.kind() == kind
                        && alias.within().equals(within)
                        && alias.from().equals(name)) {
                    return alias.to();
                }
            }
            return name;
        }

        private void renamed(String what, String from, String to) {
            if (!from.equals(to)) {
                add(
                        Kind.RENAMED,
                        what,
                        from,
                        to,
                        false,
                        "deprecated; the former name is still accepted in this version");
            }
        }

        private void events(Contract before, Contract after) {
            Set<String> met = new HashSet<>();
            for (EventType was : before.events()) {
                String name = now(Alias.Kind.EVENT, "", was.name());
                EventType is = after.event(name).orElse(null);
                if (is == null) {
                    add(Kind.REMOVED, "event " + was.name(), "there", "", true, "code that announces it is refused");
                    continue;
                }
                met.add(name);
                String what = "event " + name;
                renamed(what, was.name(), name);
                changed(
                        what + ", shape",
                        was.shape().name().toLowerCase(),
                        is.shape().name().toLowerCase(),
                        true,
                        "it is announced in another way");
                changed(
                        what + ", weight",
                        was.weight(),
                        is.weight(),
                        false,
                        "how much it matters is not code's business");
                changed(what + ", description", was.description(), is.description(), false, "words only");
                values(what, was, is);
                fields(what, name, was, is);
            }
            for (EventType is : after.events()) {
                if (!met.contains(is.name())) {
                    add(Kind.ADDED, "event " + is.name(), "", "there", false, "no code announces it yet");
                }
            }
        }

        private void values(String what, EventType was, EventType is) {
            for (String value : was.values()) {
                if (!is.values().contains(value)) {
                    add(Kind.REMOVED, what + ", value " + value, "there", "", true, "code that sets it is refused");
                }
            }
            for (String value : is.values()) {
                if (!was.values().contains(value)) {
                    add(Kind.ADDED, what + ", value " + value, "", "there", false, "no code sets it yet");
                }
            }
        }

        private void fields(String what, String event, EventType was, EventType is) {
            Set<String> met = new HashSet<>();
            for (Field old : was.fields()) {
                String name = now(Alias.Kind.FIELD, event, old.name());
                Field field = is.field(name).orElse(null);
                String at = what + ", field " + name;
                if (field == null) {
                    add(
                            Kind.REMOVED,
                            what + ", field " + old.name(),
                            old.expects(),
                            "",
                            true,
                            "a payload that still carries it is refused");
                    continue;
                }
                met.add(name);
                renamed(at, old.name(), name);
                field(at, old, field);
            }
            for (Field field : is.fields()) {
                if (!met.contains(field.name())) {
                    add(
                            Kind.ADDED,
                            what + ", field " + field.name(),
                            "",
                            field.expects(),
                            true,
                            "a payload without it is refused");
                }
            }
        }

        private void field(String at, Field was, Field is) {
            if (was.getClass() != is.getClass()) {
                changed(at + ", type", was.expects(), is.expects(), true, "a value of the previous type is refused");
                return;
            }
            options(at, was.options(), is.options(), "sends");
            was.visit(
                    a -> number(at, a, (Field.Number) is),
                    choice -> {},
                    a -> changed(
                            at + ", meaning",
                            words(a.meaning()),
                            words(((Field.Vector) is).meaning()),
                            true,
                            "the same three numbers mean something else"),
                    flag -> {},
                    colour -> {},
                    text -> {});
        }

        private void number(String at, Field.Number was, Field.Number is) {
            changed(at + ", unit", was.unit(), is.unit(), true, "the same number means something else");
            changed(
                    at + ", range",
                    range(was.range()),
                    range(is.range()),
                    false,
                    "values beyond are taken as they are");
        }

        private static String words(Field.Meaning meaning) {
            return meaning.name().toLowerCase().replace('_', ' ');
        }

        private void options(String at, List<String> was, List<String> is, String does) {
            for (String option : was) {
                if (!is.contains(option)) {
                    String why = "code that " + does + " it is refused";
                    add(Kind.REMOVED, at + ", option " + option, "there", "", true, why);
                }
            }
            for (String option : is) {
                if (!was.contains(option)) {
                    add(Kind.ADDED, at + ", option " + option, "", "there", false, "no code " + does + " it yet");
                }
            }
        }

        private void channels(Contract before, Contract after) {
            Set<String> met = new HashSet<>();
            for (Channel was : before.channels()) {
                String name = now(Alias.Kind.CHANNEL, "", was.name());
                Channel is = after.channel(name).orElse(null);
                if (is == null) {
                    add(Kind.REMOVED, "channel " + was.name(), "there", "", true, "code that publishes it is refused");
                    continue;
                }
                met.add(name);
                String what = "channel " + name;
                renamed(what, was.name(), name);
                changed(what + ", unit", was.unit(), is.unit(), true, "the same number means something else");
                changed(
                        what + ", range",
                        range(was.range()),
                        range(is.range()),
                        false,
                        "values beyond are taken as they are");
                changed(
                        what + ", usual",
                        Words.number(was.usual()),
                        Words.number(is.usual()),
                        false,
                        "until it is published");
                changed(what + ", description", was.description(), is.description(), false, "words only");
            }
            for (Channel is : after.channels()) {
                if (!met.contains(is.name())) {
                    add(
                            Kind.ADDED,
                            "channel " + is.name(),
                            "",
                            "there",
                            false,
                            "it has its usual value until published");
                }
            }
        }

        private void effects(Contract before, Contract after) {
            Set<String> met = new HashSet<>();
            for (Contract.Turnable was : before.effects()) {
                String name = now(Alias.Kind.EFFECT, "", was.name());
                Contract.Turnable is = after.effect(name).orElse(null);
                if (is == null) {
                    add(
                            Kind.REMOVED,
                            "effect " + was.name(),
                            "there",
                            "",
                            true,
                            "code that sets it no longer finds it");
                    continue;
                }
                met.add(name);
                String what = "effect " + name;
                renamed(what, was.name(), name);
                changed(what + ", description", was.description(), is.description(), false, "words only");
                changed(
                        what + ", course",
                        was.looping() ? "looping" : "one-shot",
                        is.looping() ? "looping" : "one-shot",
                        false,
                        "ropes decide how it is played");
                parameters(what, name, was, is);
            }
            for (Contract.Turnable is : after.effects()) {
                if (!met.contains(is.name())) {
                    add(Kind.ADDED, "effect " + is.name(), "", "there", false, "no code sets it yet");
                }
            }
        }

        private void parameters(String what, String effect, Contract.Turnable was, Contract.Turnable is) {
            Set<String> met = new HashSet<>();
            for (Parameter old : was.parameters()) {
                String name = now(Alias.Kind.PARAMETER, effect, old.name());
                Parameter p = is.parameter(name).orElse(null);
                if (p == null) {
                    add(
                            Kind.REMOVED,
                            what + ", parameter " + old.name(),
                            old.type().expects(),
                            "",
                            true,
                            "code that sets it is refused");
                    continue;
                }
                met.add(name);
                String at = what + ", parameter " + name;
                renamed(at, old.name(), name);
                parameter(at, old, p);
            }
            for (Parameter p : is.parameters()) {
                if (!met.contains(p.name())) {
                    add(
                            Kind.ADDED,
                            what + ", parameter " + p.name(),
                            "",
                            p.type().expects(),
                            false,
                            "it has its default until set");
                }
            }
        }

        private void parameter(String at, Parameter was, Parameter is) {
            if (was.type().getClass() != is.type().getClass()) {
                changed(
                        at + ", type",
                        was.type().expects(),
                        is.type().expects(),
                        true,
                        "a value of the previous type is refused");
                return;
            }
            changed(at + ", unit", was.unit(), is.unit(), true, "the same number means something else");
            options(at, was.type().options(), is.type().options(), "sets");
            if (was.type().options().isEmpty()) {
                boolean colour = was.type() instanceof Type.Colour a
                        && is.type() instanceof Type.Colour b
                        && a.opacity()
                        && !b.opacity();
                changed(
                        at + ", takes",
                        was.type().expects(),
                        is.type().expects(),
                        colour,
                        colour ? "a colour with opacity is refused" : "what lies beyond is held at the bound");
            }
            changed(
                    at + ", default",
                    was.standard().inWords(),
                    is.standard().inWords(),
                    false,
                    "until something sets it");
            changed(at + ", description", was.description(), is.description(), false, "words only");
        }

        private void notices(Contract before, Contract after) {
            List<String> was =
                    before.notices().stream().map(Contract.Notice::name).toList();
            List<String> is =
                    after.notices().stream().map(Contract.Notice::name).toList();
            told("notice ", was, is);
            told("announced event ", before.announced(), after.announced());
            for (Contract.Notice one : before.notices()) {
                after.notice(one.name()).ifPresent(now -> carried("notice " + one.name(), one, now));
            }
        }

        // What comes from here is read by code: what breaks is the other way round from what code sends.
        private void carried(String what, Contract.Notice was, Contract.Notice is) {
            for (Contract.Value old : was.values()) {
                String at = what + ", value " + old.name();
                Contract.Value now = is.value(old.name()).orElse(null);
                if (now == null) {
                    add(Kind.REMOVED, at, old.field().expects(), "", true, "code that reads it finds nothing");
                } else {
                    changed(
                            at + ", sent",
                            old.always() ? "always" : "by some ropes",
                            now.always() ? "always" : "by some ropes",
                            old.always(),
                            old.always() ? "code that counts on it may find nothing" : "it may be counted on");
                    read(at, old.field(), now.field());
                }
            }
            for (Contract.Value now : is.values()) {
                if (was.value(now.name()).isEmpty()) {
                    add(
                            Kind.ADDED,
                            what + ", value " + now.name(),
                            "",
                            now.field().expects(),
                            false,
                            "no code reads it yet");
                }
            }
        }

        private void read(String at, Field was, Field is) {
            if (was.getClass() != is.getClass()) {
                changed(at + ", type", was.expects(), is.expects(), true, "code reads a value of the previous type");
            } else if (was.options().isEmpty()) {
                field(at, was, is);
            }
            for (String option : is.options()) {
                if (!was.options().isEmpty() && !was.options().contains(option)) {
                    String why = "code that reads it does not know this option";
                    add(Kind.ADDED, at + ", option " + option, "", "there", true, why);
                }
            }
            for (String option : was.options()) {
                if (!is.options().isEmpty() && !is.options().contains(option)) {
                    add(Kind.REMOVED, at + ", option " + option, "there", "", false, "it no longer comes");
                }
            }
        }

        private void told(String what, List<String> was, List<String> is) {
            for (String name : was) {
                if (!is.contains(name)) {
                    add(Kind.REMOVED, what + name, "there", "", true, "code that waits for it never continues");
                }
            }
            for (String name : is) {
                if (!was.contains(name)) {
                    add(Kind.ADDED, what + name, "", "there", false, "no code listens yet");
                }
            }
        }

        private static String range(Range range) {
            return Words.number(range.least()) + " to " + Words.number(range.most());
        }
    }
}
