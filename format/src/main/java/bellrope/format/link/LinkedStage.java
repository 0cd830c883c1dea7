package bellrope.format.link;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.Knob;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Bent;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.format.json.Fnv;
import bellrope.format.json.JsonValue;
import bellrope.format.json.LinkJson;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.json.PullJson;
import bellrope.format.json.TraceJson;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A stage that follows that of a running game: told the same on the same steps it shows the same, to the bit. What is said of
 * the link is in {@code docs/format/link.md}.
 */
public final class LinkedStage {
    /** Accounts whose instances can still be turned. */
    private static final int MOST_ACCOUNTS = 4_096;
    /** Most steps at once; a game whose clock jumps farther is not followed there. */
    static final int LONGEST_JUMP = 1_000_000;

    private final Map<Integer, Account> answered = new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Integer, Account> eldest) {
            return size() > MOST_ACCOUNTS;
        }
    };
    private final Stage stage;
    private final boolean whole;
    private final Figures figures = new Figures();
    private int agreed;

    public LinkedStage(Project project) {
        this(project, 0, true);
    }

    /**
     * @param step on which it begins, with nothing
     * @param whole whether the game had nothing either; else what it shows is not compared, since what began before is
     *     missing here
     */
    public LinkedStage(Project project, int step, boolean whole) {
        this.stage = new Stage(project);
        this.whole = whole;
        stage.reach(step);
    }

    public Stage stage() {
        return stage;
    }

    /**
     * Makes the steps up to one.
     *
     * @return why it does not, where it is too far
     */
    public Optional<Problem> reach(int step) {
        if (step - stage.now() > LONGEST_JUMP) {
            return Optional.of(new Problem(
                    "/step", Integer.toString(step), "at most " + LONGEST_JUMP + " more than " + stage.now()));
        }
        stage.reach(step);
        return Optional.empty();
    }

    /** Lets what plays bend to a changed project on the step on which the game took it. */
    public Bent take(Project next, int step) {
        reach(step);
        return stage.retune(next);
    }

    /**
     * What became of one entry.
     *
     * @param account of a pull, or of the end of a subject
     * @param problems what of it could not be read; then nothing but time has passed
     */
    public record Followed(Optional<Account> account, List<Problem> problems) {}

    /** Does what the game did. */
    public Followed follow(JsonValue entry) {
        Problems problems = new Problems();
        Optional<Account> account = Optional.empty();
        try {
            int step = step(entry, problems);
            String type = text(entry, "type", problems);
            if (problems.none()) {
                reach(step).ifPresent(p -> problems.add(p.place(), p.given(), p.allowed()));
            }
            if (problems.none()) {
                account = act(entry, type, problems);
            }
        } catch (Refused refused) {
            problems.add("/" + refused.place(), refused.given(), refused.allowed());
        }
        account.filter(a -> a.answered() > 0 && a.pull().phase() != Pull.Phase.END)
                .ifPresent(a -> answered.put(a.number(), a));
        return new Followed(account, problems.list());
    }

    private Optional<Account> act(JsonValue entry, String type, Problems problems) {
        boolean event = stage.project().event(type).isPresent();
        JsonValue data = entry.get("data");
        if (event) {
            return pull(entry, type, problems);
        }
        switch (type) {
            case TraceJson.GONE -> {
                String subject = text(entry, "subject", problems);
                figures.gone(subject);
                return problems.none() ? Optional.of(stage.gone(subject)) : Optional.empty();
            }
            case LinkJson.MOVED -> moved(text(entry, "subject", problems), object(data, problems), problems);
            case LinkJson.CAMERA -> {
                Vec3 position = vector(object(data, problems), "position", problems);
                if (problems.none()) {
                    stage.camera(position);
                    figures.camera(position);
                }
            }
            case LinkJson.TURNED -> turned(object(data, problems), problems);
            case LinkJson.CHECKED -> checked(text(object(data, problems), "sum", problems), problems);
            case LinkJson.CLEARED -> stage.clear();
            case LinkJson.RESET -> stage.reset();
            // Whoever follows takes the bundle first: see take.
            case LinkJson.TAKEN -> {}
            default -> {
                if (!type.startsWith(TraceJson.CHANNEL)) {
                    // An event that the project does not know: the account says so, with the nearest name.
                    return pull(entry, type, problems);
                }
                JsonValue value = data != null && data.isObject() ? data.get("value") : null;
                if (value == null || !value.isNumber()) {
                    problems.add("/data/value", value == null ? "missing" : value.shown(), "a number");
                } else {
                    stage.publish(type.substring(TraceJson.CHANNEL.length()), value.number());
                }
            }
        }
        return Optional.empty();
    }

    private Optional<Account> pull(JsonValue entry, String type, Problems problems) {
        JsonValue phase = entry.get("phase");
        boolean bare = entry.get("data") == null
                && phase != null
                && phase.isText()
                && phase.text().equals("end");
        Map<String, Datum> payload = bare ? Map.of() : PayloadJson.read(entry.get("data"), "/data", problems);
        Pull pull = PullJson.read(entry, "", type, payload, seed(entry, problems), problems);
        return problems.none() ? Optional.of(stage.pull(pull)) : Optional.empty();
    }

    private void moved(String subject, JsonValue data, Problems problems) {
        if (!problems.none()) {
            return;
        }
        Vec3 position = vector(data, "position", problems);
        Vec3 heading = data.get("heading") == null ? Vec3.ZERO : vector(data, "heading", problems);
        Vec3 velocity = data.get("velocity") == null ? null : vector(data, "velocity", problems);
        if (problems.none()) {
            stage.move(subject, position, heading, velocity);
            JsonValue look = data.get("look");
            figures.moved(
                    subject,
                    look != null && look.isText() ? look.text() : subject,
                    position,
                    heading,
                    velocity == null ? Vec3.ZERO : velocity,
                    stage.now());
        }
    }

    private void turned(JsonValue data, Problems problems) {
        if (!problems.none()) {
            return;
        }
        JsonValue number = data.get("account");
        Account account = number != null && number.isNumber() ? answered.get((int) number.number()) : null;
        if (account == null) {
            problems.add(
                    "/data/account",
                    number == null ? "missing" : number.shown(),
                    "the number of a pull that was answered");
            return;
        }
        String rope = text(data, "rope", problems);
        String parameter = text(data, "parameter", problems);
        Datum value = data.get("value") == null ? null : PayloadJson.datum(data.get("value"), "/data/value", problems);
        if (value == null || !problems.none()) {
            problems.add("/data/value", "missing", "a value of the parameter's type");
            return;
        }
        Knob knob = stage.knob(account, rope, parameter);
        knob.set(value);
    }

    private void checked(String theirs, Problems problems) {
        if (!problems.none() || !whole) {
            return;
        }
        String ours = sum(stage);
        if (theirs.equals(ours)) {
            agreed++;
        } else {
            problems.add("/data/sum", theirs, ours + ", as what was said gives here on step " + stage.now());
        }
    }

    /** Returns the subjects whose places are known, and whether they are still there is the game's to say. */
    public Figures figures() {
        return figures;
    }

    /** Returns how often what the game showed was the same to the bit. */
    public int agreed() {
        return agreed;
    }

    /** Returns the checksum of what a stage shows: FNV-1a, 64 bits, of its frame with the number 0, in hexadecimal. */
    public static String sum(Stage stage) {
        return Long.toHexString(Fnv.hash(stage.frame(0)));
    }

    private static JsonValue object(JsonValue data, Problems problems) {
        if (data == null || !data.isObject()) {
            problems.add("/data", data == null ? "missing" : data.shown(), "an object");
        }
        return data;
    }

    private static Vec3 vector(JsonValue data, String key, Problems problems) {
        Vec3 vector = data != null && data.isObject() ? PullJson.vector(data.get(key)) : null;
        if (vector == null) {
            JsonValue given = data != null && data.isObject() ? data.get(key) : null;
            problems.add("/data/" + key, given == null ? "missing" : given.shown(), "three finite numbers: x, y, z");
        }
        return vector;
    }

    private static String text(JsonValue node, String key, Problems problems) {
        JsonValue value = node != null && node.isObject() ? node.get(key) : null;
        if (value == null || !value.isText() || value.text().isEmpty()) {
            problems.add("/" + key, value == null ? "missing" : value.shown(), "a text");
            return "";
        }
        return value.text();
    }

    private static int step(JsonValue entry, Problems problems) {
        JsonValue value = entry.isObject() ? entry.get("step") : null;
        if (value == null
                || !value.isNumber()
                || !(value.number() >= 0 && value.number() <= Integer.MAX_VALUE)
                || value.number() != Math.floor(value.number())) {
            problems.add(
                    "/step", value == null ? "missing" : value.shown(), "how many steps the stage had made, 0 or more");
            return 0;
        }
        return (int) value.number();
    }

    // A text, since attributes of CloudEvents hold no numbers of this size.
    private static long seed(JsonValue entry, Problems problems) {
        JsonValue value = entry.get("seed");
        try {
            if (value != null && value.isText()) {
                return Long.parseLong(value.text());
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        problems.add("/seed", value == null ? "missing" : value.shown(), "a whole number of 64 bits as a text");
        return 0;
    }
}
