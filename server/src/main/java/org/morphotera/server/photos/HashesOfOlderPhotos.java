package org.morphotera.server.photos;

import java.util.List;
import org.morphotera.server.storage.KeptHash;
import org.morphotera.server.storage.Threads;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Notes the hash of pictures that were kept before hashes were, or came from an archive of then; once, at the start. */
@Component
class HashesOfOlderPhotos {

    private static final Logger LOG = LoggerFactory.getLogger(HashesOfOlderPhotos.class);

    private final PhotoMapper rows;

    HashesOfOlderPhotos(PhotoMapper rows) {
        this.rows = rows;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Threads.named("hashes of pictures").newThread(this::note).start();
    }

    void note() {
        try {
            for (List<PhotoMapper.Unproved> some = rows.unproved(); !some.isEmpty(); some = rows.unproved()) {
                some.forEach(each -> rows.prove(each.id(), KeptHash.of(each.content(), each.small())));
            }
        } catch (RuntimeException e) {
            // the server is being stopped, or its database is away: the next start goes on
            LOG.info("hashes of older pictures are noted at the next start: {}", e.getMessage());
        }
    }
}
