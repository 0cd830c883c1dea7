package bellrope.core.stage.told;

import bellrope.core.event.Pull;
import bellrope.core.rope.Companion;
import bellrope.core.rope.Condition;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Source;
import bellrope.core.rope.When;
import bellrope.core.value.Datum;
import bellrope.core.value.Exact;
import bellrope.core.value.Problem;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What happened at one pull: every rope of its event, and whether and why it answered.
 *
 * @param number of the pull on its stage, from 1
 * @param step of the stage at which it came
 * @param refused what was wrong with it; then nothing was decided and nothing plays
 * @param notes what a reader should know though nothing is wrong, such as a value beyond its range
 * @param answers one for each rope that listens to the event, in the order of the ropes
 */
public record Account(
        int number, Pull pull, int step, List<Problem> refused, List<String> notes, List<Answer> answers) {

    /** One rope's answer. */
    public sealed interface Answer {
        /** A function for each kind. */
        record Cases<R>(Function<Played, R> played, Function<Ended, R> ended, Function<Silent, R> silent) {}

        /** Returns what the function of its kind makes of it. */
        <R> R match(Cases<R> cases);

        /** Returns what the function of its kind makes of it. */
        default <R> R match(Function<Played, R> played, Function<Ended, R> ended, Function<Silent, R> silent) {
            return match(new Cases<>(played, ended, silent));
        }

        String rope();

        /** Returns the effect that it is about, or the rope where there is none. */
        String name();

        /** Returns what is said of it, to be read after its name. */
        String said();

        /** Returns the answer as one line of English. */
        default String inWords() {
            return name() + said();
        }
    }

    /**
     * A rope that answered.
     *
     * @param effect empty where only companions and follow-ups answer
     * @param origin where the effect's origin is, in the world
     * @param facing where its y axis points
     * @param fed what its feeds resolved to
     * @param hold seconds for which the instance is kept; empty when it runs until it is told to stop
     * @param delay seconds until it begins
     * @param companions what comes with it
     * @param later what follows
     * @param tookOver what ended so that it could begin, because its pool was empty; what begins after a delay takes over then
     */
    public record Played(
            String rope,
            String effect,
            Vec3 origin,
            Vec3 facing,
            List<Fed> fed,
            OptionalDouble hold,
            double delay,
            List<Companion> companions,
            List<FollowUp> later,
            Optional<TakenOver> tookOver)
            implements Answer {
        @Override
        public String name() {
            return effect.isEmpty() ? rope : effect;
        }

        @Override
        public String said() {
            StringBuilder text = new StringBuilder();
            if (!effect.isEmpty()) {
                text.append(" at (").append(Words.vector(rounded(origin))).append(')');
            }
            for (Fed one : fed) {
                text.append(", ").append(one.inWords());
            }
            if (delay > 0) {
                text.append(", in ").append(Words.number(two(delay))).append(" s");
            }
            companions.forEach(c -> text.append("; ").append(c.words()));
            later.forEach(f ->
                    text.append("; then ").append(f.announce().orElse(f.play().orElse("nothing chosen"))));
            tookOver.ifPresent(t -> text.append("; took over ").append(t.inWords()));
            return text.toString();
        }

        private static Vec3 rounded(Vec3 v) {
            return new Vec3(two(v.x()), two(v.y()), two(v.z()));
        }

        private static double two(double value) {
            return Exact.rint(value * 100) / 100;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.played().apply(this);
        }
    }

    /**
     * What ended so that another could begin.
     *
     * @param age seconds since it began
     * @param presence what it would still have put on screen, square units × seconds
     */
    public record TakenOver(String effect, double age, double presence) {
        String inWords() {
            return effect + " of " + Words.number(Exact.rint(age * 100) / 100) + " s before"
                    + (presence > 0 ? ", which could still be seen" : "");
        }
    }

    /**
     * A rope whose span ended, or whose state was left.
     *
     * @param effect that ran
     * @param held seconds for which it ran
     * @param end effect that plays now
     */
    public record Ended(String rope, String effect, double held, Optional<String> end) implements Answer {
        @Override
        public String name() {
            return effect.isEmpty() ? rope : effect;
        }

        @Override
        public String said() {
            return " ends after " + Words.number(Exact.rint(held * 100) / 100) + " s"
                    + end.map(e -> ", with " + e).orElse("");
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.ended().apply(this);
        }
    }

    /**
     * A parameter as a feed set it.
     *
     * @param feed which of the rope's feeds
     * @param source by which it was fed
     * @param given value of the source
     * @param value of the parameter, inside its bounds
     * @param held whether the parameter's own bounds cut it
     */
    public record Fed(int feed, String parameter, Source source, Datum given, Datum value, boolean held) {
        String inWords() {
            return parameter + " "
                    + source.match(
                            payload -> rounded(value) + from(),
                            channel -> rounded(value) + from(),
                            time -> rounded(value) + from(),
                            since -> rounded(value) + from(),
                            constant -> "always " + rounded(value),
                            random -> rounded(value) + " at random",
                            other -> rounded(value) + from())
                    + (held ? ", held at the parameter's bound" : "");
        }

        private String from() {
            return " from " + source.words() + " " + rounded(given);
        }

        private static String rounded(Datum value) {
            return value instanceof Datum.Num num
                    ? Words.number(Exact.rint(num.value() * 1000) / 1000)
                    : value.inWords();
        }
    }

    /**
     * A rope that stayed silent.
     *
     * @param wouldPlay what it would have played, or its own name when nothing is chosen
     */
    public record Silent(String rope, String wouldPlay, Reason reason) implements Answer {
        @Override
        public String name() {
            return wouldPlay;
        }

        @Override
        public String said() {
            return " silent: " + reason.inWords();
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.silent().apply(this);
        }
    }

    /** What stopped a rope. */
    public sealed interface Reason {
        /** A function for each kind. */
        record Cases<R>(
                Function<Unmet, R> unmet,
                Function<NothingToPlay, R> nothingToPlay,
                Function<Off, R> off,
                Function<Waits, R> waits,
                Function<Limited, R> limited,
                Function<Empty, R> empty) {}

        /** Returns what the function of its kind makes of it. */
        <R> R match(Cases<R> cases);

        /** Returns what the function of its kind makes of it. */
        default <R> R match(
                Function<Unmet, R> unmet,
                Function<NothingToPlay, R> nothingToPlay,
                Function<Off, R> off,
                Function<Waits, R> waits,
                Function<Limited, R> limited,
                Function<Empty, R> empty) {
            return match(new Cases<>(unmet, nothingToPlay, off, waits, limited, empty));
        }

        String inWords();
    }

    /**
     * A condition that did not hold, or all of those of which one should have. Its words are made when they are asked for: a
     * stage decides far more than anybody reads.
     *
     * @param condition which of the rope's; {@link When#NOT_ANY} where it is several
     * @param looked what they looked at
     * @param none whether none was to hold
     */
    public record Unmet(int condition, List<Looked> looked, boolean none) implements Reason {
        /**
         * A condition and what it found.
         *
         * @param found null where that is missing
         * @param unit of what it found; empty where it has none
         */
        public record Looked(Condition condition, Datum found, String unit) {
            private String met() {
                return condition.met(found) + (unit.isEmpty() ? "" : " " + unit);
            }
        }

        @Override
        public String inWords() {
            if (condition == When.NOT_ANY) {
                String met = looked.stream()
                        .map(l -> l.condition().about() + " " + l.met())
                        .collect(Collectors.joining(", "));
                return "what came was " + met + ", wants "
                        + Words.either(looked.stream()
                                .map(l -> l.condition().about() + " "
                                        + l.condition().wanted())
                                .toList());
            }
            Looked one = looked.get(0);
            return one.condition().about() + " was " + one.met() + ", wants " + (none ? "not " : "")
                    + one.condition().wanted();
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.unmet().apply(this);
        }
    }

    /** No effect is chosen, or none of the chosen name exists. */
    public record NothingToPlay(String wanted) implements Reason {
        @Override
        public String inWords() {
            return wanted.isEmpty() ? "no effect is chosen" : "there is no effect named " + wanted;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.nothingToPlay().apply(this);
        }
    }

    /** It is switched off. */
    public record Off() implements Reason {
        @Override
        public String inWords() {
            return "it is switched off";
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.off().apply(this);
        }
    }

    /** Its span or state is not where it would have to be. */
    public record Waits(String inWords) implements Reason {

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.waits().apply(this);
        }
    }

    /**
     * A limit that stopped it.
     *
     * @param limit which one
     * @param have how things stand
     * @param wants how they would have to stand
     */
    public record Limited(String limit, String have, String wants) implements Reason {
        @Override
        public String inWords() {
            return limit + ": " + have + ", wants " + wants;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.limited().apply(this);
        }
    }

    /**
     * All instances of its pool play.
     *
     * @param playing how many
     * @param oldest seconds since the one that began first began
     * @param weight lowest weight of those that play, where all of them weigh more; empty where that is not what stopped it
     */
    public record Empty(String pool, int playing, double oldest, OptionalInt weight) implements Reason {
        @Override
        public String inWords() {
            return "all " + playing + " of " + pool + " play; the oldest is "
                    + Words.number(Exact.rint(oldest * 100) / 100) + " s old"
                    + (weight.isPresent() ? ", the lowest weight " + weight.getAsInt() : "");
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.empty().apply(this);
        }
    }

    /** Returns all of it as text, a line for each answer. */
    public String inWords() {
        StringBuilder text = new StringBuilder(pull.event());
        if (!pull.subject().isEmpty()) {
            text.append(" of ").append(pull.subject());
        }
        if (pull.phase() != Pull.Phase.MOMENT) {
            text.append(' ')
                    .append(pull.phase().name().toLowerCase())
                    .append(pull.value().map(v -> " " + v).orElse(""));
        }
        pull.payload()
                .forEach((name, value) ->
                        text.append(", ").append(name).append(' ').append(value.inWords()));
        text.append('\n').append(summary());
        notes.forEach(note -> text.append('\n').append(note));
        answers.forEach(
                answer -> text.append('\n').append(answer.rope()).append(": ").append(answer.inWords()));
        return text.toString();
    }

    public long answered() {
        return answers.stream().filter(a -> !(a instanceof Silent)).count();
    }

    /** Returns the first line of the account: {@code 4 ropes listened, 1 answered}. */
    public String summary() {
        if (!refused.isEmpty()) {
            return "refused: " + refused.get(0);
        }
        if (answers.isEmpty()) {
            return "no rope listens to " + pull.event();
        }
        return answers.size() + (answers.size() == 1 ? " rope listened, " : " ropes listened, ") + answered()
                + " answered";
    }
}
