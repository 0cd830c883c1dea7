package bellrope.core.stage.play;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.sim.Body;
import bellrope.core.value.Pace;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What instances of pools play in, kept when they have ended for those that begin: it is made once. */
final class Spares {
    /** Idle ones that are looked at for one that suits; where feeds change how particles move or look, none may. */
    private static final int LOOKED_AT = 8;

    private final Cast cast;
    private final Pace pace;
    private final Map<String, List<Spare>> idle = new HashMap<>();
    // What ended in the step at hand, and is still looked at.
    private final List<Spare> leaving = new ArrayList<>();

    Spares(Cast cast, Pace pace) {
        this.cast = cast;
        this.pace = pace;
    }

    /** One that plays, or waits for an instance. */
    record Spare(String effect, Body body, boolean apart, Cast.Place[] places) {}

    /** Returns one for an instance whose emitters are these: one that is idle, if it suits them, or else a new one. */
    Spare take(Effect effect, List<Emitter> emitters, boolean apart) {
        List<Spare> of = idle(effect.name());
        // The one that left last is warmest.
        for (int i = of.size() - 1; i >= Math.max(0, of.size() - LOOKED_AT); i--) {
            Spare spare = of.get(i);
            if (spare.apart() == apart && spare.body().suits(emitters)) {
                of.remove(i);
                cast.back(spare.body().layers(), spare.places());
                return spare;
            }
        }
        // A new one takes its place: there are never more than have played at once.
        if (!of.isEmpty()) {
            of.remove(0);
        }
        return make(effect, emitters, apart);
    }

    private List<Spare> idle(String effect) {
        return idle.computeIfAbsent(effect, e -> new ArrayList<>());
    }

    private Spare make(Effect effect, List<Emitter> emitters, boolean apart) {
        Body body = new Body(emitters, cast.of(effect, emitters, apart), pace);
        return new Spare(effect.name(), body, apart, cast.places(body.layers()));
    }

    /** Makes some before they are asked for. */
    void make(Effect effect, boolean apart, int count) {
        for (int i = 0; i < count; i++) {
            Spare made = make(effect, effect.resolved(Map.of()), apart);
            made.body().room();
            cast.remove(made.body().layers());
            leaving.add(made);
        }
    }

    /** Takes one back whose layers the cast has let go. */
    void leave(Spare spare) {
        leaving.add(spare);
    }

    /** Begins a step: what left before it can be taken again. */
    void settle() {
        for (int i = 0; i < leaving.size(); i++) {
            idle(leaving.get(i).effect()).add(leaving.get(i));
        }
        leaving.clear();
    }

    /** Forgets all, since the layers that instances share are gone. */
    void clear() {
        idle.clear();
        leaving.clear();
    }
}
