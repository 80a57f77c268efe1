package org.morphotera.server.storage;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.NonTransientDataAccessResourceException;
import org.springframework.dao.TransientDataAccessException;
import org.springframework.dao.UncategorizedDataAccessException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Failures of the database that a controller meets. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class StoreProblems {

    private final StoreGuard guard;

    StoreProblems(StoreGuard guard) {
        this.guard = guard;
    }

    @ExceptionHandler({
        DataAccessResourceFailureException.class,
        NonTransientDataAccessResourceException.class,
        TransientDataAccessException.class,
        UncategorizedDataAccessException.class,
        TransactionException.class
    })
    void failed(RuntimeException e, HttpServletResponse response) throws IOException {
        if (!guard.failed(response, e)) {
            throw e;
        }
    }
}
