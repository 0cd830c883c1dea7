package bellrope.core.project;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Place;
import bellrope.core.rope.Rope;
import bellrope.core.value.Demand;
import java.util.List;
import java.util.Optional;

/**
 * Everything of one game. Its names may disagree while work is going on; {@link Consistency} says where.
 *
 * @param sprites at most 255, in the order in which frames number them
 * @param events at most 2,000
 * @param effects at most 2,000, drawn first to last
 * @param ropes at most 10,000, answering in this order
 * @param channels at most 200
 * @param places at most 500
 */
public record Project(
        String name,
        Settings settings,
        List<Sprite> sprites,
        List<EventType> events,
        List<Effect> effects,
        List<Rope> ropes,
        List<Channel> channels,
        List<Place> places) {
    public Project {
        Demand.name("name", name);
        sprites = Demand.atMost("sprites", sprites, 255);
        events = Demand.atMost("events", events, 2000);
        effects = Demand.atMost("effects", effects, 2000);
        ropes = Demand.atMost("ropes", ropes, 10_000);
        channels = Demand.atMost("channels", channels, 200);
        places = Demand.atMost("places", places, 500);
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

    public Optional<EventType> event(String wanted) {
        return events.stream().filter(e -> e.name().equals(wanted)).findFirst();
    }

    public Optional<Effect> effect(String wanted) {
        return effects.stream().filter(e -> e.name().equals(wanted)).findFirst();
    }

    public Optional<Rope> rope(String wanted) {
        return ropes.stream().filter(r -> r.name().equals(wanted)).findFirst();
    }

    public Optional<Channel> channel(String wanted) {
        return channels.stream().filter(c -> c.name().equals(wanted)).findFirst();
    }

    public Optional<Place> place(String wanted) {
        return places.stream().filter(p -> p.name().equals(wanted)).findFirst();
    }

    public Project withRopes(List<Rope> others) {
        return new Project(name, settings, sprites, events, effects, others, channels, places);
    }

    public Project withSprites(List<Sprite> others) {
        return new Project(name, settings, others, events, effects, ropes, channels, places);
    }

    public Project withEffects(List<Effect> others) {
        return new Project(name, settings, sprites, events, others, ropes, channels, places);
    }

    public Project withEvents(List<EventType> others) {
        return new Project(name, settings, sprites, others, effects, ropes, channels, places);
    }
}
