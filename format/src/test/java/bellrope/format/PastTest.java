package bellrope.format;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.EventType;
import bellrope.core.pool.Pool;
import bellrope.core.pool.Pool.WhenEmpty;
import bellrope.core.project.Project;
import bellrope.core.score.Channelled;
import bellrope.core.score.Lane;
import bellrope.core.score.Pattern;
import bellrope.core.score.Score;
import bellrope.core.score.Writing;
import bellrope.core.stage.Performance;
import bellrope.core.stage.told.Keeping;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import bellrope.format.json.Demo;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** Every step of a performance can be looked at again, to the bit: everything of the demo at once, for twelve seconds. */
class PastTest {
    private static Score everything(Project project) {
        List<Lane> lanes = new ArrayList<>();
        for (EventType event : project.events()) {
            lanes.add(new Lane(
                    lanes.size() + 1,
                    event.name(),
                    "",
                    event.shape() == EventType.Shape.MOMENT ? 1 : 2,
                    false,
                    0,
                    OptionalDouble.of(9),
                    new Pattern.Poisson(event.shape() == EventType.Shape.MOMENT ? 1.5 : 0.4),
                    Lane.Manner.ANY,
                    List.of(),
                    new Range(0.5, 2),
                    new Vec3(5, 1, 0),
                    event.shape() == EventType.Shape.SPAN ? OptionalDouble.of(1.2) : OptionalDouble.empty()));
        }
        List<Channelled> channels = project.channels().stream()
                .map(c -> new Channelled(
                        c.name(),
                        List.of(
                                new Channelled.Point(1, c.range().least()),
                                new Channelled.Point(6, c.range().most()))))
                .toList();
        return new Score("everything", 12, 11, lanes, channels);
    }

    private static byte[] bytes(ByteBuffer frame) {
        byte[] bytes = new byte[frame.remaining()];
        frame.get(bytes);
        return bytes;
    }

    private static void looksBack(Project project) {
        Performance played =
                new Performance(project, Writing.of(everything(project), project.events(), 0), Keeping.EVERYTHING);
        List<byte[]> frames = new ArrayList<>();
        while (!played.over() && frames.size() < 15 * 60) {
            frames.add(bytes(played.stage().frame(frames.size())));
            played.step();
            played.takeAccounts();
        }
        assertThat(played.stage().dropped()).as("nothing was dropped").isZero();
        int seen = 0;
        for (int step = 0; step < frames.size(); step += 7) {
            byte[] then = bytes(played.frame(step));
            assertThat(then).as("step " + step).isEqualTo(frames.get(step));
            seen = Math.max(seen, then.length);
        }
        assertThat(seen).isGreaterThan(10_000);
    }

    @Test
    void everyStepOfTheDemoCanBeLookedAtAgain() {
        looksBack(Demo.project().withPools(List.of()));
    }

    @Test
    void poolsOfWhichNoneIsEmptyChangeNothingThatIsShown() {
        Project plain = Demo.project().withPools(List.of());
        Project pooled = plain.withPools(plain.effects().stream()
                .map(e -> new Pool(e.name(), 500, WhenEmpty.REFUSE))
                .toList());
        Performance one = new Performance(plain, Writing.of(everything(plain), plain.events(), 0), Keeping.NOTHING);
        Performance other = new Performance(pooled, Writing.of(everything(plain), plain.events(), 0), Keeping.NOTHING);
        other.stage().prewarm();
        for (int step = 0; step < 14 * 60; step++) {
            assertThat(bytes(other.stage().frame(step)))
                    .as("step " + step)
                    .isEqualTo(bytes(one.stage().frame(step)));
            one.step();
            other.step();
            one.takeAccounts();
            other.takeAccounts();
        }
        assertThat(one.stage().births()).isGreaterThan(1_000);
    }

    @Test
    void whatAPoolRefusedOrTookOverIsAsItWas() {
        Project demo = Demo.project();
        List<Pool> pools = new ArrayList<>();
        WhenEmpty[] all = {WhenEmpty.REFUSE, WhenEmpty.OLDEST, WhenEmpty.FAINTEST, WhenEmpty.FARTHEST};
        for (int i = 0; i < demo.effects().size(); i++) {
            pools.add(new Pool(demo.effects().get(i).name(), 1 + i % 2, all[i % all.length]));
        }
        looksBack(demo.withPools(pools));
    }
}
