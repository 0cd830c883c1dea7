package bellrope.format.json;

import bellrope.core.effect.Sprite;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.value.Bounds;
import bellrope.core.value.Pace;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.format.sprite.Pictures;
import java.util.Base64;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;

/** What a project has besides what it answers with, as JSON, both ways. */
final class ProjectJson {
    private static final Form<Settings.Screen> SCREEN = Form.of("Screen", f -> {
        var width = f.whole("width", Settings.Screen::width)
                .within(Settings.Screen.WIDTH, "px")
                .says("Width of the screen that overdraw is measured on.");
        var height = f.whole("height", Settings.Screen::height)
                .within(Settings.Screen.HEIGHT, "px")
                .says("Height of the screen that overdraw is measured on.");
        var unitsHigh = f.number("unitsHigh", Settings.Screen::unitsHigh)
                .within(Settings.Screen.UNITS_HIGH, "u")
                .says("How much of the world is seen from bottom to top where effects play.");
        return v -> new Settings.Screen(width.of(v), height.of(v), unitsHigh.of(v));
    });

    private static final Form<Settings.Comfort> COMFORT = Form.of("Comfort", f -> {
        var shake = f.number("shake", Settings.Comfort::shake)
                .within(Settings.Comfort.SHAKE, "u")
                .says("How far all shakes together move the camera at most.");
        var flash = f.number("flash", Settings.Comfort::flash)
                .within(Settings.Comfort.FLASH)
                .says("How opaque all flashes together are at most.");
        return v -> new Settings.Comfort(shake.of(v), flash.of(v));
    });

    static final Form<Settings> SETTINGS = Form.of("Settings", f -> {
        var stepsPerSecond = f.whole(
                        "stepsPerSecond", settings -> settings.pace().stepsPerSecond())
                .within(Pace.STEPS_PER_SECOND, "steps/s")
                .says("How often a second everything is computed; a finer step is truer and dearer.");
        var metresPerUnit = f.number("metresPerUnit", Settings::metresPerUnit)
                .within(Settings.METRES_PER_UNIT, "m")
                .says("How long one of the game's units is.");
        var seed = f.set("seed", Settings::seed, Notations.upTo(Settings.HIGHEST_SEED))
                .says("What all random draws of the project begin with; another one draws everything anew.");
        var particleLimit = f.whole("particleLimit", Settings::particleLimit)
                .within(Settings.PARTICLE_LIMIT)
                .says(
                        "Most particles that live at once in the whole scene; births beyond it are dropped, and it is said.");
        var screen = f.set("screen", Settings::screen, SCREEN)
                .usual(Settings.Screen.USUAL)
                .always()
                .says("What overdraw is measured on; 1920 × 1080 px and 12 u high if absent.");
        var comfort = f.set("comfort", Settings::comfort, COMFORT)
                .usual(Settings.Comfort.USUAL)
                .says("Caps on what all companions together may bring; 0.5 u and 0.6 if absent.");
        var aliases = f.list("aliases", Settings::aliases, ContractJson.ALIAS)
                .usual(List.of())
                .atMost(Settings.MOST_ALIASES)
                .says("Former names that game code may still use.");
        return v -> new Settings(
                new Pace(stepsPerSecond.of(v)),
                metresPerUnit.of(v),
                seed.of(v),
                particleLimit.of(v),
                screen.of(v),
                comfort.of(v),
                aliases.of(v));
    });

    private static final Form<Sprite.Sheet> SHEET = Form.of("Sheet", f -> {
        var columns = f.whole("columns", Sprite.Sheet::columns)
                .within(Sprite.Sheet.COLUMNS)
                .says("How many frames lie side by side.");
        var rows = f.whole("rows", Sprite.Sheet::rows)
                .within(Sprite.Sheet.ROWS)
                .says("How many rows of frames there are.");
        var frames = f.whole("frames", Sprite.Sheet::frames)
                .within(Bounds.of(1, Sprite.Sheet.MOST_FRAMES))
                .says("How many are used, at most columns × rows.");
        var order =
                f.choice("order", Sprite.Sheet::order, Sprite.Sheet.Order.class).says("Which frame follows which.");
        var perSecond = f.number("perSecond", Sprite.Sheet::perSecond)
                .within(Sprite.Sheet.PER_SECOND, "/s")
                .says("How fast the frames are played where nothing else says so.");
        return v -> new Sprite.Sheet(columns.of(v), rows.of(v), frames.of(v), order.of(v), perSecond.of(v));
    });

