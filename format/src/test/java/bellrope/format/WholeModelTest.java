package bellrope.format;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.effect.Effect;
import bellrope.core.project.Project;
import bellrope.format.json.Bundle;
import bellrope.format.json.Changes;
import bellrope.format.json.Demo;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.JsonText;
import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Every setting of an effect, there and back, and under the published schema. */
class WholeModelTest {
    private static final String EVERYTHING = """
            {"name": "everything", "description": "", "course": {"kind": "looping", "duration": 2, "windUp": 0.5, "fadeOut": 0.4, "playback": 1.5},
             "seed": 7,
             "order": 2, "emitters": [
              {"name": "a", "seed": 1,
               "birth": {"bursts": [{"at": 0.1, "least": 2, "most": 5, "times": 3, "pause": 0.2, "chance": 0.5, "id": 4}],
                "stream": {"perSecond": 30, "over": [{"at": 0, "value": 1, "ease": "linear"}, {"at": 1, "value": 0, "ease": "linear"}], "from": 0.5, "lasting": 1},
                "perUnit": 4, "delay": 0.25, "cap": 20,
                "shape": {"kind": "circle", "radius": 1, "fill": "edge", "arc": 90}, "placing": "evenly", "aim": {"kind": "outward"},
                "spread": 10, "offset": [0, 1, 0], "turn": [90, 0, 0], "space": "local", "inherit": 0.5,
                "speed": [1, 2], "lifetime": [0.5, 1], "size": [0.1, 0.2], "sizes": [{"size": 0.1}, {"size": 0.2, "weight": 3}], "height": [0.3, 0.4], "rotation": [0, 90], "spin": [-10, 10], "opacity": [0.5, 1],
                "gravity": [0.5, 1.5], "colour": {"oneOf": ["#FF0000FF", "#00FF0080"], "weights": [3, 1]}},
               "look": {"sprite": "disc", "blend": "screen", "order": "oldest on top", "frame": {"kind": "looping", "perSecond": 24}, "posture": {"kind": "flight", "stretch": 0.1}, "brightness": 2},
               "life": {"gravity": [1, -9, 0.5], "drag": 0, "restWithin": 2, "restEvenly": true, "live": true,
                "otherColour": [{"at": 0, "colour": "#00FF00FF"}],
                "forces": [{"kind": "attractor", "place": [1, 0, 0], "strength": -3, "radius": 2, "falloff": "square"},
                 {"kind": "swirl", "place": [0, 0, 0], "axis": [0, 1, 0], "strength": 4, "radius": 3, "falloff": "linear"},
                 {"kind": "push", "strength": 2}, {"kind": "turbulence", "strength": 1, "size": 0.5, "speed": 2}],
                "size": [{"at": 0, "value": 1, "ease": {"out": 2, "in": -1}}, {"at": 1, "value": 0, "ease": "linear"}],
                "opacity": [{"at": 0, "value": 1, "ease": [0.1, 0.2, 0.3, 0.4]}, {"at": 1, "value": 0, "ease": "linear"}],
                "colour": [{"at": 0, "colour": "#FFFFFFFF"}, {"at": 1, "colour": "#FF000000"}],
                "speed": [{"at": 0, "value": 3, "ease": "linear"}], "spin": [{"at": 0, "value": -90, "ease": "linear"}],
                "replaces": ["size", "speed", "spin"], "timed": {"size": 0.4, "speed": 0.1}},
               "end": {"collision": {"with": {"kind": "box", "place": [0, 0, 0], "size": [4, 4, 4], "keepsIn": true}, "bounce": 0.5, "friction": 0.1, "lifeLost": 0.2, "then": "bounces"},
                "children": [{"when": "on collision", "emitter": "b", "least": 1, "most": 3, "chance": 0.5, "velocity": 0.2, "colour": true, "size": true, "id": 2},
                 {"when": "per unit", "effect": "straw puff", "least": 1, "most": 1, "rate": 0.5, "id": 1}],
                "trail": {"length": 0.4, "by": "units", "width": [{"at": 0, "value": 1, "ease": "linear"}, {"at": 1, "value": 0, "ease": "linear"}], "colour": [{"at": 0, "colour": "#FFFFFFFF"}], "over": [{"share": 0.5, "width": [{"at": 0, "value": 0.3, "ease": "linear"}], "colour": [{"at": 0, "colour": "#FFEECCFF"}]}]}}},
              {"name": "b", "seed": 2,
               "birth": {"bursts": [], "shape": {"kind": "box", "size": [1, 2, 3]}, "aim": {"kind": "axes", "x": [-1, 1], "y": [2, 3], "z": [0, 0]}, "spread": 0, "speed": [0, 0], "lifetime": [1, 1], "size": [1, 1],
                "rotation": [0, 0], "spin": [0, 0], "opacity": [1, 1], "colour": {"from": [{"at": 0, "colour": "#000000FF"}, {"at": 1, "colour": "#FFFFFFFF"}]}},
               "look": {"sprite": "disc", "blend": "multiply", "order": "newest on top", "frame": {"kind": "over life"}, "posture": {"kind": "fixed", "normal": [0, 0, 1]}},
               "life": {"gravity": [0, 0, 0], "drag": 0, "size": [{"at": 0, "value": 1, "ease": "linear"}], "opacity": [{"at": 0, "value": 1, "ease": {"steps": 10}}, {"at": 0.5, "value": 0, "ease": {"steps": 3, "jump": "both"}}, {"at": 1, "value": 1, "ease": "hold"}], "colour": [{"at": 0, "colour": "#FFFFFFFF"}]},
               "end": {"collision": {"with": {"kind": "plane", "place": [0, -1, 0], "normal": [0, 1, 0]}, "bounce": 0, "friction": 1, "then": "sticks"}}, "off": true}],
             "parameters": [{"name": "strength", "default": 3, "least": 0, "most": 2, "free": true, "unit": "×", "description": "", "bindings": [{"property": "force", "mode": "multiply"}, {"property": "brightness", "mode": "multiply", "emitter": "a"}]},
              {"name": "span", "default": 1, "least": 0.5, "most": 4, "step": 0.25, "unit": "", "description": "", "scale": true, "bindings": [{"property": "per unit", "mode": "divide"},
               {"property": "force reach", "mode": "multiply", "remap": {"in": [0.5, 4], "out": [0, 2], "clamp": false, "shape": [{"at": 0, "value": 0, "ease": "ease-in"}, {"at": 1, "value": 1, "ease": "linear"}]}}]},
              {"name": "pieces", "type": "whole", "default": 0, "least": -3, "most": 9, "free": true, "unit": "", "description": "", "byGame": true, "bindings": [{"property": "count", "mode": "add"}]},
              {"name": "wet", "type": "flag", "default": false, "unit": "", "description": "", "bindings": [{"property": "opacity", "mode": "multiply", "each": [1, 0.5]}]},
              {"name": "kind", "type": "choice", "default": "oak", "options": ["oak", "elm"], "unit": "", "description": "", "bindings": [{"property": "drag", "mode": "add", "each": [0, 2]}]},
              {"name": "lean", "type": "vector", "default": [0, 0, 0], "most": 5, "unit": "u", "description": "", "bindings": [{"property": "offset", "mode": "add"}]},
              {"name": "dye", "type": "colour", "default": "#FFFFFF", "unit": "", "description": "", "bindings": [{"property": "colour", "mode": "multiply"}]},
              {"name": "veil", "type": "colour", "default": "#FFFFFFFF", "opacity": true, "unit": "", "description": "", "bindings": []}],
             "tries": [{"name": "hard", "values": {"span": 2, "wet": true, "kind": "elm", "lean": [0, 1, 0], "dye": "#FF0000"}}]}
            """;

