package org.morphotera.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.morphotera.core.reading.FaultText;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes problem+json where no controller is in reach: in filters and in security. */
@Component
public class ProblemWriter {

    private final JsonMapper json;

    ProblemWriter(JsonMapper json) {
        this.json = json;
    }

    public void write(HttpServletResponse response, HttpStatus status, String detail) throws IOException {
        write(response, ProblemDetail.forStatusAndDetail(status, detail));
    }

    /** With a code by which a page knows what to ask for next. */
    public void write(HttpServletResponse response, HttpStatus status, String detail, String code) throws IOException {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setProperty("code", code);
        write(response, problem);
    }

    /** With the words that fit the status. */
    void write(HttpServletResponse response, HttpStatus status) throws IOException {
        write(response, status, detail(status));
    }

    /** Input that can't be used, with every fault named. */
    void refuse(HttpServletResponse response, List<FaultText> faults) throws IOException {
        write(response, Problems.unprocessable(faults));
    }

    private void write(HttpServletResponse response, ProblemDetail problem) throws IOException {
        response.setStatus(problem.getStatus());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        String text = json.writeValueAsString(problem);
        try {
            response.getOutputStream().write(text.getBytes(StandardCharsets.UTF_8));
        } catch (IllegalStateException e) {
            // whoever began the answer took the writer
            response.getWriter().write(text);
        }
    }

    static String detail(HttpStatus status) {
        return switch (status) {
            case NOT_FOUND -> "There is nothing at this address.";
            case METHOD_NOT_ALLOWED -> "This can't be done at this address.";
            case INTERNAL_SERVER_ERROR -> "Something went wrong on our side. Try again.";
            default -> "This request can't be understood. Check its address, its head and its body.";
        };
    }
}
