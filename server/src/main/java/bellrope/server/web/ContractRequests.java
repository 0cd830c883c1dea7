package bellrope.server.web;

import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import bellrope.core.contract.Difference;
import bellrope.core.contract.Version;
import bellrope.core.project.Project;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import bellrope.format.code.Language;
import bellrope.format.contract.AsyncApi;
import bellrope.format.contract.ContractSchema;
import bellrope.format.json.Bundle;
import bellrope.server.news.Readers;
import bellrope.server.store.Kind;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.ProjectStore.Change;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views.AliasView;
import bellrope.server.view.Views.ContractView;
import bellrope.server.view.Views.DifferenceView;
import bellrope.server.view.Views.NewVersion;
import bellrope.server.view.Views.Saved;
import bellrope.server.view.Views.VersionView;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The contract with game code: as it stands, as it was handed over, and as files. */
@RestController
@RequestMapping("/api/projects/{project}")
class ContractRequests {
    private static final List<String> WEB_GAME = List.of(
            "game/bellrope.ts",
            "game/link.ts",
            "game/linked.ts",
            "core/core.js",
            "core/core.d.ts",
            "core/runtime.js",
            "core/core.wasm");

    private final ProjectStore store;
    private final Readers readers;

    ContractRequests(ProjectStore store, Readers readers) {
        this.store = store;
        this.readers = readers;
    }

    @Operation(operationId = "contract")
    @GetMapping(path = "/contract", produces = MediaType.APPLICATION_JSON_VALUE)
    ContractView contract(@PathVariable long project, @RequestParam(required = false) String against) {
        Snapshot snapshot = store.get(project);
        Project p = snapshot.project();
        List<VersionView> versions = new ArrayList<>();
        for (Snapshot.Part part : snapshot.parts(Kind.VERSION)) {
            Version version = (Version) part.value();
            versions.add(new VersionView(part.id(), version.name(), version.note(), part.savedAt()));
        }
        Collections.reverse(versions);
        Version other = against == null || against.isEmpty() ? p.lastVersion().orElse(null) : version(p, against);
        List<Difference> differences = other == null
                ? List.of()
                : Difference.between(
                        other.contract(), p.contract(), p.settings().aliases());
        return new ContractView(
                Bundle.write(p.contract()),
                versions,
                p.settings().aliases().stream()
                        .map(a -> new AliasView(word(a.kind()), a.within(), a.from(), a.to(), a.since()))
                        .toList(),
                other == null ? null : other.name(),
                differences.stream()
                        .map(d -> new DifferenceView(
                                word(d.kind()), d.what(), d.before(), d.after(), d.breaks(), d.why()))
                        .toList(),
                (int) differences.stream().filter(Difference::breaks).count(),
                label(p));
    }

    private static String word(Enum<?> kind) {
        return kind.name().toLowerCase(Locale.ROOT);
    }

    private static Version version(Project p, String name) {
        List<String> names = p.versions().stream().map(Version::name).toList();
        return p.versions().stream()
                .filter(v -> v.name().equals(name))
                .findFirst()
                .orElseThrow(() -> Refusal.wrong(List.of(new Problem(
                        "/version", '"' + name + '"', "the name of a version" + Words.nearest(name, names)))));
    }

    // What is not handed over yet must not pass for what was.
    private static String label(Project p) {
        return p.lastVersion()
                .map(v -> v.contract().equals(p.contract()) ? v.name() : v.name() + ", changed since")
                .orElse("not handed over yet");
    }

    /** Hands the contract over under a name: it is kept as it is, and compared with from then on. */
    @Operation(operationId = "handOver")
    @PostMapping("/versions")
    Saved handOver(
            @PathVariable long project,
            @RequestBody NewVersion request,
            @Parameter(hidden = true) @RequestHeader(name = ProjectRequests.READER, required = false) String reader) {
        String name = request.name() == null ? "" : request.name().strip();
        try {
            Change change =
                    store.rework(project, p -> p.handedOver(name, request.note() == null ? "" : request.note()));
            Saved saved = ViewMaker.saved(change);
            readers.changed(change.after().id(), saved, reader);
            return saved;
        } catch (Refused refused) {
            throw Refusal.wrong(List.of(new Problem("/name", refused.given(), refused.allowed())));
        }
    }

