package bellrope.server.web;

import bellrope.core.check.wiring.Wiring;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Place;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.measure.Balance;
import bellrope.core.measure.Numbers;
import bellrope.core.measure.Reaches;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Fitting;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Trial;
import bellrope.core.stage.Take;
import bellrope.core.stage.told.Account.Silent;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.format.json.Bundle;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.report.AccountReport;
import bellrope.format.report.FeedReport;
import bellrope.format.report.FeedReport.ReachReport;
import bellrope.format.report.NumbersReport;
import bellrope.format.report.OfferReport;
import bellrope.server.live.Drafts;
import bellrope.server.store.Kind;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views;
import bellrope.server.view.Views.BalanceLine;
import bellrope.server.view.Views.FeedsRequest;
import bellrope.server.view.Views.FeedsView;
import bellrope.server.view.Views.NoticedView;
import bellrope.server.view.Views.Pulled;
import bellrope.server.view.Views.Recorded;
import bellrope.server.view.Views.RemedyView;
import bellrope.server.view.Views.ResponseView;
import bellrope.server.view.Views.ResponsesRequest;
import bellrope.server.view.Views.TakeHead;
import bellrope.server.view.Views.TakeRequest;
import bellrope.server.view.Views.WiringRequest;
import bellrope.server.view.Views.WiringView;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Takes to be watched, and the responses of many ropes as numbers and strips. */
@RestController
@RequestMapping("/api/projects/{project}")
class ResponseRequests {
    private static final double STRIP_SECONDS = 3;
    private static final int STRIP_PER_SECOND = 30;
    private static final long BOARD_SEED = 1;
    /** Seconds for which what lasts is held, if nobody says otherwise. */
    private static final double USUALLY_HELD = 1.5;

    private final ProjectStore store;
    private final JsonMapper json;
    private final Takes takes;
    // By weight, since a key keeps alive the effects that it was computed from, of whatever revision.
    private final Cache<Key, ResponseView> responded = Caffeine.newBuilder()
            .maximumWeight(32 << 20)
            .weigher((Key key, ResponseView view) -> weight(key) + 4 * view.strip().length + 600)
            .build();

    private final Cache<Key, Reaches> reached = Caffeine.newBuilder()
            .maximumWeight(8 << 20)
            .weigher((Key key, Reaches reaches) -> weight(key) + 2_000)
            .build();

    // Bytes, roughly: a thousand for a rope, and a tenth of what its effects hold, which most ropes share.
    private static int weight(Key key) {
        int emitters = 0;
        for (Effect effect : key.effects()) {
            emitters += effect.emitters().size();
        }
        return 1_000 + 200 * emitters;
    }

    /** Everything that the response of one rope depends on. */
    private record Key(
            Rope rope,
            EventType event,
            List<Effect> effects,
            Settings settings,
            List<Sprite> sprites,
            List<Channel> channels,
            List<Place> places) {}

    ResponseRequests(ProjectStore store, JsonMapper json, Takes takes) {
        this.store = store;
        this.json = json;
        this.takes = takes;
    }

