package org.morphotera.server.description;

import org.morphotera.server.accounts.role.OpenToAll;
import org.springframework.boot.autoconfigure.condition.ConditionalOnMissingClass;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * Hands out the API's description as it was written when the application was built. The tests make it anew from the code
 * and hold the written one to it.
 */
@RestController
@OpenToAll
@ConditionalOnMissingClass("org.springdoc.core.configuration.SpringDocConfiguration")
class WrittenDescription {

    @GetMapping(path = "/api/openapi", produces = MediaType.APPLICATION_JSON_VALUE)
    Resource description() {
        return new ClassPathResource("described/openapi.json");
    }
}
