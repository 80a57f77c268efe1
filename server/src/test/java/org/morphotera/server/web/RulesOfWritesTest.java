package org.morphotera.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.Field;
import java.lang.reflect.RecordComponent;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;
import org.morphotera.server.fields.OneOf;

/** What a client sends has a bound in every entry, and the API's description says it. */
@ExtendWith(RunningApp.class)
class RulesOfWritesTest {

    private static List<Class<?>> writes() {
        List<Class<?>> writes = new ArrayList<>();
        for (JavaClass each : new ClassFileImporter()
                .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                .importPackages("org.morphotera.server")) {
            if (each.isRecord() && each.getSimpleName().matches("Write|StepWrite|StepDone|Stopped|Settings")) {
                writes.add(each.reflect());
            }
        }
        return writes;
    }

    private static boolean bounded(RecordComponent component) throws NoSuchFieldException {
        Field entry = component.getDeclaringRecord().getDeclaredField(component.getName());
        if (entry.getType() == String.class) {
            return entry.getAnnotation(Size.class) != null
                    || entry.getAnnotation(OneOf.class) != null
                    || entry.getAnnotation(Pattern.class) != null;
        }
        if (entry.getType() == Instant.class || entry.getType() == LocalDate.class) {
            return entry.getAnnotation(Sensible.class) != null;
        }
        if (entry.getType() == List.class) {
            AnnotatedParameterizedType type = (AnnotatedParameterizedType) entry.getAnnotatedType();
            return type.getAnnotatedActualTypeArguments()[0].isAnnotationPresent(NotNull.class)
                    && entry.isAnnotationPresent(Size.class);
        }
        return true;
    }

    @Test
    void everyEntryOfEveryWriteIsBounded() throws NoSuchFieldException {
        List<Class<?>> writes = writes();
        assertThat(writes).hasSizeGreaterThanOrEqualTo(13);
        for (Class<?> write : writes) {
            for (RecordComponent entry : write.getRecordComponents()) {
                assertThat(bounded(entry))
                        .as("%s.%s", write.getName(), entry.getName())
                        .isTrue();
            }
        }
    }

    @Test
    @SuppressWarnings("unchecked")
    void theDescriptionSaysTheRules(ApiClient advisor) {
        Map<String, Object> schemas =
                Land.part(Land.part(advisor.get("/api/openapi").json(), "components"), "schemas");
        Map<String, Object> write = Land.part((Map<String, Object>) schemas.get("MeasurementWrite"), "properties");
        assertThat(Land.part(write, "takenAt").get("description").toString()).contains("1990", "400 days ahead");
        assertThat(Land.part(write, "note")).containsEntry("maxLength", 400).containsKey("pattern");
    }
}