    private static final String GAME = """
            {"bellrope": 1, "name": "x", "settings": {"stepsPerSecond": 60, "metresPerUnit": 1, "seed": 1, "particleLimit": 100,
              "screen": {"width": 1920, "height": 1080, "unitsHigh": 12}, "comfort": {"shake": 0.2, "flash": 0.3}},
             "sprites": [],
             "events": [
              {"name": "kite.reeling", "shape": "span", "description": "", "weight": 2, "fields": [
               {"name": "at", "type": "position"}, {"name": "nose", "type": "heading"}, {"name": "pull", "type": "number", "range": [0, 9], "usual": 4, "unit": "N"},
               {"name": "size", "type": "extent"}, {"name": "half", "type": "half extent"}, {"name": "way", "type": "direction"}, {"name": "up", "type": "normal"}, {"name": "going", "type": "velocity"},
               {"name": "some", "type": "vector"}, {"name": "wet", "type": "flag"}, {"name": "dye", "type": "colour"}, {"name": "by", "type": "choice", "options": ["hand", "winch"], "reads": "by"}, {"name": "note", "type": "text"}]},
              {"name": "weather", "shape": "state", "description": "", "weight": 3, "fields": [], "values": ["clear", "downpour"]},
              {"name": "mill.stopped", "shape": "moment", "description": "", "weight": 1, "fields": [], "unanswered": "heard, not seen"}],
             "effects": [],
             "ropes": [
              {"name": "reel", "seed": 1, "off": true, "remark": "too thin", "group": "kite", "event": "kite.reeling", "match": "any",
               "conditions": [{"field": "pull", "relation": "over", "bound": 2}, {"field": "by", "is": ["winch"]}, {"field": "wet", "flag": false},
                {"channel": "wind", "relation": "at most", "bound": 4}, {"since": "mill.stopped", "relation": "under", "bound": 3}, {"tag": "torn", "has": false}, {"tag": "new"}],
               "overrides": {"count": 2, "size": 0.5, "speed": 3, "duration": 1, "colour": "#FF8800FF", "fadeOut": 0.2, "cutAfter": 9, "order": -3},
               "offset": [1, 0, 0], "place": {"at": "subject", "follow": true, "frame": "subject", "depth": -1}, "facing": "fixed",
               "pointing": {"fixed": [1, 1, 0], "spread": 20, "velocity": 0.5, "turns": true},
               "feeds": [{"parameter": "a", "field": "pull", "in": [0, 9], "out": [0, 1]}, {"parameter": "b", "channel": "wind", "in": [0, 9], "out": [1, 0]},
                {"parameter": "c", "held": true, "in": [0, 2], "out": [0, 1]}, {"parameter": "d", "since": "mill.stopped", "in": [0, 2], "out": [0, 1]},
                {"parameter": "e", "constant": "#FF8800"}, {"parameter": "f", "random": 2, "out": [0.8, 1.2]}, {"parameter": "g", "field": "dye"}, {"parameter": "h", "constant": [0, 1, 0]},
                {"parameter": "k", "from": "a", "in": [0, 1], "out": [1, 0], "clamp": false, "shape": [{"at": 0, "value": 0, "ease": "ease-out"}, {"at": 1, "value": 1, "ease": "linear"}], "rise": 0.5, "fall": 0.1, "every": 0.25}],
               "run": {"fadeIn": 0.1, "fadeOut": 0.4, "longest": 20, "again": "restart"},
               "timing": {"delay": 0.1, "jitter": 0.2},
               "limits": {"cooldown": 0.5, "perSecond": 4, "once": true, "until": "mill.stopped", "alive": 3, "together": true, "whenFull": "lowest weight", "distance": 2, "chance": 0.5},
               "owner": {"end": "fade", "over": 0.3}, "hit": {"field": "pull"},
               "then": [{"announce": "mill.stopped", "cue": "over", "after": 1, "id": 1}, {"cue": "ended", "offset": [0, 1, 0], "inForce": 5, "fadeOut": 2, "notice": "smoulder", "values": [{"name": "heat", "constant": 3}], "id": 3}],
               "with": [{"do": "shake", "size": 0.1, "frequency": 12, "decay": 0.4}, {"do": "flash", "colour": "#FFFFFFFF", "opacity": 0.2, "seconds": 0.1}, {"do": "tint", "colour": "#200000FF", "opacity": 0.4, "area": "edges", "in": 0.1, "hold": 2, "out": 1}, {"do": "pause", "seconds": 0.05}, {"do": "notice", "name": "thud", "after": 0.2, "values": [{"name": "how hard", "field": "pull"}, {"name": "wind", "channel": "wind"}, {"name": "tint", "constant": "#FF8800"}]}]},
              {"name": "rain", "seed": 2, "event": "weather", "value": "downpour", "conditions": [], "offset": [0, 6, 0], "place": {"at": "camera", "follow": true, "frame": "world"}, "facing": "up", "feeds": [],
               "run": {"fadeIn": 3, "fadeOut": 3, "order": "after"}},
              {"name": "door", "seed": 3, "event": "mill.stopped", "conditions": [], "offset": [0, 0, 0], "place": {"at": "place", "name": "mill door"}, "facing": "reflected", "feeds": [], "hit": 3.5,
               "stay": {"inForce": 5, "fadeOut": 2, "notice": "smoke", "values": [{"name": "harm", "constant": 4}]}}],
             "channels": [{"name": "wind", "description": "", "range": [0, 12], "usual": 2, "unit": "u/s"}],
             "places": [{"name": "mill door", "position": [4, 1, 0]}],
             "scores": [{"name": "a run", "seconds": 90, "seed": 3, "lanes": [
               {"id": 1, "event": "kite.reeling", "subject": "kite", "subjects": 3, "muted": true, "from": 2, "until": 80,
                "when": {"kind": "marks", "marks": [{"at": 4, "lasts": 2, "payload": {"pull": 6, "by": "winch", "wet": true, "at": [1, 2, 0]}}]},
                "manner": "any", "lasts": [1, 3], "spread": [4, 0, 1], "gone": 5},
               {"id": 2, "event": "weather", "when": {"kind": "marks", "marks": [{"at": 1, "value": "downpour"}]}, "said": [{"value": "clear"}, {"value": "downpour"}]},
               {"id": 3, "event": "mill.stopped", "when": {"kind": "steady", "perSecond": 2}},
               {"id": 4, "event": "mill.stopped", "when": {"kind": "poisson", "perSecond": 3}, "manner": "hard"},
               {"id": 5, "event": "mill.stopped", "when": {"kind": "salvos", "count": 8, "within": 0.5, "every": 4}},
               {"id": 6, "event": "mill.stopped", "when": {"kind": "rising", "perSecond": [{"at": 0, "value": 0, "ease": "linear"}, {"at": 1, "value": 9, "ease": "linear"}]}},
               {"id": 7, "event": "mill.stopped", "when": {"kind": "after", "lane": 4, "chance": 0.4, "delay": 0.1}}],
              "channels": [{"channel": "wind", "points": [{"at": 0, "value": 2}, {"at": 60, "value": 9}]}]}]}
            """;

