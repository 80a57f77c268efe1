package org.morphotera.server.web;

import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;

/** What the container refuses before any of our code is asked: malformed addresses and the like. */
class ProblemValve extends ErrorReportValve {

    @Override
    protected void report(Request request, Response response, Throwable error) {
        int code = response.getStatus();
        if (code < HttpStatus.BAD_REQUEST.value() || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        HttpStatus status = HttpStatus.resolve(code);
        HttpStatus shown = status == null ? HttpStatus.BAD_REQUEST : status;
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        try {
            response.getReporter()
                    .write("{\"title\":\"" + shown.getReasonPhrase() + "\",\"status\":" + code + ",\"detail\":\""
                            + ProblemWriter.detail(shown) + "\"}");
            response.finishResponse();
        } catch (IOException | IllegalStateException e) {
            // whoever asked is gone
        }
    }
}
