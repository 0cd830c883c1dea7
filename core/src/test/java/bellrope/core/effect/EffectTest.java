package bellrope.core.effect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.Sample;
import bellrope.core.sim.Schedule;
import bellrope.core.value.Datum;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class EffectTest {
    private static final Effect PUFF = Sample.effect(
            "straw puff",
            Sample.emitter("straws", 1, Sample.burst(20, 0.8), Sample.falling(new Vec3(0, -6, 0), 2)),
            Sample.emitter("dust", 2, Sample.burst(8, 1.2), Sample.still()));

    @Nested
    class AParameter {
        // Common practice: a scale of 1 must give back the authored look; 0.5 half of every authored size.
        @Test
        void atItsDefaultGivesBackTheAuthoredLook() {
            assertThat(PUFF.resolved(Map.of("size", new Datum.Num(1)))).isSameAs(PUFF.emitters());
            assertThat(PUFF.resolved(Map.of("size", new Datum.Num(0.5))))
                    .extracting(e -> e.birth().size())
                    .containsExactly(Range.of(0.1), Range.of(0.1));
        }

        @Test
        void actsOnItsOneEmitterOnly() {
            Binding count = new Binding(Property.COUNT, Binding.Mode.MULTIPLY, Optional.of("dust"));
            Effect effect = new Effect(
                    "e",
                    "",
                    Course.once(1),
                    OptionalLong.empty(),
                    PUFF.emitters(),
                    List.of(new Parameter("amount", 1, 0, 5, "", "", List.of(count))));
            List<Emitter> resolved = effect.resolved(Map.of("amount", new Datum.Num(2.5)));
            assertThat(resolved.get(0)).isSameAs(PUFF.emitters().get(0));
            assertThat(resolved.get(1).birth().bursts()).containsExactly(new Burst(0, 20, 20, 1, 0, 1, 1));
        }

        @ParameterizedTest
        @EnumSource(Property.class)
        void staysInsideWhatThePropertyAllows(Property property) {
            Emitter streamed = PUFF.emitters()
                    .get(0)
                    .withBirth(PUFF.emitters()
                            .get(0)
                            .birth()
                            .with(d -> d.stream = Optional.of(new Stream(5, 0, OptionalDouble.of(1)))));
            for (Binding.Mode mode : Binding.Mode.values()) {
                for (double value : new double[] {-1e9, 0, 1e9}) {
                    assertThat(property.bound(streamed, mode, value)).isNotNull();
                }
            }
        }
    }

    @Test
    void aBurstOfMinusThreeIsRefused() {
        assertThatThrownBy(() -> new Burst(0, -3, 5)).hasMessage("least: -3: a whole number from 0 to 10000");
    }

    @Test
    void aLifetimeOfNothingIsRefused() {
        assertThatThrownBy(() -> Sample.burst(1, 1).with(d -> d.lifetime = Range.ZERO))
                .hasMessage("lifetime/least: 0: a number above 0");
    }

    @Test
    void aOneShotEndsItsStreamsWithItsDuration() {
        Birth endless = Sample.burst(0, 1).with(d -> d.stream = Optional.of(new Stream(5, 0, OptionalDouble.empty())));
        assertThat(new Schedule(endless, Course.once(1.5), Pace.SIXTY).lastBirth())
                .hasValue(84);
        assertThatThrownBy(() -> new Course(false, 1, 0.2, 0))
                .hasMessage("windUp: 0.2: 0 for a one-shot; a loop winds up");
    }

    @Test
    void emittersNeedNamesAndSeedsOfTheirOwn() {
        Emitter e = PUFF.emitters().get(0);
        assertThatThrownBy(() -> Sample.effect("x", e, e)).hasMessageContaining("emitters/1/name");
        Emitter same = new Emitter("other", e.seed(), e.birth(), e.look(), e.life());
        assertThatThrownBy(() -> Sample.effect("x", e, same))
                .hasMessage("emitters/1/seed: 1: a seed of its own; this one belongs to \"straws\"");
    }

    @Test
    void everyCountFromLeastToMostIsPossible() {
        Burst burst = new Burst(0, 2, 4);
        assertThat(burst.count(0.01)).isEqualTo(2);
        assertThat(burst.count(0.5)).isEqualTo(3);
        assertThat(burst.count(0.999999)).isEqualTo(4);
    }
}
