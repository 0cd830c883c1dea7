package bellrope.format.json;

import bellrope.core.event.Pull;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What goes over the link to a running game, as it is written: {@code docs/format/link.md}. What a game did to its stage are
 * CloudEvents 1.0, each with the step on which it was done.
 */
public final class LinkJson {
    public static final int PROTOCOL = 1;

    /** Types of what is no event of the project, nor a channel or the end of a subject as in a trace. */
    public static final String MOVED = "subject.moved";

    public static final String CAMERA = "camera.moved";
    public static final String TURNED = "parameter.set";
    public static final String TAKEN = "bundle.taken";
    public static final String CHECKED = "frame.checked";
    public static final String CLEARED = "stage.cleared";
    public static final String RESET = "stage.reset";

    private LinkJson() {}

    /**
     * How a subject looks.
     *
     * @param name of the subject, or of what a subject says it looks like when it moves
     * @param path the {@code d} of an SVG path in a box of 100 by 100, y down; null for a picture
     * @param png in base64; null for a path
     * @param width of the box, u; the subject's place is the middle of its lower edge
     * @param height of the box, u
     */
    public record Look(
            String name, @Nullable String path, @Nullable String png, double width, double height) {}

    /**
     * Who says something.
     *
     * @param source a reference to the running game
     * @param number of what is said, counted from 1
     * @param step how many steps its stage had made
     */
    public record By(String source, long number, int step) {
        private JsonObject line(String type) {
            JsonObject node = Json.object();
            node.put("specversion", "1.0");
            node.put("id", Long.toString(number));
            node.put("source", source);
            node.put("type", type);
            node.put("step", step);
            return node;
        }
    }

    public static JsonValue pull(By by, Pull pull) {
        JsonObject node = by.line(pull.event());
        TraceJson.fill(node, pull);
        return node;
    }

    /** A channel carries a value from now on. */
    public static JsonValue channel(By by, String channel, double value) {
        JsonObject node = by.line(TraceJson.CHANNEL + channel);
        node.putObject("data").set("value", Json.number(value));
        return node;
    }

    public static JsonValue gone(By by, String subject) {
        return by.line(TraceJson.GONE).put("subject", subject);
    }

    /** @param velocity null if it is moved each step */
    public static JsonValue moved(By by, String subject, Vec3 position, Vec3 heading, Vec3 velocity) {
        JsonObject node = by.line(MOVED).put("subject", subject);
        JsonObject data = node.putObject("data").set("position", Json.vector(position));
        if (!heading.equals(Vec3.ZERO)) {
            data.set("heading", Json.vector(heading));
        }
        if (velocity != null) {
            data.set("velocity", Json.vector(velocity));
        }
        return node;
    }

    public static JsonValue camera(By by, Vec3 position) {
        JsonObject node = by.line(CAMERA);
        node.putObject("data").set("position", Json.vector(position));
        return node;
    }

    /**
     * A parameter of what plays was turned.
     *
     * @param account number of the pull that a rope answered with it
     */
    public static JsonValue turned(By by, int account, String rope, String parameter, Datum value) {
        JsonObject node = by.line(TURNED);
        node.putObject("data")
                .put("account", account)
                .put("rope", rope)
                .put("parameter", parameter)
                .set("value", PayloadJson.node(value));
        return node;
    }

    /** A changed bundle was taken. */
    public static JsonValue taken(By by, long change) {
        JsonObject node = by.line(TAKEN);
        node.putObject("data").put("change", change);
        return node;
    }

    /** What the game shows has this checksum. */
    public static JsonValue checked(By by, String sum) {
        JsonObject node = by.line(CHECKED);
        node.putObject("data").put("sum", sum);
        return node;
    }

    /** The stage was cleared, or ropes that answer once for each subject answer again: {@link #CLEARED}, {@link #RESET}. */
    public static JsonValue word(By by, String type) {
        return by.line(type);
    }

    /**
     * What a game says first.
     *
     * @param instance tells this running of the game from any other
     * @param contract name of the version it was built against; empty where it does not say
     * @param hash of the bundle it has, see {@link Have}
     * @param first number of the oldest entry that it can still say
     * @param step on which that came, or its present one
     * @param can what a bench may ask it to do, each in a few words
     */
    public static JsonValue hello(
            String game,
            String instance,
            String contract,
            String hash,
            long first,
            int step,
            List<String> can,
            List<Look> looks) {
        JsonObject node =
                is("hello").put("protocol", PROTOCOL).put("game", game).put("instance", instance);
        if (!contract.isEmpty()) {
            node.put("contract", contract);
        }
        node.put("hash", hash).put("first", first).put("step", step);
        if (!can.isEmpty()) {
            JsonList list = node.putArray("can");
            can.forEach(what -> list.add(JsonLeaf.of(what)));
        }
        if (!looks.isEmpty()) {
            JsonList list = node.putArray("looks");
            looks.forEach(look -> list.add(write(look)));
        }
        return node;
    }

    private static JsonObject write(Look look) {
        JsonObject node = Json.object().put("name", look.name());
        if (look.path() != null) {
            node.put("path", look.path());
        } else {
            node.put("png", look.png());
        }
        return node.set("width", Json.number(look.width())).set("height", Json.number(look.height()));
    }

    /** A bundle that someone has: which change of the project it is, and SHA-256 of its bytes as exported, in hexadecimal. */
    public record Have(long change, String hash) {}

    /**
     * What a game did, in its order.
     *
     * @param from number of the first of the entries
     * @param step how many steps its stage has made by now
     */
    public static JsonValue said(long from, int step, List<JsonValue> entries) {
        JsonObject node = is("said").put("from", from).put("step", step);
        JsonList list = node.putArray("entries");
        entries.forEach(list::add);
        return node;
    }

    /** A bundle could not be taken by the game. */
    public static JsonValue refused(String why) {
        return is("refused").put("why", why);
    }

    /** One of the words {@code want}, for a whole bundle in place of a patch that does not fit, and {@code taken}. */
    public static JsonValue word(String is) {
        return is(is);
    }

    private static JsonObject is(String word) {
        return Json.object().put("is", word);
    }
}
