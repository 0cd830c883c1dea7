package bellrope.server.web;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.picture.Picture;
import bellrope.core.picture.Still;
import bellrope.core.project.Project;
import bellrope.format.json.Bundle;
import bellrope.format.json.Recipes;
import bellrope.format.sprite.Pictures;
import bellrope.format.sprite.SpriteCase;
import bellrope.server.store.Kind;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views.RecipeView;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.swagger.v3.oas.annotations.Operation;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Stills of effects, the recipes to start from, and the pictures of sprites. */
@RestController
@RequestMapping("/api")
class EffectRequests {
    private static final int STILL_WIDTH = 96;
    private static final int STILL_HEIGHT = 64;

    private final ProjectStore store;
    private final Project recipes = Recipes.project();
    private final Cache<StillKey, byte[]> stills = Caffeine.newBuilder()
            .maximumWeight(32 << 20)
            .weigher((StillKey key, byte[] png) -> 2_000 + png.length)
            .build();
    // Decoded pictures, which take sixteen bytes a pixel: only those that something is painted with.
    private final Cache<Sprite, Picture> pictures = Caffeine.newBuilder()
            .maximumWeight(64 << 20)
            .weigher((Sprite sprite, Picture picture) -> 4 * picture.light().length)
            .build();
    private static final Picture CLEAR = Picture.of(1, 1, new int[1], Sprite.Sheet.SINGLE);

    /** Everything that a still depends on. */
    private record StillKey(Effect effect, List<Effect> begun, List<Sprite> sprites, long seed, int stepsPerSecond) {}

    EffectRequests(ProjectStore store) {
        this.store = store;
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
