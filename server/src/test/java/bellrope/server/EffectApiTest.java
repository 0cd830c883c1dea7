package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.format.sprite.Pictures;
import bellrope.server.RunningServer.Answer;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.Base64;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class EffectApiTest {
    @AutoClose
    private static final RunningServer server = new RunningServer();

    @Test
    void aStillIsAPictureThatChangesWithItsEffectOnly() throws IOException {
        JsonNode part = server.part("effect", "seal ring");
        String path = "/api/projects/1/effects/" + part.get("id").asLong() + "/still";
        byte[] first = server.send("GET", path, null).bytes();
        assertThat(ImageIO.read(new ByteArrayInputStream(first)).getWidth()).isEqualTo(192);
        server.save(
                part,
                part.get("revision").asLong(),
                part.get("body").toString().replace("\"size\":[1.8,2]", "\"size\":[0.4,0.5]"));
        assertThat(server.send("GET", path, null).bytes()).isNotEqualTo(first);
    }

    @Test
    void everyRecipeHasAStillAndCanBeAdded() {
        JsonNode recipes = server.get("/api/recipes");
        assertThat(recipes).hasSizeGreaterThanOrEqualTo(16);
        for (JsonNode recipe : recipes) {
            String name = recipe.get("name").asString();
            assertThat(server.send("GET", "/api/recipes/" + name.replace(" ", "%20") + "/still", null)
                            .status())
                    .as(name)
                    .isEqualTo(200);
        }
        String body = recipes.get(0).get("body").toString();
        assertThat(server.send("POST", "/api/projects/1/parts", "{\"kind\":\"effect\",\"body\":" + body + "}")
                        .status())
                .isEqualTo(201);
        assertThat(server.send("GET", "/api/recipes/none/still", null).status()).isEqualTo(404);
    }

    @Test
    void revisionsAreComparedSettingBySetting() {
        JsonNode part = server.part("effect", "hail shatter");
        long id = part.get("id").asLong();
        server.save(
                part,
                part.get("revision").asLong(),
                part.get("body").toString().replaceFirst("\"spread\":40", "\"spread\":44"));
        JsonNode changes = server.get("/api/parts/" + id + "/changes?before=1&after=2");
        assertThat(changes.get("changes")).hasSize(1);
        assertThat(changes.at("/changes/0/place").asString()).isEqualTo("ice › birth › spread");
        assertThat(changes.at("/changes/0/after").asString()).isEqualTo("44");
        assertThat(server.send("GET", "/api/parts/" + id + "/changes?before=1&after=99", null)
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aSpriteIsBroughtSeenAndExported() {
        int[] white = new int[32 * 16];
        Arrays.fill(white, -1);
        String picture = Base64.getEncoder().encodeToString(Pictures.png(white, 32, 16));
        Answer added = server.send(
                "POST",
                "/api/projects/1/parts",
                "{\"kind\":\"sprite\",\"body\":{\"name\":\"block\",\"picture\":\"" + picture
                        + "\",\"sheet\":{\"columns\":2,\"rows\":1,\"frames\":2,\"order\":\"by rows\",\"perSecond\":8}}}");
        assertThat(added.status()).isEqualTo(201);
        assertThat(added.json().at("/parts/0/body/coverage").asDouble()).isEqualTo(1);
        long id = added.json().at("/parts/0/id").asLong();
        assertThat(server.send("GET", "/api/projects/1/sprites/" + id, null).bytes())
                .startsWith(0x89, 'P', 'N', 'G');
        assertThat(new String(server.send("GET", "/api/projects/1/bundle", null).bytes()))
                .contains("\"name\" : \"block\"")
                .contains(picture);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"default\":1,\"least\":0.25|\"default\":9,\"least\":0.25|a number from 0.25 to 3",
                "\"name\":\"amount\"|\"name\":\"size\"|a name no other parameter here has",
                "\"mode\":\"multiply\"|\"mode\":\"mutliply\"|did you mean multiply?"
            })
    void aWrongParameterIsRefusedAndNothingChanges(String from, String to, String allowed) {
        JsonNode effect = server.part("effect", "straw puff");
        String body = effect.get("body").toString();
        assertThat(body).contains(from);
        Answer refused = server.save(effect, effect.get("revision").asLong(), body.replace(from, to));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().toString()).contains(allowed);
        assertThat(server.part("effect", "straw puff")).isEqualTo(effect);
    }

    @Test
    void aDescriptionOfAMegabyteIsRefusedWithItsLength() {
        JsonNode effect = server.part("effect", "straw puff");
        String body = effect.get("body").toString().replace("How many pieces are thrown.", "x".repeat(1 << 20));
        Answer refused = server.save(effect, effect.get("revision").asLong(), body);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().toString()).contains("1048576 characters", "at most 1000");
    }
}
