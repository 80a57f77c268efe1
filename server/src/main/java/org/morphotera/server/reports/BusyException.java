package org.morphotera.server.reports;

import org.springframework.http.HttpStatus;
import org.springframework.web.ErrorResponseException;

/** Too many reports are asked for at once. */
class BusyException extends ErrorResponseException {

    private static final long serialVersionUID = 1L;

    BusyException() {
        super(HttpStatus.SERVICE_UNAVAILABLE);
        setDetail("Too many reports are being made. Ask again in half a minute.");
        getHeaders().set("Retry-After", "30");
    }
}
