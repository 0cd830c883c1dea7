package bellrope.format.report;

import bellrope.core.event.Pull;
import bellrope.core.rope.Companion;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Account.Answer;
import bellrope.core.value.Datum;
import bellrope.core.value.Pace;
import bellrope.core.value.Problem;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The account of a pull for other programs.
 *
 * @param number of the pull on its stage, from 1
 * @param phase {@code moment}, {@code begin}, {@code end} or {@code set}
 * @param subject that the pull named; may be empty
 * @param value that a state took; null for moments and spans
 * @param payload by field name: numbers, texts, true or false, three numbers
 * @param at seconds since the stage began
 * @param summary its first line in English
 * @param seed of the pull
 */
public record AccountReport(
        int number,
        String event,
        String phase,
        String subject,
        @Nullable String value,
        Map<String, Object> payload,
        double at,
        String summary,
        long seed,
        List<Problem> refused,
        List<String> notes,
        List<Line> answers) {
    /**
     * One rope's answer.
     *
     * @param name of the effect, or of the rope where no effect is played
     * @param said what is said of it, to be read after the name
     * @param why what stopped it; null if it answered
     * @param words the whole answer in English: name and what is said
     * @param effect what played, or would have
     * @param condition which condition stopped it, from 0; −1 if none did
     * @param limit which limit stopped it; null if none did
     * @param pool which pool was empty; null if none was
     * @param origin where the effect's origin is; null if it stayed silent
     * @param facing where it points; null if it stayed silent
     * @param fed what its feeds resolved to
     * @param delay seconds until it begins
     * @param hold seconds for which the instance is kept; null if it stayed silent or runs until it is told to stop
     * @param companions in words
     * @param later names of the effects and events that follow
     * @param held seconds for which a span or state had lasted, if this ends it; null otherwise
     */
    public record Line(
            String rope,
            boolean answered,
            String name,
            String said,
            @Nullable String why,
            String words,
            String effect,
            int condition,
            Account.@Nullable Limited limit,
            @Nullable String pool,
            double @Nullable [] origin,
            double @Nullable [] facing,
            List<FedReport> fed,
            double delay,
            @Nullable Double hold,
            List<String> companions,
            List<String> later,
            @Nullable Double held) {}

    /**
     * A parameter as a feed set it.
     *
     * @param feed which of the rope's feeds
     * @param field name of the source
     * @param given value of the source: a number, a text, true or false, or three numbers
     * @param value of the parameter, likewise
     * @param held whether the parameter's own bounds cut it
     */
    public record FedReport(int feed, String parameter, String field, Object given, Object value, boolean held) {
        static FedReport of(Account.Fed fed) {
            return new FedReport(
                    fed.feed(),
                    fed.parameter(),
                    fed.source().words(),
                    plain(fed.given()),
                    plain(fed.value()),
                    fed.held());
        }
    }

    public static AccountReport of(Account account, Pace pace) {
        Pull pull = account.pull();
        Map<String, Object> payload = new LinkedHashMap<>();
        pull.payload().forEach((name, value) -> payload.put(name, plain(value)));
        return new AccountReport(
                account.number(),
                pull.event(),
                pull.phase().name().toLowerCase(Locale.ROOT),
                pull.subject(),
                pull.value().orElse(null),
                payload,
                pace.seconds(account.step()),
                account.summary(),
                pull.seed(),
                account.refused(),
                account.notes(),
                account.answers().stream().map(AccountReport::line).toList());
    }

    private static Object plain(Datum value) {
        return value.match(num -> num.value(), word -> word.text(), flag -> flag.value(), vec -> numbers(vec.value()));
    }

    private static double[] numbers(Vec3 v) {
        return new double[] {v.x(), v.y(), v.z()};
    }

    private static Line line(Answer answer) {
        return answer.match(
                p -> new Line(
                        p.rope(),
                        true,
                        p.name(),
                        p.said(),
                        null,
                        p.inWords(),
                        p.effect(),
                        -1,
                        null,
                        null,
                        numbers(p.origin()),
                        numbers(p.facing()),
                        p.fed().stream().map(FedReport::of).toList(),
                        p.delay(),
                        p.hold().isPresent() ? p.hold().getAsDouble() : null,
                        p.companions().stream().map(Companion::words).toList(),
                        p.later().stream()
                                .map(f -> f.announce().orElse(f.play().orElse("")))
                                .toList(),
                        null),
                e -> quiet(e, null, e.effect(), -1, null, null, e.held()),
                AccountReport::silent);
    }

    private static Line silent(Account.Silent s) {
        return s.reason()
                .match(
                        unmet -> silent(s, unmet.condition(), null, null),
                        nothing -> silent(s, -1, null, null),
                        off -> silent(s, -1, null, null),
                        waits -> silent(s, -1, null, null),
                        limited -> silent(s, -1, limited, null),
                        empty -> silent(s, -1, null, empty.pool()));
    }

    private static Line silent(Account.Silent s, int condition, Account.Limited limit, String pool) {
        return quiet(s, s.reason().inWords(), s.wouldPlay(), condition, limit, pool, null);
    }

    private static Line quiet(
            Answer answer, String why, String effect, int condition, Account.Limited limit, String pool, Double held) {
        return new Line(
                answer.rope(),
                why == null,
                answer.name(),
                answer.said(),
                why,
                answer.inWords(),
                effect,
                condition,
                limit,
                pool,
                null,
                null,
                List.of(),
                0,
                null,
                List.of(),
                List.of(),
                held);
    }
}
