package bellrope.format;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.effect.Effect;
import bellrope.core.project.Project;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.stage.Viewing;
import bellrope.format.json.Demo;
import bellrope.format.json.Recipes;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

@DisplayName("A take that is looked at moment by moment")
class ViewingTest {
    private static byte[] at(Viewing viewing, int step) {
        ByteBuffer frame = viewing.at(step);
        return Arrays.copyOfRange(frame.array(), frame.position(), frame.limit());
    }

    private static void compare(Project project, Effect effect, boolean stopped) {
        Preview plain = Preview.plain(effect, 5);
        Preview preview = stopped
                ? new Preview(
                        plain.effect(),
                        plain.rope(),
                        plain.payload(),
                        plain.surface(),
                        plain.side(),
                        plain.velocity(),
                        plain.seed(),
                        OptionalDouble.of(0.4),
                        plain.set())
                : plain;
        Take take = preview.take(project, true);
        List<byte[]> frames = take.frames();
        Viewing viewing = preview.viewing(project);
        SplittableRandom random = new SplittableRandom(effect.name().hashCode());
        for (int i = 0; i < 12; i++) {
            int step = random.nextInt(frames.size());
            assertThat(at(viewing, step)).as("%s, step %d", effect.name(), step).isEqualTo(frames.get(step));
            int next = Math.min(frames.size() - 1, step + 1);
            assertThat(at(viewing, next)).as("%s, step %d", effect.name(), next).isEqualTo(frames.get(next));
            assertThat(at(viewing, next))
                    .as("%s, step %d again", effect.name(), next)
                    .isEqualTo(frames.get(next));
        }
    }

    @Test
    void showsWhatTheTakeWouldHaveKeptInWhateverOrder() {
        for (Project project : List.of(Demo.project(), Recipes.project())) {
            project.effects().forEach(effect -> compare(project, effect, false));
        }
    }

    @Test
    void stopsWhenTheTakeStops() {
        Project demo = Demo.project();
        demo.effects().stream().filter(e -> e.course().looping()).forEach(effect -> compare(demo, effect, true));
    }
}
