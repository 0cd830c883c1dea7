package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import bellrope.server.store.DataFile;
import bellrope.server.store.DataFile.Unusable;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class DataFileTest {
    @TempDir
    Path folder;

    private static void sql(Path file, String... statements) throws Exception {
        try (Connection db = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = db.createStatement()) {
            for (String one : statements) {
                statement.execute(one);
            }
        }
    }

    private void refused(Path file, String words) throws Exception {
        byte[] before = Files.isRegularFile(file) ? Files.readAllBytes(file) : new byte[0];
        assertThatThrownBy(() -> DataFile.open(file))
                .isInstanceOf(Unusable.class)
                .hasMessageContaining(words)
                .hasMessageContaining("--data")
                .message()
                .satisfies(m -> assertThat(m.lines()).hasSize(1));
        if (Files.isRegularFile(file)) {
            assertThat(Files.readAllBytes(file)).as("left as it was").isEqualTo(before);
        }
    }

    @Test
    void aSecondServerOnTheSameFileIsRefusedInWords() {
        Path file = folder.resolve("b.db");
        try (RunningServer first = new RunningServer(file)) {
            assertThatThrownBy(() -> new RunningServer(file)).hasStackTraceContaining("is in use by another Bellrope");
            assertThat(first.get("/api/projects").size()).isEqualTo(1);
        }
        try (RunningServer after = new RunningServer(file)) {
            assertThat(after.get("/api/projects").size())
                    .as("let go with the first")
                    .isEqualTo(1);
        }
    }

    @Test
    void whatIsNoDataFileIsLeftAsItIs() throws Exception {
        Path text = folder.resolve("notes.txt");
        Files.writeString(text, "buy thatch\n");
        refused(text, "is no Bellrope data file");
        Files.createDirectory(folder.resolve("folder"));
        refused(folder.resolve("folder"), "is a folder");
        refused(folder.resolve("notes.txt/below/b.db"), "cannot be made");
        Path foreign = folder.resolve("foreign.db");
        sql(foreign, "create table invoices (id integer)");
        refused(foreign, "is a database of another program");
    }

    @Test
    void aNewerOneIsLeftAsItIs() throws Exception {
        Path file = folder.resolve("b.db");
        new RunningServer(file).close();
        sql(
                file,
                "insert into flyway_schema_history select 99, '99', 'x', type, 'V99__x.sql', 1, installed_by, installed_on, 1, 1 from flyway_schema_history where installed_rank = 1",
                "pragma wal_checkpoint(truncate)");
        refused(file, "was written by a newer Bellrope (form 99");
    }

    @Test
    void theNewestFormIsThatOfTheLastMigration() throws Exception {
        Path migrations = Path.of("src/main/resources/db/migration");
        try (var files = Files.list(migrations)) {
            int newest = files.map(f -> f.getFileName().toString().replaceAll("V(\\d+)__.*", "$1"))
                    .mapToInt(Integer::parseInt)
                    .max()
                    .orElseThrow();
            assertThat(DataFile.NEWEST).isEqualTo(newest);
        }
    }

    @Test
    void aBrokenPageIsSaid() throws Exception {
        Path file = folder.resolve("b.db");
        new RunningServer(file).close();
        sql(file, "pragma wal_checkpoint(truncate)");
        try (RandomAccessFile raw = new RandomAccessFile(file.toFile(), "rw")) {
            for (long at = 4096; at < raw.length(); at += 4096) {
                raw.seek(at);
                raw.write(new byte[200]);
            }
        }
        refused(file, "is broken");
    }

    @Test
    void whatMayOnlyBeReadIsSaid() throws Exception {
        Path file = folder.resolve("b.db");
        new RunningServer(file).close();
        assertThat(file.toFile().setWritable(false)).isTrue();
        // Whoever runs as root may write all the same.
        assumeTrue(!Files.isWritable(file));
        refused(file, "may only be read");
    }

    @Test
    void oneUnreadablePartSetsItsProjectAsideAndNoOther() throws Exception {
        Path file = folder.resolve("b.db");
        try (RunningServer server = new RunningServer(file)) {
            assertThat(server.send("POST", "/api/projects", "{\"name\":\"the other\"}")
                            .status())
                    .isEqualTo(201);
        }
        sql(
                file,
                "update part_revision set body = '{\"no\":\"effect\"}' where part_id = (select id from part where name = 'straw puff')",
                "update part_revision set body = 'not even JSON' where part_id = (select id from part where name = 'stone chips')");
        try (RunningServer server = new RunningServer(file)) {
            JsonNode all = server.get("/api/projects");
            assertThat(all.get(0).get("broken").asString())
                    .contains("The effect \"st")
                    .contains("of the project \"Windrow Post\" cannot be read");
            assertThat(all.get(1).has("broken")).isFalse();
            assertThat(server.send("GET", "/api/projects/1", null).status()).isEqualTo(409);
            assertThat(server.send("GET", "/api/projects/2", null).status()).isEqualTo(200);
            assertThat(server.send("GET", "/api/projects/1/contract", null).status())
                    .isEqualTo(409);
            assertThat(server.send("PUT", "/api/parts/5", "{\"basedOn\":1,\"body\":{}}")
                            .status())
                    .isEqualTo(409);
        }
    }

    @Test
    void everyRevisionCanBeReachedBeyondFiveHundredToo() throws Exception {
        Path file = folder.resolve("b.db");
        long part;
        try (RunningServer server = new RunningServer(file)) {
            part = server.part("effect", "straw puff").get("id").asLong();
        }
        sql(
                file,
                "insert into part_revision with recursive n(i) as (select 2 union all select i + 1 from n where i < 1200) "
                        + "select " + part + ", i, (select body from part_revision where part_id = " + part
                        + " and revision = 1), 0, '2026-01-01T00:00:00Z' from n",
                "update part set revision = 1200 where id = " + part);
        try (RunningServer server = new RunningServer(file)) {
            String path = "/api/parts/" + part + "/revisions";
            JsonNode last = server.get(path);
            assertThat(last.size()).isEqualTo(500);
            assertThat(last.get(0).get("revision").asLong()).isEqualTo(1200);
            JsonNode first = server.get(path + "?before=201&most=300");
            assertThat(first.size()).isEqualTo(200);
            assertThat(first.get(199).get("revision").asLong()).isEqualTo(1);
            assertThat(server.send("GET", "/api/parts/" + part + "/changes?before=1&after=1200", null)
                            .status())
                    .isEqualTo(200);
        }
    }
}
