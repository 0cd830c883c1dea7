package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;

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
    private static int streamed(Schedule schedule, int steps) {
        int sum = 0;
        for (int s = 0; s < steps; s++) {
            sum += schedule.streamAfter(s) - schedule.streamBefore(s);
        }
        return sum;
    }

    private static Birth stream(double rate, double from, OptionalDouble lasting) {
        return Sample.burst(0, 1).with(d -> d.stream = Optional.of(new Stream(rate, from, lasting)));
    }

    // Common practice: 50 a second for 0.5 s gives 25 particles.
    @ParameterizedTest
    @CsvSource({"50,0.5,25", "60,1,60", "7,1,7", "240,0.1,24", "1,0.1,1", "3,0.34,2", "1000,0.0105,11"})
    void aStreamGivesItsRateTimesItsTime(double rate, double lasting, int expected) {
        Schedule schedule = new Schedule(stream(rate, 0.25, OptionalDouble.of(lasting)), Course.once(5), Pace.SIXTY);
        assertThat(streamed(schedule, 200)).isEqualTo(expected);
        int last = schedule.lastBirth().orElseThrow();
        assertThat(schedule.streamAfter(last) - schedule.streamBefore(last))
                .as("born on the last")
                .isPositive();
        assertThat(streamed(schedule, last + 1)).isEqualTo(expected);
    }

    @Test
    void aLoopRepeatsItsBurstsAndItsStream() {
        Birth birth = stream(30, 0, OptionalDouble.of(0.5)).with(d -> d.bursts = List.of(new Burst(0.2, 5, 5)));
        Schedule schedule = new Schedule(birth, Course.looping(1), Pace.SIXTY);
        assertThat(schedule.lastBirth()).isEmpty();
        assertThat(streamed(schedule, 180)).isEqualTo(45);
        assertThat(schedule.fires(0, 0, 12)).isTrue();
        assertThat(schedule.fires(0, 0, 72)).isTrue();
        assertThat(schedule.cycle(0, 0, 132)).isEqualTo(2);
        assertThat(schedule.fires(0, 0, 71)).isFalse();
    }

    @Test
    void anEndlessStreamNeverNumbersAParticleTwice() {
        Schedule schedule = new Schedule(stream(40, 0, OptionalDouble.empty()), Course.looping(0.5), Pace.SIXTY);
        assertThat(schedule.streamBefore(600)).isEqualTo(400);
        assertThat(schedule.streamCycle(600)).isZero();
    }

    @Test
    void aRateThatFallsToNothingGivesItsIntegral() {
        // 60 a second over 2 s, falling evenly to 0: 60 in all, a quarter of them in the second half.
        Stream falling = new Stream(60, Curve.through(0, 1, 1, 0), 0, OptionalDouble.empty());
        Schedule schedule =
                new Schedule(Sample.burst(0, 1).with(d -> d.stream = Optional.of(falling)), Course.once(2), Pace.SIXTY);
        assertThat(streamed(schedule, 61)).isEqualTo(45);
        assertThat(streamed(schedule, 200)).isEqualTo(60);
    }

    @Test
    void aBurstComesAgainAfterItsPause() {
        Birth birth = Sample.burst(0, 1).with(d -> {
            d.bursts = List.of(new Burst(0.1, 2, 2, 3, 0.25, 1));
            d.delay = 0.5;
        });
        Schedule schedule = new Schedule(birth, Course.once(2), Pace.SIXTY);
        assertThat(schedule.fires(0, 0, 36)).isTrue();
        assertThat(schedule.fires(0, 1, 51)).isTrue();
        assertThat(schedule.fires(0, 2, 66)).isTrue();
        assertThat(schedule.lastBirth()).hasValue(66);
        assertThat(schedule.cycle(0, 1, 51)).isNotEqualTo(schedule.cycle(0, 0, 36));
    }
}
