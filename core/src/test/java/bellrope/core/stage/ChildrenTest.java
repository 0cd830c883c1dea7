package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import bellrope.core.Sample;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.End.Child;
import bellrope.core.effect.End.Child.When;
import bellrope.core.effect.Force;
import bellrope.core.effect.Stream;
import bellrope.core.measure.Branching;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChildrenTest {
    private static Child child(When when, String emitter, int least, int most, double rate, double chance) {
        return new Child(when, Optional.of(emitter), Optional.empty(), least, most, rate, chance, 0, false, false);
    }

    private static Emitter bearing(String name, int seed, Birth birth, Child... children) {
        return Sample.emitter(name, seed, birth, Sample.still())
                .withEnd(new End(Optional.empty(), List.of(children), Optional.empty()));
    }

    private static Take take(Project project) {
        return Take.of(project, Sample.landing(9, "thatch", 1), 10, false);
    }

    private static Emitter drops(int seed) {
        return Sample.emitter("drops", seed, Sample.burst(0, 0.5), Sample.still());
    }

    @ParameterizedTest
    @CsvSource({"AT_BIRTH,1,60", "AT_END,1,60", "PER_SECOND,10,200", "PER_UNIT,2.5,200"})
    void areBornWhenTheyShould(When when, double rate, long expected) {
        // Twenty that live 1.01 s at 4 u/s; three each time at birth and end, one each time on the way.
        int each = when == When.AT_BIRTH || when == When.AT_END ? 3 : 1;
        Effect effect = Sample.effect(
                "e",
                bearing("parents", 1, Sample.burst(20, 1.01), child(when, "drops", each, each, rate, 1)),
                drops(2));
        assertThat(take(Sample.project(effect)).byGeneration()).startsWith(20, expected);
    }

    @Test
    void startWhereTheirParentIsAndInheritWhatIsAsked() {
        Child inheriting = new Child(When.AT_END, Optional.of("drops"), Optional.empty(), 1, 1, 1, 1, 0.5, false, true);
        Effect effect = Sample.effect("e", bearing("parents", 1, Sample.burst(1, 1), inheriting), drops(2));
        Stage stage = new Stage(Sample.project(effect));
        stage.pull(Sample.landing(9, "thatch", 1));
        for (int i = 0; i < 60; i++) {
            stage.step();
        }
        var frame = stage.frame(0);
        assertThat(stage.particles()).isEqualTo(1);
        assertThat(frame.getFloat(28)).as("where the parent went, at 4 u/s").isCloseTo(4, within(1e-3f));
        stage.step();
        // Own 4 u/s along the facing and half of the parent's.
        assertThat(stage.frame(0).getFloat(28)).isCloseTo(4 + 6 / 60f, within(1e-3f));
    }

    @Test
    void theInstanceIsHeldForTheWholeLine() {
        Effect effect = Sample.effect(
                "e", bearing("parents", 1, Sample.burst(5, 1), child(When.AT_END, "drops", 1, 1, 1, 1)), drops(2));
        Take take = take(Sample.project(effect));
        assertThat(((Account.Played) take.account().answers().get(0)).hold()).hasValue(1.5);
        assertThat(take.ended()).isTrue();
        assertThat(take.last()).isEqualTo(90);
    }

    @Test
    void aWholeEffectCanBeBegun() {
        Effect splash = Sample.effect("splash", Sample.emitter("bits", 1, Sample.burst(7, 0.4), Sample.still()));
        Child whole = new Child(When.AT_END, Optional.empty(), Optional.of("splash"), 1, 1, 1, 1, 0, false, false);
        Effect fall = Sample.effect("fall", bearing("drop", 1, Sample.burst(2, 0.5), whole));
        Project project = Sample.project(fall).withEffects(List.of(fall, splash));
        Take take = take(project);
        assertThat(take.births()).isEqualTo(2 + 14);
        assertThat(((Account.Played) take.account().answers().get(0)).hold()).hasValue(0.9);
        assertThat(take.ended()).isTrue();
        assertThat(take.last()).isEqualTo(54);
    }

    @Nested
    class ThatBearThemselves {
        private Effect line(int count, double chance) {
            return Sample.effect(
                    "e", bearing("links", 1, Sample.burst(count, 0.05), child(When.AT_END, "links", 1, 1, 1, chance)));
        }

        // Galton and Watson: with mean offspring m < 1 a line holds 1 / (1 − m) on average.
        @Test
        void dieOutAsTheBranchingTheorySays() {
            Effect effect = line(4000, 0.5);
            Branching theory = Branching.of(effect, name -> Optional.empty(), name -> Optional.empty());
            assertThat(theory.offspring()).isCloseTo(0.5, within(1e-6));
            assertThat(theory.lines().get(0).total()).isCloseTo(2, within(1e-6));
            assertThat(theory.total()).isCloseTo(8000, within(0.1));
            Take take = take(Sample.project(effect));
            // Variance of a line's total: σ² / (1 − m)³ = 0.25 / 0.125 = 2; four standard deviations of 4,000 lines.
            assertThat(take.births()).isCloseTo(8000, within((long) (4 * Math.sqrt(2.0 * 4000))));
            assertThat(take.ended()).isTrue();
        }

        @Test
        void runAwayAtOneOrMoreAndAreStoppedByTheLimit() {
            Effect effect = Sample.effect(
                    "e", bearing("links", 1, Sample.burst(10, 0.05), child(When.AT_END, "links", 2, 2, 1, 1)));
            Branching theory = Branching.of(effect, name -> Optional.empty(), name -> Optional.empty());
            assertThat(theory.offspring()).isCloseTo(2, within(1e-6));
            assertThat(theory.total()).isInfinite();
            Project limited = new Project(
                    "p",
                    new Settings(Pace.SIXTY, 1, 1, 500),
                    Sample.project(effect).sprites(),
                    Sample.project(effect).events(),
                    List.of(effect),
                    Sample.project(effect).ropes());
            Take take = take(limited);
            assertThat(take.dropped()).isPositive();
            for (int k = 0; k <= take.last(); k++) {
                assertThat(take.live(k)).isLessThanOrEqualTo(500);
            }
        }

        // Below 1 it is finite, however close: 1 / (1 - 0.998) = 500; at 1 it runs away (Harris 1963).
        @ParameterizedTest
        @CsvSource({"0.998, 500", "0.9999, 10000", "1, Infinity", "0.5, 2"})
        void runAwayFromExactlyOneOn(double chance, double total) {
            for (int ring = 1; ring <= 5; ring++) {
                Emitter[] emitters = new Emitter[ring];
                for (int i = 0; i < ring; i++) {
                    String next = "e" + (i + 1) % ring;
                    // The last of the ring carries all of the chance.
                    Child child = child(When.AT_END, next, 1, 1, 1, i == ring - 1 ? chance : 1);
                    emitters[i] = bearing("e" + i, i + 1, Sample.burst(i == 0 ? 1 : 0, 0.05), child);
                }
                Branching theory =
                        Branching.of(Sample.effect("e", emitters), name -> Optional.empty(), name -> Optional.empty());
                assertThat(theory.offspring()).isCloseTo(Math.pow(chance, 1.0 / ring), within(1e-9));
                double expected = ring * total;
                assertThat(theory.total())
                        .satisfies(t -> assertThat(t == expected || Math.abs(t - expected) < 1e-6 * expected)
                                .isTrue());
            }
        }

        @Test
        void whatIsNeverBornDoesNotRunAway() {
            Effect effect = Sample.effect(
                    "e",
                    Sample.emitter("a", 1, Sample.burst(3, 1), Sample.still()),
                    bearing("idle", 2, Sample.burst(0, 1), child(When.AT_END, "idle", 2, 2, 1, 1)));
            Branching theory = Branching.of(effect, name -> Optional.empty(), name -> Optional.empty());
            assertThat(theory.offspring()).isZero();
            assertThat(theory.total()).isEqualTo(3);
            assertThat(theory.lines().get(1).total()).isInfinite();
        }

        // Expected against counted: 2,000 parents of random life and speed, under drag and gravity; within 2 %.
        @ParameterizedTest
        @CsvSource({
            "PER_UNIT, 2, 0, 0",
            "PER_UNIT, 0.7, 1.5, 0",
            "PER_UNIT, 1.3, 0.4, -9.8",
            "PER_SECOND, 3, 0, 0",
            "PER_SECOND, 0.9, 2, -9.8",
            "PER_UNIT, 0.45, 0, 0"
        })
        void areExpectedAsTheyFall(When when, double rate, double drag, double gravity) {
            Birth birth = Sample.burst(2000, 1).with(d -> {
                d.lifetime = new Range(0.6, 1.7);
                d.speed = new Range(1, 5);
                d.spread = 70;
            });
            Emitter parents = Sample.emitter("parents", 1, birth, Sample.falling(new Vec3(0, gravity, 0), drag))
                    .withEnd(new End(Optional.empty(), List.of(child(when, "drops", 1, 1, rate, 1)), Optional.empty()));
            Emitter drops = Sample.emitter("drops", 2, Sample.burst(0, 0.05), Sample.still());
            Effect effect = Sample.effect("e", parents, drops);
            Branching theory = Branching.of(effect, name -> Optional.empty(), name -> Optional.empty());
            Take take = take(Sample.project(effect));
            assertThat(theory.generations()[1]).isCloseTo(take.byGeneration()[1], withinPercentage(2));
        }

        @Test
        void oneUnitASecondForASecondAtTwoAUnitIsOneEach() {
            Birth birth = Sample.burst(4, 1).with(d -> d.speed = Range.of(1));
            Effect effect = Sample.effect(
                    "e", bearing("parents", 1, birth, child(When.PER_UNIT, "drops", 1, 1, 2, 1)), drops(2));
            Branching theory = Branching.of(effect, name -> Optional.empty(), name -> Optional.empty());
            assertThat(theory.generations()).containsExactly(4, 4);
            assertThat(take(Sample.project(effect)).byGeneration()).startsWith(4, 4);
        }

        // Two kinds, each spawning one half and one of the other: M = [[0, ½], [1, 0]], spectral radius √½.
        @Test
        void ofSeveralKindsHaveTheSpectralRadius() {
            Effect effect = Sample.effect(
                    "e",
                    bearing("a", 1, Sample.burst(1, 1), child(When.AT_END, "b", 1, 1, 1, 0.5)),
                    bearing("b", 2, Sample.burst(0, 1), child(When.AT_END, "a", 1, 1, 1, 1)));
            assertThat(Branching.of(effect, name -> Optional.empty(), name -> Optional.empty())
                            .offspring())
                    .isCloseTo(Math.sqrt(0.5), within(1e-3));
        }

        @Test
        void atBirthWithoutEndAreStoppedToo() {
            Effect effect = Sample.effect(
                    "e", bearing("links", 1, Sample.burst(1, 1), child(When.AT_BIRTH, "links", 1, 1, 1, 1)));
            Stage stage = new Stage(new Project(
                    "p",
                    new Settings(Pace.SIXTY, 1, 1, 300),
                    Sample.project(effect).sprites(),
                    Sample.project(effect).events(),
                    List.of(effect),
                    Sample.project(effect).ropes()));
            stage.pull(Sample.landing(9, "thatch", 1));
            assertThat(stage.particles()).isEqualTo(300);
            assertThat(stage.dropped()).isPositive();
        }
    }

    @Nested
    class Loops {
        private Effect loop(double windUp, double fadeOut) {
            Birth birth =
                    Sample.burst(0, 0.5).with(d -> d.stream = Optional.of(new Stream(240, 0, OptionalDouble.empty())));
            return Sample.effect("e", Sample.emitter("e", 1, birth, Sample.still()))
                    .withCourse(new Course(true, 1, windUp, fadeOut));
        }

        @Test
        void windUpFromNothing() {
            Take take = Take.of(Sample.project(loop(1, 0)), Sample.landing(9, "thatch", 1), 2, false);
            assertThat(take.live(6)).isLessThan(8);
            // A quarter second before and after 0.75 s: three quarters of 120 on average.
            assertThat(take.live(60)).isBetween(65, 110);
            assertThat(take.live(115)).isEqualTo(120);
        }

        @Test
        void fadeOutWhenToldAndAreReleased() {
            Take take = Take.of(
                    Sample.project(loop(0, 0.5)),
                    Sample.landing(9, "thatch", 1),
                    new Take.Length(10, OptionalDouble.of(2)),
                    false);
            assertThat(take.live(120)).isEqualTo(120);
            assertThat(take.live(150)).isBetween(40, 80);
            assertThat(take.ended()).isTrue();
            assertThat(take.last()).isEqualTo(120 + 30 + 30);
        }
    }

    @Test
    void aCapSwallowsBirthsAndCountsThem() {
        Birth birth = Sample.burst(30, 1).with(d -> d.cap = OptionalInt.of(12));
        Take take = take(Sample.project(Sample.effect("e", Sample.emitter("e", 1, birth, Sample.still()))));
        assertThat(take.births()).isEqualTo(12);
        assertThat(take.dropped()).isEqualTo(18);
        assertThat(take.watch().emitter("e", "e").orElseThrow().refused()).isEqualTo(18);
    }

    @Test
    void aFixedSeedLooksTheSameEachPull() {
        Effect free = Sample.any(3);
        Effect fixed =
                new Effect("any", "", free.course(), java.util.OptionalLong.of(5), free.emitters(), free.parameters());
        for (Effect effect : List.of(free, fixed)) {
            List<byte[]> a = Take.of(Sample.project(effect), Sample.landing(9, "thatch", 1), 1, true)
                    .frames();
            List<byte[]> b = Take.of(Sample.project(effect), Sample.landing(9, "thatch", 2), 1, true)
                    .frames();
            assertThat(java.util.Arrays.equals(a.get(20), b.get(20))).isEqualTo(effect == fixed);
        }
    }

    /** Effects that walk, spawn and trail: what holds for exact motion must hold for them. */
    private static Effect integrated(long seed) {
        Effect base = Sample.any(seed);
        List<Emitter> emitters = new ArrayList<>();
        for (Emitter e : base.emitters()) {
            emitters.add(e.withLife(e.life()
                            .withForces(List.of(
                                    new Force.Turbulence(4, 0.7, 1),
                                    new Force.Swirl(Vec3.ZERO, Vec3.UP, 3, 2, Force.Falloff.LINEAR))))
                    .withEnd(new End(
                            Optional.of(
                                    new End.Collision(new End.Barrier.Ground(0), 0.5, 0.2, 0.1, End.Outcome.BOUNCES)),
                            List.of(
                                    child(When.ON_COLLISION, "drops", 1, 2, 1, 0.6),
                                    child(When.PER_UNIT, "drops", 1, 1, 1.5, 1)),
                            Optional.of(new End.Trail(0.2, End.Trail.By.SECONDS, Curve.ONE, Gradient.WHITE)))));
        }
        emitters.add(Sample.emitter(
                "drops", 77, Sample.burst(0, 0.2).with(d -> d.size = new Range(0.1, 0.2)), Sample.still()));
        return Sample.effect("any", emitters.toArray(Emitter[]::new));
    }

    @Test
    void aLoopThatHasRunForLongIsRetunedFromItsLastLine() {
        List<Emitter> streaming = new ArrayList<>();
        for (Emitter e : integrated(4).emitters()) {
            streaming.add(
                    e.name().equals("drops")
                            ? e
                            : e.withBirth(e.birth().with(d -> {
                                d.bursts = List.of();
                                d.stream = Optional.of(new Stream(40, 0, OptionalDouble.empty()));
                            })));
        }
        Effect loop = Sample.effect("any", streaming.toArray(Emitter[]::new)).withCourse(Course.looping(1));
        Project project = Sample.project(loop);
        Stage straight = new Stage(project);
        Stage retuned = new Stage(project);
        straight.pull(Sample.landing(9, "thatch", 1));
        retuned.pull(Sample.landing(9, "thatch", 1));
        for (int i = 0; i < 900; i++) {
            straight.step();
            retuned.step();
        }
        retuned.retune(project);
        byte[] a = new byte[straight.frame(0).remaining()];
        straight.frame(0).get(a);
        byte[] b = new byte[retuned.frame(0).remaining()];
        retuned.frame(0).get(b);
        assertThat(straight.particles()).isGreaterThan(50);
        assertThat(b).isEqualTo(a);
    }

    @RepeatedTest(15)
    void retuningToTheSameProjectChangesNotOneBit(RepetitionInfo info) {
        Project project = Sample.project(integrated(info.getCurrentRepetition()));
        Stage straight = new Stage(project);
        Stage retuned = new Stage(project);
        for (int i = 0; i < 70; i++) {
            if (i % 20 == 0) {
                straight.pull(Sample.landing(5 + i / 9, "thatch", i));
                retuned.pull(Sample.landing(5 + i / 9, "thatch", i));
            }
            if (i % 7 == 3) {
                retuned.retune(project);
            }
            straight.step();
            retuned.step();
            byte[] a = new byte[straight.frame(0).remaining()];
            straight.frame(0).get(a);
            byte[] b = new byte[retuned.frame(0).remaining()];
            retuned.frame(0).get(b);
            assertThat(b).as("step %d", i).isEqualTo(a);
        }
    }
}
