package org.morphotera.server.fields;

import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.util.Arrays;
import java.util.stream.Collectors;
import org.morphotera.core.soil.Coded;

/** The text must be the code of one of an enum's words; absent is allowed. */
@Target({ElementType.FIELD, ElementType.PARAMETER, ElementType.RECORD_COMPONENT})
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = OneOf.Check.class)
public @interface OneOf {

    Class<? extends Coded> value();

    String message() default "is not one of the allowed words";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    /** Looks the text up among the codes. */
    class Check implements ConstraintValidator<OneOf, String> {

        private Coded[] options;

        @Override
        public void initialize(OneOf annotation) {
            options = annotation.value().getEnumConstants();
        }

        @Override
        public boolean isValid(String code, ConstraintValidatorContext context) {
            if (code == null || Coded.find(options, code) != null) {
                return true;
            }
            String codes = Arrays.stream(options).map(Coded::code).collect(Collectors.joining(", "));
            context.disableDefaultConstraintViolation();
            context.buildConstraintViolationWithTemplate("must be one of " + codes)
                    .addConstraintViolation();
            return false;
        }
    }
}
