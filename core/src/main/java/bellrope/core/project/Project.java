package bellrope.core.project;

import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import bellrope.core.contract.Version;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Place;
import bellrope.core.pool.Pool;
import bellrope.core.rope.Rope;
import bellrope.core.score.Score;
import bellrope.core.value.Demand;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;

/**
 * Everything of one game. Its names may disagree while work is going on; {@link Consistency} says where.
 *
 * @param sprites at most 255, in the order in which frames number them
 * @param events at most 2,000
 * @param effects at most 2,000, drawn first to last
 * @param ropes at most 10,000, answering in this order
 * @param channels at most 200
 * @param places at most 500
 * @param versions of the contract that were handed over, the first first, at most 200
 * @param pools at most 500; an effect is in one of them at most
 * @param scores what can be rehearsed, at most 200
 */
public record Project(
        String name,
        Settings settings,
        List<Sprite> sprites,
        List<EventType> events,
        List<Effect> effects,
        List<Rope> ropes,
        List<Channel> channels,
        List<Place> places,
        List<Version> versions,
        List<Pool> pools,
        List<Score> scores) {
    public static final int MOST_SPRITES = 255;
    public static final int MOST_EVENTS = 2000;
    public static final int MOST_EFFECTS = 2000;
    public static final int MOST_ROPES = 10_000;
    public static final int MOST_CHANNELS = 200;
    public static final int MOST_PLACES = 500;
    public static final int MOST_VERSIONS = 200;
    public static final int MOST_POOLS = 500;
    public static final int MOST_SCORES = 200;

    public Project {
        Demand.name("name", name);
        sprites = Demand.atMost("sprites", sprites, MOST_SPRITES);
        events = Demand.atMost("events", events, MOST_EVENTS);
        effects = Demand.atMost("effects", effects, MOST_EFFECTS);
        ropes = Demand.atMost("ropes", ropes, MOST_ROPES);
        channels = Demand.atMost("channels", channels, MOST_CHANNELS);
        places = Demand.atMost("places", places, MOST_PLACES);
        versions = Demand.atMost("versions", versions, MOST_VERSIONS);
        pools = Demand.atMost("pools", pools, MOST_POOLS);
        scores = Demand.atMost("scores", scores, MOST_SCORES);
    }

    /** A project that nothing was handed over of yet, without pools and scores. */
    public Project(
            String name,
            Settings settings,
            List<Sprite> sprites,
            List<EventType> events,
            List<Effect> effects,
            List<Rope> ropes,
            List<Channel> channels,
            List<Place> places) {
        this(name, settings, sprites, events, effects, ropes, channels, places, List.of(), List.of(), List.of());
    }

    /** A project without channels and places. */
    public Project(
            String name,
            Settings settings,
            List<Sprite> sprites,
            List<EventType> events,
            List<Effect> effects,
            List<Rope> ropes) {
        this(name, settings, sprites, events, effects, ropes, List.of(), List.of());
    }

    private static <T> Optional<T> named(List<T> all, Function<T, String> name, String wanted) {
        for (T one : all) {
            if (name.apply(one).equals(wanted)) {
                return Optional.of(one);
            }
        }
        return Optional.empty();
    }

    public Optional<EventType> event(String wanted) {
        return named(events, EventType::name, wanted);
    }

    public Optional<Effect> effect(String wanted) {
        return named(effects, Effect::name, wanted);
    }

    public Optional<Rope> rope(String wanted) {
        return named(ropes, Rope::name, wanted);
    }

    public Optional<Channel> channel(String wanted) {
        return named(channels, Channel::name, wanted);
    }

    public Optional<Place> place(String wanted) {
        return named(places, Place::name, wanted);
    }

    public Project withRopes(List<Rope> others) {
        return new Project(name, settings, sprites, events, effects, others, channels, places, versions, pools, scores);
    }

    public Project withSprites(List<Sprite> others) {
        return new Project(name, settings, others, events, effects, ropes, channels, places, versions, pools, scores);
    }

    public Project withEffects(List<Effect> others) {
        return new Project(name, settings, sprites, events, others, ropes, channels, places, versions, pools, scores);
    }

    public Project withEvents(List<EventType> others) {
        return new Project(name, settings, sprites, others, effects, ropes, channels, places, versions, pools, scores);
    }

    public Project withChannels(List<Channel> others) {
        return new Project(name, settings, sprites, events, effects, ropes, others, places, versions, pools, scores);
    }

    public Project withPlaces(List<Place> others) {
        return new Project(name, settings, sprites, events, effects, ropes, channels, others, versions, pools, scores);
    }

    public Project withSettings(Settings other) {
        return new Project(name, other, sprites, events, effects, ropes, channels, places, versions, pools, scores);
    }

    public Project withPools(List<Pool> others) {
        return new Project(name, settings, sprites, events, effects, ropes, channels, places, versions, others, scores);
    }

    public Project withScores(List<Score> others) {
        return new Project(name, settings, sprites, events, effects, ropes, channels, places, versions, pools, others);
    }

    public Project withVersions(List<Version> others) {
        return new Project(name, settings, sprites, events, effects, ropes, channels, places, others, pools, scores);
    }

    public Optional<Score> score(String wanted) {
        return named(scores, Score::name, wanted);
    }

    /** Returns what game code may rely on as things stand. */
    public Contract contract() {
        Set<String> announced = new TreeSet<>();
        ropes.forEach(rope -> rope.followUps().forEach(later -> later.announce().ifPresent(announced::add)));
        return new Contract(
                events,
                channels,
                effects.stream()
                        .map(e -> new Contract.Turnable(
                                e.name(),
                                e.description(),
                                e.looping(),
                                e.parameters().stream()
                                        .map(p -> p.withBindings(List.of()))
                                        .toList()))
                        .toList(),
                new Notices(this).all(),
                List.copyOf(announced));
    }

    /** Returns the contract that was handed over last; empty when none was. */
    public Optional<Version> lastVersion() {
        return versions.isEmpty() ? Optional.empty() : Optional.of(versions.get(versions.size() - 1));
    }

    /**
     * Returns this project with its contract handed over under a name. Deprecated names that the last version accepted are let go;
     * those given up since stay for this one.
     */
    public Project handedOver(String version, String note) {
        String last = lastVersion().map(Version::name).orElse("");
        List<Alias> kept =
                settings.aliases().stream().filter(a -> a.since().equals(last)).toList();
        List<Version> all = new ArrayList<>(versions);
        all.add(new Version(version, note, contract()));
        return withVersions(all).withSettings(settings.withAliases(kept));
    }
}
