package org.morphotera.server.storage;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.ibatis.cache.CacheKey;
import org.apache.ibatis.executor.Executor;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.plugin.Interceptor;
import org.apache.ibatis.plugin.Intercepts;
import org.apache.ibatis.plugin.Invocation;
import org.apache.ibatis.plugin.Signature;
import org.apache.ibatis.session.ResultHandler;
import org.apache.ibatis.session.RowBounds;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Within one read-only transaction the database is asked the same question once: what a plan, a face or a sheet is made
 * of is asked for by several of its parts.
 */
@Component
@Intercepts(
        @Signature(
                type = Executor.class,
                method = "query",
                args = {MappedStatement.class, Object.class, RowBounds.class, ResultHandler.class}))
class RowsOfOneRead implements Interceptor {

    @Override
    public Object intercept(Invocation call) throws Throwable {
        Object[] given = call.getArgs();
        if (given[3] != null
                || !TransactionSynchronizationManager.isSynchronizationActive()
                || !TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            return call.proceed();
        }
        MappedStatement statement = (MappedStatement) given[0];
        CacheKey key = ((Executor) call.getTarget())
                .createCacheKey(statement, given[1], (RowBounds) given[2], statement.getBoundSql(given[1]));
        Map<CacheKey, List<?>> asked = asked();
        List<?> rows = asked.get(key);
        if (rows == null) {
            rows = Collections.unmodifiableList((List<?>) call.proceed()); // a row of nothing is null
            asked.put(key, rows);
        }
        return rows;
    }

    @SuppressWarnings("unchecked")
    private Map<CacheKey, List<?>> asked() {
        Map<CacheKey, List<?>> asked = (Map<CacheKey, List<?>>) TransactionSynchronizationManager.getResource(this);
        if (asked == null) {
            asked = new HashMap<>();
            TransactionSynchronizationManager.bindResource(this, asked);
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void suspend() {
                    TransactionSynchronizationManager.unbindResource(RowsOfOneRead.this);
                }

                @Override
                public void afterCompletion(int status) {
                    TransactionSynchronizationManager.unbindResourceIfPossible(RowsOfOneRead.this);
                }
            });
        }
        return asked;
    }
}
