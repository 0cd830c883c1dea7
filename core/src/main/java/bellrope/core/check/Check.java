package bellrope.core.check;

import bellrope.core.effect.Emitter;
import java.util.ArrayList;
import java.util.List;

/** Notices one kind of mistake. */
public interface Check {
    /** Every check of effects, in the order of the work: what wastes most time first. */
    List<Check> OF_EFFECTS = List.of(
            new RunawayChildren(),
            new InvisibleFromBirth(),
            new BlendShowsNothing(),
            new TooFastToFollow(),
            new TooBriefToSee(),
            new LooksLikeOtherUnits(),
            new NeverEnds(),
            new EndsBeforeItsParticles(),
            new BirthsDropped(),
            new SqueezedStream(),
            new RepeatedBurst(),
            new Pops(),
            new VanishesWhereItStrikes(),
            new UnseenMostOfLife(),
            new Lopsided(),
            new ThrowsIntoTheSurface(),
            new BoundToNothing(),
            new ClearByDefault(),
            new ScaleForgets(),
            new OneDoesNotAnswer(),
            new ChangesTheDefault(),
            new NamesAlike(),
            new ReplacesARange(),
            new TrailGaps(),
            new PastSaturation(),
            new FullSizeAtOnce(),
            new SetByNothing());

    /** Returns what was noticed; nothing when all is well. */
    List<Finding> look(Subject subject);

    /** Returns what all checks notice. */
    static List<Finding> all(Subject subject) {
        List<Finding> found = new ArrayList<>();
        OF_EFFECTS.forEach(check -> found.addAll(check.look(subject)));
        // What is switched off is not judged.
        found.removeIf(
                f -> subject.effect().emitter(f.emitter()).filter(Emitter::off).isPresent());
        return List.copyOf(found);
    }
}
