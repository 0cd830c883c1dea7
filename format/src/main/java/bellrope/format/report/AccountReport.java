package bellrope.format.report;

import bellrope.core.stage.Account;
import bellrope.core.stage.Account.Answer;
import bellrope.core.stage.Account.Played;
import bellrope.core.stage.Account.Silent;
import bellrope.core.stage.Account.Unmet;
import bellrope.core.value.Pace;
import bellrope.core.value.Problem;
import java.util.List;

/**
 * The account of a pull for other programs.
 *
 * @param number of the pull on its stage, from 1
 * @param at seconds since the stage began
 * @param summary its first line in English
 * @param seed of the pull
 */
public record AccountReport(
        int number,
        String event,
        double at,
        String summary,
        long seed,
        List<Problem> refused,
        List<String> notes,
        List<Line> answers) {
    /**
     * One rope's answer.
     *
     * @param words the whole answer in English
     * @param effect what played, or would have
     * @param condition which condition stopped it, from 0; −1 if none did
     * @param origin where the effect's origin is; null if it stayed silent
     * @param facing where it points; null if it stayed silent
     */
    public record Line(
            String rope,
            boolean answered,
            String words,
            String effect,
            int condition,
            double[] origin,
            double[] facing) {}

    public static AccountReport of(Account account, Pace pace) {
        return new AccountReport(
                account.number(),
                account.pull().event(),
                pace.seconds(account.step()),
                account.summary(),
                account.pull().seed(),
                account.refused(),
                account.notes(),
                account.answers().stream().map(AccountReport::line).toList());
    }

    private static Line line(Answer answer) {
        if (answer instanceof Played p) {
            return new Line(
                    p.rope(),
                    true,
                    p.inWords(),
                    p.effect(),
                    -1,
                    new double[] {p.origin().x(), p.origin().y(), p.origin().z()},
                    new double[] {p.facing().x(), p.facing().y(), p.facing().z()});
        }
        Silent s = (Silent) answer;
        int condition = s.reason() instanceof Unmet unmet ? unmet.condition() : -1;
        return new Line(s.rope(), false, s.inWords(), s.wouldPlay(), condition, null, null);
    }
}
