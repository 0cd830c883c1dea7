package bellrope.server;

import bellrope.format.answer.FeedsView;
import bellrope.format.answer.FitWish;
import bellrope.format.answer.FittedView;
import bellrope.format.answer.GameReply;
import bellrope.format.answer.PreviewHead;
import bellrope.format.answer.PreviewWish;
import bellrope.format.answer.Progress;
import bellrope.format.answer.Pulled;
import bellrope.format.answer.Recorded;
import bellrope.format.answer.RehearsalView;
import bellrope.format.answer.ResponseView;
import bellrope.format.answer.SizedView;
import bellrope.format.answer.StageReply;
import bellrope.format.answer.TakeHead;
import bellrope.format.answer.TakeWish;
import bellrope.format.answer.TraceView;
import bellrope.format.answer.WiringView;
import bellrope.format.json.JsonValue;
import bellrope.format.report.ParameterReport;
import bellrope.server.store.ProjectStore;
import bellrope.server.view.Views;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.JsonNode;

/**
 * The published OpenAPI document: its head, and what may be missing. Null never crosses the API but for components that are
 * {@link Nullable}, so all others are required.
 */
@Configuration
class ApiDescription {
    /**
     * What no request names, though the page's types come from here: what any request can be refused with, what the core
     * answers in the page, and what it is asked there.
     */
    private static final List<Class<?>> UNNAMED = List.of(
            Views.Refusal.class,
            ParameterReport.class,
            PreviewWish.class,
            PreviewHead.class,
            TakeWish.class,
            TakeHead.class,
            ResponseView.class,
            FeedsView.class,
            FitWish.class,
            FittedView.class,
            WiringView.class,
            Recorded.class,
            Pulled.class,
            StageReply.class,
            RehearsalView.class,
            Progress.class,
            SizedView.class,
            TraceView.class,
            GameReply.class);

    /** Where the records of the API lie; those within them are found from there. */
    private static final List<Class<?>> ROOTS = List.of(Views.class, ProjectStore.class);

    private static final Map<String, Set<String>> MAY_BE_MISSING = new HashMap<>();

    static {
        // Bodies and payloads are described by the bundle's own schema.
        SpringDocUtils.getConfig().replaceWithClass(JsonNode.class, Object.class);
        SpringDocUtils.getConfig().replaceWithClass(JsonValue.class, Object.class);
        Set<Class<?>> seen = new HashSet<>();
        UNNAMED.forEach(record -> look(record, seen));
        for (Class<?> root : ROOTS) {
            look(root, seen);
            for (Class<?> inner : root.getDeclaredClasses()) {
                look(inner, seen);
            }
        }
    }

    // Notes what of a record may be null, and looks at the records in it.
    private static void look(Type type, Set<Class<?>> seen) {
        if (type instanceof ParameterizedType generic) {
            for (Type argument : generic.getActualTypeArguments()) {
                look(argument, seen);
            }
        } else if (type instanceof Class<?> record && record.isArray()) {
            look(record.getComponentType(), seen);
        } else if (type instanceof Class<?> record && record.isRecord() && seen.add(record)) {
            Set<String> missing = new HashSet<>();
            for (RecordComponent component : record.getRecordComponents()) {
                if (component.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                    missing.add(component.getName());
                }
                look(component.getGenericType(), seen);
            }
            MAY_BE_MISSING.put(record.getSimpleName(), missing);
        }
    }

    @Bean
    OpenAPI openApi() {
        return new OpenAPI()
                .info(
                        new Info()
                                .title("Bellrope")
                                .version("1")
                                .description(
                                        "Projects and their parts, kept and checked; refusals are problem details (RFC 9457)."
                                                + " The schemas that no request has are those of the core, which computes in the page."))
                .servers(List.of(new Server().url("/")));
    }

    @Bean
    OpenApiCustomizer requiredProperties() {
        return api -> {
            Components components = api.getComponents();
            UNNAMED.forEach(
                    record -> ModelConverters.getInstance(true).readAll(record).forEach(components::addSchemas));
            components.getSchemas().forEach(ApiDescription::require);
        };
    }

    private static void require(String name, Schema<?> schema) {
        if (schema.getProperties() != null) {
            List<String> required = new ArrayList<>(schema.getProperties().keySet());
            required.removeAll(MAY_BE_MISSING.getOrDefault(name, Set.of()));
            schema.setRequired(required);
        }
    }
}
