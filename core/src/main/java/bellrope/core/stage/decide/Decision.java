package bellrope.core.stage.decide;

import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Field.Meaning;
import bellrope.core.event.Pull;
import bellrope.core.random.Draws;
import bellrope.core.random.Purpose;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Situation;
import bellrope.core.rope.Source;
import bellrope.core.rope.SourceValues;
import bellrope.core.rope.When;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Account.NothingToPlay;
import bellrope.core.stage.told.Account.Reason;
import bellrope.core.stage.told.Account.Unmet;
import bellrope.core.stage.world.World;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How one rope meets one pull: whether it answers, {@link #placing where and which way}, and {@link #feeding with what}. It is
 * a function of the rope, the cause and the world at that step; nothing changes by asking, and asked again it says the same.
 */
public final class Decision {
    private final Rope rope;
    private final EventType event;
    private final Pull pull;
    private final World world;
    private final int step;
    private final Situation situation;
    private final Cause cause;
    // Made when they are asked for: most ropes that look at a pull stay silent.
    private Draws draws;
    private Placing placing;
    private Feeding feeding;

    /** @param step on which what answers begins */
    public Decision(Rope rope, Cause cause, World world, int step) {
        this.rope = rope;
        this.event = cause.event();
        this.pull = event.whole(cause.pull());
        this.world = world;
        this.step = step;
        this.situation = world.situation(pull, step, cause.beginning());
        this.cause = cause;
    }

    /** Returns where it answers and which way that points. */
    public Placing placing() {
        if (placing == null) {
            placing = new Placing(rope, cause, pull, world, step, draws());
        }
        return placing;
    }

    /** Returns what its feeds make of an effect. */
    public Feeding feeding() {
        if (feeding == null) {
            feeding = new Feeding(rope, cause, world, step, situation);
        }
        return feeding;
    }

    /**
     * Returns the first thing that stops the rope, in the order of its sentence; limits apart.
     *
     * @param known whether there is an effect of the name that it plays
     */
    public Optional<Reason> stopped(boolean known) {
        if (rope.note().off()) {
            return Optional.of(new Account.Off());
        }
        if (event.shape() == EventType.Shape.STATE) {
            Optional<String> wanted = rope.when().value();
            if (wanted.isEmpty()) {
                return Optional.of(new Account.Waits("no value of " + event.name() + " is chosen"));
            }
            if (!wanted.equals(pull.value())) {
                return Optional.of(
                        new Account.Waits(event.name() + " is " + pull.value().orElse("") + ", wants " + wanted.get()));
            }
        }
        int verdict = rope.when().verdict(situation);
        if (!When.fulfilled(verdict)) {
            return Optional.of(verdict == When.NOT_ANY ? notAny() : unmet(verdict));
        }
        boolean bare = rope.play().isEmpty()
                && (!rope.companions().isEmpty()
                        || !rope.followUps().isEmpty()
                        || rope.run().start().isPresent()
                        || rope.run().end().isPresent());
        return known || bare
                ? Optional.empty()
                : Optional.of(new NothingToPlay(rope.play().orElse("")));
    }

    private Reason unmet(int index) {
        Condition condition = rope.conditions().get(index);
        Datum found = condition.found(situation);
        String unit = found instanceof Datum.Num ? unit(condition) : "";
        return new Unmet(
                index,
                List.of(new Unmet.Looked(condition, found, unit)),
                rope.when().match() == When.Match.NONE);
    }

    private Reason notAny() {
        List<Unmet.Looked> looked = new ArrayList<>();
        for (Condition condition : rope.conditions()) {
            looked.add(new Unmet.Looked(condition, condition.found(situation), ""));
        }
        return new Unmet(When.NOT_ANY, looked, false);
    }

    private String unit(Condition condition) {
        return condition instanceof Condition.Compare compare
                ? new SourceValues(event, world::announced).unit(compare.source())
                : "";
    }

    /** Returns a draw of the rope's own for this pull. */
    public double unit(Purpose purpose) {
        return draws().unit(purpose);
    }

    private Draws draws() {
        if (draws == null) {
            draws = new Draws().at(cause.key(), -1, 0, 0, 0);
        }
        return draws;
    }

    /** Returns the seconds from its beginning to a step. */
    public double seconds(int at) {
        return world.seconds(at - step);
    }

    /** Returns what a source says at the beginning. */
    public double number(Source source) {
        return situation.number(source);
    }

    /** Returns a line for each number of a payload beyond what the event announces. */
    public static List<String> notes(EventType event, Pull pull) {
        List<String> notes = new ArrayList<>();
        for (Field field : event.fields()) {
            Datum given = pull.payload().get(field.name());
            if (given != null && field.accepts(given)) {
                String note = field.match(
                        number -> beyond(number, ((Datum.Num) given).value()),
                        choice -> "",
                        vector -> doubled(vector, (Datum.Vec) given),
                        flag -> "",
                        colour -> "",
                        text -> "");
                if (!note.isEmpty()) {
                    notes.add(note);
                }
            }
        }
        return notes;
    }

    private static String beyond(Field.Number number, double given) {
        Range range = number.range();
        return given < range.least() || given > range.most()
                ? number.name() + " " + Words.number(given) + " is beyond its range of " + Words.number(range.least())
                        + " to " + Words.number(range.most())
                : "";
    }

    private static String doubled(Field.Vector vector, Datum.Vec half) {
        return vector.meaning() == Meaning.HALF_EXTENT
                ? vector.name() + " " + half.inWords() + " is half the size; taken as "
                        + new Datum.Vec(half.value().times(2)).inWords()
                : "";
    }
}
