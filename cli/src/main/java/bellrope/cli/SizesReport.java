package bellrope.cli;

import bellrope.format.answer.SizedView;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/**
 * How large pools have to be for a score, for reading, by people and by machines.
 *
 * @param set settings that have other values than in the bundle
 */
record SizesReport(Map<String, JsonNode> set, String score, int runs, List<SizedView> pools) {
    static String inWords(String score, int runs, List<SizedView> sized) {
        StringBuilder text = new StringBuilder();
        line(
                text,
                "%-24s %9s %8s %8s %6s %10s %8s %24s %8s",
                "pool",
                "/s",
                "hold s",
                "load",
                "peak",
                "dispersion",
                "refusing",
                "taking over",
                "theory");
        for (SizedView one : sized) {
            if (one.sizes().isEmpty()) {
                line(text, "%-24s asked for nothing", one.name());
                continue;
            }
            line(
                    text,
                    "%-24s %9.2f %8.2f %8.2f %6.0f %10.2f %8d %24s %8d",
                    one.name() + (one.pooled() ? " *" : ""),
                    one.perSecond(),
                    one.hold(),
                    one.load(),
                    one.peak().value(),
                    one.dispersion(),
                    one.refusing(),
                    String.format(Locale.ROOT, "%d %s (%.2f %%)", one.takingOver(), one.over(), 100 * one.cut()),
                    one.theory());
        }
        line(
                text,
                "%s, %d runs. * is a pool of the bundle. refusing: loses at most 1 %% in the worst minute of 95 of 100 runs; "
                        + "taking over: cuts at most 1 %% of presence (how much); theory: Erlang B for 1 %%",
                score,
                runs);
        return text.toString();
    }

    private static void line(StringBuilder text, String format, Object... values) {
        text.append(String.format(Locale.ROOT, format, values)).append('\n');
    }
}
