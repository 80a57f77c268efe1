package org.morphotera.server.storage;

import java.util.concurrent.ThreadLocalRandom;
import org.aopalliance.intercept.MethodInterceptor;
import org.aopalliance.intercept.MethodInvocation;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.aop.Advisor;
import org.springframework.aop.ProxyMethodInvocation;
import org.springframework.aop.support.DefaultPointcutAdvisor;
import org.springframework.aop.support.annotation.AnnotationMatchingPointcut;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Role;
import org.springframework.core.Ordered;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Does a transaction again where the database asks for it: two that wait for each other, or that can't both be kept
 * (SQLSTATE 40001, 40P01, 55P03). Nothing of the first try is left.
 */
@Configuration(proxyBeanMethods = false)
@Role(BeanDefinition.ROLE_INFRASTRUCTURE)
class Retries {

    private static final Logger LOG = LoggerFactory.getLogger(Retries.class);
    private static final int TRIES = 4;
    private static final int PAUSE_MS = 30;

    @Bean
    @Role(BeanDefinition.ROLE_INFRASTRUCTURE)
    static Advisor retriedTransactions() {
        DefaultPointcutAdvisor advisor = new DefaultPointcutAdvisor(
                AnnotationMatchingPointcut.forMethodAnnotation(Transactional.class), new Again());
        // around the one that begins the transaction
        advisor.setOrder(Ordered.LOWEST_PRECEDENCE - 100);
        return advisor;
    }

    private static final class Again implements MethodInterceptor {

        @Override
        public Object invoke(MethodInvocation call) throws Throwable {
            if (TransactionSynchronizationManager.isActualTransactionActive()) {
                // the outermost does it again, all of it
                return call.proceed();
            }
            for (int tried = 1; ; tried++) {
                try {
                    return ((ProxyMethodInvocation) call).invocableClone().proceed();
                } catch (PessimisticLockingFailureException e) {
                    if (tried == TRIES) {
                        throw e;
                    }
                    LOG.info(
                            "{} is done again: {}",
                            call.getMethod().getName(),
                            e.getMostSpecificCause().getMessage());
                    Thread.sleep(ThreadLocalRandom.current().nextInt(PAUSE_MS << tried));
                }
            }
        }
    }
}
