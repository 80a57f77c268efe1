package org.morphotera.server.projections;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** {@code --morphotera.rebuild=true}: makes all projections again and ends. */
@Component
@ConditionalOnProperty("morphotera.rebuild")
@Order(100)
class RebuildCommand implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(RebuildCommand.class);

    private final ProjectionRebuild rebuild;
    private final ConfigurableApplicationContext context;

    RebuildCommand(ProjectionRebuild rebuild, ConfigurableApplicationContext context) {
        this.rebuild = rebuild;
        this.context = context;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        LOG.info("rebuilt all projections from {} measurements", rebuild.run());
        System.exit(SpringApplication.exit(context, () -> 0));
    }
}
