package bellrope.server.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyDouble;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.spy;

import bellrope.core.project.Project;
import bellrope.core.stage.Stage;
import bellrope.format.json.Demo;
import bellrope.server.store.Snapshot;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.function.Function;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One reader's stage, with sockets and stages that fail on purpose. */
class LiveStageTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String LANDING =
            "{\"do\":\"pull\",\"event\":\"courier.landed\",\"seed\":1,\"payload\":{\"position\":[0,0,0],\"normal\":[0,1,0],\"speed\":9,\"surface\":\"thatch\"}}";

    private final List<String> texts = new ArrayList<>();
    private final List<byte[]> frames = new ArrayList<>();
    private final Deque<Stage> made = new ArrayDeque<>();
    private Outlet outlet;

    @BeforeEach
    void listen() {
        outlet = mock(Outlet.class);
        doAnswer(call -> texts.add(call.getArgument(0))).when(outlet).text(any());
        doAnswer(call -> frames.add(call.getArgument(0))).when(outlet).frame(any());
    }

    private LiveStage live(Function<Project, Stage> stages) {
        Snapshot snapshot = new Snapshot(1, "Windrow Post", 1, List.of());
        return new LiveStage(outlet, JSON, "r", snapshot, stages);
    }

    // Plays the demo, whatever the snapshot holds; every stage made is a spy.
    private Stage demo(Project ignored) {
        Stage stage = spy(new Stage(Demo.project()));
        made.addLast(stage);
        return stage;
    }

    private static JsonNode message(String text) {
        return JSON.readTree(text);
    }

    private long told(String is) {
        return texts.stream().filter(t -> t.contains("\"is\":\"" + is + "\"")).count();
    }

    @Test
    void aReaderThatNeverAcknowledgesGetsTwoFramesWhateverIsPulled() {
        LiveStage live = live(this::demo);
        for (int i = 0; i < 50; i++) {
            live.receive(message(LANDING));
            live.tick();
        }
        assertThat(frames).hasSize(2);
        assertThat(told("account")).isEqualTo(50);
        live.receive(message("{\"do\":\"seen\",\"sequence\":2}"));
        assertThat(frames).as("what it was owed").hasSize(3);
    }

    @Test
    void acknowledgingWhatWasNeverSentOpensNothing() {
        LiveStage live = live(this::demo);
        live.receive(message("{\"do\":\"seen\",\"sequence\":1000000}"));
        for (int i = 0; i < 20; i++) {
            live.receive(message(LANDING));
        }
        assertThat(frames).hasSize(2);
    }

    @ParameterizedTest
    @ValueSource(strings = {"recursion", "memory", "mistake"})
    void aStageThatFailsSaysSoOnceAndCanBeStartedAgain(String how) {
        LiveStage live = live(this::demo);
        live.receive(message(LANDING));
        Throwable failure = switch (how) {
            case "recursion" -> new StackOverflowError();
            case "memory" -> new OutOfMemoryError("Java heap space");
            default -> new IllegalStateException("a slot too many");
        };
        doThrow(failure).when(made.getFirst()).advance(anyDouble());
        for (int i = 0; i < 5; i++) {
            live.tick();
            live.receive(message(LANDING));
        }
        assertThat(told("failed")).isEqualTo(1);
        assertThat(texts.get(texts.size() - 1)).contains("The stage stopped: ");
        int before = frames.size();
        live.receive(message("{\"do\":\"restart\"}"));
        assertThat(made).hasSize(2);
        assertThat(told("ready")).isEqualTo(1);
        live.receive(message("{\"do\":\"seen\",\"sequence\":" + before + "}"));
        live.receive(message(LANDING));
        assertThat(frames.size()).isGreaterThan(before);
        assertThat(live.accounts("", 10)).isNotEmpty();
    }

    @Test
    void aStageThatFailedIsStartedAgainByTheNextChange() {
        LiveStage live = live(this::demo);
        doThrow(new IllegalStateException("broken")).when(made.getFirst()).pull(any());
        live.receive(message(LANDING));
        assertThat(told("failed")).isEqualTo(1);
        live.changes(new Snapshot(1, "Windrow Post", 2, List.of()));
        live.retune();
        assertThat(told("ready")).isEqualTo(1);
    }

    @Test
    void anOlderChangeNeverReplacesANewerOne() {
        List<Long> taken = new ArrayList<>();
        LiveStage live = live(p -> {
            Stage stage = mock(Stage.class);
            doAnswer(call -> taken.add(((Project) call.getArgument(0)).name().length() + 0L))
                    .when(stage)
                    .retune(any());
            doAnswer(call -> true).when(stage).still();
            return stage;
        });
        live.changes(new Snapshot(1, "four", 4, List.of()));
        live.changes(new Snapshot(1, "third", 3, List.of()));
        live.retune();
        live.retune();
        assertThat(taken).containsExactly(4L);
    }

    @Test
    void aFailureWhileDrawingIsAFailureOfTheStageAlone() {
        LiveStage broken = live(this::demo);
        LiveStage sound = live(this::demo);
        doThrow(new ArrayIndexOutOfBoundsException(7)).when(made.getFirst()).frame(anyInt());
        broken.receive(message(LANDING));
        sound.receive(message(LANDING));
        assertThat(told("failed")).isEqualTo(1);
        assertThat(frames).hasSize(1);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"do\":\"seen\",\"sequence\":1e400}",
                "{\"do\":\"seen\",\"sequence\":99999999999999999999999999}",
                "{\"do\":\"publish\",\"channel\":\"wind\",\"value\":\"NaN\"}",
                "{\"do\":\"publish\",\"channel\":\"wind\"}",
                "{\"do\":\"publish\",\"channel\":\"gale\",\"value\":1}",
                "{\"do\":\"move\",\"subject\":\"kite\",\"position\":[1e300,0,0]}",
                "{\"do\":\"move\",\"subject\":\"\",\"position\":[0,0,0]}",
                "{\"do\":\"camera\"}",
                "{\"do\":\"draft\",\"parts\":[{\"part\":99999999999999999999999999,\"body\":{}}]}",
                "{\"do\":\"draft\",\"parts\":[null]}",
                "{\"do\":\"pull\",\"event\":\"courier.landed\",\"seed\":1e99,\"payload\":{}}",
                "{\"do\":\"pull\"}",
                "{}",
                "[]",
                "7",
                "null"
            })
    void whatIsWrongIsRefusedAndTheStageGoesOn(String text) {
        LiveStage live = live(this::demo);
        live.receive(message(text));
        assertThat(told("failed")).isZero();
        live.receive(message(LANDING));
        assertThat(told("account")).isPositive();
        assertThat(frames).hasSize(1);
    }
}
