package bellrope.server;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.JsonNode;

/**
 * The published OpenAPI document: its head, and what no record says. Null never crosses the API but for the properties
 * named here, so all others are required.
 */
@Configuration
class ApiDescription {
    private static final Map<String, Set<String>> MAY_BE_MISSING = Map.ofEntries(
            Map.entry("NumbersReport", Set.of("onset", "release", "hold")),
            Map.entry("Line", Set.of("why", "origin", "facing", "limit", "hold", "held")),
            Map.entry("AccountReport", Set.of("value")),
            Map.entry("Edit", Set.of("part", "kind", "place")),
            Map.entry("ProjectLine", Set.of("broken")),
            Map.entry("TakeHead", Set.of("cut")),
            Map.entry("PreviewHead", Set.of("cut")),
            Map.entry("Rename", Set.of("within", "field")),
            Map.entry("NoticedView", Set.of("rope", "remedy")),
            Map.entry("WiringView", Set.of("slope")),
            Map.entry("BalanceLine", Set.of("outdoes")),
            Map.entry("ResponseView", Set.of("numbers", "silent")),
            Map.entry("TakeRequest", Set.of("rope", "event", "payload", "value", "held", "channels", "drafts")),
            Map.entry(
                    "PreviewRequest",
                    Set.of("rope", "payload", "surface", "side", "velocity", "stopAfter", "set", "drafts")),
            Map.entry("FindingReport", Set.of("remedy", "mended")),
            Map.entry("EmitterReport", Set.of("line", "saturation", "restWithin")),
            Map.entry("EffectReport", Set.of("expectedTotal")),
            Map.entry("ResponsesRequest", Set.of("ropes", "drafts")),
            Map.entry("WiringRequest", Set.of("recorded", "pulled", "drafts")),
            Map.entry("EffectRequest", Set.of("drafts")),
            Map.entry("ContractView", Set.of("against")),
            Map.entry("NewVersion", Set.of("note")),
            Map.entry("FeedsRequest", Set.of("drafts")),
            Map.entry("FittedRequest", Set.of("drafts", "event", "effect", "feed", "field", "channel")),
            Map.entry("FedWish", Set.of("index", "source")),
            Map.entry("FeedsView", Set.of("reach")),
            Map.entry("FeedReport", Set.of("least", "most", "lowest", "highest")),
            Map.entry("ReachReport", Set.of("usualHit", "worst", "fitting")),
            Map.entry("ScaleReport", Set.of("mended")),
            Map.entry("Refusal", Set.of("yours", "theirs")));

    static {
        // Bodies and payloads are described by the bundle's own schema.
        SpringDocUtils.getConfig().replaceWithClass(JsonNode.class, Object.class);
    }

    @Bean
    OpenAPI openApi() {
        return new OpenAPI()
                .info(new Info()
                        .title("Bellrope")
                        .version("1")
                        .description("Projects, takes and responses. Refusals are problem details (RFC 9457)."))
                .servers(List.of(new Server().url("/")));
    }

    @Bean
    OpenApiCustomizer requiredProperties() {
        return api -> api.getComponents().getSchemas().forEach(ApiDescription::require);
    }

    private static void require(String name, Schema<?> schema) {
        if (schema.getProperties() != null) {
            List<String> required = new ArrayList<>(schema.getProperties().keySet());
            required.removeAll(MAY_BE_MISSING.getOrDefault(name, Set.of()));
            schema.setRequired(required);
        }
    }
}