    // To write and to describe with. Readers say how pictures are decoded: pages do it otherwise.
    private static final ToDoubleFunction<byte[]> UNREAD = png -> {
        throw new IllegalStateException("nothing is read by this form");
    };

    static final Form<Sprite> SPRITE = sprite(UNREAD);

    static final Form<Project> PROJECT = project(UNREAD);

    private ProjectJson() {}

    /**
     * Returns how a sprite is written.
     *
     * @param coverageOf of a PNG whose sprite does not say it
     */
    static Form<Sprite> sprite(ToDoubleFunction<byte[]> coverageOf) {
        return Form.of("Sprite", f -> {
            var name = f.name("name", Sprite::name).says("By which emitters name it.");
            var coverage = f.maybeNumber("coverage", sprite -> OptionalDouble.of(sprite.coverage()))
                    .within(Sprite.COVERAGE)
                    .says("Mean opacity over the whole picture; worked out from a picture of its own if absent.");
            var sheet = f.set("sheet", Sprite::sheet, SHEET)
                    .usual(Sprite.Sheet.SINGLE)
                    .says("How the picture is cut into frames of equal size; absent for a single picture.");
            var picture = f.maybe("picture", Sprite::picture, Notations.BASE64_PNG)
                    .says("A PNG in Base64, at most 1 MB and 2048 × 2048 px; absent for a sprite that ships.");
            return v -> {
                List<Problem> wrong = Pictures.problems(new Sprite("picture", 1, sheet.of(v), picture.of(v)));
                if (!wrong.isEmpty()) {
                    Problem first = wrong.get(0);
                    throw new Refused(first.place().substring(1), first.given(), first.allowed());
                }
                // A picture of its own says how much of it is opaque; one that ships is known by the number.
                double share = coverage.of(v)
                        .orElseGet(() -> picture.of(v)
                                .map(png -> coverageOf.applyAsDouble(
                                        Base64.getDecoder().decode(png)))
                                .orElse(1.0));
                return new Sprite(name.of(v), share, sheet.of(v), picture.of(v));
            };
        });
    }

    /**
     * Returns how a project is written, but for the version of the format.
     *
     * @param coverageOf of a PNG whose sprite does not say it
     */
    static Form<Project> project(ToDoubleFunction<byte[]> coverageOf) {
        Form<Sprite> sprite = sprite(coverageOf);
        return Form.of("Bundle", f -> {
            var name = f.name("name", Project::name).says("What the project is called.");
            var settings = f.set("settings", Project::settings, SETTINGS).says("What holds for all of it.");
            var sprites = f.list("sprites", Project::sprites, sprite)
                    .atMost(Project.MOST_SPRITES)
                    .says("The pictures that emitters use.");
            var events = f.list("events", Project::events, EventJson.EVENT)
                    .atMost(Project.MOST_EVENTS)
                    .says("What the game says.");
            var effects = f.list("effects", Project::effects, EffectJson.EFFECT)
                    .atMost(Project.MOST_EFFECTS)
                    .says("What is played.");
            var ropes = f.list("ropes", Project::ropes, RopeJson.ROPE)
                    .atMost(Project.MOST_ROPES)
                    .says("What answers which event, and how. They answer in this order.");
            var channels = f.list("channels", Project::channels, EventJson.CHANNEL)
                    .usual(List.of())
                    .atMost(Project.MOST_CHANNELS)
                    .says("Numbers that the game publishes all the time.");
            var places = f.list("places", Project::places, EventJson.PLACE)
                    .usual(List.of())
                    .atMost(Project.MOST_PLACES)
                    .says("Named places of the world.");
            var versions = f.list("versions", Project::versions, ContractJson.VERSION)
                    .usual(List.of())
                    .atMost(Project.MOST_VERSIONS)
                    .says("Of the contract, as they were handed over, the first first.");
            var pools = f.list("pools", Project::pools, ScoreJson.POOL)
                    .usual(List.of())
                    .atMost(Project.MOST_POOLS)
                    .says("How many instances of which effects may be held at once. An effect is in one pool at most.");
            var scores = f.list("scores", Project::scores, ScoreJson.SCORE)
                    .usual(List.of())
                    .atMost(Project.MOST_SCORES)
                    .says("What can be rehearsed.");
            return v -> new Project(
                    name.of(v),
                    settings.of(v),
                    sprites.of(v),
                    events.of(v),
                    effects.of(v),
                    ropes.of(v),
                    channels.of(v),
                    places.of(v),
                    versions.of(v),
                    pools.of(v),
                    scores.of(v));
        });
    }
}