    @Test
    void everythingOfRopesComesBackAsItWent() {
        Bundle.Read<Project> read = Bundle.read(tree(GAME));
        // Nothing can be reflected off an event that carries neither vector; all else is sound.
        assertThat(read.problems()).extracting(p -> p.place()).containsExactly("/ropes/2/facing", "/ropes/2/facing");
        String sound = GAME.replace("reflected", "up");
        Project project = Bundle.read(tree(sound)).value().orElseThrow();
        assertThat(Changes.between(tree(sound), tree(Bundle.write(project)))).isEmpty();
        assertThat(Bundle.read(tree(Bundle.write(project))).value()).contains(project);
    }

    @Test
    void theWordsOfOlderBundlesAreStillRead() {
        String now = GAME.replace("reflected", "up");
        String before = now.replace("\"has\": false", "\"borne\": false")
                .replace("cutAfter", "goneAfter")
                .replace("lowest weight", "least weighty");
        assertThat(before).isNotEqualTo(now).contains("borne", "goneAfter", "least weighty");
        assertThat(Bundle.read(tree(before))).isEqualTo(Bundle.read(tree(now)));
    }

    @Test
    void everythingOfRopesSatisfiesTheSchema() throws IOException {
        assertThat(SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                        .getSchema(Files.readString(Path.of("../docs/format/bundle.schema.json")))
                        .validate(GAME, InputFormat.JSON))
                .isEmpty();
    }

