package bellrope.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.End.Child;
import bellrope.core.effect.End.Child.When;
import bellrope.core.effect.Stream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** Children that are whole effects; expectations by hand, as every birth is independent of the others. */
class BranchingTest {
    private static Emitter bearing(String name, int seed, int count, Child... children) {
        return Sample.emitter(name, seed, Sample.burst(count, 0.3), Sample.still())
                .withEnd(new End(Optional.empty(), List.of(children), Optional.empty()));
    }

    private static Child begins(String effect, double chance) {
        return new Child(When.AT_END, Optional.empty(), Optional.of(effect), 1, 1, 1, chance, 0, false, false, 1);
    }

    private static Child bears(String emitter, int least, int most) {
        return new Child(When.AT_END, Optional.of(emitter), Optional.empty(), least, most, 1, 1, 0, false, false, 1);
    }

    private static Branching of(Effect effect, Effect... others) {
        Map<String, Effect> by = new HashMap<>();
        for (Effect other : others) {
            by.put(other.name(), other);
        }
        return Branching.of(effect, name -> Optional.ofNullable(by.get(name)), name -> Optional.empty());
    }

    // 10 parents, half of which begin an effect of a burst of 4 and a stream of 20/s over its half second: 10 + 5 · 14.
    @Test
    void aWholeEffectCountsWithAllThatItSpawnsItself() {
        Effect splash = new Effect(
                "splash",
                "",
                Course.once(0.5),
                Sample.effect("x", bearing("x", 1, 1)).seed(),
                List.of(
                        bearing("drops", 1, 4),
                        Sample.emitter(
                                "mist",
                                2,
                                Sample.burst(0, 0.3)
                                        .with(d -> d.stream = Optional.of(new Stream(20, 0, OptionalDouble.empty()))),
                                Sample.still())),
                List.of());
        Branching theory = of(Sample.effect("fall", bearing("stones", 1, 10, begins("splash", 0.5))), splash);
        assertThat(theory.generations()).containsExactly(10, 70);
        assertThat(theory.total()).isEqualTo(80);
        assertThat(theory.lines()).hasSize(1);
        assertThat(theory.lines().get(0).children()).isCloseTo(7, within(1e-9));
        assertThat(theory.lines().get(0).total()).isCloseTo(8, within(1e-9));
        assertThat(theory.offspring()).isZero();
    }

    // Three storeys: 2 begin an effect of 3, each of which bears 1 to 3 of another emitter: 2 + 6 + 12.
    @Test
    void childrenOfAWholeEffectAreAGenerationOfTheirOwn() {
        Effect middle = Sample.effect("middle", bearing("a", 1, 3, bears("b", 1, 3)), bearing("b", 2, 0));
        Branching theory = of(Sample.effect("top", bearing("first", 1, 2, begins("middle", 1))), middle);
        assertThat(theory.generations()).containsExactly(2, 6, 12);
        assertThat(theory.total()).isEqualTo(20);
    }

    @Test
    void anEffectThatIsUnknownSpawnsNothing() {
        Branching theory = of(Sample.effect("top", bearing("first", 1, 2, begins("nowhere", 1))));
        assertThat(theory.generations()).containsExactly(2);
        assertThat(theory.lines().get(0).children()).isZero();
    }

    // Each of the two begins the other: a pair of one particle each never dies out, of a half each it holds 1 / (1 −
    // ¼).
    @Test
    void effectsThatBeginEachOtherRunAwayTogether() {
        Effect ping = Sample.effect("ping", bearing("a", 1, 1, begins("pong", 1)));
        Effect pong = Sample.effect("pong", bearing("b", 1, 1, begins("ping", 1)));
        assertThat(of(ping, ping, pong).offspring()).isCloseTo(1, within(1e-9));
        assertThat(of(ping, ping, pong).total()).isInfinite();
        Effect half = Sample.effect("ping", bearing("a", 1, 1, begins("pong", 0.5)));
        Effect back = Sample.effect("pong", bearing("b", 1, 1, begins("ping", 0.5)));
        assertThat(of(half, half, back).offspring()).isCloseTo(0.5, within(1e-9));
        assertThat(of(half, half, back).total()).isCloseTo(1.5 / (1 - 0.25), within(1e-9));
    }

    @Test
    void whatALoopSpawnsIsThatOfOneCycle() {
        Effect loop = Sample.loop("smoke", 30, 0.5, 0.25);
        assertThat(Branching.own(loop, loop.emitters().get(0))).isCloseTo(30, within(1e-9));
        Emitter bursts = Sample.emitter(
                "b",
                1,
                Sample.burst(0, 1)
                        .with(d -> d.bursts = List.of(new Burst(0, 2, 4, 3, 0.1, 0.5, 1), new Burst(0.2, 5, 5))),
                Sample.still());
        assertThat(Branching.own(Sample.effect("e", bursts), bursts)).isCloseTo(3 * 3 * 0.5 + 5, within(1e-9));
    }
}
