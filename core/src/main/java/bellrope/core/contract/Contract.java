package bellrope.core.contract;

import bellrope.core.effect.Parameter;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import java.util.List;
import java.util.Optional;

/**
 * Everything that game code names: the events it announces, the channels it publishes, the effects with the parameters it
 * may turn, and what it is told in return.
 *
 * @param events with their payloads
 * @param channels in the project's order
 * @param effects with their parameters, whose bindings are not its concern here
 * @param notices what the game is told by name
 * @param announced names of events that ropes announce themselves
 */
public record Contract(
        List<EventType> events,
        List<Channel> channels,
        List<Turnable> effects,
        List<Notice> notices,
        List<String> announced) {
    /** A contract of nothing. */
    public static final Contract NONE = new Contract(List.of(), List.of(), List.of(), List.of(), List.of());

    /** An effect as game code sees it. */
    public record Turnable(String name, String description, boolean looping, List<Parameter> parameters) {
        public Turnable {
            parameters = List.copyOf(parameters);
        }

        public Optional<Parameter> parameter(String wanted) {
            return parameters.stream().filter(p -> p.name().equals(wanted)).findFirst();
        }
    }

    /**
     * Something that the game is told by name.
     *
     * @param from names of the ropes that tell it
     * @param values what it carries, whichever rope tells it
     */
    public record Notice(String name, List<String> from, List<Value> values) {
        public Notice {
            from = List.copyOf(from);
            values = List.copyOf(values);
        }

        /** Returns a value by its name. */
        public Optional<Value> value(String wanted) {
            return values.stream().filter(v -> v.name().equals(wanted)).findFirst();
        }
    }

    /**
     * A value that a notice carries.
     *
     * @param field its name and type
     * @param always whether every rope that tells the notice carries it, so that code need not ask whether it came
     */
    public record Value(Field field, boolean always) {
        public String name() {
            return field.name();
        }
    }

    public Contract {
        events = List.copyOf(events);
        channels = List.copyOf(channels);
        effects = List.copyOf(effects);
        notices = List.copyOf(notices);
        announced = List.copyOf(announced);
    }

    public Optional<EventType> event(String name) {
        return events.stream().filter(e -> e.name().equals(name)).findFirst();
    }

    public Optional<Channel> channel(String name) {
        return channels.stream().filter(c -> c.name().equals(name)).findFirst();
    }

    public Optional<Notice> notice(String name) {
        return notices.stream().filter(n -> n.name().equals(name)).findFirst();
    }

    public Optional<Turnable> effect(String name) {
        return effects.stream().filter(e -> e.name().equals(name)).findFirst();
    }
}
