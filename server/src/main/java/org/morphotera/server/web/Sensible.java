package org.morphotera.server.web;

import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;

/** A moment or a day that can be meant: from 1990 to so many days ahead; absent is allowed. */
@Target({ElementType.FIELD, ElementType.PARAMETER, ElementType.RECORD_COMPONENT})
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = {Sensible.OfInstant.class, Sensible.OfDay.class})
public @interface Sensible {

    /** For what is planned. */
    int YEARS_AHEAD = 36_525;

    LocalDate FIRST = LocalDate.of(1990, 1, 1);

    int aheadDays() default 1;

    String message() default "lies too far off";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    /** What both checks share. */
    final class Rule {

        private Rule() {}

        /** In words, for the API's description and for whoever broke it. */
        static String words(int aheadDays) {
            String ahead = aheadDays == 1 ? "a day" : aheadDays < YEARS_AHEAD ? aheadDays + " days" : "a hundred years";
            return "from " + FIRST + " to " + ahead + " ahead";
        }

        private static boolean refuse(ConstraintValidatorContext context, int days) {
            context.disableDefaultConstraintViolation();
            context.buildConstraintViolationWithTemplate("must lie " + words(days))
                    .addConstraintViolation();
            return false;
        }
    }

    /** For moments. */
    class OfInstant implements ConstraintValidator<Sensible, Instant> {

        private final Clock clock;
        private int days;

        public OfInstant(Clock clock) {
            this.clock = clock;
        }

        @Override
        public void initialize(Sensible rule) {
            days = rule.aheadDays();
        }

        @Override
        public boolean isValid(Instant moment, ConstraintValidatorContext context) {
            boolean fits = moment == null
                    || !moment.isBefore(FIRST.atStartOfDay(ZoneOffset.UTC).toInstant())
                            && !moment.isAfter(clock.instant().plusSeconds(86_400L * days));
            return fits || Rule.refuse(context, days);
        }
    }

    /** For days, wherever on the globe they are counted. */
    class OfDay implements ConstraintValidator<Sensible, LocalDate> {

        private final Clock clock;
        private int days;

        public OfDay(Clock clock) {
            this.clock = clock;
        }

        @Override
        public void initialize(Sensible rule) {
            days = rule.aheadDays();
        }

        @Override
        public boolean isValid(LocalDate day, ConstraintValidatorContext context) {
            boolean fits = day == null
                    || !day.isBefore(FIRST)
                            && !day.isAfter(LocalDate.now(clock.withZone(ZoneOffset.UTC))
                                    .plusDays(days));
            return fits || Rule.refuse(context, days);
        }
    }
}
