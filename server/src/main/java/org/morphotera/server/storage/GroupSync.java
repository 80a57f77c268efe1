package org.morphotera.server.storage;

/**
 * Lets writes that wait at the same time share one sync of the disk: the first that comes syncs for all that are there,
 * those that come while it does share the next one.
 */
final class GroupSync {

    private long asked;
    private long done;
    private boolean running;

    /**
     * Returns once all that was committed before the call is on the disk.
     *
     * @param sync forces everything committed so far onto the disk; called where no other sync that began after this
     *     call does it
     * @throws RuntimeException what the sync of this caller's group threw; nothing is known to be on the disk then
     */
    void await(Runnable sync) {
        long mine;
        synchronized (this) {
            mine = ++asked;
        }
        while (true) {
            long upTo;
            synchronized (this) {
                while (running && done < mine) {
                    waitQuietly();
                }
                if (done >= mine) {
                    return;
                }
                running = true;
                upTo = asked;
            }
            boolean synced = false;
            try {
                sync.run();
                synced = true;
            } finally {
                synchronized (this) {
                    // those of the group whose sync failed try for themselves, and learn what is wrong
                    done = synced ? Math.max(done, upTo) : done;
                    running = false;
                    notifyAll();
                }
            }
        }
    }

    private void waitQuietly() {
        boolean interrupted = false;
        try {
            wait();
        } catch (InterruptedException e) {
            interrupted = true;
        }
        if (interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while waiting for the disk");
        }
    }
}
