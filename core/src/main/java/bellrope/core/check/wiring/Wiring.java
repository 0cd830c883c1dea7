package bellrope.core.check.wiring;

import bellrope.core.check.Finding.Severity;
import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.measure.Balance;
import bellrope.core.measure.Numbers;
import bellrope.core.measure.Reaches;
import bellrope.core.project.Project;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence.Slot;
import bellrope.core.rope.SourceValues;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;

/** A project's ropes with what was computed of their responses, for the checks to look at. */
public final class Wiring {
    private final Project project;
    private final Known known;
    private final Map<String, EventType> events = new HashMap<>();
    private final Map<String, Effect> effects = new HashMap<>();
    private final Map<String, List<Rope>> byEvent = new LinkedHashMap<>();
    private final List<Noticed> found = new ArrayList<>();

    /**
     * Something noticed.
     *
     * @param check its name, such as {@code unanswered event}
     * @param rope it is about; empty where it is about an event
     * @param event it is about
     * @param slot of the rope's sentence where it stands
     * @param words what was noticed and why it matters, with its numbers
     * @param remedy a change that mends it
     */
    public record Noticed(
            String check,
            Severity severity,
            String rope,
            String event,
            Slot slot,
            String words,
            Optional<Remedy> remedy) {}

    /** A change that mends something: what it does, as an order, and the rope with the change made. */
    public record Remedy(String words, Rope rope) {}

    /** Returns what sources can say to a rope that waits for an event. */
    SourceValues values(EventType event) {
        return new SourceValues(event, project::channel);
    }

    /**
     * What of a response matters here.
     *
     * @param onset seconds from the pull until something can be seen; empty when nothing ever is
     * @param presence total, square units × seconds
     */
    public record Seen(OptionalDouble onset, double presence) {
        public static Seen of(Numbers numbers) {
            return new Seen(numbers.onset(), numbers.presenceTotal());
        }
    }

    /**
     * The last pulls of an event.
     *
     * @param at seconds, in the order they came
     * @param named whether any of them named a subject
     */
    public record Pulled(List<Double> at, boolean named) {}

    /**
     * What is known besides the project.
     *
     * @param seen of the responses by rope; ropes without any are judged by what they say alone
     * @param reaches of ropes that name a hit test, by rope
     * @param recorded what the sources of feeds gave at the last pulls, by rope and parameter
     * @param pulled the last pulls by event
     */
    public record Known(
            Map<String, Seen> seen,
            Map<String, Reaches> reaches,
            Map<String, Map<String, List<Double>>> recorded,
            Map<String, Pulled> pulled) {
        public Known(
                Map<String, Seen> seen, Map<String, Reaches> reaches, Map<String, Map<String, List<Double>>> recorded) {
            this(seen, reaches, recorded, Map.of());
        }

        public static Known seen(Map<String, Seen> seen) {
            return new Known(seen, Map.of(), Map.of());
        }
    }

    private Wiring(Project project, Known known) {
        this.project = project;
        this.known = known;
        project.events().forEach(e -> events.put(e.name(), e));
        project.effects().forEach(e -> effects.put(e.name(), e));
        project.ropes()
                .forEach(r -> byEvent.computeIfAbsent(r.event(), e -> new ArrayList<>())
                        .add(r));
    }

    /** Returns everything noticed, by check, what wastes most time first. */
    public static List<Noticed> look(Project project, Known known) {
        Wiring w = new Wiring(project, known);
        Unanswered.look(w);
        Naming.look(w);
        Endings.look(w);
        Deciding.look(w);
        Feeding.look(w);
        Doubling.look(w);
        Overriding.look(w);
        Responses.look(w);
        return List.copyOf(w.found);
    }

    /** Returns the balance of the ropes whose numbers are known. */
    public static Balance balance(Project project, Map<String, Seen> seen) {
        Map<String, Integer> weights = new HashMap<>();
        project.events().forEach(e -> weights.put(e.name(), e.weight()));
        return Balance.of(project.ropes().stream()
                .filter(r -> seen.containsKey(r.name()) && weights.containsKey(r.event()))
                .map(r -> new Balance.Response(
                        r.name(),
                        r.event(),
                        weights.get(r.event()),
                        seen.get(r.name()).presence()))
                .toList());
    }

    Project project() {
        return project;
    }

    Optional<Seen> seen(Rope rope) {
        return Optional.ofNullable(known.seen().get(rope.name()));
    }

    Map<String, Seen> allSeen() {
        return known.seen();
    }

    Optional<Reaches> reaches(Rope rope) {
        return Optional.ofNullable(known.reaches().get(rope.name()));
    }

    List<Double> recorded(Rope rope, String parameter) {
        return known.recorded().getOrDefault(rope.name(), Map.of()).getOrDefault(parameter, List.of());
    }

    Pulled pulled(String event) {
        return known.pulled().getOrDefault(event, new Pulled(List.of(), false));
    }

    Optional<EventType> event(String name) {
        return Optional.ofNullable(events.get(name));
    }

    Optional<Effect> effect(String name) {
        return Optional.ofNullable(effects.get(name));
    }

    /** Returns the effect as a rope plays it. */
    Optional<Effect> played(Rope rope) {
        return rope.play().flatMap(this::effect).map(rope::over);
    }

    List<Rope> ropesOf(String event) {
        return byEvent.getOrDefault(event, List.of());
    }

    /** Goes through all ropes that are switched on and whose event is there. */
    void each(RopeLook look) {
        for (Rope rope : project.ropes()) {
            EventType event = events.get(rope.event());
            if (event != null && !rope.note().off()) {
                look.at(rope, event);
            }
        }
    }

    /** What a check does with one rope. */
    interface RopeLook {
        void at(Rope rope, EventType event);
    }

    void event(String check, Severity severity, EventType event, String words) {
        found.add(new Noticed(check, severity, "", event.name(), Slot.EVENT, words, Optional.empty()));
    }

    void rope(String check, Severity severity, Rope rope, Slot slot, String words) {
        found.add(new Noticed(check, severity, rope.name(), rope.event(), slot, words, Optional.empty()));
    }

    /** Notes a finding with the change that mends it. */
    void rope(
            String check,
            Severity severity,
            Rope rope,
            Slot slot,
            String words,
            String remedy,
            Consumer<Rope.Draft> change) {
        found.add(new Noticed(
                check,
                severity,
                rope.name(),
                rope.event(),
                slot,
                words,
                Optional.of(new Remedy(remedy, rope.with(change)))));
    }
}
