package bellrope.server.web;

import bellrope.core.project.Project;
import bellrope.core.project.Renames;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.format.json.Bundle;
import bellrope.format.json.Changes;
import bellrope.server.news.Readers;
import bellrope.server.store.Kind;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.ProjectStore.Change;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views.Add;
import bellrope.server.view.Views.ChangesView;
import bellrope.server.view.Views.Edits;
import bellrope.server.view.Views.NewProject;
import bellrope.server.view.Views.PartView;
import bellrope.server.view.Views.ProjectLine;
import bellrope.server.view.Views.ProjectView;
import bellrope.server.view.Views.Rename;
import bellrope.server.view.Views.Save;
import bellrope.server.view.Views.Saved;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Projects, their parts, and bundles in and out. */
@RestController
@RequestMapping(path = "/api", produces = MediaType.APPLICATION_JSON_VALUE)
class ProjectRequests {
    /** Who saves, so that word of a change is not sent back to its author. */
    static final String READER = "X-Bellrope-Reader";

    private final ProjectStore store;
    private final Readers readers;

    ProjectRequests(ProjectStore store, Readers readers) {
        this.store = store;
        this.readers = readers;
    }

    @Operation(operationId = "projects")
    @GetMapping("/projects")
    List<ProjectLine> projects() {
        return store.all().stream().map(ViewMaker::line).toList();
    }

    @Operation(operationId = "createProject")
    @PostMapping("/projects")
    @ResponseStatus(HttpStatus.CREATED)
    ProjectLine create(@RequestBody NewProject project) {
        return ViewMaker.line(store.create(project.name()));
    }

    @Operation(operationId = "project")
    @GetMapping("/projects/{project}")
    ProjectView project(@PathVariable long project) {
        return ViewMaker.project(store.get(project));
    }

    @Operation(operationId = "addPart")
    @PostMapping("/projects/{project}/parts")
    @ResponseStatus(HttpStatus.CREATED)
    Saved add(
            @PathVariable long project,
            @RequestBody Add add,
            @Parameter(hidden = true) @RequestHeader(name = READER, required = false) String reader) {
        Kind kind = Kind.of(add.kind()).orElseThrow(() -> Refusal.notThere("kind of part named " + add.kind()));
        return told(store.add(project, kind, add.body()), reader);
    }

    @Operation(operationId = "savePart")
    @PutMapping("/parts/{part}")
    Saved save(
            @PathVariable long part,
            @RequestBody Save save,
            @Parameter(hidden = true) @RequestHeader(name = READER, required = false) String reader) {
        return told(store.save(part, save.basedOn(), save.body()), reader);
    }

    @Operation(operationId = "deletePart")
    @DeleteMapping("/parts/{part}")
    Saved delete(
            @PathVariable long part,
            @RequestParam long basedOn,
            @Parameter(hidden = true) @RequestHeader(name = READER, required = false) String reader) {
        return told(store.delete(part, basedOn), reader);
    }

    @Operation(operationId = "change")
    @PostMapping("/projects/{project}/changes")
    Saved change(
            @PathVariable long project,
            @RequestBody Edits edits,
            @Parameter(hidden = true) @RequestHeader(name = READER, required = false) String reader) {
        List<ProjectStore.Edit> all = edits.edits().stream()
                .map(e -> new ProjectStore.Edit(
                        e.part(),
                        e.part() != null
                                ? null
                                : Kind.of(String.valueOf(e.kind()))
                                        .orElseThrow(() -> Refusal.notThere("kind of part named " + e.kind())),
                        e.basedOn(),
                        e.body().isNull() ? null : e.body(),
                        e.place()))
                .toList();
        return told(store.change(project, all), reader);
    }

    @Operation(operationId = "rename")
    @PostMapping("/projects/{project}/renames")
    Saved rename(
            @PathVariable long project,
            @RequestBody Rename rename,
            @Parameter(hidden = true) @RequestHeader(name = READER, required = false) String reader) {
        try {
            return told(store.rework(project, p -> renamed(p, rename)), reader);
        } catch (Refused refused) {
            throw Refusal.wrong(List.of(new Problem("/to", refused.given(), refused.allowed())));
        }
    }

    private static Project renamed(Project p, Rename r) {
        return switch (String.valueOf(r.what())) {
            case "event" -> Renames.event(p, r.from(), r.to());
            case "field" -> Renames.field(p, r.within(), r.from(), r.to());
            case "value" -> Renames.value(p, r.within(), r.from(), r.to());
            case "option" -> Renames.option(p, r.within(), r.field(), r.from(), r.to());
            case "effect" -> Renames.effect(p, r.from(), r.to());
            case "parameter" -> Renames.parameter(p, r.within(), r.from(), r.to());
            case "channel" -> Renames.channel(p, r.from(), r.to());
            case "place" -> Renames.place(p, r.from(), r.to());
            default ->
                throw Refusal.wrong(List.of(new Problem(
                        "/what",
                        '"' + r.what() + '"',
                        "event, field, value, option, effect, parameter, channel or place")));
        };
    }

    private Saved told(Change change, String reader) {
        Saved saved = ViewMaker.saved(change);
        readers.changed(change.after().id(), saved, reader);
        return saved;
    }

    @Operation(operationId = "revisions")
    @GetMapping("/parts/{part}/revisions")
    List<PartView> revisions(
            @PathVariable long part,
            @RequestParam(defaultValue = "9007199254740991") long before,
            @RequestParam(defaultValue = "500") int most) {
        return store.revisions(part, before, most).stream().map(ViewMaker::part).toList();
    }

    @Operation(operationId = "changes")
    @GetMapping("/parts/{part}/changes")
    ChangesView changes(@PathVariable long part, @RequestParam long before, @RequestParam long after) {
        return new ChangesView(
                before,
                after,
                Changes.between(
                        store.revision(part, before).body(),
                        store.revision(part, after).body()));
    }

    @Operation(operationId = "exportBundle")
    @GetMapping("/projects/{project}/bundle")
    ResponseEntity<byte[]> export(@PathVariable long project) {
        Snapshot snapshot = store.get(project);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + file(snapshot.name()) + "\"")
                .contentType(MediaType.APPLICATION_JSON)
                .body(Bundle.write(snapshot.project()).getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    /** Returns the name of the file that a project is exported to. */
    static String file(String project) {
        return project.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + ".bellrope.json";
    }

    @Operation(operationId = "importBundle")
    @PutMapping(path = "/projects/{project}/bundle", consumes = MediaType.APPLICATION_JSON_VALUE)
    ProjectLine importBundle(@PathVariable long project, @Parameter(hidden = true) HttpServletRequest request)
            throws IOException {
        // Its size has been looked at by Bodies.
        Bundle.Read<Project> read = Bundle.read(request.getInputStream().readAllBytes());
        if (read.value().isEmpty()) {
            throw Refusal.wrong(read.problems());
        }
        Snapshot filled = store.fill(project, read.value().get());
        readers.replaced(filled.id());
        return ViewMaker.line(filled);
    }

    /** Makes a project of a bundle; a bundle that is wrong leaves none behind. */
    @Operation(operationId = "importNew")
    @PostMapping(path = "/bundles", consumes = MediaType.APPLICATION_JSON_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ProjectLine importNew(@Parameter(hidden = true) HttpServletRequest request) throws IOException {
        Bundle.Read<Project> read = Bundle.read(request.getInputStream().readAllBytes());
        return ViewMaker.line(store.create(read.value().orElseThrow(() -> Refusal.wrong(read.problems()))));
    }
}
