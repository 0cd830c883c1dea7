package bellrope.server.web;

import bellrope.core.measure.Reaches;
import bellrope.format.answer.FeedsView;
import bellrope.format.answer.ResponseView;
import bellrope.format.answer.Responses;
import bellrope.format.answer.Responses.Alone;
import bellrope.format.answer.TakeHead;
import bellrope.format.answer.TakeWish;
import bellrope.format.answer.Takes;
import bellrope.format.answer.WiringView;
import bellrope.format.answer.Wirings;
import bellrope.format.json.JacksonValue;
import bellrope.server.live.Drafts;
import bellrope.server.store.ProjectStore;
import bellrope.server.view.Views;
import bellrope.server.view.Views.FeedsRequest;
import bellrope.server.view.Views.ResponsesRequest;
import bellrope.server.view.Views.TakeRequest;
import bellrope.server.view.Views.WiringRequest;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
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
        takes.write(response, () -> Takes.of(Drafts.whole(store.get(project), request.drafts()), wish(request), true));
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

    @Operation(operationId = "responses")
    @PostMapping(path = "/responses", produces = MediaType.APPLICATION_JSON_VALUE)
    List<ResponseView> responses(@PathVariable long project, @RequestBody ResponsesRequest request) {
        return responses.of(Drafts.whole(store.get(project), request.drafts()), request.ropes());
    }

    /** Draws the feeds of a rope, and how far its response reaches where it names a hit test. */
    @Operation(operationId = "feeds")
    @PostMapping(path = "/feeds", produces = MediaType.APPLICATION_JSON_VALUE)
    FeedsView feeds(@PathVariable long project, @RequestBody FeedsRequest request) {
        return Wirings.feeds(Drafts.whole(store.get(project), request.drafts()), request.rope(), responses);
    }

    /** Looks at how everything is wired: what the checks notice, and the balance of all responses. */
    @Operation(operationId = "wiring")
    @PostMapping(path = "/wiring", produces = MediaType.APPLICATION_JSON_VALUE)
    WiringView wiring(@PathVariable long project, @RequestBody WiringRequest request) {
        return Wirings.of(
                Drafts.whole(store.get(project), request.drafts()), responses, request.recorded(), request.pulled());
    }
}
