package org.morphotera.server.projections;

import org.morphotera.server.indicators.Projection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Makes projections again at the start where an older version of the rules made them. */
@Component
@Order(0)
class ProjectionUpgrade implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(ProjectionUpgrade.class);

    private final ProjectionMapper rows;
    private final ProjectionRebuild rebuild;

    ProjectionUpgrade(ProjectionMapper rows, ProjectionRebuild rebuild) {
        this.rows = rows;
        this.rebuild = rebuild;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (rows.projectionVersion() < Projection.VERSION) {
            int measurements = rebuild.run();
            rows.projected(Projection.VERSION);
            if (measurements > 0) {
                LOG.info("projected {} measurements anew by the rules of today", measurements);
            }
        }
    }
}
