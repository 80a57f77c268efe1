package org.morphotera.server.demo;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Profile;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Ends the program once the sample data is there: when only the data file is wanted. */
@Component
@Profile("make-data")
class MakeAndEnd {

    private final ConfigurableApplicationContext application;

    MakeAndEnd(ConfigurableApplicationContext application) {
        this.application = application;
    }

    @EventListener(ApplicationReadyEvent.class)
    void end() {
        // by a thread of its own: the one that tells this is still starting the application
        new Thread(() -> System.exit(SpringApplication.exit(application)), "made").start();
    }
}
