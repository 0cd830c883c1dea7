package bellrope.link;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.Knob;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.format.json.LinkJson;
import bellrope.format.link.LinkedStage;
import java.net.URI;
import java.util.Map;

/**
 * A game's stage, linked with Bellrope: whatever the game does to it is said to the benches that follow, and whatever is
 * saved there comes back into it. Without a server, or when that goes, the game plays on with the bundle it has.
 *
 * <p>All methods are for the game's own thread. They do what the methods of {@link Stage} of the same names do, and leave a
 * word for another thread, which makes JSON of it and talks with the server. {@link #advance} takes what has changed; a frame in
 * which nothing is said and nothing has changed allocates nothing.
 */
public final class LinkedGame implements AutoCloseable {
    private final Stage stage;
    private final Link link;

    private LinkedGame(Stage stage, Link link) {
        this.stage = stage;
        this.link = link;
    }

    /**
     * Opens a stage and begins to look for the server. It returns at once; the link comes when it comes.
     *
     * @param bundle that the game ships with
     * @param game as it is called on the bench
     * @param contract name of the version that it was built against; may be empty
     * @param server such as {@code ws://localhost:7333/link?project=1}
     * @param listener told of the link on a thread of the link, and of what was asked for on the game's own
     */
    public static LinkedGame open(Project bundle, String game, String contract, URI server, LinkListener listener) {
        Link link = new Link(bundle, game, contract, server, listener);
        Stage stage = new Stage(bundle);
        stage.prewarm();
        LinkedGame linked = new LinkedGame(stage, link);
        link.start();
        return linked;
    }

    /** Returns the stage, to draw and to ask. What is done to it past this class is not told, and benches will differ. */
    public Stage stage() {
        return stage;
    }

    /** Tells whether the server is there now. */
    public boolean linked() {
        return link.linked();
    }

    /** Returns how many of the things that were said nobody has taken, because they were too many while no server was there. */
    public long dropped() {
        return link.dropped();
    }

    /**
     * Takes what has changed on the bench, if anything has, tells the listener what was asked for, and lets time pass.
     *
     * @return how many steps were made
     * @see Stage#advance
     */
    public int advance(double seconds) {
        Link.Changed changed = link.takeChanged();
        if (changed != null) {
            stage.retune(changed.project());
            link.say(stage.now(), by -> LinkJson.taken(by, changed.change()));
        }
        link.tellAsked();
        int made = stage.advance(seconds);
        link.at(stage.now());
        return made;
    }

    /** @see Stage#pull */
    public Account pull(Pull pull) {
        link.say(stage.now(), by -> LinkJson.pull(by, pull));
        return stage.pull(pull);
    }

    /**
     * Pulls as the generated calls do.
     *
     * @param phase {@code moment}, {@code begin}, {@code end} or {@code set}
     * @param value that a state takes; may be null
     * @param payload numbers, texts, flags and arrays of three numbers
     * @throws Refused if a value is none of these
     */
    public Account pull(
            String event, String phase, String subject, String value, Map<String, Object> payload, long seed) {
        return pull(Calls.pull(event, phase, subject, value, payload, seed));
    }

    /** @see Stage#move */
    public void move(String subject, Vec3 place, Vec3 heading, Vec3 velocity) {
        stage.move(subject, place, heading, velocity);
        link.say(stage.now(), by -> LinkJson.moved(by, subject, place, heading, velocity));
    }

    /** @see Stage#camera */
    public void camera(Vec3 place) {
        stage.camera(place);
        link.say(stage.now(), by -> LinkJson.camera(by, place));
    }

    /** @see Stage#gone */
    public Account gone(String subject) {
        link.say(stage.now(), by -> LinkJson.gone(by, subject));
        return stage.gone(subject);
    }

    /** @see Stage#publish */
    public void publish(String channel, double value) {
        link.say(stage.now(), by -> LinkJson.channel(by, channel, value));
        stage.publish(channel, value);
    }

    /** @see Stage#clear */
    public void clear() {
        link.say(stage.now(), by -> LinkJson.word(by, LinkJson.CLEARED));
        stage.clear();
    }

    /** @see Stage#reset */
    public void reset() {
        link.say(stage.now(), by -> LinkJson.word(by, LinkJson.RESET));
        stage.reset();
    }

    /**
     * Says the checksum of what the stage shows now, so that a bench that follows can tell whether it shows the same. Costs
     * as much as a frame; once a second is often.
     */
    public void check() {
        String sum = LinkedStage.sum(stage);
        link.say(stage.now(), by -> LinkJson.checked(by, sum));
    }

    /**
     * Returns the knob of a parameter of what a rope answered with; it says what it sets.
     *
     * @see Stage#knob
     */
    public LinkedKnob knob(Account account, String rope, String parameter) {
        return new LinkedKnob(stage.knob(account, rope, parameter), account.number(), rope);
    }

    /** One parameter of one running instance, for the game to turn. */
    public final class LinkedKnob {
        private final Knob knob;
        private final int account;
        private final String rope;

        private LinkedKnob(Knob knob, int account, String rope) {
            this.knob = knob;
            this.account = account;
            this.rope = rope;
        }

        /** @see Knob#set(Datum) */
        public boolean set(Datum value) {
            boolean plays = knob.set(value);
            if (plays) {
                String parameter = knob.parameter().name();
                link.say(stage.now(), by -> LinkJson.turned(by, account, rope, parameter, value));
            }
            return plays;
        }
    }

    /** Says what is left to say, for at most a second, and ends the link; the stage stays as it is. */
    @Override
    public void close() {
        link.close();
    }
}
