package bellrope.core.check;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Sprite;
import bellrope.core.measure.Branching;
import bellrope.core.measure.Numbers;
import bellrope.core.project.Project;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Rope;
import bellrope.core.sim.Watch.ByEmitter;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * An effect with what was computed of it.
 *
 * @param preview how it was played
 * @param take what was seen
 */
public record Subject(
        Project project, Effect effect, Preview preview, Take take, Numbers numbers, Branching branching) {
    /** Plays an effect of a project and returns it with what was seen. */
    public static Subject of(Project project, Effect effect) {
        Preview preview = Preview.plain(effect, 1);
        return of(project, effect, preview, preview.take(project, false));
    }

    public static Subject of(Project project, Effect effect, Preview preview, Take take) {
        return new Subject(
                project,
                effect,
                preview,
                take,
                Numbers.of(take),
                Branching.of(effect, project::effect, name -> take.watch().emitter(effect.name(), name)));
    }

    Pace pace() {
        return project.settings().pace();
    }

    /** Returns what was counted of an emitter; empty when nothing of it was born. */
    Optional<ByEmitter> counted(Emitter emitter) {
        return take.watch().emitter(effect.name(), emitter.name()).filter(by -> by.births() > 0);
    }

    Optional<Sprite> sprite(Emitter emitter) {
        return project.sprites().stream()
                .filter(s -> s.name().equals(emitter.look().sprite()))
                .findFirst();
    }

    /** Returns the ropes that play the effect. */
    List<Rope> ropes() {
        return project.ropes().stream()
                .filter(r -> r.play().equals(Optional.of(effect.name())))
                .toList();
    }

    /** Tells whether a rope turns the effect square to a surface. */
    boolean facesASurface() {
        return ropes().stream().anyMatch(r -> r.facing() == Facing.NORMAL);
    }

    boolean sourceMoves() {
        return !preview.velocity().equals(Vec3.ZERO);
    }

    /** Returns the remedy of changing one emitter. */
    Optional<Finding.Remedy> mend(String words, Emitter emitter, UnaryOperator<Emitter> change) {
        return Optional.of(new Finding.Remedy(words, effect.changed(emitter.name(), change)));
    }

    /** Looks at each emitter in turn. */
    List<Finding> each(Look look) {
        List<Finding> found = new ArrayList<>();
        for (int i = 0; i < effect.emitters().size(); i++) {
            Emitter emitter = effect.emitters().get(i);
            look.at(emitter, "emitters/" + i + "/").ifPresent(found::add);
        }
        return found;
    }

    /** What a check does with one emitter, given its place. */
    interface Look {
        Optional<Finding> at(Emitter emitter, String place);
    }
}
