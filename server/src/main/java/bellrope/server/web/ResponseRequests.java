package bellrope.server.web;

import bellrope.core.check.wiring.Wiring;
import bellrope.core.measure.Balance;
import bellrope.core.measure.Reaches;
import bellrope.core.project.Project;
import bellrope.core.rope.Rope;
import bellrope.format.answer.ResponseView;
import bellrope.format.answer.Responses;
import bellrope.format.answer.Responses.Alone;
import bellrope.format.answer.TakeHead;
import bellrope.format.answer.TakeWish;
import bellrope.format.answer.Takes;
import bellrope.format.json.Bundle;
import bellrope.format.json.JacksonValue;
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
import bellrope.server.view.Views.ResponsesRequest;
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
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Takes to be watched, and the responses of many ropes as numbers and strips. */
@RestController
@RequestMapping("/api/projects/{project}")
class ResponseRequests {
    private final ProjectStore store;
    private final Sending takes;
    // By weight, since a key keeps alive the effects that it was computed from, of whatever revision.
    private final Cache<Alone, ResponseView> responded = Caffeine.newBuilder()
            .maximumWeight(32 << 20)
            .weigher((Alone key, ResponseView view) -> key.weight() + 4 * view.strip().length + 600)
            .build();

    private final Cache<Alone, Reaches> reached = Caffeine.newBuilder()
            .maximumWeight(8 << 20)
            .weigher((Alone key, Reaches reaches) -> key.weight() + 2_000)
            .build();
    private final Responses responses = new Responses(responded::get, reached::get);

    ResponseRequests(ProjectStore store, Sending takes) {
        this.store = store;
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
        takes.write(response, () -> Takes.of(Drafts.whole(store.get(project), request.drafts()), wish(request)));
    }

    private static TakeWish wish(TakeRequest request) {
        return new TakeWish(
                request.rope(),
                request.event(),
                JacksonValue.of(request.payload()),
                request.value(),
                request.held(),
                request.channels(),
                request.seed());
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

    @Operation(operationId = "responses")
    @PostMapping(path = "/responses", produces = MediaType.APPLICATION_JSON_VALUE)
    List<ResponseView> responses(@PathVariable long project, @RequestBody ResponsesRequest request) {
        return responses.of(Drafts.whole(store.get(project), request.drafts()), request.ropes());
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
                        ? ReachReport.of(responses.reaches(whole, rope))
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
        List<ResponseView> seenAll = responses.of(Drafts.whole(snapshot, request.drafts()), null);
        for (int i = 0; i < seenAll.size(); i++) {
            NumbersReport numbers = seenAll.get(i).numbers();
            if (numbers != null) {
                OptionalDouble onset =
                        numbers.onset() == null ? OptionalDouble.empty() : OptionalDouble.of(numbers.onset() / 1000);
                seen.put(whole.ropes().get(i).name(), new Wiring.Seen(onset, numbers.presenceTotal()));
            }
        }
        Map<String, Reaches> far = new HashMap<>();
        whole.ropes().stream()
                .filter(r -> r.hit().isPresent() && whole.event(r.event()).isPresent())
                .forEach(r -> far.put(r.name(), responses.reaches(whole, r)));
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
}
