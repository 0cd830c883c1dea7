package bellrope.format.answer;

import bellrope.core.event.Pull;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.json.PullJson;
import java.util.Map;
import java.util.Optional;

/** What a stage can be told in JSON, see {@code docs/format/frames.md}. */
public final class StageMessages {
    private StageMessages() {}

    /** Returns what a message says is to be done. */
    static String word(JsonValue message) {
        if (!message.isObject()) {
            throw new Refused("", message.shown(), "an object that says what to do");
        }
        return text(message, "do");
    }

    /**
     * Has a stage do what a message says.
     *
     * @return the account, where there is one
     * @throws Refused if it cannot be followed; then nothing is done
     * @throws Wrong likewise
     */
    public static Optional<Account> follow(Stage stage, JsonValue message) {
        switch (word(message)) {
            case "pull":
                return Optional.of(stage.pull(pull(message)));
            case "gone":
                return Optional.of(stage.gone(text(message, "subject")));
            case "move":
                move(stage, message);
                break;
            case "publish":
                stage.publish(text(message, "channel"), number(message, "value"));
                break;
            case "camera":
                stage.camera(vector(message, "position"));
                break;
            case "comfort":
                stage.less(flag(message, "lessShake"), flag(message, "lessFlash"));
                break;
            case "reset":
                stage.reset();
                break;
            case "clear":
                stage.clear();
                break;
            default:
                throw new Refused(
                        "do",
                        message.get("do").shown(),
                        "tick, pull, move, gone, publish, camera, comfort, reset or clear");
        }
        return Optional.empty();
    }

    private static Pull pull(JsonValue message) {
        Problems problems = new Problems();
        String event = text(message, "event");
        JsonValue phase = message.get("phase");
        JsonValue given = message.get("payload");
        boolean bare =
                given == null && phase != null && phase.isText() && phase.text().equals("end");
        Map<String, Datum> payload = bare ? Map.of() : PayloadJson.read(given, "/payload", problems);
        long seed = (long) number(message, "seed");
        Pull pull = PullJson.read(message, "", event, payload, seed, problems);
        if (!problems.none()) {
            throw new Wrong(problems.list());
        }
        return pull;
    }

    private static void move(Stage stage, JsonValue message) {
        Vec3 position = vector(message, "position");
        Vec3 heading = has(message, "heading") ? vector(message, "heading") : Vec3.ZERO;
        Vec3 velocity = has(message, "velocity") ? vector(message, "velocity") : null;
        String subject = text(message, "subject");
        Demand.name("subject", subject);
        stage.move(subject, position, heading, velocity);
    }

    private static boolean has(JsonValue message, String key) {
        return message.get(key) != null && !message.get(key).isNull();
    }

    private static Refused other(JsonValue message, String key, String allowed) {
        JsonValue value = message.get(key);
        return new Refused(key, value == null ? "missing" : value.shown(), allowed);
    }

    private static String text(JsonValue message, String key) {
        if (!has(message, key) || !message.get(key).isText()) {
            throw other(message, key, "a text");
        }
        return message.get(key).text();
    }

    private static double number(JsonValue message, String key) {
        if (!has(message, key)
                || !message.get(key).isNumber()
                || !Double.isFinite(message.get(key).number())) {
            throw other(message, key, "a finite number");
        }
        return message.get(key).number();
    }

    private static boolean flag(JsonValue message, String key) {
        if (!has(message, key) || !message.get(key).isFlag()) {
            throw other(message, key, "true or false");
        }
        return message.get(key).flag();
    }

    private static Vec3 vector(JsonValue message, String key) {
        Vec3 vector = PullJson.vector(message.get(key));
        if (vector == null) {
            throw other(message, key, "three finite numbers: x, y, z");
        }
        return vector;
    }
}
