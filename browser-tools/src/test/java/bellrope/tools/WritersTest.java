package bellrope.tools;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.format.answer.PreviewHead;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

@DisplayName("The writers of answers")
class WritersTest {
    record Leaf(String name, int[] counts) {}

    record Root(double x, List<List<Leaf>> leaves) {}

    record Unknown(Optional<String> maybe) {}

    @Test
    void setEachComponentAndWhatLiesWithin() {
        String written = Writers.written(List.of(Root.class));
        assertThat(written)
                .contains("Js.put(o, \"x\", Js.value(r.x()));")
                .contains("Js.put(o, \"leaves\", Js.list(r.leaves(), x -> Js.list(x, xx -> of(xx))));")
                .contains("Js.put(o, \"counts\", Js.value(r.counts()));");
    }

    @Test
    void writeARecordOnceHoweverOftenItIsMet() {
        String written = Writers.written(List.of(PreviewHead.class));
        String of = "static JSObject of(bellrope.format.report.NumbersReport r)";
        assertThat(written.indexOf(of)).isPositive().isEqualTo(written.lastIndexOf(of));
    }

    @Test
    void refuseWhatTheyDoNotKnow() {
        assertThatThrownBy(() -> Writers.written(List.of(Unknown.class))).hasMessageContaining("Optional");
    }
}
