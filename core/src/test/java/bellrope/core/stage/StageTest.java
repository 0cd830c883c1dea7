package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Rope;
import bellrope.core.sim.FrameEncoder;
import bellrope.core.sim.Watch;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Account.Played;
import bellrope.core.stage.told.Account.Silent;
import bellrope.core.stage.told.Bent;
import bellrope.core.value.Datum;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class StageTest {
    private static final Effect PUFF =
            Sample.effect("straw puff", Sample.emitter("straws", 1, Sample.burst(20, 0.8), Sample.still()));

    private static byte[] bits(Stage stage) {
        ByteBuffer frame = stage.frame(0);
        byte[] copy = new byte[frame.remaining()];
        frame.get(copy);
        return copy;
    }

    private static void steps(Stage stage, int count) {
        for (int i = 0; i < count; i++) {
            stage.step();
        }
    }

    @Nested
    @DisplayName("the account of a pull")
    class TheAccount {
        @Test
        void saysWhatPlayedAndWithWhat() {
            Account account = new Stage(Sample.project(PUFF)).pull(Sample.landing(9, "thatch", 1));
            Played played = (Played) account.answers().get(0);
            assertThat(played.inWords()).isEqualTo("straw puff at (12, 0, 0), size 1.2 from speed 9");
            assertThat(played.facing()).isEqualTo(Vec3.UP);
            assertThat(played.hold()).hasValue(0.8);
            assertThat(account.summary()).isEqualTo("1 rope listened, 1 answered");
        }

        @Test
        void namesTheVeryConditionThatStoppedARopeAndTheValueItMet() {
            Stage stage = new Stage(Sample.project(PUFF));
            assertThat(stage.pull(Sample.landing(9, "stone", 1))
                            .answers()
                            .get(0)
                            .inWords())
                    .isEqualTo("straw puff silent: surface was stone, wants thatch");
            Account slow = stage.pull(Sample.landing(4, "thatch", 1));
            assertThat(slow.answers().get(0).inWords()).isEqualTo("straw puff silent: speed was 4 u/s, wants over 4");
            assertThat(((Account.Unmet) ((Silent) slow.answers().get(0)).reason()).condition())
                    .isEqualTo(1);
            assertThat(stage.instances()).isZero();
        }

        @Test
        void saysWhenNoEffectIsChosen() {
            Rope gap =
                    new Rope("gap", 2, "courier.landed", List.of(), Optional.empty(), Vec3.ZERO, Facing.UP, List.of());
            Project project = Sample.project(PUFF).withRopes(List.of(gap));
            assertThat(new Stage(project)
                            .pull(Sample.landing(9, "peat", 1))
                            .answers()
                            .get(0)
                            .inWords())
                    .isEqualTo("gap silent: no effect is chosen");
        }

        @Test
        void refusesAnUnknownEventAndNamesTheNearest() {
            Account account = new Stage(Sample.project(PUFF)).pull(new Pull("courier.lnded", Map.of(), 1));
            assertThat(account.refused().get(0).toString())
                    .isEqualTo("/type: \"courier.lnded\": the name of a known event; did you mean courier.landed?");
        }

        @Test
        void refusesAPayloadWithAStringWhereANumberBelongs() {
            Map<String, Datum> payload =
                    new HashMap<>(Sample.landing(9, "thatch", 1).payload());
            payload.put("speed", new Datum.Word("fast"));
            payload.put("spedd", new Datum.Num(1));
            Stage stage = new Stage(Sample.project(PUFF));
            Account account = stage.pull(new Pull("courier.landed", payload, 1));
            assertThat(account.refused().toString())
                    .contains("/speed: fast: a number from 0 to 14 u/s")
                    .contains("/spedd: unknown field")
                    .contains("did you mean speed?");
            assertThat(stage.particles()).isZero();
        }

        @Test
        void notesAValueBeyondItsRange() {
            assertThat(new Stage(Sample.project(PUFF))
                            .pull(Sample.landing(19, "thatch", 1))
                            .notes())
                    .containsExactly("speed 19 is beyond its range of 0 to 14");
        }
    }

    @Nested
    class Placement {
        private Vec3 origin(Vec3 offset, Vec3 normal) {
            Rope base = Sample.onThatch("straw puff");
            Rope rope =
                    new Rope(base.name(), 1, base.event(), List.of(), base.play(), offset, Facing.NORMAL, List.of());
            Map<String, Datum> payload =
                    new HashMap<>(Sample.landing(9, "thatch", 1).payload());
            payload.put("normal", new Datum.Vec(normal));
            Stage stage = new Stage(Sample.project(PUFF).withRopes(List.of(rope)));
            Account account = stage.pull(new Pull("courier.landed", payload, 1));
            return ((Played) account.answers().get(0)).origin();
        }

        @Test
        void anOffsetGoesAlongTheNormalOfTheEvent() {
            assertThat(origin(new Vec3(0, 2, 0), Vec3.UP)).isEqualTo(new Vec3(12, 2, 0));
            assertThat(origin(new Vec3(0, 2, 0), new Vec3(-3, 0, 0))).isEqualTo(new Vec3(10, 0, 0));
        }

        // Common practice: back against the blow is the heading plus 180°.
        @Test
        void facesBackAgainstTheBlow() {
            Rope rope = new Rope(
                    "hail",
                    5,
                    "courier.struck",
                    List.of(new Condition.OneOf("by", List.of("hail", "crow"))),
                    Optional.of("straw puff"),
                    Vec3.ZERO,
                    Facing.OPPOSITE,
                    List.of());
            Map<String, Datum> payload = new HashMap<>();
            payload.put("position", new Datum.Vec(Vec3.ZERO));
            payload.put("direction", new Datum.Vec(new Vec3(2, 0, 0)));
            payload.put("force", new Datum.Num(50));
            payload.put("by", new Datum.Word("crow"));
            Stage stage = new Stage(Sample.project(PUFF).withRopes(List.of(rope)));
            Account account = stage.pull(new Pull("courier.struck", payload, 1));
            assertThat(((Played) account.answers().get(0)).facing()).isEqualTo(new Vec3(-1, 0, 0));
        }
    }

    @Nested
    class OverTime {
        @Test
        void twentyQuickPullsClimbAndFallBackToExactlyZero() {
            Stage stage = new Stage(Sample.project(PUFF));
            for (int i = 1; i <= 20; i++) {
                stage.pull(Sample.landing(9, "thatch", i));
                stage.step();
            }
            assertThat(stage.instances()).isEqualTo(20);
            assertThat(stage.particles()).isEqualTo(400);
            steps(stage, 48);
            assertThat(stage.instances()).isZero();
            assertThat(stage.particles()).isZero();
            assertThat(stage.births()).isEqualTo(400);
        }

        @Test
        void theParticleLimitSwallowsBirthsAndCountsThem() {
            Project project = Sample.project(PUFF);
            Settings tight = new Settings(project.settings().pace(), 1, 1, 50);
            Stage stage = new Stage(
                    new Project("p", tight, project.sprites(), project.events(), project.effects(), project.ropes()));
            for (int i = 0; i < 4; i++) {
                stage.pull(Sample.landing(9, "thatch", i));
            }
            assertThat(stage.particles()).isEqualTo(50);
            assertThat(stage.dropped()).isEqualTo(30);
        }

        @Test
        void theFrameRateOfTheWatcherChangesNothing() {
            Stage smooth = new Stage(Sample.project(Sample.any(5)));
            Stage rough = new Stage(Sample.project(Sample.any(5)));
            smooth.pull(Sample.landing(9, "thatch", 1));
            rough.pull(Sample.landing(9, "thatch", 1));
            for (int i = 0; i < 144; i++) {
                smooth.advance(1 / 144.0);
            }
            for (int i = 0; i < 7; i++) {
                rough.advance(1 / 7.0);
            }
            assertThat(smooth.now()).isEqualTo(rough.now()).isEqualTo(60);
            assertThat(bits(smooth)).isEqualTo(bits(rough));
        }

        @Test
        void aWarmStepAllocatesNothing() {
            Effect effect = Sample.any(3);
            Stage stage = new Stage(Sample.project(effect));
            for (int round = 0; round < 40; round++) {
                stage.pull(Sample.landing(9, "thatch", round));
                for (int i = 0; i < 240; i++) {
                    stage.step();
                    stage.frame(i);
                }
            }
            stage.pull(Sample.landing(9, "thatch", 1));
            ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
            threads.getCurrentThreadAllocatedBytes();
            long before = threads.getCurrentThreadAllocatedBytes();
            for (int i = 0; i < 120; i++) {
                stage.step();
                stage.frame(i);
            }
            long after = threads.getCurrentThreadAllocatedBytes();
            assertThat(after - before).as("bytes in 120 steps").isLessThan(1200);
        }
    }

    @Nested
    @DisplayName("for any valid effect")
    class AnyEffect {
        @RepeatedTest(40)
        void sameSeedSameBits(RepetitionInfo info) {
            long seed = info.getCurrentRepetition();
            Stage a = new Stage(Sample.project(Sample.any(seed)));
            Stage b = new Stage(Sample.project(Sample.any(seed)));
            a.pull(Sample.landing(9, "thatch", seed));
            b.pull(Sample.landing(9, "thatch", seed));
            for (int i = 0; i < 60; i++) {
                a.step();
                b.step();
                assertThat(bits(a)).as("seed %d, step %d", seed, i).isEqualTo(bits(b));
            }
        }

        @RepeatedTest(40)
        void nothingLivesBeyondTheHoldTime(RepetitionInfo info) {
            Stage stage = new Stage(Sample.project(Sample.any(info.getCurrentRepetition())));
            Account account = stage.pull(Sample.landing(9, "thatch", 1));
            int hold =
                    (int) Math.round(((Played) account.answers().get(0)).hold().orElseThrow() * 60);
            steps(stage, hold);
            assertThat(stage.particles()).isZero();
            assertThat(stage.instances()).isZero();
        }

        @RepeatedTest(40)
        void anotherEmitterLeavesTheOthersAlone(RepetitionInfo info) {
            Effect effect = Sample.any(info.getCurrentRepetition());
            List<Emitter> more = new java.util.ArrayList<>(effect.emitters());
            more.add(Sample.emitter("late", 900, Sample.burst(7, 0.3), Sample.still()));
            Effect extended = effect.withEmitters(more);
            Stage a = new Stage(Sample.project(effect));
            Stage b = new Stage(Sample.project(extended));
            a.pull(Sample.landing(9, "thatch", 1));
            b.pull(Sample.landing(9, "thatch", 1));
            steps(a, 25);
            steps(b, 25);
            // The frame's box may differ, so compare what the box does not touch, up to the late emitter's particles.
            byte[] one = bits(a);
            byte[] two = bits(b);
            for (int at = 64; at < one.length; at += FrameEncoder.STRIDE) {
                for (int byteOf = 6; byteOf < FrameEncoder.STRIDE; byteOf++) {
                    assertThat(two[at + byteOf]).isEqualTo(one[at + byteOf]);
                }
            }
            for (int l = 0; l < a.layers().size(); l++) {
                assertThat(reach(b, l)).isEqualTo(reach(a, l));
            }
        }

        private double reach(Stage stage, int layer) {
            Watch watch = new Watch(Vec3.ZERO, Vec3.UP);
            watch.look(List.of(stage.layers().get(layer)), List.of(), stage.now());
            return watch.reach();
        }

        @RepeatedTest(40)
        void retuningToTheSameProjectChangesNotOneBit(RepetitionInfo info) {
            Project project = Sample.project(Sample.any(info.getCurrentRepetition()));
            Stage straight = new Stage(project);
            Stage retuned = new Stage(project);
            for (int i = 0; i < 50; i++) {
                if (i % 9 == 0) {
                    straight.pull(Sample.landing(5 + i / 9, "thatch", i));
                    retuned.pull(Sample.landing(5 + i / 9, "thatch", i));
                }
                if (i % 7 == 3) {
                    retuned.retune(project);
                }
                straight.step();
                retuned.step();
                assertThat(bits(retuned)).as("step %d", i).isEqualTo(bits(straight));
            }
        }
    }

    @Nested
    class RetunedInFlight {
        @Test
        void whatPlaysLooksAsIfItHadBeenBornThatWay() {
            Effect heavy = Sample.effect(
                    "straw puff",
                    Sample.emitter("straws", 1, Sample.burst(35, 0.8), Sample.falling(new Vec3(0, -20, 0), 1)));
            Stage bent = new Stage(Sample.project(PUFF));
            bent.pull(Sample.landing(9, "thatch", 1));
            steps(bent, 20);
            assertThat(bent.retune(Sample.project(heavy))).isEqualTo(new Bent(1, Map.of()));
            Stage born = new Stage(Sample.project(heavy));
            born.pull(Sample.landing(9, "thatch", 1));
            steps(born, 20);
            assertThat(bits(bent)).isEqualTo(bits(born));
            steps(bent, 28);
            assertThat(bent.instances()).isZero();
        }

        @Test
        void anInstanceEndsWithItsRope() {
            Stage stage = new Stage(Sample.project(PUFF));
            stage.pull(Sample.landing(9, "thatch", 1));
            Bent bent = stage.retune(Sample.project(PUFF).withRopes(List.of()));
            assertThat(bent.playing()).isZero();
            assertThat(bent.ended().values()).containsExactly(1);
            assertThat(stage.instances()).isZero();
            assertThat(stage.particles()).isZero();
        }

        @Test
        void stepsThatMeanAnotherTimeEndAllThatPlaysAndItIsTold() {
            Stage stage = new Stage(Sample.project(PUFF));
            stage.pull(Sample.landing(9, "thatch", 1));
            stage.pull(Sample.landing(9, "thatch", 2));
            Project now = Sample.project(PUFF);
            Bent bent = stage.retune(now.withSettings(new Settings(new Pace(30), 1, 1, 2000)));
            assertThat(bent.playing()).isZero();
            assertThat(bent.ended().values()).containsExactly(2);
            assertThat(stage.retune(now).ended()).isEmpty();
        }
    }
}