    /** Returns the contract as an AsyncAPI 3 document. */
    @Operation(operationId = "contractAsyncApi")
    @GetMapping(path = "/contract/asyncapi", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> asyncApi(@PathVariable long project, @RequestParam(required = false) String version) {
        Chosen chosen = chosen(project, version);
        return file("asyncapi.json", AsyncApi.of(chosen.project.name(), chosen.contract, chosen.version));
    }

    /** Returns the contract as a JSON Schema. */
    @Operation(operationId = "contractSchema")
    @GetMapping(path = "/contract/schema", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> schema(@PathVariable long project, @RequestParam(required = false) String version) {
        Chosen chosen = chosen(project, version);
        return file("contract.schema.json", ContractSchema.of(chosen.project.name(), chosen.contract, chosen.version));
    }

    /** Returns the contract as source text. */
    @Operation(operationId = "contractCode")
    @GetMapping(path = "/contract/code/{language}", produces = MediaType.TEXT_PLAIN_VALUE + ";charset=UTF-8")
    ResponseEntity<byte[]> code(
            @PathVariable long project, @PathVariable String language, @RequestParam(required = false) String version) {
        Language wanted = Language.of(language)
                .orElseThrow(() -> Refusal.wrong(List.of(new Problem(
                        "/language",
                        '"' + language + '"',
                        Words.either(Stream.of(Language.values())
                                .map(ContractRequests::word)
                                .toList())))));
        Chosen chosen = chosen(project, version);
        return file(
                wanted.file(chosen.project.name()),
                wanted.code(chosen.project.name(), chosen.contract, chosen.aliases, chosen.version));
    }

    /** Returns all that a game in a browser needs: the core, what loads and wraps it, the typed calls, and the bundle. */
    @Operation(operationId = "webGame")
    @GetMapping(path = "/contract/web-game", produces = "application/zip")
    ResponseEntity<byte[]> webGame(@PathVariable long project) throws IOException {
        Chosen chosen = chosen(project, null);
        Project p = chosen.project;
        Language typed = Language.TYPESCRIPT;
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(2 << 20);
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (String file : WEB_GAME) {
                try (InputStream in = new ClassPathResource("static/" + file).getInputStream()) {
                    entry(zip, file.substring(file.indexOf('/') + 1), in.readAllBytes());
                }
            }
            String code = typed.code(p.name(), chosen.contract, chosen.aliases, chosen.version);
            entry(zip, typed.file(p.name()), code.getBytes(StandardCharsets.UTF_8));
            entry(zip, ProjectRequests.file(p.name()), Bundle.write(p).getBytes(StandardCharsets.UTF_8));
        }
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("web-game.zip")
                                .build()
                                .toString())
                .body(bytes.toByteArray());
    }

    // Always of the same time, so that the same project gives the same bytes.
    private static void entry(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTimeLocal(LocalDateTime.of(2000, 1, 1, 0, 0));
        zip.putNextEntry(entry);
        zip.write(bytes);
    }

    private record Chosen(Project project, Contract contract, List<Alias> aliases, String version) {}

    private Chosen chosen(long project, String version) {
        Project p = store.get(project).project();
        if (version == null || version.isEmpty()) {
            return new Chosen(p, p.contract(), p.settings().aliases(), label(p));
        }
        Version found = version(p, version);
        boolean last = p.lastVersion().equals(java.util.Optional.of(found));
        // Former names belong to the last version, and to what has been renamed since.
        List<Alias> aliases =
                last && found.contract().equals(p.contract()) ? p.settings().aliases() : List.of();
        return new Chosen(p, found.contract(), aliases, found.name());
    }

    private static ResponseEntity<byte[]> file(String name, String text) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + name + "\"")
                .body(text.getBytes(StandardCharsets.UTF_8));
    }
}
