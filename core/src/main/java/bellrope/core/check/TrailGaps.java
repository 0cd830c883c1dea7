package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.End.Child;
import bellrope.core.effect.Stream;
import bellrope.core.value.Exact;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Beads where a trail was meant: what is dropped per second lies farther apart than it is wide when the thing moves fast. */
final class TrailGaps implements Check {
    @Override
    public List<Finding> look(Subject s) {
        List<Finding> found = new ArrayList<>(s.each((e, place) -> dropped(s, e, place)));
        if (s.sourceMoves()) {
            found.addAll(s.each((e, place) -> streamed(s, e, place)));
        }
        return found;
    }

    private static Optional<Finding> dropped(Subject s, Emitter e, String place) {
        double fastest = s.counted(e).map(by -> by.fastest()).orElse(0.0);
        List<Child> children = e.end().children();
        for (int i = 0; i < children.size(); i++) {
            Child child = children.get(i);
            Optional<Emitter> born = child.emitter().flatMap(s.effect()::emitter);
            if (child.when() != Child.When.PER_SECOND || born.isEmpty() || child.expectedEach() == 0) {
                continue;
            }
            double gap = fastest / (child.rate() * child.expectedEach());
            double size = born.get().birth().size().middle();
            if (size > 0 && gap > size) {
                int which = i;
                return Optional.of(found(
                        e,
                        place + "end/children/" + i,
                        gap,
                        size,
                        fastest,
                        s.mend("Drop them per unit", e, x -> perUnit(x, which, 2 / size))));
            }
        }
        return Optional.empty();
    }

    private static Optional<Finding> streamed(Subject s, Emitter e, String place) {
        Optional<Stream> stream = e.birth().stream();
        double speed = s.preview().velocity().length();
        double size = e.birth().size().middle();
        if (stream.isEmpty() || e.birth().inherit() >= 0.5 || size <= 0) {
            return Optional.empty();
        }
        double gap = speed / stream.get().perSecond();
        return gap <= size
                ? Optional.empty()
                : Optional.of(found(
                        e,
                        place + "birth/stream",
                        gap,
                        size,
                        speed,
                        s.mend(
                                "Bear them per unit",
                                e,
                                x -> x.withBirth(x.birth().with(d -> {
                                    d.stream = Optional.empty();
                                    d.perUnit = OptionalDouble.of(Math.min(1000, 2 / size));
                                })))));
    }

    private static Finding found(
            Emitter e, String place, double gap, double size, double speed, Optional<Finding.Remedy> remedy) {
        return new Finding(
                "trail gaps",
                Finding.Severity.DOUBTFUL,
                e.name(),
                place,
                "beads: at " + round(speed) + " u/s it leaves one every " + round(gap) + " u, and each is only "
                        + round(size) + " u wide",
                remedy);
    }

    private static String round(double value) {
        return Words.number(Exact.rint(value * 100) / 100);
    }

    private static Emitter perUnit(Emitter e, int which, double rate) {
        List<Child> children = new ArrayList<>(e.end().children());
        Child c = children.get(which);
        children.set(
                which,
                new Child(
                        Child.When.PER_UNIT,
                        c.emitter(),
                        c.effect(),
                        c.least(),
                        c.most(),
                        Math.min(1000, rate / Math.max(1, c.expectedEach())),
                        c.chance(),
                        c.velocity(),
                        c.colour(),
                        c.size()));
        return e.withEnd(new End(e.end().collision(), children, e.end().trail()));
    }
}
