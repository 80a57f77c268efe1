package org.morphotera.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** The server: web API, storage and page in one jar. */
@SpringBootApplication
public class MorphoteraApplication {

    public static void main(String[] args) {
        SpringApplication.run(MorphoteraApplication.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
