package org.morphotera.server.reports;

import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** Makes reports apart from the threads that answer requests: two at once, a few that wait, none for long. */
@Component
public class Press implements DisposableBean {

    private static final int AT_ONCE = 2;
    private static final int WAITING = 12;
    private static final long LONGEST_S = 30;

    private final ThreadPoolExecutor threads;
    private final long longestMs;

    Press() {
        this(AT_ONCE, WAITING, TimeUnit.SECONDS.toMillis(LONGEST_S));
    }

    Press(int atOnce, int waiting, long longestMs) {
        this.longestMs = longestMs;
        threads =
                new ThreadPoolExecutor(atOnce, atOnce, 0, TimeUnit.SECONDS, new ArrayBlockingQueue<>(waiting), task -> {
                    Thread thread = new Thread(task, "report");
                    thread.setDaemon(true);
                    thread.setPriority(Thread.MIN_PRIORITY);
                    return thread;
                });
    }

    /**
     * A report as soon as it is made.
     *
     * @return fails with {@link BusyException} when too many wait, or when it takes too long
     */
    public <T> CompletableFuture<T> make(Supplier<T> report) {
        CompletableFuture<T> made = new CompletableFuture<>();
        try {
            threads.execute(() -> {
                // whoever waited has been told that it takes too long
                if (!made.isDone()) {
                    try {
                        made.complete(report.get());
                    } catch (RuntimeException | StackOverflowError e) {
                        made.completeExceptionally(e);
                    }
                }
            });
        } catch (RejectedExecutionException e) {
            return CompletableFuture.failedFuture(new BusyException());
        }
        return made.orTimeout(longestMs, TimeUnit.MILLISECONDS).exceptionally(e -> {
            Throwable why = e instanceof CompletionException && e.getCause() != null ? e.getCause() : e;
            throw why instanceof TimeoutException ? new BusyException() : new CompletionException(why);
        });
    }

    @Override
    public void destroy() {
        threads.shutdown();
    }
}
