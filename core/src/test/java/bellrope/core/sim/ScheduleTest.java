package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Stream;
import bellrope.core.value.Curve;
import bellrope.core.value.Pace;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScheduleTest {
    private static Birth stream(double rate, double from, OptionalDouble lasting) {
        return Sample.burst(0, 1).with(d -> d.stream = Optional.of(new Stream(rate, from, lasting)));
    }

    // Common practice: 50 a second for 0.5 s gives 25 particles. A birth at exactly the end does not count.
    @ParameterizedTest
    @CsvSource({"50,0.5,25", "60,1,60", "7,1,7", "240,0.1,24", "1,0.1,1", "3,0.34,2", "1000,0.0105,11"})
    void aStreamGivesItsRateTimesItsTime(double rate, double lasting, int expected) {
        Schedule schedule = new Schedule(stream(rate, 0.25, OptionalDouble.of(lasting)), Course.once(5), Pace.SIXTY);
        assertThat(schedule.streamed(200)).isEqualTo(expected);
        assertThat(schedule.lastBirth()).hasValue(schedule.streamTime(expected - 1));
        assertThat(schedule.streamTime(expected - 1)).isCloseTo(15 + (expected - 1) * 60 / rate, within(1e-9));
        assertThat(schedule.streamTime(expected - 1)).isLessThan(15 + lasting * 60);
    }

    @Test
    void aBirthAtTheEndOfTheEffectDoesNotCountEither() {
        Schedule schedule = new Schedule(stream(10, 0, OptionalDouble.empty()), Course.once(1), Pace.SIXTY);
        assertThat(schedule.streamed(600)).isEqualTo(10);
        Birth trodden = Sample.burst(0, 1).with(d -> d.perUnit = OptionalDouble.of(1));
        Schedule travelled = new Schedule(trodden, Course.once(1), Pace.SIXTY);
        assertThat(travelled.travels(59.9)).isTrue();
        assertThat(travelled.travels(60)).isFalse();
    }

    @Test
    void aLoopRepeatsItsBurstsAndItsStream() {
        Birth birth = stream(30, 0, OptionalDouble.of(0.5)).with(d -> d.bursts = List.of(new Burst(0.2, 5, 5)));
        Schedule schedule = new Schedule(birth, Course.looping(1), Pace.SIXTY);
        assertThat(schedule.lastBirth()).isEmpty();
        assertThat(schedule.streamed(179)).isEqualTo(45);
        assertThat(schedule.cycles(0, 0, 11)).isZero();
        assertThat(schedule.cycles(0, 0, 12)).isEqualTo(1);
        assertThat(schedule.cycles(0, 0, 71)).isEqualTo(1);
        assertThat(schedule.cycles(0, 0, 72)).isEqualTo(2);
        assertThat(schedule.address(0, 0, 2)).isEqualTo(2);
    }

    // A loop each 0.067 s comes 14.9 times a second, not the 12 of five whole steps.
    @ParameterizedTest
    @CsvSource({"0.067,10,150", "0.0667,10,150", "0.0666,10,151", "0.1,60,600", "0.03,3,100", "0.02,1,50"})
    void aLoopKeepsItsAverageWhateverItsLength(double each, int seconds, int expected) {
        Birth birth = Sample.burst(0, 1).with(d -> d.bursts = List.of(new Burst(0, 1, 1)));
        for (Pace pace : List.of(Pace.SIXTY, new Pace(10), new Pace(240))) {
            Schedule schedule = new Schedule(birth, Course.looping(each), pace);
            int before = seconds * pace.stepsPerSecond() - 1;
            assertThat(schedule.cycles(0, 0, before)).isBetween(expected - (int) Math.ceil(0.1 / each), expected);
        }
        Schedule schedule = new Schedule(birth, Course.looping(each), Pace.SIXTY);
        assertThat(schedule.cycles(0, 0, 100 * 60)).isEqualTo(1 + (int) Math.floor(100 / each + 1e-9));
        assertThat(schedule.burstTime(0, 0, 7)).isCloseTo(7 * each * 60, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"15", "7.3", "59", "61", "400"})
    void everyParticleIsDueOnTheStepAfterItsTime(double rate) {
        for (OptionalDouble lasting : List.of(OptionalDouble.empty(), OptionalDouble.of(0.31))) {
            Schedule schedule = new Schedule(stream(rate, 0.1, lasting), Course.looping(0.7), Pace.SIXTY);
            for (int step = 0; step < 300; step++) {
                for (long n = step == 0 ? 0 : schedule.streamed(step - 1); n < schedule.streamed(step); n++) {
                    assertThat(schedule.streamTime(n))
                            .as("step %s, particle %s", step, n)
                            .isBetween(step - 1.0, step + 1e-6);
                }
            }
        }
    }

    @Test
    void anEndlessStreamNeverNumbersAParticleTwice() {
        Schedule schedule = new Schedule(stream(40, 0, OptionalDouble.empty()), Course.looping(0.5), Pace.SIXTY);
        assertThat(schedule.streamed(599)).isEqualTo(400);
        assertThat(schedule.streamCycle(399)).isZero();
        assertThat(schedule.streamNumber(399)).isEqualTo(399);
    }

    @Test
    void aRateThatFallsToNothingGivesItsIntegral() {
        // 60 a second over 2 s, falling evenly to 0: 60 in all, a quarter of them in the second half.
        Stream falling = new Stream(60, Curve.through(0, 1, 1, 0), 0, OptionalDouble.empty());
        Schedule schedule =
                new Schedule(Sample.burst(0, 1).with(d -> d.stream = Optional.of(falling)), Course.once(2), Pace.SIXTY);
        assertThat(schedule.streamed(60)).isEqualTo(45);
        assertThat(schedule.streamed(200)).isEqualTo(60);
        // n + 1/2 = 60 t - 15 t^2, solved for t.
        for (int n : new int[] {0, 10, 44, 59}) {
            double t = 2 - Math.sqrt(4 - (n + 0.5) / 15);
            assertThat(schedule.streamTime(n)).isCloseTo(t * 60, within(0.02));
        }
    }

    @Test
    void aBurstComesAgainAfterItsPause() {
        Birth birth = Sample.burst(0, 1).with(d -> {
            d.bursts = List.of(new Burst(0.1, 2, 2, 3, 0.25, 1));
            d.delay = 0.5;
        });
        Schedule schedule = new Schedule(birth, Course.once(2), Pace.SIXTY);
        assertThat(schedule.cycles(0, 0, 35)).isZero();
        assertThat(schedule.cycles(0, 0, 36)).isEqualTo(1);
        assertThat(schedule.cycles(0, 0, 400)).isEqualTo(1);
        assertThat(schedule.burstTime(0, 1, 0)).isCloseTo(51, within(1e-9));
        assertThat(schedule.lastBirth().orElseThrow()).isCloseTo(66, within(1e-9));
        assertThat(schedule.address(0, 1, 0)).isNotEqualTo(schedule.address(0, 0, 0));
    }
}
