package bellrope.core.sim;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.End.Child;
import bellrope.core.random.Purpose;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;

/**
 * The children of one instance's particles: what each kind spawns, how many, and what a parent hands on. What is due waits in a
 * queue, so that children who spawn in turn, themselves even, never go deeper than one.
 */
final class Offspring {
    /** The sources of children's draws begin here, one a kind of child; the bursts lie below. */
    private static final int CHILD_SOURCE = 127;

    // By emitter and child: the emitter it spawns, −1 for an effect; and its frames by the faces of what is struck.
    private final int[][] targets;
    private final Orientation[][][] struckFrames;
    private final Mover[] movers;
    private final Births births;
    private final Occasions due = new Occasions();
    private final List<EffectRun.Begun> begun = new ArrayList<>();
    private long childKey;

    Offspring(List<Emitter> emitters, Mover[] movers, Births births) {
        this.movers = movers;
        this.births = births;
        targets = new int[emitters.size()][];
        struckFrames = new Orientation[emitters.size()][][];
        for (int i = 0; i < targets.length; i++) {
            aim(emitters, i);
        }
    }

    /** Makes it ready for another instance; its movers are ready. */
    void begin(List<Emitter> emitters) {
        for (int i = 0; i < targets.length; i++) {
            if (targets[i].length > 0) {
                frame(emitters, i);
            }
        }
    }

    private void aim(List<Emitter> emitters, int i) {
        List<Child> children = emitters.get(i).end().children();
        targets[i] = new int[children.size()];
        struckFrames[i] = new Orientation[children.size()][];
        for (int c = 0; c < children.size(); c++) {
            targets[i][c] = -1;
            String wanted = children.get(c).emitter().orElse(null);
            for (int e = 0; e < emitters.size(); e++) {
                if (emitters.get(e).name().equals(wanted)) {
                    targets[i][c] = e;
                }
            }
        }
    }

    // How what is struck throws them.
    private void frame(List<Emitter> emitters, int i) {
        for (int c = 0; c < targets[i].length; c++) {
            if (movers[i] != null && movers[i].wall() != null && targets[i][c] >= 0) {
                Emitter child = emitters.get(targets[i][c]);
                Vec3[] normals = movers[i].wall().normals();
                struckFrames[i][c] = new Orientation[normals.length];
                for (int f = 0; f < normals.length; f++) {
                    struckFrames[i][c][f] =
                            Orientation.of(Rotation.between(Vec3.UP, normals[f]), child.birth(), child.look());
                }
            }
        }
    }

    /** Returns what is due, first come first. */
    Occasions due() {
        return due;
    }

    /** Returns the effects that particles began. */
    List<EffectRun.Begun> begun() {
        return begun;
    }

    /** Returns which emitter a kind of child is born of; −1 for a whole effect. */
    int target(int e, int child) {
        return targets[e][child];
    }

    /** Returns the source of the draws of an occasion's children. */
    int source(int e, int o, List<Emitter> emitters) {
        return CHILD_SOURCE + kind(e, o, emitters).id();
    }

    private Child kind(int e, int o, List<Emitter> emitters) {
        return emitters.get(e).end().children().get(due.child[o]);
    }

    /** Draws how many are born on an occasion; 0 where chance is against it. */
    int count(int e, int o, List<Emitter> emitters) {
        Child child = kind(e, o, emitters);
        int target = target(e, due.child[o]);
        Emitter emitter = emitters.get(target >= 0 ? target : e);
        var draws = births.occasion(due.line[o], emitter, source(e, o, emitters), due.number[o]);
        if (draws.unit(Purpose.CHANCE) >= child.chance()) {
            return 0;
        }
        int count = child.least() + (int) (draws.unit(Purpose.COUNT) * (child.most() - child.least() + 1));
        childKey = target < 0 && count > 0 ? draws.lineKey() : 0;
        return count;
    }

    /** Hands on what the parent of an occasion has. */
    void hand(int e, int o, List<Emitter> emitters) {
        Child child = kind(e, o, emitters);
        float[] handed = due.handed;
        int h = o * Occasions.FLOATS;
        births.ox = handed[h];
        births.oy = handed[h + 1];
        births.oz = handed[h + 2];
        births.carryX = handed[h + 3] * child.velocity();
        births.carryY = handed[h + 4] * child.velocity();
        births.carryZ = handed[h + 5] * child.velocity();
        births.red = child.colour() ? handed[h + 6] : 1;
        births.green = child.colour() ? handed[h + 7] : 1;
        births.blue = child.colour() ? handed[h + 8] : 1;
        double middle = emitters.get(e).birth().size().middle();
        births.scale = child.size() && middle > 0 ? (float) (handed[h + 9] / middle) : 1;
        births.generation = due.generation[o] + 1;
        births.lag = due.lag[o];
    }

    /** Returns the frame that the children of an occasion are thrown from; null for the effect's own. */
    Orientation frame(int e, int o) {
        int face = due.face[o];
        return face < 0 ? null : struckFrames[e][due.child[o]][face];
    }

    /** Notes the effect that an occasion begins, with the draws of the last {@link #count}. */
    void begin(int e, int o, List<Emitter> emitters, Rotation turn) {
        int h = o * Occasions.FLOATS;
        int face = due.face[o];
        begun.add(new EffectRun.Begun(
                kind(e, o, emitters).effect().orElseThrow(),
                childKey,
                new Vec3(due.handed[h], due.handed[h + 1], due.handed[h + 2]),
                face >= 0 ? movers[e].wall().normals()[face] : turn.apply(Vec3.UP),
                Vec3.ZERO,
                new EffectRun.Descent(due.lag[o], due.generation[o] + 1)));
    }
}
