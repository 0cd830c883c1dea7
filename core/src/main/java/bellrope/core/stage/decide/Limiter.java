package bellrope.core.stage.decide;

import bellrope.core.random.Purpose;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Rope;
import bellrope.core.stage.told.Account.Limited;
import bellrope.core.stage.told.Account.Reason;
import bellrope.core.value.Exact;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What the limits of ropes remember: when and where each last answered, to whom, and how many play. */
public final class Limiter<T extends Limiter.Counted> {
    /** Most subjects that a rope remembers to have answered; beyond them the first one is forgotten. */
    private static final int MOST_ANSWERED = 65_536;
    /** Seconds that are forgiven: time stamps may be rounded to a millisecond. */
    private static final double FORGIVEN = 0.0005;

    private final Map<String, Guard<T>> guards = new HashMap<>();
    private final Map<String, List<T>> groups = new HashMap<>();
    private final Map<String, List<String>> members = new HashMap<>();
    private double step = 1 / 60.0;

    /** Something that plays and is counted. */
    public interface Counted {
        String rope();

        /** Returns the weight of its event. */
        int weight();
    }

    private static final class Guard<T> {
        private double last = Double.NEGATIVE_INFINITY;
        // When it was due to answer last; the next is due a pause later.
        private double due = Double.NEGATIVE_INFINITY;
        private Vec3 place;
        private final Set<String> answered = new LinkedHashSet<>();
        private final List<T> alive = new ArrayList<>();
        // Answers that have not begun yet.
        private int waiting;
    }

    private Guard<T> guard(Rope rope) {
        return guards.computeIfAbsent(rope.name(), name -> new Guard<>());
    }

    /**
     * Returns the limit that stops a rope now; nothing changes by asking.
     *
     * @param now seconds
     * @param origin where it would answer
     * @param weight of the event
     * @param replaced what ends if it answers, and so does not count; null for none
     */
    public Optional<Reason> stopped(
            Rope rope, String subject, Decision decision, double now, Vec3 origin, int weight, T replaced) {
        Limits limits = rope.limits();
        if (limits.none()) {
            return Optional.empty();
        }
        Guard<T> guard = guard(rope);
        if (limits.once() && guard.answered.contains(subject)) {
            String until = limits.until().map(e -> ", until " + e).orElse("");
            return stopped("once for each subject", subject + " has been answered", "another subject" + until);
        }
        double since = now - guard.last;
        if (now + FORGIVEN < guard.due + limits.pause()) {
            boolean rate = limits.perSecond().isPresent() && limits.pause() > limits.cooldown();
            return stopped(
                    rate ? "at most " + Words.number(limits.perSecond().getAsDouble()) + " a second" : "cooldown",
                    Words.number(three(since)) + " s since it last answered",
                    Words.number(three(limits.pause())) + " s");
        }
        if (limits.distance() > 0 && guard.place != null) {
            double distance = origin.plus(guard.place.times(-1)).length();
            if (distance < limits.distance()) {
                return stopped(
                        "minimum distance",
                        Words.number(three(distance)) + " u from where it last answered",
                        Words.number(limits.distance()) + " u");
            }
        }
        if (limits.chance() < 1) {
            double drawn = decision.unit(Purpose.CHANCE);
            if (drawn >= limits.chance()) {
                return stopped(
                        "chance", "drew " + Words.number(three(drawn)), "under " + Words.number(limits.chance()));
            }
        }
        if (limits.alive().isPresent()) {
            List<T> alive = counted(rope);
            int waiting = waiting(rope);
            int many = alive.size() + waiting - (replaced != null && alive.contains(replaced) ? 1 : 0);
            boolean lighter = limits.whenFull() == Limits.WhenFull.LOWEST_WEIGHT
                    && alive.stream().allMatch(p -> p.weight() > weight);
            if (many >= limits.alive().getAsInt() && (limits.whenFull() == Limits.WhenFull.SKIP || lighter)) {
                return stopped(
                        "at most " + limits.alive().getAsInt() + " at a time",
                        alive.size() + " play" + (waiting > 0 ? ", " + waiting + " are about to" : ""),
                        lighter ? "one that is no weightier than this" : "fewer");
            }
        }
        return Optional.empty();
    }

    private static Optional<Reason> stopped(String limit, String have, String wants) {
        return Optional.of(new Limited(limit, have, wants));
    }

    private static double three(double value) {
        return Exact.rint(value * 1000) / 1000;
    }

    private List<T> counted(Rope rope) {
        return rope.limits().together() && rope.note().group().isPresent()
                ? groups.computeIfAbsent(rope.note().group().get(), g -> new ArrayList<>())
                : guard(rope).alive;
    }

