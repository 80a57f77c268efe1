package org.morphotera.server.measurements;

import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Measurements and their history. */
@RestController
@RequiresRole(Role.ADVISOR)
class MeasurementsController {

    private final Measurements measurements;

    MeasurementsController(Measurements measurements) {
        this.measurements = measurements;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping("/api/measurements/{id}")
    Measurement.History measurement(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        return measurements.history(who, id);
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping("/api/measurements/{id}")
    Measurement putMeasurement(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestBody @Validated Measurement.Write body) {
        return measurements.put(who, id, body);
    }
}
