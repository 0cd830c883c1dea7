package bellrope.core.stage.answer;

import bellrope.core.event.EventType;
import bellrope.core.event.Field.Meaning;
import bellrope.core.event.Pull;
import bellrope.core.event.Pull.Phase;
import bellrope.core.project.Project;
import bellrope.core.rope.Owner;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Where;
import bellrope.core.stage.decide.Arrival;
import bellrope.core.stage.decide.Decision;
import bellrope.core.stage.play.Ensemble;
import bellrope.core.stage.play.Instance;
import bellrope.core.stage.play.Origin;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Account.Answer;
import bellrope.core.stage.told.Bent;
import bellrope.core.stage.told.Keeping;
import bellrope.core.stage.told.Ledger;
import bellrope.core.stage.world.Track;
import bellrope.core.stage.world.World;
import bellrope.core.value.Problem;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Takes in what the game says, lets ropes answer it, and writes the account of each pull. */
public final class Intake {
    private final Ledger ledger = new Ledger();
    private final Scene scene;
    private final Following following;
    private final Answering answering;
    private final Lasting lasting;
    private final Lasting.Expired expired = this::expired;
    private int pulls;
    // Seconds by which the pull at hand came before the step.
    private double ago;

    /** @param keeping what is kept of what plays */
    public Intake(Project project, Keeping keeping) {
        scene = new Scene(project, this::over, keeping);
        following = new Following(scene, this::pull);
        answering = new Answering(scene, following);
        lasting = new Lasting(scene, answering, following);
    }

    public Scene scene() {
        return scene;
    }

    public Ledger ledger() {
        return ledger;
    }

    private void over(Instance instance) {
        following.over(instance);
    }

    private void expired(Pull end, String words, Account.Ended answer) {
        scene.outbox().unasked(account(++pulls, end, List.of(), List.of(words), List.of(answer)));
    }

    /**
     * Lets an event arrive.
     *
     * @param secondsAgo by which it came before this step
     * @return the account; a pull that cannot be read is refused in it and changes nothing
     */
    public Account pull(Pull given, double secondsAgo) {
        ago = secondsAgo;
        try {
            return pull(given, 0);
        } finally {
            ago = 0;
        }
    }

    private Account pull(Pull given, int depth) {
        int number = ++pulls;
        List<String> said = new ArrayList<>();
        Pull pull = scene.roster().formerly().pull(given, said);
        EventType event = scene.roster().event(pull.event());
        if (event == null) {
            Problem unknown = new Problem(
                    "/type",
                    '"' + pull.event() + '"',
                    "the name of a known event"
                            + Words.nearest(pull.event(), scene.roster().eventNames()));
            return account(number, pull, List.of(unknown), said, List.of());
        }
        List<Problem> refused = event.check(pull);
        if (!refused.isEmpty()) {
            return account(number, pull, refused, said, List.of());
        }
        said.addAll(Decision.notes(event, pull));
        scene.roster().resets(pull.event()).forEach(scene.limiter()::reset);
        List<Rope> ropes = scene.roster().listeners(pull.event());
        Arrival arrival = new Arrival(event, pull, number, depth);
        place(arrival, ropes);
        List<Answer> answers = new ArrayList<>();
        switch (pull.phase()) {
            case MOMENT ->
                ropes.forEach(rope -> answers.add(answering.answer(rope, arrival, ago, 0, Answering.Lasts.NOT)));
            case BEGIN -> ropes.forEach(rope -> answers.add(lasting.begin(rope, arrival, ago, said)));
            case END -> lasting.end(ropes, arrival, said, answers);
            case SET -> lasting.set(ropes, arrival, ago, answers);
        }
        if (pull.phase() != Phase.END) {
            scene.world().came(pull.event(), scene.now());
        }
        return account(number, pull, List.of(), said, answers);
    }

    private Account account(int number, Pull pull, List<Problem> refused, List<String> said, List<Answer> answers) {
        List<String> notes = new ArrayList<>(scene.outbox().takeNotes());
        notes.addAll(said);
        Account account = new Account(number, pull, scene.now(), refused, List.copyOf(notes), List.copyOf(answers));
        ledger.add(account);
        return account;
    }

