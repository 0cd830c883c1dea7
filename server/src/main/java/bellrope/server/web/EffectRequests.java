package bellrope.server.web;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.picture.Picture;
import bellrope.core.picture.Still;
import bellrope.core.project.Project;
import bellrope.format.answer.PreviewHead;
import bellrope.format.answer.PreviewWish;
import bellrope.format.answer.Previews;
import bellrope.format.json.Bundle;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.Recipes;
import bellrope.format.report.ParameterReport;
import bellrope.format.sprite.Pictures;
import bellrope.format.sprite.SpriteCase;
import bellrope.server.live.Drafts;
import bellrope.server.store.Kind;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views;
import bellrope.server.view.Views.EffectRequest;
import bellrope.server.view.Views.PreviewRequest;
import bellrope.server.view.Views.RecipeView;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Effects played for their own sake, their stills, the recipes to start from, and the pictures of sprites. */
@RestController
@RequestMapping("/api")
class EffectRequests {
    private static final int STILL_WIDTH = 96;
    private static final int STILL_HEIGHT = 64;

    private final ProjectStore store;
    private final Project recipes = Recipes.project();
    private final Sending takes;
    private final Cache<StillKey, byte[]> stills = Caffeine.newBuilder()
            .maximumWeight(32 << 20)
            .weigher((StillKey key, byte[] png) -> 2_000 + png.length)
            .build();
    private final Cache<StillKey, ParameterReport> tables =
            Caffeine.newBuilder().maximumSize(200).build();
    // Decoded pictures, which take sixteen bytes a pixel: only those that something is painted with.
    private final Cache<Sprite, Picture> pictures = Caffeine.newBuilder()
            .maximumWeight(64 << 20)
            .weigher((Sprite sprite, Picture picture) -> 4 * picture.light().length)
            .build();
    private static final Picture CLEAR = Picture.of(1, 1, new int[1], Sprite.Sheet.SINGLE);

    /** Everything that a still, or the table of parameters, depends on. */
    private record StillKey(Effect effect, List<Effect> begun, List<Sprite> sprites, long seed, int stepsPerSecond) {}

    EffectRequests(ProjectStore store, Sending takes) {
        this.store = store;
        this.takes = takes;
    }

