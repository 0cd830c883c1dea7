package bellrope.core.stage.world;

import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Place;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.rope.Situation;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

/** What a stage knows of the game around it: subjects, the camera, channels, places, and when events last came. */
public final class World {
    /** Most subjects whose way is kept; beyond them the first one heard of that nothing follows is forgotten. */
    private static final int MOST_SUBJECTS = 4096;
    // Most lives of one subject that are kept once it is no more.
    private static final int MOST_FORMER = 4;

    private final Map<String, Track> subjects = new LinkedHashMap<>();
    private final Map<String, Signal> signals = new HashMap<>();
    private final Map<String, Signal> came = new HashMap<>();
    private final Map<String, Place> places = new HashMap<>();
    private final Map<String, Channel> channels = new HashMap<>();
    private final Set<String> moved = new HashSet<>();
    private Supplier<Set<String>> followed = Set::of;
    private Track camera;
    private boolean everything;
    // Those that are no more, by name, the last first.
    private final Map<String, List<Track>> former = new HashMap<>();
    private int stepsPerSecond;
    private long beginnings;

    /** Carries what it remembers over to steps that are so much shorter. */
    public void repace(double faster) {
        for (Signal signal : came.values()) {
            signal.faster(faster);
        }
    }

    /** Takes a project; what was said before stays. */
    public void take(Project project) {
        int steps = project.settings().pace().stepsPerSecond();
        if (steps != stepsPerSecond) {
            stepsPerSecond = steps;
            subjects.clear();
            former.clear();
            moved.clear();
            signals.clear();
            camera = new Track(steps, tellings());
            camera.put(Integer.MIN_VALUE / 2, -1, Vec3.ZERO, Vec3.ZERO, null);
        }
        places.clear();
        project.places().forEach(p -> places.put(p.name(), p));
        channels.clear();
        project.channels().forEach(c -> channels.put(c.name(), c));
        signals.keySet().retainAll(channels.keySet());
    }

    /** Returns the subject that a pull is about. */
    public static String subject(EventType event, Pull pull) {
        return pull.subject().isEmpty() ? event.subject() : pull.subject();
    }

    public Track camera() {
        return camera;
    }

    /** Returns the way of a subject; null when nothing is known of it. */
    public Track subject(String name) {
        return subjects.get(name);
    }

    /**
     * Returns the way that a beginning saw of a subject, though it may be no more; null where nothing had been told of it.
     *
     * @param beginning see {@link #begins}
     */
    public Track subject(String name, long beginning) {
        Track track = subjects.get(name);
        if (track != null && track.knownBefore(beginning)) {
            return track;
        }
        for (Track one : former.getOrDefault(name, List.of())) {
            if (one.knownBefore(beginning)) {
                return one;
            }
        }
        return null;
    }

    /** Forgets nothing that it is told from now on, so that every step gone by can be played again. */
    public void keepEverything() {
        everything = true;
        camera = new Track(stepsPerSecond, tellings());
        camera.put(Integer.MIN_VALUE / 2, -1, Vec3.ZERO, Vec3.ZERO, null);
    }

    private int tellings() {
        return everything ? Integer.MAX_VALUE : Track.MOST;
    }

    private int sayings() {
        return everything ? Integer.MAX_VALUE : Signal.MOST;
    }

    /** Returns the way of a subject, begun if need be. */
    public Track heard(String name) {
        Track track = subjects.get(name);
        if (track == null) {
            if (subjects.size() >= MOST_SUBJECTS) {
                Set<String> kept = followed.get();
                subjects.keySet().stream()
                        .filter(s -> !kept.contains(s))
                        .findFirst()
                        .or(() -> subjects.keySet().stream().findFirst())
                        .ifPresent(this::forget);
            }
            track = new Track(stepsPerSecond, tellings());
            subjects.put(name, track);
        }
        return track;
    }

    /** @param subjects asks for those that something follows, which are not forgotten */
    public void follows(Supplier<Set<String>> subjects) {
        followed = subjects;
    }

    /** Notes that the game itself says where a subject is. */
    public void moves(String name) {
        moved.add(name);
    }

    public boolean moved(String name) {
        return moved.contains(name);
    }

    public void forget(String name) {
        Track track = subjects.remove(name);
        // Whatever follows it may have to be played again.
        if (track != null
                && (everything
                        || former.size() < MOST_SUBJECTS && followed.get().contains(name))) {
            List<Track> tracks = former.computeIfAbsent(name, n -> new ArrayList<>());
            tracks.add(0, track);
            if (!everything && tracks.size() > MOST_FORMER) {
                tracks.remove(tracks.size() - 1);
            }
        }
        moved.remove(name);
    }

    public Vec3 place(String name) {
        Place place = places.get(name);
        return place == null ? Vec3.ZERO : place.position();
    }

    public boolean has(String channel) {
        return channels.containsKey(channel);
    }

    public List<String> channelNames() {
        return List.copyOf(channels.keySet());
    }

    /** Numbers a beginning: it sees what was told before it, whatever else is told on the same step. */
    public long begins() {
        return ++beginnings;
    }

    /** Returns the number of the last beginning, by which what is told now is ordered. */
    public long order() {
        return beginnings;
    }

    public void publish(String channel, int step, double value) {
        Signal signal = signals.computeIfAbsent(channel, name -> {
            Signal made = new Signal(sayings());
            made.say(Double.NEGATIVE_INFINITY, -1, channels.get(name).usual());
            return made;
        });
        signal.say(step, beginnings, value);
    }

    /** Returns what a step sees a channel say; NaN when there is none of that name. */
    public double channel(String name, int step) {
        Signal signal = signals.get(name);
        return signal == null ? usual(name) : signal.seenBy(step);
    }

    /** Returns a channel as the project announces it. */
    public Optional<Channel> announced(String name) {
        return Optional.ofNullable(channels.get(name));
    }

    private double usual(String name) {
        Channel channel = channels.get(name);
        return channel == null ? Double.NaN : channel.usual();
    }

    /** Notes that an event came on a step, which may lie before the first. */
    public void came(String event, double step) {
        came.computeIfAbsent(event, e -> new Signal(sayings())).say(step, beginnings, step);
    }

    /** Returns for how many seconds a step has not seen an event come; infinite when it never did. */
    public double since(String event, int step) {
        Signal signal = came.get(event);
        double at = signal == null ? Double.NaN : signal.before(step);
        return Double.isNaN(at) ? Double.POSITIVE_INFINITY : (step - at) / stepsPerSecond;
    }

    public double seconds(int steps) {
        return (double) steps / stepsPerSecond;
    }

    /** Returns what a rope can look at when it begins. */
    public Situation situation(Pull pull, int step, long beginning) {
        return new Situation() {
            @Override
            public Datum payload(String field) {
                return pull.payload().get(field);
            }

            @Override
            public double channel(String name) {
                Signal signal = signals.get(name);
                return signal == null ? usual(name) : signal.knownTo(beginning);
            }

            @Override
            public double held() {
                return 0;
            }

            @Override
            public double since(String event) {
                Signal signal = came.get(event);
                double at = signal == null ? Double.NaN : signal.knownTo(beginning);
                return Double.isNaN(at) ? Double.POSITIVE_INFINITY : Math.max(0, step - at) / stepsPerSecond;
            }

            @Override
            public boolean tagged(String tag) {
                return pull.tags().contains(tag);
            }
        };
    }
}