    // An event that says where its subject is tells those who follow it, unless the game itself moves it.
    private void place(Arrival arrival, List<Rope> ropes) {
        boolean wanted = false;
        for (Rope rope : ropes) {
            wanted |= rope.where().anchor() == Where.Anchor.SUBJECT;
        }
        EventType event = arrival.event();
        Pull pull = arrival.pull();
        Optional<Vec3> at = event.vector(Meaning.POSITION).flatMap(f -> pull.vector(f.name()));
        String subject = arrival.subject();
        World world = scene.world();
        if (at.isPresent() && (wanted || world.subject(subject) != null) && !world.moved(subject)) {
            Vec3 heading = event.vector(Meaning.HEADING)
                    .flatMap(f -> pull.vector(f.name()))
                    .orElse(Vec3.ZERO);
            world.heard(subject)
                    .put(scene.now(), world.order(), at.get(), heading.directionOr(Vec3.ZERO), pull.velocity());
        }
    }

    /** Takes in that a subject is no more: its spans end, its instances do what their ropes say of their owner's end. */
    public Account gone(String subject) {
        List<Answer> answers = lasting.gone(subject);
        World world = scene.world();
        Track track = world.subject(subject);
        if (track != null) {
            track.rest(scene.now(), world.order());
        }
        boolean known = track != null || !answers.isEmpty();
        Ensemble ensemble = scene.ensemble();
        for (Instance instance : List.copyOf(ensemble.playing())) {
            Rope rope = scene.roster().rope(instance.rope());
            if (instance.role() == Origin.Role.MAIN && instance.subject().equals(subject) && rope != null) {
                known = true;
                if (rope.owner().end() == Owner.AtEnd.VANISH) {
                    ensemble.cut(instance);
                } else if (rope.owner().end() == Owner.AtEnd.FADE) {
                    ensemble.dim(
                            instance,
                            scene.now(),
                            scene.pace().stepsAt(rope.owner().over()),
                            false);
                }
            }
        }
        world.forget(subject);
        scene.limiter().forget(subject);
        List<String> said = known ? List.of() : List.of("nothing was known of " + subject);
        return account(++pulls, new Pull("subject.gone", Map.of(), 0).of(subject), List.of(), said, answers);
    }

    /** Makes a step. */
    public void step() {
        scene.step();
        lasting.expire(expired);
        scene.agenda().run(scene.now());
        scene.ensemble().advance(scene.now());
    }

    /** Ends every span and state, and tells everything that loops to end. */
    public void stop() {
        lasting.stop();
        scene.ensemble().stop(scene.now());
    }

    /** Takes a changed project: what plays is played again under it, what lasts is kept if it still holds. */
    public Bent retune(Project next) {
        Map<String, Integer> ended = new LinkedHashMap<>();
        double faster =
                (double) next.settings().pace().stepsPerSecond() / scene.pace().stepsPerSecond();
        if (faster != 1) {
            // Steps mean another time from now on: what plays, lasts or is due ends.
            boolean still = still();
            scene.ensemble().playing().forEach(i -> ended.merge(i.origin().rope(), 1, (a, b) -> a + b));
            end();
            scene.repace(faster);
            if (!still) {
                scene.outbox().note("the pace of the project changed: everything that played or lasted has ended");
            }
        }
        Bent bent = scene.retune(next);
        lasting.retune();
        return ended.isEmpty() ? bent : new Bent(0, ended);
    }

    /** Ends everything that plays, lasts or is due, and forgets what limits remember. */
    public void clear() {
        end();
        scene.limiter().clear();
    }

    private void end() {
        scene.ensemble().clear();
        lasting.clear();
        scene.agenda().clear();
        scene.comfort().clear();
    }

    /** Returns how many spans and states last, each counted for every rope that answers it. */
    public int holding() {
        return lasting.count();
    }

    /** Tells whether nothing plays, lasts, shakes or is due. */
    public boolean still() {
        return scene.ensemble().playing().isEmpty()
                && lasting.none()
                && scene.agenda().isEmpty()
                && scene.comfort().still();
    }
}
