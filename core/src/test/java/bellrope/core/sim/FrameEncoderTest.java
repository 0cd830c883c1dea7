package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.stage.Stage;
import java.nio.ByteBuffer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FrameEncoderTest {
    // IEEE 754-2008 binary16, bit patterns as in its examples.
    @ParameterizedTest
    @CsvSource({"1,3C00", "0.5,3800", "2,4000", "0.333251953125,3555", "65504,7BFF", "1000,63D0", "0,0000"})
    void sizesAreHalfFloats(float value, String bits) {
        assertThat(FrameEncoder.half(value)).isEqualTo(Integer.parseInt(bits, 16));
    }

    @Test
    void aFrameSaysWhatIsOnTheStage() {
        Stage stage = new Stage(Sample.project(
                Sample.effect("straw puff", Sample.emitter("straws", 1, Sample.burst(3, 1), Sample.still()))));
        stage.pull(Sample.landing(14, "thatch", 1));
        for (int i = 0; i < 30; i++) {
            stage.step();
        }
        ByteBuffer frame = stage.frame(17);
        assertThat(frame.remaining()).isEqualTo(FrameEncoder.HEADER + 3 * FrameEncoder.STRIDE);
        assertThat(frame.getInt(0)).isEqualTo(FrameEncoder.MAGIC);
        assertThat(frame.getInt(8)).as("step").isEqualTo(30);
        assertThat(frame.getInt(12)).as("count").isEqualTo(3);
        assertThat(frame.getInt(16)).as("instances").isEqualTo(1);
        assertThat(frame.getInt(20)).as("sequence").isEqualTo(17);
        assertThat(frame.getFloat(24)).as("x").isEqualTo(12);
        assertThat(frame.getFloat(28)).as("y: 4 u/s for half a second").isCloseTo(2, within(1e-5f));
        // 3 particles × opacity 1 × (0.2 u × 1.8)² × white × coverage 0.5
        assertThat(frame.getFloat(48)).as("presence").isCloseTo(0.1944f, within(1e-5f));
        assertThat(frame.getInt(64 + 16)).as("white, opaque").isEqualTo(-1);
    }
}