    /** Returns a preview in the form of a take: length of the head, the head, then each frame. */
    @Operation(operationId = "preview")
    @ApiResponse(
            responseCode = "200",
            description = "The head, described here, and the frames",
            content = @Content(schema = @Schema(implementation = PreviewHead.class)))
    @ApiResponse(
            responseCode = "422",
            description = "Something in it is wrong",
            content = @Content(schema = @Schema(implementation = Views.Refusal.class)))
    @PostMapping(path = "/projects/{project}/previews", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    void preview(@PathVariable long project, @RequestBody PreviewRequest request, HttpServletResponse response)
            throws IOException {
        takes.write(
                response, () -> Previews.of(Drafts.whole(store.get(project), request.drafts()), wish(request), true));
    }

    private static PreviewWish wish(PreviewRequest request) {
        return new PreviewWish(
                request.effect(),
                request.rope(),
                JacksonValue.of(request.payload()),
                request.surface(),
                request.side(),
                request.velocity(),
                request.seed(),
                request.stopAfter(),
                JacksonValue.of(request.set()));
    }

    private static <T> T part(Snapshot snapshot, Kind kind, long id, List<T> values) {
        List<Snapshot.Part> parts = snapshot.parts(kind);
        for (int i = 0; i < parts.size(); i++) {
            if (parts.get(i).id() == id) {
                return values.get(i);
            }
        }
        throw Refusal.notThere(kind.word() + " " + id);
    }

    /** Computes what answers to the parameters of an effect, and the proofs of its defaults and scales. */
    @Operation(operationId = "parameters")
    @PostMapping(path = "/projects/{project}/parameters", produces = MediaType.APPLICATION_JSON_VALUE)
    ParameterReport parameters(@PathVariable long project, @RequestBody EffectRequest request) {
        Snapshot snapshot = store.get(project);
        Project whole = Drafts.over(snapshot, request.drafts());
        Effect effect = part(snapshot, Kind.EFFECT, request.effect(), whole.effects());
        return tables.get(
                new StillKey(
                        effect,
                        begun(whole, effect),
                        whole.sprites(),
                        whole.settings().seed(),
                        whole.settings().pace().stepsPerSecond()),
                k -> ParameterReport.of(whole, effect));
    }

    private static List<Effect> begun(Project whole, Effect effect) {
        return effect.emitters().stream()
                .flatMap(e -> e.end().children().stream())
                .flatMap(c -> c.effect().flatMap(whole::effect).stream())
                .toList();
    }

    @Operation(operationId = "still")
    @GetMapping(path = "/projects/{project}/effects/{effect}/still", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> still(@PathVariable long project, @PathVariable long effect) {
        Snapshot snapshot = store.get(project);
        Project whole = snapshot.project();
        return image(still(whole, part(snapshot, Kind.EFFECT, effect, whole.effects())), Duration.ofDays(1));
    }

    private byte[] still(Project whole, Effect effect) {
        List<Effect> begun = begun(whole, effect);
        StillKey key = new StillKey(
                effect,
                begun,
                whole.sprites(),
                whole.settings().seed(),
                whole.settings().pace().stepsPerSecond());
        return stills.get(
                key,
                k -> Pictures.png(
                        Still.of(whole, effect, pictures(whole, effect, begun), 2 * STILL_WIDTH, 2 * STILL_HEIGHT),
                        2 * STILL_WIDTH,
                        2 * STILL_HEIGHT));
    }

    // In the project's order; those that the effect and what it begins do not use are left clear.
    private List<Picture> pictures(Project whole, Effect effect, List<Effect> begun) {
        Set<String> used = new HashSet<>();
        Stream.concat(Stream.of(effect), begun.stream())
                .flatMap(e -> e.emitters().stream())
                .forEach(e -> used.add(e.look().sprite()));
        return whole.sprites().stream()
                .map(s -> used.contains(s.name()) ? pictures.get(s, Pictures::of) : CLEAR)
                .toList();
    }

    @Operation(operationId = "recipes")
    @GetMapping(path = "/recipes", produces = MediaType.APPLICATION_JSON_VALUE)
    List<RecipeView> recipes() {
        return recipes.effects().stream()
                .map(e -> new RecipeView(e.name(), e.description(), Bundle.write(e)))
                .toList();
    }

    @Operation(operationId = "recipeStill")
    @GetMapping(path = "/recipes/{name}/still", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> recipeStill(@PathVariable String name) {
        Effect effect = recipes.effect(name).orElseThrow(() -> Refusal.notThere("recipe named " + name));
        return image(still(recipes, effect), Duration.ofHours(1));
    }

    @Operation(operationId = "sprite")
    @GetMapping(path = "/sprites/{name}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> sprite(@PathVariable String name) {
        return image(
                SpriteCase.png(name).orElseThrow(() -> Refusal.notThere("sprite named " + name)), Duration.ofHours(1));
    }

    @Operation(operationId = "ownSprite")
    @GetMapping(path = "/projects/{project}/sprites/{sprite}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> ownSprite(@PathVariable long project, @PathVariable long sprite) {
        Snapshot snapshot = store.get(project);
        Sprite found = part(snapshot, Kind.SPRITE, sprite, snapshot.project().sprites());
        return image(
                Pictures.png(found).orElseThrow(() -> Refusal.notThere("picture of " + found.name())),
                Duration.ofHours(1));
    }

    private static ResponseEntity<byte[]> image(byte[] png, Duration fresh) {
        return ResponseEntity.ok().cacheControl(CacheControl.maxAge(fresh)).body(png);
    }
}
