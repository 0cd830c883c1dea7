package bellrope.format.answer;

import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Flashed;
import bellrope.core.stage.told.Shaken;
import bellrope.core.stage.told.Told;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.report.AccountReport;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What a live stage has to say since it was last asked, besides its frame.
 *
 * @param accounts of pulls, in their order; those that came by themselves are among them
 * @param told what game code would be told
 * @param comfort what shakes, flashes and holds still; null if nothing does and nothing did
 * @param still whether nothing plays, so that it need not be asked again before something happens
 */
public record StageReply(
        List<AccountReport> accounts,
        List<Notice> told,
        @Nullable Comfort comfort,
        boolean still) {
    /**
     * Something told.
     *
     * @param what notice, begins, ends or gone
     * @param at seconds since the stage began
     * @param values what it carries, as a payload
     */
    public record Notice(String name, String what, String rope, int pull, double at, JsonValue values) {
        /** @param rate steps a second */
        public static Notice of(Told told, double rate) {
            return new Notice(
                    told.name(),
                    told.what().name().toLowerCase(Locale.ROOT),
                    told.rope(),
                    told.pull(),
                    told.step() / rate,
                    PayloadJson.write(told.values()));
        }
    }

    /**
     * How the player's comfort stands.
     *
     * @param shake units to the right and up by which the camera is moved
     * @param flash red, green and blue in linear light, and how much of it lies over the screen
     * @param edges the same of what lies over the edges of the screen besides, growing towards them
     * @param paused seconds that are left of a hit pause
     */
    public record Comfort(double[] shake, double[] flash, double[] edges, double paused) {
        public static Comfort of(Stage stage) {
            Shaken shaken = stage.shaken();
            return new Comfort(
                    new double[] {shaken.x(), shaken.y()}, four(stage.flashed()), four(stage.edged()), stage.paused());
        }

        private static double[] four(Flashed over) {
            return new double[] {over.red(), over.green(), over.blue(), over.opacity()};
        }

        boolean felt() {
            return shake[0] != 0 || shake[1] != 0 || flash[3] > 0 || edges[3] > 0 || paused > 0;
        }
    }
}
