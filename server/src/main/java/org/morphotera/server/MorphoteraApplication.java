package org.morphotera.server;

import java.time.Clock;
import java.time.Duration;
import org.morphotera.server.storage.StorageTool;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** The server: web API, storage and page in one jar. */
@SpringBootApplication
public class MorphoteraApplication {

    /** Starts the server; or, where the first argument asks for it, looks after a data file and ends. */
    public static void main(String[] args) {
        if (StorageTool.wanted(args)) {
            System.exit(StorageTool.run(args));
        }
        SpringApplication.run(MorphoteraApplication.class, args);
    }

    @Bean
    Clock clock(@Value("${morphotera.clock-ahead:PT0S}") Duration ahead) {
        return Clock.offset(Clock.systemUTC(), ahead);
    }
}
