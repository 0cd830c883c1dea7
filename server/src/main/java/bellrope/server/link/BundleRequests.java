package bellrope.server.link;

import bellrope.server.store.Refusal;
import io.swagger.v3.oas.annotations.Operation;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Bundles as they stood lately, for a bench that follows a game which has one of them. */
@RestController
class BundleRequests {
    private final Bundles bundles;

    BundleRequests(Bundles bundles) {
        this.bundles = bundles;
    }

    @Operation(operationId = "bundleAt")
    @GetMapping(path = "/api/projects/{project}/bundles/{change}", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> at(@PathVariable long project, @PathVariable long change) {
        return ResponseEntity.ok(bundles.at(project, change)
                .orElseThrow(() -> Refusal.notThere("bundle " + change + "; the last " + Bundles.MOST + " are kept"))
                .text());
    }
}
