package bellrope.server.web;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.event.Datum;
import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.measure.Numbers;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Fitting;
import bellrope.core.rope.Rope;
import bellrope.core.stage.Account.Silent;
import bellrope.core.stage.Take;
import bellrope.core.value.Problem;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.report.AccountReport;
import bellrope.format.report.NumbersReport;
import bellrope.server.live.Drafts;
import bellrope.server.store.Kind;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views;
import bellrope.server.view.Views.ResponseView;
import bellrope.server.view.Views.ResponsesRequest;
import bellrope.server.view.Views.TakeHead;
import bellrope.server.view.Views.TakeRequest;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

    private final ProjectStore store;
    private final JsonMapper json;
    private final Cache<Key, ResponseView> known =
            Caffeine.newBuilder().maximumSize(20_000).build();

    /** Everything that the response of one rope depends on. */
    private record Key(Rope rope, EventType event, Optional<Effect> effect, Settings settings, List<Sprite> sprites) {}

    ResponseRequests(ProjectStore store, JsonMapper json) {
        this.store = store;
        this.json = json;
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
    byte[] take(@PathVariable long project, @RequestBody TakeRequest request) {
        Snapshot snapshot = store.get(project);
        Project whole = Drafts.over(snapshot, request.drafts());
        Optional<Rope> rope =
                request.rope() == null ? Optional.empty() : Optional.of(rope(snapshot, whole, request.rope()));
        Project played = rope.map(r -> whole.withRopes(List.of(r))).orElse(whole);
        Pull pull = pull(played, rope, request);
        Take take = Take.of(played, pull, Take.LONGEST, true);
        if (!take.account().refused().isEmpty()) {
            throw Refusal.wrong(take.account().refused().stream()
                    .map(p -> new Problem("/payload" + p.place(), p.given(), p.allowed()))
                    .toList());
        }
        return bytes(take, pull);
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

    private static Pull pull(Project project, Optional<Rope> rope, TakeRequest request) {
        String name = request.event() != null
                ? request.event()
                : rope.map(Rope::event)
                        .orElseThrow(() -> Refusal.wrong(
                                List.of(new Problem("/event", "missing", "the name of an event, or a rope"))));
        EventType event = project.event(name)
                .orElseThrow(() ->
                        Refusal.wrong(List.of(new Problem("/event", '"' + name + '"', "the name of a known event"))));
        if (request.payload() == null || request.payload().isNull()) {
            Map<String, Datum> usual = rope.map(r -> Fitting.payload(r, event, Strength.USUAL))
                    .orElseGet(() -> Strength.USUAL.payload(event));
            return new Pull(name, usual, request.seed());
        }
        Problems problems = new Problems();
        Map<String, Datum> payload = PayloadJson.read(request.payload(), "/payload", problems);
        if (!problems.none()) {
            throw Refusal.wrong(problems.list());
        }
        return new Pull(name, payload, request.seed());
    }

    private byte[] bytes(Take take, Pull pull) {
        TakeHead head = new TakeHead(
                take.pace().stepsPerSecond(),
                AccountReport.of(take.account(), take.pace()),
                NumbersReport.of(Numbers.of(take)),
                TakeBytes.live(take),
                TakeBytes.presence(take),
                take.ended(),
                PayloadJson.write(pull.payload()));
        return TakeBytes.of(json.writeValueAsString(head), take);
    }

    @Operation(operationId = "responses")
    @PostMapping(path = "/responses", produces = MediaType.APPLICATION_JSON_VALUE)
    List<ResponseView> responses(@PathVariable long project, @RequestBody ResponsesRequest request) {
        Snapshot snapshot = store.get(project);
        Project whole = Drafts.over(snapshot, request.drafts());
        Map<String, EventType> events = new HashMap<>();
        whole.events().forEach(e -> events.put(e.name(), e));
        Map<String, Effect> effects = new HashMap<>();
        whole.effects().forEach(e -> effects.put(e.name(), e));
        List<Snapshot.Part> ropes = snapshot.parts(Kind.ROPE);
        List<ResponseView> responses = new ArrayList<>();
        for (int i = 0; i < ropes.size(); i++) {
            long id = ropes.get(i).id();
            if (request.ropes() == null || request.ropes().contains(id)) {
                Rope rope = whole.ropes().get(i);
                Key key = new Key(
                        rope,
                        events.get(rope.event()),
                        rope.play().map(effects::get),
                        whole.settings(),
                        whole.sprites());
                ResponseView view = known.get(key, k -> response(k, id));
                responses.add(
                        view.rope() == id
                                ? view
                                : new ResponseView(id, view.numbers(), view.strip(), view.ended(), view.silent()));
            }
        }
        return responses;
    }

    private static ResponseView response(Key key, long id) {
        if (key.event() == null) {
            return new ResponseView(id, null, new int[0], true, "no such event");
        }
        Project project = new Project(
                "one rope",
                key.settings(),
                key.sprites(),
                List.of(key.event()),
                key.effect().map(List::of).orElse(List.of()),
                List.of(key.rope()));
        Pull pull = new Pull(key.event().name(), Fitting.payload(key.rope(), key.event(), Strength.USUAL), BOARD_SEED);
        Take take = Take.of(project, pull, Take.LONGEST, false);
        if (!take.account().answers().isEmpty() && take.account().answers().get(0) instanceof Silent silent) {
            return new ResponseView(id, null, new int[0], true, silent.reason().inWords());
        }
        return new ResponseView(id, NumbersReport.of(Numbers.of(take)), strip(take), take.ended(), null);
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
