package bellrope.browser;

import bellrope.core.effect.Effect;
import bellrope.core.project.Project;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;

/** Plays everything in a project and says what came of it, to the last bit. */
public final class Vectors {
    private Vectors() {}

    public static String hex(Project project, int effect) {
        Take take = Preview.plain(project.effects().get(effect), 1).take(project, true, 3);
        StringBuilder out = new StringBuilder();
        for (int k = 0; k <= take.last(); k++) {
            for (byte b : take.frames().get(k)) {
                out.append(Integer.toHexString(b & 0xff)).append(' ');
            }
            out.append('\n');
        }
        return out.toString();
    }

    public static String of(Project project) {
        StringBuilder out = new StringBuilder();
        for (Effect effect : project.effects()) {
            Take take = Preview.plain(effect, 1).take(project, true, 3);
            int hash = 0;
            for (byte[] frame : take.frames()) {
                for (byte b : frame) {
                    hash = hash * 31 + b;
                }
            }
            out.append(effect.name())
                    .append(' ')
                    .append(take.last())
                    .append(' ')
                    .append(Integer.toHexString(hash))
                    .append('\n');
        }
        return out.toString();
    }
}
