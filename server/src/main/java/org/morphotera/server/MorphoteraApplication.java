package org.morphotera.server;

import java.time.Clock;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
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
    Clock clock(@Value("${morphotera.clock-ahead:PT0S}") Duration ahead) {
        return Clock.offset(Clock.systemUTC(), ahead);
    }
}
