package bellrope.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.Knob;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Flashed;
import bellrope.core.stage.told.Shaken;
import bellrope.core.stage.told.Told;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A game written in Java, as {@code docs/java.md} shows it. */
class FromJavaTest {
    @TempDir
    Path folder;

    private Path bundle() throws IOException {
        return Files.writeString(folder.resolve("windrow.bellrope.json"), Bundle.write(Demo.project()));
    }

    @Test
    void playsWhatTheGameAnnounces() throws IOException {
        Path file = bundle();
        // example begins
        // Load the bundle once. What is wrong with it is told with its place in the file.
        Bundle.Read<Project> read = Bundle.read(Files.readAllBytes(file));
        read.problems().forEach(System.err::println);
        Stage stage = new Stage(read.value().orElseThrow());
        stage.prewarm();

        // Something happens: pull its event. The account says which ropes answered, and why others stayed silent.
        Account landing = stage.pull(new Pull(
                "courier.landed",
                Map.of(
                        "position", new Datum.Vec(new Vec3(12, 0, 0)),
                        "normal", new Datum.Vec(Vec3.UP),
                        "speed", new Datum.Num(9),
                        "surface", new Datum.Word("thatch")),
                1));

        // A span goes on until it ends; a knob turns one parameter of what plays, as often as you like.
        Account reeling = stage.pull(Pull.begin(
                "kite.reeling",
                Map.of("position", new Datum.Vec(new Vec3(12, 2, 0)), "heading", new Datum.Vec(Vec3.RIGHT)),
                2));
        Knob size = stage.knob(reeling, "the kite reels", "size");

        for (int frame = 0; frame < 60; frame++) {
            stage.publish("wind", 4 + frame / 30.0);
            size.set(1 + frame / 60.0);
            stage.advance(1 / 60.0);
            ByteBuffer drawn = stage.frame(frame);
            // … hand it to the renderer: 20 bytes a picture, as docs/format/frames.md says.
        }
        stage.pull(Pull.end("kite.reeling"));

        // Notices are what the game does besides: by name, with the values that they carry.
        for (Told told : stage.told()) {
            System.out.println(told.name() + " " + told.what() + " " + told.values());
        }

        // What the camera and the screen do: units to move by, colours in linear light over screen and edges.
        Shaken camera = stage.shaken();
        Flashed screen = stage.flashed();
        Flashed edges = stage.edged();
        // example ends
        assertThat(read.problems()).isEmpty();
        assertThat(landing.answered()).isEqualTo(1);
        assertThat(((Datum.Num) size.value()).value()).isGreaterThan(1.9);
        assertThat(stage.particles()).isPositive();
        assertThat(camera).isEqualTo(new Shaken(0, 0));
        assertThat(List.of(screen, edges)).containsOnly(Flashed.NONE);
        assertThat(stage.frame(60).remaining()).isGreaterThanOrEqualTo(20 * stage.particles());
    }

    @Test
    void isWhatTheDocumentShows() throws IOException {
        String source = Files.readString(Path.of("src/test/java/bellrope/format/FromJavaTest.java"));
        String example = source.substring(
                        source.indexOf("// example begins\n") + 18, source.indexOf("        // example ends\n"))
                .stripTrailing()
                .stripIndent();
        assertThat(Files.readString(Path.of("../docs/java.md"))).contains(example);
    }

    @Nested
    class AWrongName {
        private final Stage stage = new Stage(Demo.project());
        private final Account reeling = stage.pull(Pull.begin(
                "kite.reeling", Map.of("position", new Datum.Vec(Vec3.ZERO), "heading", new Datum.Vec(Vec3.RIGHT)), 1));

        // Game code says Size, the effect says size: an error with the nearest name, not silence.
        @Test
        void isAnErrorThatNamesTheNearest() {
            assertThatThrownBy(() -> stage.knob(reeling, "the kite reels", "Size"))
                    .hasMessageContaining("did you mean size?");
            assertThatThrownBy(() -> stage.knob(reeling, "the kite reel", "size"))
                    .hasMessageContaining("did you mean the kite reels?");
            assertThatThrownBy(() -> stage.publish("wnd", 1)).hasMessageContaining("did you mean wind?");
            Account account = stage.pull(new Pull("courier.lnded", Map.of(), 1));
            assertThat(account.refused().get(0).allowed()).contains("did you mean courier.landed?");
        }

        @Test
        void isAnErrorForFieldsAndTypesToo() {
            Account account = stage.pull(new Pull(
                    "courier.landed",
                    Map.of(
                            "position", new Datum.Vec(Vec3.ZERO),
                            "normal", new Datum.Num(1),
                            "sped", new Datum.Num(9),
                            "surface", new Datum.Word("glass")),
                    1));
            assertThat(account.refused())
                    .extracting(Object::toString)
                    .containsExactlyInAnyOrder(
                            "/normal: 1: three numbers: x, y, z",
                            "/speed: missing: a number from 0 to 14 u/s",
                            "/surface: glass: thatch, stone, peat or water",
                            "/sped: unknown field: one of position, normal, speed or surface; did you mean speed?");
            assertThatThrownBy(
                            () -> stage.knob(reeling, "the kite reels", "size").set(new Datum.Word("big")))
                    .hasMessage("size: big: a number from 0.25 to 3");
        }
    }
}
