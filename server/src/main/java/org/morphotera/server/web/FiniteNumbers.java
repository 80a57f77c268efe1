package org.morphotera.server.web;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.jdk.NumberDeserializers;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * The one rule for numbers that come in: infinite ones, and what is no number at all ({@code 1e400}, {@code "Infinity"},
 * {@code "NaN"}), are refused with the name of their field. No table, no archive and no picture could hold them.
 */
@Configuration
class FiniteNumbers implements WebMvcConfigurer {

    static final String REMEDY = "This is no number that can be kept. Write it in digits, such as 12.5.";

    @Bean
    JsonMapperBuilderCustomizer finiteInBodies() {
        SimpleModule module = new SimpleModule("finite numbers");
        module.addDeserializer(Double.class, new Finite(Double.class, null));
        module.addDeserializer(double.class, new Finite(double.class, 0.0));
        return builder -> builder.addModule(module);
    }

    /** Of addresses and forms. */
    @Override
    public void addFormatters(FormatterRegistry registry) {
        registry.addConverter(String.class, Double.class, text -> text.isBlank() ? null : finite(text));
    }

    private static Double finite(String text) {
        double value = Double.parseDouble(text.strip());
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException(REMEDY);
        }
        return value;
    }

    private static final class Finite extends StdScalarDeserializer<Double> {

        private final NumberDeserializers.DoubleDeserializer any;

        Finite(Class<Double> type, @Nullable Double absent) {
            super(type);
            any = new NumberDeserializers.DoubleDeserializer(type, absent);
        }

        @Override
        public Double deserialize(JsonParser in, DeserializationContext context) {
            Double value = any.deserialize(in, context);
            return value == null || Double.isFinite(value)
                    ? value
                    : (Double) context.handleWeirdNumberValue(handledType(), value, REMEDY);
        }

        @Override
        public Object getNullValue(DeserializationContext context) {
            return any.getNullValue(context);
        }
    }
}
