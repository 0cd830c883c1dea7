package bellrope.core.stage;

import bellrope.core.random.Purpose;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Rope;
import bellrope.core.stage.Account.Limited;
import bellrope.core.stage.Account.Reason;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What the limits of ropes remember: when and where each last answered, to whom, and how many play. */
final class Limiter {
    private final Map<String, Guard> guards = new HashMap<>();
    private final Map<String, List<Playing>> groups = new HashMap<>();

    private static final class Guard {
        private double last = Double.NEGATIVE_INFINITY;
        private Vec3 place;
        private final Set<String> answered = new HashSet<>();
        private final List<Playing> alive = new ArrayList<>();
    }

    private Guard guard(Rope rope) {
        return guards.computeIfAbsent(rope.name(), name -> new Guard());
    }

    /**
     * Returns the limit that stops a rope now; nothing changes by asking.
     *
     * @param now seconds
     * @param origin where it would answer
     * @param weight of the event
     */
    Optional<Reason> stopped(Rope rope, String subject, Decision decision, double now, Vec3 origin, int weight) {
        Limits limits = rope.limits();
        if (limits.none()) {
            return Optional.empty();
        }
        Guard guard = guard(rope);
        if (limits.once() && guard.answered.contains(subject)) {
            String until = limits.until().map(e -> ", until " + e).orElse("");
            return stopped("once for each subject", subject + " has been answered", "another subject" + until);
        }
        double since = now - guard.last;
        // A billionth forgiven, so that ten a second are ten a second.
        if (since + 1e-9 < limits.pause()) {
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
                        "least distance",
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
            List<Playing> alive = counted(rope);
            boolean lighter = limits.whenFull() == Limits.WhenFull.LEAST_WEIGHTY
                    && alive.stream().allMatch(p -> p.weight > weight);
            if (alive.size() >= limits.alive().getAsInt() && (limits.whenFull() == Limits.WhenFull.SKIP || lighter)) {
                return stopped(
                        "at most " + limits.alive().getAsInt() + " at a time",
                        alive.size() + " play",
                        lighter ? "one that is no weightier than this" : "fewer");
            }
        }
        return Optional.empty();
    }

    private static Optional<Reason> stopped(String limit, String have, String wants) {
        return Optional.of(new Limited(limit, have, wants));
    }

    private static double three(double value) {
        return Math.rint(value * 1000) / 1000;
    }

    private List<Playing> counted(Rope rope) {
        return rope.limits().together() && rope.note().group().isPresent()
                ? groups.computeIfAbsent(rope.note().group().get(), g -> new ArrayList<>())
                : guard(rope).alive;
    }

    /** Remembers an answer. */
    void answered(Rope rope, String subject, double now, Vec3 origin) {
        if (!rope.limits().none()) {
            Guard guard = guard(rope);
            guard.last = now;
            guard.place = origin;
            if (rope.limits().once()) {
                guard.answered.add(subject);
            }
        }
    }

    /** Returns the instance that has to go before another of the rope may begin; null when there is room. */
    Playing tooMany(Rope rope) {
        if (rope.limits().alive().isEmpty()) {
            return null;
        }
        List<Playing> alive = counted(rope);
        if (alive.size() < rope.limits().alive().getAsInt()) {
            return null;
        }
        Playing out = alive.get(0);
        if (rope.limits().whenFull() == Limits.WhenFull.LEAST_WEIGHTY) {
            for (Playing one : alive) {
                out = one.weight < out.weight ? one : out;
            }
        }
        return out;
    }

    /** Counts an instance that began; one that nothing limits need not be remembered. */
    void began(Rope rope, Playing instance) {
        if (rope.limits().alive().isPresent()) {
            guard(rope).alive.add(instance);
        }
        rope.note()
                .group()
                .filter(groups::containsKey)
                .ifPresent(g -> groups.get(g).add(instance));
    }

    void ended(Playing instance) {
        Guard guard = guards.get(instance.rope);
        if (guard != null) {
            guard.alive.remove(instance);
        }
        if (!groups.isEmpty()) {
            groups.values().forEach(group -> group.remove(instance));
        }
    }

    /** Lets ropes that answer once answer a subject again. */
    void forget(String subject) {
        guards.values().forEach(guard -> guard.answered.remove(subject));
    }

    /** Lets a rope that answers once answer everyone again. */
    void reset(Rope rope) {
        guard(rope).answered.clear();
    }

    /** Forgets ropes that are no more, and begins to count the groups whose ropes count together. */
    void take(List<Rope> ropes) {
        Set<String> names = new HashSet<>();
        Set<String> counting = new HashSet<>();
        for (Rope rope : ropes) {
            names.add(rope.name());
            if (rope.limits().together()) {
                rope.note().group().ifPresent(counting::add);
            }
        }
        guards.keySet().retainAll(names);
        groups.keySet().retainAll(counting);
        counting.forEach(g -> groups.computeIfAbsent(g, name -> new ArrayList<>()));
    }

    void clear() {
        guards.clear();
        groups.values().forEach(List::clear);
    }
}
