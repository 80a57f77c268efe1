package org.morphotera.server.web;

import java.util.List;
import java.util.stream.Collectors;
import org.morphotera.core.reading.FaultText;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.InvalidFormatException;

/** The one place where errors become problem+json. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail refused(RefusedException e) {
        return unprocessable(e.faults());
    }

    @ExceptionHandler
    ProblemDetail notFound(NotFoundException e) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, e.getMessage());
        problem.setProperty("missing", e.what());
        return problem;
    }

    @ExceptionHandler
    ProblemDetail stale(StaleException e) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, e.getMessage());
        problem.setProperty("yours", e.yours());
        problem.setProperty("current", e.current());
        return problem;
    }

    @ExceptionHandler
    ProblemDetail taken(DuplicateKeyException e) {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.CONFLICT, "This id is taken, or was written a moment ago. Read it again, or make a new id.");
    }

    /** Something the tables can't hold, which no rule at the edge named: too long, too large, or missing. */
    @ExceptionHandler
    ProblemDetail unstorable(DataIntegrityViolationException e) {
        LOG.warn("request {} can't be stored: {}", RequestLog.currentId(), e.getMessage());
        return unprocessable(
                List.of(new FaultText("", "UNSTORABLE", "A value is too long, too large or missing. Shorten it.")));
    }

    @ExceptionHandler
    ProblemDetail unexpected(Exception e) {
        String id = RequestLog.currentId();
        LOG.error("request {} failed", id, e);
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong on our side. Try again; if it stays, report the number " + id + ".");
        problem.setProperty("requestId", id);
        return problem;
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<FaultText> faults = e.getBindingResult().getFieldErrors().stream()
                .map(error -> new FaultText(error.getField(), "INVALID", sentence(error.getDefaultMessage())))
                .toList();
        return handleExceptionInternal(e, unprocessable(faults), headers, HttpStatus.UNPROCESSABLE_CONTENT, request);
    }

    @Override
    protected ResponseEntity<Object> handleHandlerMethodValidationException(
            HandlerMethodValidationException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<FaultText> faults = e.getParameterValidationResults().stream()
                .flatMap(result -> result.getResolvableErrors().stream()
                        .map(error -> new FaultText(
                                result.getMethodParameter().getParameterName(),
                                "INVALID",
                                sentence(error.getDefaultMessage()))))
                .toList();
        return handleExceptionInternal(e, unprocessable(faults), headers, HttpStatus.UNPROCESSABLE_CONTENT, request);
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (e.getCause() instanceof DatabindException mismatch) {
            String path = mismatch.getPath().stream()
                    .map(step -> step.getPropertyName() == null ? "[" + step.getIndex() + "]" : step.getPropertyName())
                    .collect(Collectors.joining("."))
                    .replace(".[", "[");
            boolean number = mismatch instanceof InvalidFormatException
                    && mismatch.getMessage().contains(FiniteNumbers.REMEDY);
            FaultText fault = number
                    ? new FaultText(path, "NUMBER", FiniteNumbers.REMEDY)
                    : new FaultText(path, "TYPE", "This can't be read. Check its name and the form of its value.");
            return handleExceptionInternal(
                    e, unprocessable(List.of(fault)), headers, HttpStatus.UNPROCESSABLE_CONTENT, request);
        }
        return handleExceptionInternal(e, notJson(e.getCause()), headers, HttpStatus.BAD_REQUEST, request);
    }

    @ExceptionHandler
    ProblemDetail notJson(JacksonException e) {
        return notJson((Throwable) e);
    }

    private static ProblemDetail notJson(Throwable cause) {
        String where = cause instanceof JacksonException json && json.getLocation() != null
                ? " The trouble begins at line " + json.getLocation().getLineNr() + ", column "
                        + json.getLocation().getColumnNr() + "."
                : "";
        return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, "The body must be JSON." + where);
    }

    static ProblemDetail unprocessable(List<FaultText> faults) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                HttpStatus.UNPROCESSABLE_CONTENT,
                "Nothing was stored. Correct what is named in errors and send again.");
        problem.setProperty("errors", faults);
        return problem;
    }

    private static String sentence(String message) {
        String text = message == null || message.isBlank() ? "is not allowed" : message;
        return Character.toUpperCase(text.charAt(0)) + text.substring(1) + (text.endsWith(".") ? "" : ".");
    }
}
