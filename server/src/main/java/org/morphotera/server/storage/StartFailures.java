package org.morphotera.server.storage;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says why the data can't be opened without a trace of the program. */
class StartFailures extends AbstractFailureAnalyzer<StorageException> {

    @Override
    protected FailureAnalysis analyze(Throwable failure, StorageException cause) {
        return new FailureAnalysis(cause.getMessage(), cause.remedy(), cause);
    }
}
