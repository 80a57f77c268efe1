package org.morphotera.server.storage;

import java.lang.reflect.InvocationHandler;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.Statement;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import javax.sql.DataSource;
import org.aopalliance.intercept.MethodInterceptor;
import org.springframework.aop.framework.ProxyFactory;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** Notes every statement that requests send to the database, but for those of the session itself; a batch is one. */
@Component
@Profile("count-statements")
public class CountedStatements implements BeanPostProcessor {

    private static final List<String> SENT = new CopyOnWriteArrayList<>();

    /** Forgets what was sent so far. */
    public static void begin() {
        SENT.clear();
    }

    /** What was sent since, in order. */
    public static List<String> sent() {
        return List.copyOf(SENT);
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        if (!(bean instanceof DataSource source)) {
            return bean;
        }
        // a subclass, since some ask for the pool itself
        ProxyFactory counting = new ProxyFactory(source);
        counting.setProxyTargetClass(true);
        counting.addAdvice((MethodInterceptor) call -> {
            Object answer = call.proceed();
            return answer instanceof Connection connection ? counted(connection) : answer;
        });
        return counting.getProxy();
    }

    private static Connection counted(Connection connection) {
        return proxy(Connection.class, (self, method, arguments) -> {
            Object made = call(connection, method, arguments);
            if (made instanceof PreparedStatement statement && arguments[0] instanceof String sql) {
                return counted(PreparedStatement.class, statement, sql);
            }
            return made instanceof Statement statement ? counted(Statement.class, statement, null) : made;
        });
    }

    private static <S extends Statement> S counted(Class<S> type, Statement statement, String sql) {
        return proxy(type, (self, method, arguments) -> {
            if (method.getName().startsWith("execute")) {
                note(sql == null && arguments != null ? String.valueOf(arguments[0]) : sql);
            }
            return call(statement, method, arguments);
        });
    }

    private static void note(String sql) {
        boolean ofRequest = Thread.currentThread().getName().contains("-exec-");
        if (ofRequest && sql != null && !sql.toLowerCase(java.util.Locale.ROOT).contains("spring_session")) {
            SENT.add(sql);
        }
    }

    private static Object call(Object target, java.lang.reflect.Method method, Object[] arguments) throws Throwable {
        try {
            return method.invoke(target, arguments);
        } catch (InvocationTargetException e) {
            throw e.getCause();
        }
    }

    private static <T> T proxy(Class<T> type, InvocationHandler handler) {
        return type.cast(Proxy.newProxyInstance(type.getClassLoader(), new Class<?>[] {type}, handler));
    }
}
