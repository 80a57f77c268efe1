package org.morphotera.server.storage;

import java.util.Locale;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;

/** Whether reads and writes are possible, for whoever watches the server. */
@Component
class StoreHealthIndicator implements HealthIndicator {

    private final Store store;

    StoreHealthIndicator(Store store) {
        this.store = store;
    }

    @Override
    public Health health() {
        StoreState now = store.state();
        return (now.writes() ? Health.up() : Health.outOfService())
                .withDetail("state", now.name().toLowerCase(Locale.ROOT))
                .withDetail("reads", now.reads())
                .withDetail("writes", now.writes())
                .build();
    }
}
