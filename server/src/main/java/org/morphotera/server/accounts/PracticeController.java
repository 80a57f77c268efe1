package org.morphotera.server.accounts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.web.Versioned;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What a practice is called and how it works. */
@RestController
@Least(Role.OWNER)
class PracticeController {

    /**
     * Settings of a practice.
     *
     * @param sheetSchool the school that a sheet opens with
     * @param hemisphere where no stop has a position; absent to take the northern then
     * @param currency the sign, or the letters, before amounts of money
     */
    @Schema(name = "PracticeSettings")
    record Shown(
            UUID id,
            String name,
            String sheetSchool,
            @Nullable String hemisphere,
            @Nullable String currency,
            int version) {}

    @Schema(name = "PracticeSettingsWrite")
    record Write(
            @NotBlank @Size(max = 200) String name,

            @NotNull @Pattern(regexp = "flags|points|average", message = "must be flags, points or average")
            String sheetSchool,

            @Nullable @Pattern(regexp = "north|south", message = "must be north or south")
            String hemisphere,

            @Nullable @Size(max = 8) String currency,
            int version) {}

    private final AccountMapper accounts;
    private final ApplicationEventPublisher happenings;

    PracticeController(AccountMapper accounts, ApplicationEventPublisher happenings) {
        this.accounts = accounts;
        this.happenings = happenings;
    }

    @GetMapping("/api/practice")
    @Least(Role.GROWER)
    Shown practice(@AuthenticationPrincipal Advisor who) {
        return shown(accounts.practice(who.practiceId()));
    }

    @PutMapping("/api/practice")
    @Transactional
    Shown putPractice(@AuthenticationPrincipal Advisor who, @RequestBody @Validated Write body) {
        AccountReader.Practice sent = new AccountReader.Practice(
                who.practiceId(),
                body.name().strip(),
                body.sheetSchool(),
                body.hemisphere(),
                body.currency() == null || body.currency().isBlank()
                        ? null
                        : body.currency().strip(),
                body.version() + 1);
        AccountReader.Practice kept = Versioned.write(
                sent,
                accounts.practice(who.practiceId()),
                AccountReader.Practice::version,
                () -> {
                    throw new IllegalStateException("a practice is there before its settings");
                },
                () -> accounts.updatePractice(sent),
                "practice");
        happenings.publishEvent(Happened.to(who, "put", "practice", who.practiceId(), kept.name()));
        return shown(kept);
    }

    private static Shown shown(AccountReader.Practice row) {
        return new Shown(row.id(), row.name(), row.sheetSchool(), row.hemisphere(), row.currency(), row.version());
    }
}
