package org.morphotera.server.storage;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.TimeUnit;
import org.springframework.scheduling.concurrent.CustomizableThreadFactory;

/** Background threads that use the database. */
public final class Threads {

    private Threads() {}

    /** Makes threads of a name, which don't keep the program going. */
    public static ThreadFactory named(String name) {
        CustomizableThreadFactory threads = new CustomizableThreadFactory(name + " ");
        threads.setDaemon(true);
        return threads;
    }

    /**
     * Lets what has begun end, for some seconds, and begins nothing more. Never interrupted: an interrupted read closes
     * the data file under everyone else.
     */
    public static void end(ExecutorService threads, int seconds) {
        threads.shutdown();
        try {
            threads.awaitTermination(seconds, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
