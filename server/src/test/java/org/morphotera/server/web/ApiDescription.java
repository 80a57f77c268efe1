package org.morphotera.server.web;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * The API's description, from which the page's types are generated. A part of a record is required unless it is
 * {@code @Nullable}, in answers and in bodies alike.
 */
@Configuration
class ApiDescription {

    private final Map<String, Class<?>> records = new ConcurrentHashMap<>();

    @Bean
    OpenAPI openApi() {
        return new OpenAPI().info(new Info().title("Morphotera").version("1"));
    }

    @Bean
    ModelConverter recordsByName() {
        return (type, context, chain) -> {
            JavaType java = Json.mapper().constructType(type.getType());
            if (java != null && java.getRawClass().isRecord()) {
                Class<?> raw = java.getRawClass();
                io.swagger.v3.oas.annotations.media.Schema named =
                        raw.getAnnotation(io.swagger.v3.oas.annotations.media.Schema.class);
                records.put(named == null ? raw.getSimpleName() : named.name(), raw);
            }
            return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
        };
    }

    /** In alphabetical order and without the address of whoever asks, so that the text is stable. */
    @Bean
    OpenApiCustomizer stableAndStrict() {
        return api -> {
            api.setServers(List.of(new Server().url("/")));
            if (api.getComponents() != null && api.getComponents().getSchemas() != null) {
                api.getComponents().setSchemas(new TreeMap<>(api.getComponents().getSchemas()));
                api.getComponents().getSchemas().forEach((name, schema) -> require(schema, records.get(name)));
            }
        };
    }

    /** The rules that hold at the edge for every text, moment and day. */
    private static void describe(Schema<?> property, RecordComponent component) {
        Sensible sensible = component.getAnnotation(Sensible.class);
        if (sensible != null) {
            property.setDescription(Sensible.Rule.words(sensible.aheadDays()));
        }
        if (component.getType() == String.class && property.getEnum() == null && property.getPattern() == null) {
            property.setPattern(TextRule.PATTERN);
            property.setMaxLength(property.getMaxLength() == null ? TextRule.LONGEST : property.getMaxLength());
        }
    }

    private static void require(Schema<?> schema, Class<?> type) {
        if (type == null) {
            return;
        }
        schema.setRequired(null);
        for (RecordComponent component : type.getRecordComponents()) {
            describe((Schema<?>) schema.getProperties().get(component.getName()), component);
            if (!component.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                schema.addRequiredItem(component.getName());
            }
        }
    }
}
