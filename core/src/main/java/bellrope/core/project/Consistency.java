package bellrope.core.project;

import bellrope.core.contract.Version;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Type;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Place;
import bellrope.core.pool.Pool;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Refit;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.score.Score;
import bellrope.core.value.Problem;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Whether the names of a project agree: each is there, of the right type, and there once. */
public final class Consistency {
    private final List<Problem> problems = new ArrayList<>();

    private Consistency() {}

    /** Returns every disagreement, with its place in the bundle; none for a project that can be played. */
    public static List<Problem> problems(Project project) {
        Consistency check = new Consistency();
        check.unique("/sprites", project.sprites().stream().map(Sprite::name).toList());
        check.unique("/events", project.events().stream().map(EventType::name).toList());
        check.unique("/effects", project.effects().stream().map(Effect::name).toList());
        check.unique("/channels", project.channels().stream().map(Channel::name).toList());
        check.unique("/places", project.places().stream().map(Place::name).toList());
        check.unique("/ropes", project.ropes().stream().map(Rope::name).toList());
        check.unique("/versions", project.versions().stream().map(Version::name).toList());
        check.unique("/pools", project.pools().stream().map(Pool::name).toList());
        check.unique("/scores", project.scores().stream().map(Score::name).toList());
        check.effects(project);
        check.ropes(project);
        check.pools(project);
        check.problems.addAll(Scored.problems(project));
        check.problems.addAll(new Notices(project).problems());
        return List.copyOf(check.problems);
    }

    /** Returns everything of a score that a project cannot say, with its place in the score. */
    public static List<Problem> problems(Score score, Project project) {
        return Scored.problems(project.withScores(List.of(score))).stream()
                .map(p -> new Problem(p.place().substring("/scores/0".length()), p.given(), p.allowed()))
                .toList();
    }