    /** Returns a bundle in which every setting of ropes and effects is said. */
    static JsonNode everything() {
        ObjectNode bundle = (ObjectNode) tree(GAME.replace("reflected", "up")).deepCopy();
        ObjectNode effect = (ObjectNode) tree(EVERYTHING);
        bundle.withArray("effects").add(effect);
        for (JsonNode other : tree(Bundle.write(Demo.project())).get("effects")) {
            if (other.get("name").asString().equals("straw puff")) {
                bundle.withArray("effects").add(other);
            }
        }
        bundle.set("pools", tree("""
                [{"name": "all", "effects": ["everything"], "capacity": 8, "prewarm": 4, "whenEmpty": "grow", "bound": 12},
                 {"name": "rest", "effects": ["straw puff"], "capacity": 2, "whenEmpty": "lowest weight"}]"""));
        bundle.set("sprites", tree(Bundle.write(Demo.project())).get("sprites"));
        return bundle;
    }

    private static JsonNode tree(String text) {
        return JsonText.parse(text).node();
    }

    @Test
    void comesBackAsItWent() {
        Bundle.Read<Effect> read = Bundle.readEffect(tree(EVERYTHING));
        assertThat(read.problems()).isEmpty();
        JsonNode written = JacksonValue.node(Bundle.write(read.value().orElseThrow()));
        assertThat(Changes.between(tree(EVERYTHING), written)).isEmpty();
        assertThat(Bundle.readEffect(written).value()).isEqualTo(read.value());
    }

    @Test
    void satisfiesTheSchema() throws IOException {
        String bundle =
                "{\"bellrope\":1,\"name\":\"x\",\"settings\":{\"stepsPerSecond\":60,\"metresPerUnit\":1,\"seed\":1,"
                        + "\"particleLimit\":100},\"sprites\":[],\"events\":[],\"ropes\":[],\"effects\":[" + EVERYTHING
                        + "]}";
        assertThat(SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                        .getSchema(Files.readString(Path.of("../docs/format/bundle.schema.json")))
                        .validate(bundle, InputFormat.JSON))
                .isEmpty();
    }

    @Test
    void aChangeIsToldByTheNamesOfThings() {
        String after = EVERYTHING.replace("\"cap\": 20", "\"cap\": 30").replace("\"name\": \"b\"", "\"name\": \"c\"");
        assertThat(Changes.between(tree(EVERYTHING), tree(after)))
                .extracting(Changes.Change::place)
                .containsExactly("a › birth › cap", "b", "c");
    }
}
