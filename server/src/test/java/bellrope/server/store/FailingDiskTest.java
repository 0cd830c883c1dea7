package bellrope.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.mockito.AdditionalAnswers;
import org.sqlite.SQLiteDataSource;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/** A data source that fails half-way through a save: nothing of it stays, in the file or in memory. */
class FailingDiskTest {
    @TempDir
    Path folder;

    private SQLiteDataSource sound;
    private final AtomicInteger writesLeft = new AtomicInteger(Integer.MAX_VALUE);
    private SQLException failure;
    private ProjectStore store;
    private long project;

    @BeforeEach
    void prepare() throws SQLException {
        sound = new SQLiteDataSource();
        sound.setUrl("jdbc:sqlite:" + folder.resolve("b.db"));
        sound.setEnforceForeignKeys(true);
        Flyway.configure().dataSource(sound).load().migrate();
        DataSource failing = mock(DataSource.class);
        when(failing.getConnection()).thenAnswer(call -> failing(sound.getConnection()));
        store = new ProjectStore(failing);
        project = store.create("Windrow Post").id();
        store.fill(project, Demo.project());
    }

    // A connection like the real one, of which a statement that writes fails once so many have succeeded.
    private Connection failing(Connection real) throws SQLException {
        Connection connection = mock(Connection.class, AdditionalAnswers.delegatesTo(real));
        doAnswer(call -> {
                    String sql = call.getArgument(0);
                    PreparedStatement statement = real.prepareStatement(sql);
                    boolean writes = !sql.startsWith("select");
                    if (writes && writesLeft.getAndDecrement() <= 0) {
                        statement.close();
                        throw failure;
                    }
                    return statement;
                })
                .when(connection)
                .prepareStatement(anyString());
        return connection;
    }

    private Snapshot.Part part(String name) {
        return store.get(project).parts(Kind.EFFECT).stream()
                .filter(p -> p.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(
            value = SQLiteErrorCode.class,
            names = {
                "SQLITE_FULL",
                "SQLITE_READONLY",
                "SQLITE_IOERR_WRITE",
                "SQLITE_CORRUPT",
                "SQLITE_BUSY",
                "SQLITE_CANTOPEN"
            })
    void aSaveThatTheDiskDoesNotTakeIsSaidAndUndone(SQLiteErrorCode code) {
        failure = new SQLiteException("made to fail", code);
        Snapshot before = store.get(project);
        Snapshot.Part puff = part("straw puff");
        var body = JsonText.parse(JsonText.compact(puff.body()).replace("\"drag\":", "\"drag\":1"))
                .node();
        for (int writes = 0; writes < 3; writes++) {
            writesLeft.set(writes);
            assertThatThrownBy(() -> store.save(puff.id(), puff.revision(), body))
                    .isInstanceOfSatisfying(Refusal.class, r -> {
                        assertThat(r.why()).isEqualTo(Refusal.Why.NOT_KEPT);
                        assertThat(r.getMessage())
                                .startsWith("Nothing was saved: ")
                                .endsWith(".");
                    });
            assertThat(store.get(project)).as("in memory").isSameAs(before);
            assertThat(new ProjectStore(sound).get(project).parts())
                    .as("in the file")
                    .usingElementComparatorIgnoringFields("value")
                    .isEqualTo(before.parts());
        }
        writesLeft.set(Integer.MAX_VALUE);
        assertThat(store.save(puff.id(), puff.revision(), body).parts().get(0).revision())
                .as("saved when there is room again")
                .isEqualTo(puff.revision() + 1);
    }

    @Test
    void ofSeveralChangesNoneIsLeftBehind() {
        failure = new SQLiteException("made to fail", SQLiteErrorCode.SQLITE_FULL);
        Snapshot before = store.get(project);
        List<ProjectStore.Edit> edits = before.parts(Kind.EFFECT).stream()
                .map(p -> new ProjectStore.Edit(
                        p.id(),
                        null,
                        p.revision(),
                        JsonText.parse(JsonText.compact(p.body())
                                        .replaceFirst("\"description\":\"", "\"description\":\"More. "))
                                .node(),
                        null))
                .toList();
        writesLeft.set(25);
        assertThatThrownBy(() -> store.change(project, edits)).hasMessageContaining("the disk is full");
        assertThat(new ProjectStore(sound).get(project).change()).isEqualTo(before.change());
        assertThat(new ProjectStore(sound).get(project).parts())
                .extracting(Snapshot.Part::revision)
                .containsOnly(1L);
    }

    @Test
    void namesMayBeExchangedAndTakenOver() {
        Snapshot.Part a = part("seal ring");
        Snapshot.Part b = part("mill chaff");
        String asB = JsonText.compact(a.body()).replaceFirst("\"seal ring\"", "\"mill chaff\"");
        String asA = JsonText.compact(b.body()).replaceFirst("\"mill chaff\"", "\"seal ring\"");
        store.change(
                project,
                List.of(
                        new ProjectStore.Edit(
                                a.id(), null, a.revision(), JsonText.parse(asB).node(), null),
                        new ProjectStore.Edit(
                                b.id(), null, b.revision(), JsonText.parse(asA).node(), null)));
        assertThat(part("seal ring").id()).isEqualTo(b.id());
        assertThat(part("mill chaff").id()).isEqualTo(a.id());
        // One goes and another takes its name, in one change.
        Snapshot.Part gone = part("seal ring");
        store.change(
                project,
                List.of(
                        new ProjectStore.Edit(null, Kind.EFFECT, 0, gone.body(), null),
                        new ProjectStore.Edit(gone.id(), null, gone.revision(), null, null)));
        assertThat(part("seal ring").id()).isNotEqualTo(gone.id());
        assertThat(new ProjectStore(sound).get(project).parts(Kind.EFFECT))
                .hasSameSizeAs(store.get(project).parts(Kind.EFFECT));
    }
}