    private void unique(String place, List<String> names) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < names.size(); i++) {
            if (!seen.add(names.get(i))) {
                add(place + "/" + i + "/name", '"' + names.get(i) + '"', "a name that is there once");
            }
        }
    }

    private void pools(Project project) {
        List<String> effects = project.effects().stream().map(Effect::name).toList();
        Map<String, String> held = new HashMap<>();
        for (int i = 0; i < project.pools().size(); i++) {
            Pool pool = project.pools().get(i);
            for (int e = 0; e < pool.effects().size(); e++) {
                String place = "/pools/" + i + "/effects/" + e;
                String other = held.putIfAbsent(pool.effects().get(e), pool.name());
                if (known(place, pool.effects().get(e), effects, "effect") && other != null) {
                    add(place, '"' + pool.effects().get(e) + '"', "an effect of one pool; \"" + other + "\" holds it");
                }
            }
        }
    }

    private void effects(Project project) {
        List<String> sprites = project.sprites().stream().map(Sprite::name).toList();
        for (int i = 0; i < project.effects().size(); i++) {
            Effect effect = project.effects().get(i);
            for (int j = 0; j < effect.emitters().size(); j++) {
                known(
                        "/effects/" + i + "/emitters/" + j + "/look/sprite",
                        effect.emitters().get(j).look().sprite(),
                        sprites,
                        "sprite");
                children(project, i, j);
            }
            choices(effect, "/effects/" + i + "/parameters/", sprites);
        }
        cycles(project);
    }

    // The words of a choice that acts on the sprite are names of sprites.
    private void choices(Effect effect, String place, List<String> sprites) {
        for (int p = 0; p < effect.parameters().size(); p++) {
            Parameter parameter = effect.parameters().get(p);
            boolean acts = parameter.bindings().stream().anyMatch(b -> b.property() == Property.SPRITE);
            List<String> options = parameter.type().options();
            for (int o = 0; acts && o < options.size(); o++) {
                known(place + p + "/options/" + o, options.get(o), sprites, "sprite");
            }
        }
    }

    private void children(Project project, int i, int j) {
        List<End.Child> children =
                project.effects().get(i).emitters().get(j).end().children();
        for (int c = 0; c < children.size(); c++) {
            if (children.get(c).effect().isPresent()) {
                known(
                        "/effects/" + i + "/emitters/" + j + "/end/children/" + c + "/effect",
                        children.get(c).effect().get(),
                        project.effects().stream().map(Effect::name).toList(),
                        "effect");
            }
        }
    }

    // An emitter may spawn itself, which the branching theory judges; whole effects that begin one another never end.
    private void cycles(Project project) {
        Map<String, Effect> effects = new HashMap<>();
        project.effects().forEach(e -> effects.put(e.name(), e));
        for (int i = 0; i < project.effects().size(); i++) {
            List<String> way = new ArrayList<>();
            if (returns(project.effects().get(i), project.effects().get(i).name(), effects, way)) {
                add(
                        "/effects/" + i + "/emitters",
                        String.join(" begins ", way) + " begins "
                                + project.effects().get(i).name(),
                        "children that do not lead back to the effect itself");
            }
        }
    }

    private static boolean returns(Effect effect, String wanted, Map<String, Effect> effects, List<String> way) {
        if (way.contains(effect.name())) {
            return false;
        }
        way.add(effect.name());
        for (Emitter emitter : effect.emitters()) {
            for (End.Child child : emitter.end().children()) {
                Effect begun = child.effect().map(effects::get).orElse(null);
                if (begun != null && (begun.name().equals(wanted) || returns(begun, wanted, effects, way))) {
                    return true;
                }
            }
        }
        way.remove(way.size() - 1);
        return false;
    }

    private void ropes(Project project) {
        Map<String, EventType> events = new LinkedHashMap<>();
        project.events().forEach(e -> events.put(e.name(), e));
        Map<String, Effect> effects = new LinkedHashMap<>();
        project.effects().forEach(e -> effects.put(e.name(), e));
        Map<Integer, String> seeds = new HashMap<>();
        for (int i = 0; i < project.ropes().size(); i++) {
            Rope rope = project.ropes().get(i);
            String place = "/ropes/" + i;
            String owner = seeds.putIfAbsent(rope.seed(), rope.name());
            if (owner != null) {
                add(
                        place + "/seed",
                        Integer.toString(rope.seed()),
                        "a seed of its own; this one belongs to \"" + owner + '"');
            }
            rope.play().ifPresent(play -> known(place + "/play", play, effects.keySet(), "effect"));
            rope.run().start().ifPresent(start -> known(place + "/run/start", start, effects.keySet(), "effect"));
            rope.run().end().ifPresent(end -> known(place + "/run/end", end, effects.keySet(), "effect"));
            rope.limits().until().ifPresent(until -> known(place + "/limits/until", until, events.keySet(), "event"));
            rope.where()
                    .place()
                    .ifPresent(name -> known(
                            place + "/place/name",
                            name,
                            project.places().stream().map(Place::name).toList(),
                            "place"));
            for (int f = 0; f < rope.followUps().size(); f++) {
                String at = place + "/then/" + f;
                rope.followUps().get(f).play().ifPresent(p -> known(at + "/play", p, effects.keySet(), "effect"));
                rope.followUps().get(f).announce().ifPresent(e -> known(at + "/announce", e, events.keySet(), "event"));
            }
            if (known(place + "/event", rope.event(), events.keySet(), "event")) {
                wiring(place, rope, events.get(rope.event()), rope.play().map(effects::get), project);
            }
        }
    }

    private void wiring(String place, Rope rope, EventType event, Optional<Effect> effect, Project project) {
        if (event.shape() == EventType.Shape.STATE) {
            rope.when()
                    .value()
                    .ifPresent(value -> known(place + "/value", value, event.values(), "value of " + event.name()));
        } else if (rope.when().value().isPresent()) {
            add(place + "/value", '"' + rope.when().value().get() + '"', "no value; " + event.name() + " is no state");
        }
        for (int i = 0; i < rope.conditions().size(); i++) {
            condition(place + "/conditions/" + i, rope.conditions().get(i), event, project);
        }
        for (Field.Meaning meaning : rope.facing().missing(event)) {
            add(
                    place + "/facing",
                    rope.facing().words(),
                    "a facing that " + event.name() + " can give; it carries no "
                            + meaning.name().toLowerCase());
        }
        hit(place, rope, event);
        for (int i = 0; i < rope.feeds().size(); i++) {
            Feed feed = rope.feeds().get(i);
            String at = place + "/feeds/" + i;
            if (feed.remap().isPresent() || !(feed.source() instanceof Source.Payload)) {
                source(at, feed.source(), event, project);
            }
            if (effect.isPresent()
                    && known(
                            at + "/parameter",
                            feed.parameter(),
                            names(effect.get()),
                            "parameter of " + effect.get().name())) {
                Parameter parameter = effect.get().parameter(feed.parameter()).orElseThrow();
                fits(at, feed, parameter, event, effect.get());
            }
        }
    }

    private void hit(String place, Rope rope, EventType event) {
        if (rope.hit().orElse(null) instanceof Source.Payload payload) {
            numeric(place + "/hit/field", payload.field(), event);
        }
    }

    private static List<String> names(Effect effect) {
        return effect.parameters().stream().map(Parameter::name).toList();
    }

    private void fits(String at, Feed feed, Parameter parameter, EventType event, Effect effect) {
        Type type = parameter.type();
        if (feed.remap().isPresent() && !type.scalar()) {
            add(at + "/in", "a remap to a number", "none, because " + parameter.name() + " takes " + type.expects());
        }
        Source source = feed.source();
        source.visit(
                payload -> {
                    if (feed.remap().isEmpty()
                            && known(at + "/field", payload.field(), event.fieldNames(), "field of " + event.name())
                            && !Refit.asItIs(event.field(payload.field()).orElseThrow(), parameter)) {
                        add(at + "/field", '"' + payload.field() + '"', "a field that gives " + type.expects());
                    }
                },
                channel -> {},
                held -> {},
                since -> {},
                constant -> {
                    if (!type.accepts(constant.value())) {
                        add(at + "/constant", constant.value().inWords(), type.expects());
                    }
                },
                random -> {},
                other -> {
                    if (known(at + "/from", other.parameter(), names(effect), "parameter of " + effect.name())
                            && !effect.parameter(other.parameter())
                                    .orElseThrow()
                                    .type()
                                    .scalar()) {
                        add(at + "/from", '"' + other.parameter() + '"', "a parameter that is a number");
                    }
                });
    }

    private void condition(String place, Condition condition, EventType event, Project project) {
        condition.visit(
                compare -> source(place, compare.source(), event, project),
                oneOf -> field(place, oneOf.field(), event).ifPresent(field -> {
                    if (field.options().isEmpty()) {
                        add(place + "/field", '"' + oneOf.field() + '"', "a field that is a choice");
                    }
                    for (int i = 0;
                            i < oneOf.options().size() && !field.options().isEmpty();
                            i++) {
                        String option = oneOf.options().get(i);
                        known(place + "/options/" + i, option, field.options(), "option of " + field.name());
                    }
                }),
                flagged -> field(place, flagged.field(), event)
                        .filter(field -> !(field instanceof Field.Flag))
                        .ifPresent(
                                field -> add(place + "/field", '"' + flagged.field() + '"', "a field that is a flag")),
                tagged -> {});
    }

    private Optional<Field> field(String place, String name, EventType event) {
        return known(place + "/field", name, event.fieldNames(), "field of " + event.name())
                ? event.field(name)
                : Optional.empty();
    }

    private void source(String place, Source source, EventType event, Project project) {
        source.visit(
                payload -> numeric(place + "/field", payload.field(), event),
                channel -> known(
                        place + "/channel",
                        channel.channel(),
                        project.channels().stream().map(Channel::name).toList(),
                        "channel"),
                held -> {},
                since -> known(
                        place + "/since",
                        since.event(),
                        project.events().stream().map(EventType::name).toList(),
                        "event"),
                constant -> {},
                random -> {},
                parameter -> {});
    }

    private void numeric(String place, String field, EventType event) {
        if (known(place, field, event.fieldNames(), "field of " + event.name())
                && !(event.field(field).orElseThrow() instanceof Field.Number)) {
            add(place, '"' + field + '"', "a field that is a number");
        }
    }

    private boolean known(String place, String name, Collection<String> names, String kind) {
        if (names.contains(name)) {
            return true;
        }
        add(place, '"' + name + '"', Words.known(kind, name, names));
        return false;
    }

    private void add(String place, String given, String allowed) {
        problems.add(new Problem(place, given, allowed));
    }
}