    /**
     * Returns a take: the length of the head in bytes (u32, little-endian), the head as JSON in UTF-8, padded with spaces
     * to a multiple of four, then for each frame its length (u32) and its bytes.
     */
    @Operation(operationId = "take")
    @ApiResponse(
            responseCode = "200",
            description = "The head, described here, and the frames",
            content = @Content(schema = @Schema(implementation = TakeHead.class)))
    @ApiResponse(
            responseCode = "422",
            description = "Something in it is wrong",
            content = @Content(schema = @Schema(implementation = Views.Refusal.class)))
    @PostMapping(path = "/takes", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    void take(@PathVariable long project, @RequestBody TakeRequest request, HttpServletResponse response)
            throws IOException {
        takes.write(response, () -> take(project, request));
    }

    private Takes.Answer take(long project, TakeRequest request) {
        Snapshot snapshot = store.get(project);
        Project whole = Drafts.over(snapshot, request.drafts());
        Optional<Rope> rope =
                request.rope() == null ? Optional.empty() : Optional.of(rope(snapshot, whole, request.rope()));
        Project played = rope.map(r -> whole.withRopes(List.of(r))).orElse(whole);
        Trial trial = trial(played, rope, request);
        Take take = Take.of(played, trial, length(played, trial.pull(), request.held()), true);
        if (!take.account().refused().isEmpty()) {
            throw Refusal.wrong(take.account().refused().stream()
                    .map(p -> new Problem("/payload" + p.place(), p.given(), p.allowed()))
                    .toList());
        }
        return answer(take, trial.pull());
    }

    private static Rope rope(Snapshot snapshot, Project whole, long id) {
        List<Snapshot.Part> ropes = snapshot.parts(Kind.ROPE);
        for (int i = 0; i < ropes.size(); i++) {
            if (ropes.get(i).id() == id) {
                return whole.ropes().get(i);
            }
        }
        throw Refusal.notThere("rope " + id);
    }

    private static Trial trial(Project project, Optional<Rope> rope, TakeRequest request) {
        String name = request.event() != null
                ? request.event()
                : rope.map(Rope::event)
                        .orElseThrow(() -> Refusal.wrong(
                                List.of(new Problem("/event", "missing", "the name of an event, or a rope"))));
        EventType event = project.event(name)
                .orElseThrow(() ->
                        Refusal.wrong(List.of(new Problem("/event", '"' + name + '"', "the name of a known event"))));
        Trial usual = rope.map(r -> Fitting.trial(r, event, project.channels(), Strength.USUAL, request.seed()))
                .orElseGet(() -> Trial.of(usual(event, request.seed())));
        Pull pull = usual.pull();
        if (request.payload() != null && !request.payload().isNull()) {
            Problems problems = new Problems();
            pull = pull.with(PayloadJson.read(JacksonValue.of(request.payload()), "/payload", problems));
            if (!problems.none()) {
                throw Refusal.wrong(problems.list());
            }
        }
        if (request.value() != null) {
            pull = Pull.set(name, request.value(), pull.payload(), pull.seed()).tagged(pull.tags());
        }
        Map<String, Double> channels = new HashMap<>(usual.channels());
        if (request.channels() != null) {
            channels.putAll(request.channels());
        }
        return new Trial(pull, channels, usual.since());
    }

    private static Pull usual(EventType event, long seed) {
        Map<String, Datum> payload = Strength.USUAL.payload(event);
        return switch (event.shape()) {
            case MOMENT -> new Pull(event.name(), payload, seed);
            case SPAN -> Pull.begin(event.name(), payload, seed);
            case STATE -> Pull.set(event.name(), event.values().get(0), payload, seed);
        };
    }

    /** Returns how long to play: what lasts is held for a while, so that its end is seen too. */
    private static Take.Length length(Project project, Pull pull, Double held) {
        boolean lasts = pull.phase() != Pull.Phase.MOMENT;
        double seconds = held == null ? USUALLY_HELD : Math.min(Take.LONGEST, Math.max(0, held));
        return new Take.Length(Take.LONGEST, lasts ? OptionalDouble.of(seconds) : OptionalDouble.empty());
    }

    private Takes.Answer answer(Take take, Pull pull) {
        TakeHead head = new TakeHead(
                take.pace().stepsPerSecond(),
                AccountReport.of(take.account(), take.pace()),
                NumbersReport.of(Numbers.of(take)),
                Takes.live(take),
                Takes.presence(take),
                take.ended(),
                take.cut().orElse(null),
                PayloadJson.write(pull.payload()));
        return new Takes.Answer(json.writeValueAsString(head), take);
    }

    @Operation(operationId = "responses")
    @PostMapping(path = "/responses", produces = MediaType.APPLICATION_JSON_VALUE)
    List<ResponseView> responses(@PathVariable long project, @RequestBody ResponsesRequest request) {
        Snapshot snapshot = store.get(project);
        return responses(snapshot, Drafts.over(snapshot, request.drafts()), request.ropes());
    }

    private List<ResponseView> responses(Snapshot snapshot, Project whole, List<Long> wanted) {
        Map<String, EventType> events = new HashMap<>();
        whole.events().forEach(e -> events.put(e.name(), e));
        Map<String, Effect> effects = new HashMap<>();
        whole.effects().forEach(e -> effects.put(e.name(), e));
        List<Snapshot.Part> ropes = snapshot.parts(Kind.ROPE);
        Set<Long> chosen = wanted == null ? null : new HashSet<>(wanted);
        List<ResponseView> responses = new ArrayList<>();
        for (int i = 0; i < ropes.size(); i++) {
            long id = ropes.get(i).id();
            if (chosen == null || chosen.contains(id)) {
                Rope rope = whole.ropes().get(i);
                Key key = key(rope, whole, events, effects);
                ResponseView view = responded.get(key, k -> response(k, id));
                responses.add(
                        view.rope() == id
                                ? view
                                : new ResponseView(id, view.numbers(), view.strip(), view.ended(), view.silent()));
            }
        }
        return responses;
    }

    private static Key key(Rope rope, Project whole, Map<String, EventType> events, Map<String, Effect> effects) {
        return new Key(
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

    private static ResponseView response(Key key, long id) {
        if (key.event() == null) {
            return new ResponseView(id, null, new int[0], true, "no such event");
        }
        Project project = alone(key);
        Trial trial = Fitting.trial(key.rope(), key.event(), key.channels(), Strength.USUAL, BOARD_SEED);
        Take take = Take.of(project, trial, length(project, trial.pull(), null), false);
        if (!take.account().refused().isEmpty()) {
            return new ResponseView(
                    id, null, new int[0], true, take.account().refused().get(0).toString());
        }
        if (!take.account().answers().isEmpty() && take.account().answers().get(0) instanceof Silent silent) {
            return new ResponseView(id, null, new int[0], true, silent.reason().inWords());
        }
        return new ResponseView(id, NumbersReport.of(Numbers.of(take)), strip(take), take.ended(), null);
    }

    private static Project alone(Key key) {
        return new Project(
                "one rope",
                key.settings(),
                key.sprites(),
                List.of(key.event()),
                key.effects(),
                List.of(key.rope()),
                key.channels(),
                key.places());
    }

    private Reaches reaches(Project whole, Rope rope) {
        Map<String, EventType> events = new HashMap<>();
        whole.events().forEach(e -> events.put(e.name(), e));
        Map<String, Effect> effects = new HashMap<>();
        whole.effects().forEach(e -> effects.put(e.name(), e));
        return reached.get(key(rope, whole, events, effects), k -> Reaches.of(alone(k), k.rope()));
    }

    /** Draws the feeds of a rope, and how far its response reaches where it names a hit test. */
    @Operation(operationId = "feeds")
    @PostMapping(path = "/feeds", produces = MediaType.APPLICATION_JSON_VALUE)
    FeedsView feeds(@PathVariable long project, @RequestBody FeedsRequest request) {
        Snapshot snapshot = store.get(project);
        Project whole = Drafts.over(snapshot, request.drafts());
        Rope rope = rope(snapshot, whole, request.rope());
        return new FeedsView(
                FeedReport.of(whole, rope),
                rope.hit().isPresent() && whole.event(rope.event()).isPresent()
                        ? ReachReport.of(reaches(whole, rope))
                        : null,
                OfferReport.of(whole, rope),
                OfferReport.units(whole, rope));
    }

    private static Map<String, Map<String, List<Double>>> recorded(List<Recorded> given) {
        Map<String, Map<String, List<Double>>> recorded = new HashMap<>();
        if (given != null) {
            given.forEach(r -> recorded.computeIfAbsent(r.rope(), n -> new HashMap<>())
                    .put(r.parameter(), Arrays.stream(r.given()).boxed().toList()));
        }
        return recorded;
    }

    private static Map<String, Wiring.Pulled> pulled(List<Pulled> given) {
        Map<String, Wiring.Pulled> pulled = new HashMap<>();
        if (given != null) {
            given.forEach(p -> pulled.put(
                    p.event(), new Wiring.Pulled(Arrays.stream(p.at()).boxed().toList(), p.named())));
        }
        return pulled;
    }

    /** Looks at how everything is wired: what the checks notice, and the balance of all responses. */
    @Operation(operationId = "wiring")
    @PostMapping(path = "/wiring", produces = MediaType.APPLICATION_JSON_VALUE)
    WiringView wiring(@PathVariable long project, @RequestBody WiringRequest request) {
        Snapshot snapshot = store.get(project);
        Project whole = Drafts.over(snapshot, request.drafts());
        Map<String, Wiring.Seen> seen = new HashMap<>();
        Map<String, Long> parts = new HashMap<>();
        List<Snapshot.Part> ropes = snapshot.parts(Kind.ROPE);
        for (int i = 0; i < ropes.size(); i++) {
            parts.put(whole.ropes().get(i).name(), ropes.get(i).id());
        }
        List<ResponseView> responses = responses(snapshot, whole, null);
        for (int i = 0; i < responses.size(); i++) {
            NumbersReport numbers = responses.get(i).numbers();
            if (numbers != null) {
                OptionalDouble onset =
                        numbers.onset() == null ? OptionalDouble.empty() : OptionalDouble.of(numbers.onset() / 1000);
                seen.put(whole.ropes().get(i).name(), new Wiring.Seen(onset, numbers.presenceTotal()));
            }
        }
        Map<String, Reaches> far = new HashMap<>();
        whole.ropes().stream()
                .filter(r -> r.hit().isPresent() && whole.event(r.event()).isPresent())
                .forEach(r -> far.put(r.name(), reaches(whole, r)));
        Balance balance = Wiring.balance(whole, seen);
        Wiring.Known known = new Wiring.Known(seen, far, recorded(request.recorded()), pulled(request.pulled()));
        return new WiringView(
                Wiring.look(whole, known).stream().map(n -> noticed(n, parts)).toList(),
                balance.slope().isPresent() ? balance.slope().getAsDouble() : null,
                balance.intercept(),
                balance.lines().stream()
                        .map(l -> new BalanceLine(
                                parts.get(l.response().rope()),
                                l.response().event(),
                                l.response().weight(),
                                l.response().presence(),
                                l.usual(),
                                l.ratio(),
                                l.verdict().name().toLowerCase(Locale.ROOT),
                                l.outdoes().isEmpty() ? null : l.outdoes()))
                        .toList());
    }

    private static NoticedView noticed(Wiring.Noticed n, Map<String, Long> parts) {
        return new NoticedView(
                n.check(),
                n.severity().name().toLowerCase(Locale.ROOT),
                parts.get(n.rope()),
                n.event(),
                n.slot().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                n.words(),
                n.remedy()
                        .map(r -> new RemedyView(r.words(), Bundle.write(r.rope())))
                        .orElse(null));
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
