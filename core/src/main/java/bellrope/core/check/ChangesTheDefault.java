package bellrope.core.check;

import bellrope.core.effect.Binding.Mode;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Through;
import bellrope.core.effect.Type;
import bellrope.core.measure.Neutral;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A parameter that changes something at its default: the authored look is lost before anyone has turned it. */
final class ChangesTheDefault implements Check {
    @Override
    public List<Finding> look(Subject s) {
        List<Finding> found = new ArrayList<>();
        for (Neutral.Difference d : Neutral.differences(s.effect())) {
            boolean hides = d.mode() == Mode.REPLACE;
            found.add(new Finding(
                    hides ? "hides the base" : "changes the default",
                    Finding.Severity.DOUBTFUL,
                    d.emitter(),
                    place(s, d.parameter()),
                    hides ? hidden(d) : changed(d),
                    remedy(s, d)));
        }
        return found;
    }

    static String place(Subject s, String parameter) {
        List<String> names =
                s.effect().parameters().stream().map(Parameter::name).toList();
        return "parameters/" + names.indexOf(parameter);
    }

    private static String name(Neutral.Difference d) {
        return d.property().name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static String changed(Neutral.Difference d) {
        return "plays with a " + name(d) + " of " + range(d.played(), d) + " instead of " + range(d.authored(), d)
                + " while " + d.parameter() + " is at its default; the look as authored is not what anyone sees";
    }

    private static String hidden(Neutral.Difference d) {
        return "has a " + name(d) + " of " + (d.authored().isEmpty() ? "its own" : range(d.authored(), d)) + ", but "
                + d.parameter() + " replaces it by " + range(d.played(), d)
                + ": what was authored is never seen, whatever the parameter";
    }

    private static String range(Optional<Range> range, Neutral.Difference d) {
        return range.map(r -> (r.least() == r.most()
                                ? Words.number(r.least())
                                : Words.number(r.least()) + " to " + Words.number(r.most()))
                        + (d.property().unit().isEmpty()
                                ? ""
                                : " " + d.property().unit()))
                .orElse("another");
    }

    private static Optional<Finding.Remedy> remedy(Subject s, Neutral.Difference d) {
        Parameter parameter = s.effect().parameter(d.parameter()).orElseThrow();
        double neutral = d.mode().neutral();
        boolean straight = parameter.bindings().stream().allMatch(b -> b.through() instanceof Through.Straight);
        Datum one = new Datum.Num(neutral == neutral ? neutral : 0);
        if (neutral != neutral
                || !straight
                || !(parameter.type() instanceof Type.Number)
                || !parameter.type().held(one).equals(one)) {
            return Optional.empty();
        }
        return Optional.of(new Finding.Remedy(
                "Make " + Words.number(neutral) + " the default",
                s.effect().turned(parameter.name(), p -> p.withStandard(one))));
    }
}
