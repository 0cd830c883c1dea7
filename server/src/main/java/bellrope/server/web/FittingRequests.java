package bellrope.server.web;

import bellrope.format.answer.FeedWish;
import bellrope.format.answer.FitWish;
import bellrope.format.answer.Fits;
import bellrope.format.answer.FittedView;
import bellrope.format.json.JacksonValue;
import bellrope.server.live.Drafts;
import bellrope.server.store.ProjectStore;
import bellrope.server.view.Views.FedWish;
import bellrope.server.view.Views.FittedRequest;
import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Ropes brought to fit another event, effect, source or field; nothing is saved. */
@RestController
@RequestMapping("/api/projects/{project}")
class FittingRequests {
    private final ProjectStore store;

    FittingRequests(ProjectStore store) {
        this.store = store;
    }

    /** Brings ropes to fit what is named: what cannot be kept is left out, what is asked for is begun as it usually is. */
    @Operation(operationId = "fitted")
    @PostMapping(path = "/fitted", produces = MediaType.APPLICATION_JSON_VALUE)
    FittedView fitted(@PathVariable long project, @RequestBody FittedRequest request) {
        return Fits.of(Drafts.over(store.get(project), request.drafts()), wish(request));
    }

    private static FitWish wish(FittedRequest request) {
        FedWish feed = request.feed();
        List<JsonNode> ropes = request.ropes() == null ? List.of() : request.ropes();
        return new FitWish(
                ropes.stream().map(JacksonValue::of).toList(),
                request.event(),
                request.effect(),
                feed == null ? null : new FeedWish(feed.index(), feed.parameter(), JacksonValue.of(feed.source())),
                request.field(),
                request.channel());
    }
}