    // Answers of a rope, or of all that count together with it, that have not begun yet.
    private int waiting(Rope rope) {
        if (!rope.limits().together() || rope.note().group().isEmpty()) {
            return guard(rope).waiting;
        }
        int sum = 0;
        for (String name : members.getOrDefault(rope.note().group().get(), List.of())) {
            Guard<T> guard = guards.get(name);
            sum += guard == null ? 0 : guard.waiting;
        }
        return sum;
    }

    /**
     * Remembers an answer. The next is due a pause after this one was, not after it came: as a game only asks on its own steps,
     * the average would fall short otherwise. What comes later than a step after it was due starts to count again.
     */
    public void answered(Rope rope, String subject, double now, Vec3 origin) {
        if (!rope.limits().none()) {
            Guard<T> guard = guard(rope);
            double due = guard.due + rope.limits().pause();
            guard.due = now - due < step ? due : now;
            guard.last = now;
            guard.place = origin;
            if (rope.limits().once()) {
                if (guard.answered.size() == MOST_ANSWERED) {
                    guard.answered.remove(guard.answered.iterator().next());
                }
                guard.answered.add(subject);
            }
        }
    }

    /** Notes that an answer of a rope will begin later, so that it counts already. */
    public void waits(Rope rope) {
        guard(rope).waiting++;
    }

    /** Notes that an answer that {@link #waits waited} begins, or comes to nothing. */
    public void waited(String rope) {
        Guard<T> guard = guards.get(rope);
        if (guard != null && guard.waiting > 0) {
            guard.waiting--;
        }
    }

    /** Tells whether no more of a rope may begin and nothing makes room: its limit was lowered while it waited. */
    public boolean closed(Rope rope) {
        Limits limits = rope.limits();
        return limits.alive().isPresent()
                && limits.whenFull() == Limits.WhenFull.SKIP
                && counted(rope).size() >= limits.alive().getAsInt();
    }

    /** Returns the instance that has to go before another of the rope may begin; null when there is room. */
    public T tooMany(Rope rope) {
        if (rope.limits().alive().isEmpty() || rope.limits().whenFull() == Limits.WhenFull.SKIP) {
            return null;
        }
        List<T> alive = counted(rope);
        if (alive.size() < rope.limits().alive().getAsInt()) {
            return null;
        }
        T out = alive.get(0);
        if (rope.limits().whenFull() == Limits.WhenFull.LOWEST_WEIGHT) {
            for (T one : alive) {
                out = one.weight() < out.weight() ? one : out;
            }
        }
        return out;
    }

    /** Counts an instance that began; one that nothing limits need not be remembered. */
    public void began(Rope rope, T instance) {
        if (rope.limits().alive().isPresent()) {
            guard(rope).alive.add(instance);
        }
        rope.note()
                .group()
                .filter(groups::containsKey)
                .ifPresent(g -> groups.get(g).add(instance));
    }

    public void ended(T instance) {
        Guard<T> guard = guards.get(instance.rope());
        if (guard != null) {
            guard.alive.remove(instance);
        }
        if (!groups.isEmpty()) {
            groups.values().forEach(group -> group.remove(instance));
        }
    }

    /** Lets ropes that answer once answer a subject again. */
    public void forget(String subject) {
        guards.values().forEach(guard -> guard.answered.remove(subject));
    }

    /** Lets a rope that answers once answer everyone again. */
    public void reset(Rope rope) {
        guard(rope).answered.clear();
    }

    /**
     * Forgets ropes that are no more, and begins to count the groups whose ropes count together.
     *
     * @param seconds a step
     */
    public void take(List<Rope> ropes, double seconds) {
        step = seconds;
        members.clear();
        Set<String> names = new HashSet<>();
        Set<String> counting = new HashSet<>();
        for (Rope rope : ropes) {
            names.add(rope.name());
            rope.note()
                    .group()
                    .ifPresent(g ->
                            members.computeIfAbsent(g, n -> new ArrayList<>()).add(rope.name()));
            if (rope.limits().together()) {
                rope.note().group().ifPresent(counting::add);
            }
        }
        guards.keySet().retainAll(names);
        groups.keySet().retainAll(counting);
        counting.forEach(g -> groups.computeIfAbsent(g, name -> new ArrayList<>()));
    }

    /** Forgets what plays or waits, and remembers when and whom each rope answered. */
    public void empty() {
        for (Guard<T> guard : guards.values()) {
            guard.alive.clear();
            guard.waiting = 0;
        }
        groups.values().forEach(List::clear);
    }

    public void clear() {
        guards.clear();
        groups.values().forEach(List::clear);
    }
}
