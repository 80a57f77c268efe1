package org.morphotera.server.judgements;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.server.ResponseStatusException;

/** Holds an address to so many judgements a second: each may take a part of one. */
@Component
class CallsASecond {

    private static final int MOST_ADDRESSES = 10_000;

    private final Cache<String, AtomicInteger> counts = Caffeine.newBuilder()
            .maximumSize(MOST_ADDRESSES)
            .expireAfterWrite(Duration.ofSeconds(1))
            .build();
    private final int most;

    CallsASecond(@Value("${morphotera.judgements-a-second:10}") int most) {
        this.most = most;
    }

    /** @throws ResponseStatusException when the address has asked as often as it may within this second */
    void count(String address) {
        if (counts.get(address, key -> new AtomicInteger()).incrementAndGet() > most) {
            throw new ResponseStatusException(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "At most " + most + " judgements a second. Wait a second and send again.");
        }
    }
}
