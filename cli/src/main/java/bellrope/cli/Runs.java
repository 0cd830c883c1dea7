package bellrope.cli;

import bellrope.core.pool.Held;
import bellrope.format.answer.HeldRun;
import bellrope.format.json.JsonText;
import bellrope.format.json.JsonValue;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;

/** Runs of a score as lines of JSON, so that several machines can share the work: a head, then a line for each run. */
final class Runs {
    private Runs() {}

    /**
     * What the runs of a file are of.
     *
     * @param bundle SHA-256 of its bytes
     * @param runs how many there are in all files together
     */
    record Head(String bellrope, String bundle, String score, int runs) {}

    static Head head(byte[] bundle, String score, int runs) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(bundle);
            return new Head("runs", HexFormat.of().formatHex(hash), score, runs);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    static String line(int run, List<Held> held) {
        return JsonText.compact(HeldRun.of(run, held)) + "\n";
    }

    /** What is wrong with a file of runs, for whoever gave it. */
    static final class Wrong extends Exception {
        private static final long serialVersionUID = 1;

        Wrong(String message) {
            super(message);
        }
    }

    /**
     * Reads the runs of one bundle from a file; a file may hold those of several, each after a head of its own.
     *
     * @param expected the head that they must have
     * @param into takes the runs by their numbers
     */
    static void read(byte[] file, Head expected, Map<Integer, List<Held>> into) throws Wrong {
        String[] lines = new String(file, StandardCharsets.UTF_8).split("\n");
        if (!text(parsed(lines[0], 1), "bellrope").equals("runs")) {
            throw new Wrong("line 1: no head: a file that `sweep --shard` wrote");
        }
        boolean mine = false;
        boolean any = false;
        for (int i = 0; i < lines.length; i++) {
            JsonValue line = lines[i].isBlank() ? null : parsed(lines[i], i + 1);
            if (line != null && text(line, "bellrope").equals("runs")) {
                mine = text(line, "bundle").equals(expected.bundle());
                any |= mine;
                if (mine) {
                    fits(line, expected, i + 1);
                }
            } else if (line != null && mine) {
                if (!isNumber(line, "run")) {
                    throw new Wrong("line " + (i + 1) + "/run: missing: the number of the run");
                }
                int number = (int) line.get("run").number();
                if (into.put(number, held(line, i + 1)) != null) {
                    throw new Wrong("line " + (i + 1) + "/run: " + number + " a second time: each run once");
                }
            }
        }
        if (!any) {
            throw new Wrong("line 1/bundle: another bundle: runs of the bundle that is given, with the same --set");
        }
    }

    private static void fits(JsonValue head, Head expected, int line) throws Wrong {
        if (!text(head, "score").equals(expected.score())) {
            throw new Wrong(
                    "line " + line + "/score: \"" + text(head, "score") + "\": runs of \"" + expected.score() + "\"");
        }
        if (!isNumber(head, "runs") || head.get("runs").number() != expected.runs()) {
            throw new Wrong("line " + line + "/runs: another number of runs: " + expected.runs());
        }
    }

    private static boolean isNumber(JsonValue of, String key) {
        return of.isObject() && of.get(key) != null && of.get(key).isNumber();
    }

    private static JsonValue parsed(String line, int number) throws Wrong {
        JsonText.Parsed parsed = JsonText.parse(line);
        if (parsed.failed()) {
            throw new Wrong("line " + number + ": " + parsed.problems().get(0));
        }
        return parsed.value();
    }

    private static String text(JsonValue of, String key) {
        JsonValue value = of.isObject() ? of.get(key) : null;
        return value != null && value.isText() ? value.text() : "";
    }

    private static List<Held> held(JsonValue run, int line) throws Wrong {
        try {
            return HeldRun.read(run);
        } catch (RuntimeException e) {
            throw new Wrong("line " + line + "/held: not as it was written: rows of six numbers");
        }
    }
}
