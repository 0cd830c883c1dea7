package bellrope.format.answer;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Place;
import bellrope.core.event.Strength;
import bellrope.core.measure.Numbers;
import bellrope.core.measure.Reaches;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Fitting;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Trial;
import bellrope.core.stage.Take;
import bellrope.core.stage.told.Account.Silent;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.report.NumbersReport;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** The responses of many ropes as numbers and strips. What was computed is kept by everything that it depends on. */
public final class Responses {
    private static final double STRIP_SECONDS = 3;
    private static final int STRIP_PER_SECOND = 30;
    private static final long BOARD_SEED = 1;

    private final BiFunction<Alone, Function<Alone, ResponseView>, ResponseView> responded;
    private final BiFunction<Alone, Function<Alone, Reaches>, Reaches> reached;

    /**
     * @param responded gives what was kept under a key, or lets it be computed
     * @param reached the same for how far a response reaches
     */
    public Responses(
            BiFunction<Alone, Function<Alone, ResponseView>, ResponseView> responded,
            BiFunction<Alone, Function<Alone, Reaches>, Reaches> reached) {
        this.responded = responded;
        this.reached = reached;
    }

    /** Everything that the response of one rope depends on. */
    public record Alone(
            Rope rope,
            @Nullable EventType event,
            List<Effect> effects,
            Settings settings,
            List<Sprite> sprites,
            List<Channel> channels,
            List<Place> places) {
        /** Returns how many bytes it keeps alive, roughly: a thousand for a rope, and a tenth of what its effects hold, which most ropes share. */
        public int weight() {
            int emitters = 0;
            for (Effect effect : effects) {
                emitters += effect.emitters().size();
            }
            return 1_000 + 200 * emitters;
        }

        private Project project() {
            return new Project(
                    "one rope",
                    settings,
                    sprites,
                    event == null ? List.of() : List.of(event),
                    effects,
                    List.of(rope),
                    channels,
                    places);
        }
    }

    /** Returns the responses of some ropes, or of all. */
    public List<ResponseView> of(Whole whole, @Nullable List<Long> wanted) {
        Map<String, EventType> events = events(whole.project());
        Map<String, Effect> effects = effects(whole.project());
        Set<Long> chosen = wanted == null ? null : new HashSet<>(wanted);
        List<ResponseView> responses = new ArrayList<>();
        for (int i = 0; i < whole.ropes().size(); i++) {
            long number = whole.ropes().get(i);
            if (chosen == null || chosen.contains(number)) {
                Alone alone = alone(whole.project().ropes().get(i), whole.project(), events, effects);
                responses.add(responded.apply(alone, a -> response(a, number)).of(number));
            }
        }
        return responses;
    }

    /** Returns how far the response of a rope reaches. */
    public Reaches reaches(Project project, Rope rope) {
        return reached.apply(
                alone(rope, project, events(project), effects(project)), a -> Reaches.of(a.project(), a.rope()));
    }

    private static Map<String, EventType> events(Project project) {
        Map<String, EventType> events = new HashMap<>();
        project.events().forEach(e -> events.put(e.name(), e));
        return events;
    }

    private static Map<String, Effect> effects(Project project) {
        Map<String, Effect> effects = new HashMap<>();
        project.effects().forEach(e -> effects.put(e.name(), e));
        return effects;
    }

    private static Alone alone(Rope rope, Project whole, Map<String, EventType> events, Map<String, Effect> effects) {
        return new Alone(
                rope,
                events.get(rope.event()),
                involved(rope, effects),
                whole.settings(),
                whole.sprites(),
                whole.channels(),
                whole.places());
    }

    /** Returns all effects that a rope can bring, those that particles begin included, in a stable order. */
    private static List<Effect> involved(Rope rope, Map<String, Effect> effects) {
        Map<String, Effect> found = new LinkedHashMap<>();
        rope.play().ifPresent(name -> involve(name, effects, found));
        rope.run().start().ifPresent(name -> involve(name, effects, found));
        rope.run().end().ifPresent(name -> involve(name, effects, found));
        rope.followUps().forEach(f -> f.play().ifPresent(name -> involve(name, effects, found)));
        return List.copyOf(found.values());
    }

    private static void involve(String name, Map<String, Effect> effects, Map<String, Effect> found) {
        Effect effect = effects.get(name);
        if (effect != null && found.putIfAbsent(name, effect) == null) {
            effect.emitters()
                    .forEach(e -> e.end()
                            .children()
                            .forEach(c -> c.effect().ifPresent(child -> involve(child, effects, found))));
        }
    }

    private static ResponseView response(Alone alone, long number) {
        if (alone.event() == null) {
            return new ResponseView(number, null, new int[0], true, "no such event", null);
        }
        Trial trial = Fitting.trial(alone.rope(), alone.event(), alone.channels(), Strength.USUAL, BOARD_SEED);
        Take take = Take.of(alone.project(), trial, Takes.length(trial.pull(), null), false);
        JsonValue payload = PayloadJson.write(trial.pull().payload());
        if (!take.account().refused().isEmpty()) {
            return new ResponseView(
                    number,
                    null,
                    new int[0],
                    true,
                    take.account().refused().get(0).toString(),
                    payload);
        }
        if (!take.account().answers().isEmpty() && take.account().answers().get(0) instanceof Silent silent) {
            return new ResponseView(
                    number, null, new int[0], true, silent.reason().inWords(), payload);
        }
        return new ResponseView(number, NumbersReport.of(Numbers.of(take)), strip(take), take.ended(), null, payload);
    }

    /** Returns the most alive in each thirtieth of a second. */
    private static int[] strip(Take take) {
        int rate = take.pace().stepsPerSecond();
        int cells = (int)
                Math.min(STRIP_SECONDS * STRIP_PER_SECOND, Math.ceil((take.last() + 1.0) * STRIP_PER_SECOND / rate));
        int[] strip = new int[cells];
        for (int k = 0; k <= take.last(); k++) {
            int cell = k * STRIP_PER_SECOND / rate;
            if (cell < cells) {
                strip[cell] = Math.max(strip[cell], take.live(k));
            }
        }
        return strip;
    }
}
