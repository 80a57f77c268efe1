package org.morphotera.server.storage;

import java.io.Serial;
import java.sql.Connection;
import java.util.function.Consumer;
import javax.sql.DataSource;
import org.springframework.jdbc.datasource.JdbcTransactionObjectSupport;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.support.DefaultTransactionStatus;

/** Transactions whose commit returns once what they wrote is on the disk. Those that only read do not wait. */
class SyncedTransactions extends JdbcTransactionManager {

    @Serial
    private static final long serialVersionUID = 1L;

    private final transient GroupSync group = new GroupSync();
    private final transient Consumer<Connection> sync;

    /** @param sync forces everything committed so far onto the disk, over a connection that is at hand */
    SyncedTransactions(DataSource source, Consumer<Connection> sync) {
        super(source);
        this.sync = sync;
    }

    @Override
    protected void doCommit(DefaultTransactionStatus status) {
        super.doCommit(status);
        if (!status.isReadOnly()) {
            // over the transaction's own connection: all others may be waiting here too
            Connection connection = ((JdbcTransactionObjectSupport) status.getTransaction())
                    .getConnectionHolder()
                    .getConnection();
            group.await(() -> sync.accept(connection));
        }
    }
}
