package org.morphotera.server.testsets;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.morphotera.core.schedule.WalkSet;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.web.Versioned;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Sets of tests: those that ship, then a practice's own. */
@RestController
@RequiresRole(Role.ADVISOR)
class TestSetsController {

    private final TestSetMapper rows;
    private final Messages messages;
    private final Audit audit;

    TestSetsController(TestSetMapper rows, Messages messages, Audit audit) {
        this.rows = rows;
        this.messages = messages;
        this.audit = audit;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping("/api/test-sets")
    List<TestSet> all(@AuthenticationPrincipal Advisor who) {
        List<TestSet> sets = new ArrayList<>();
        for (WalkSet each : WalkSet.values()) {
            sets.add(new TestSet(null, each.code(), messages.text("walk.set." + each.code()), each.methods(), 0));
        }
        rows.all(who.practiceId()).forEach(row -> sets.add(set(row)));
        return sets;
    }

    @PutMapping("/api/test-sets/{id}")
    @Transactional
    TestSet put(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated TestSet.Write body) {
        ChosenTests.check(body.methods(), "methods");
        TestSetMapper.Row sent =
                new TestSetMapper.Row(id, body.name().strip(), ChosenTests.text(body.methods()), body.version() + 1);
        audit.note(who, "put", "test set", id, sent.name());
        return set(Versioned.write(
                sent,
                rows.one(who.practiceId(), id),
                TestSetMapper.Row::version,
                () -> rows.insert(who.practiceId(), sent),
                () -> rows.update(who.practiceId(), sent),
                "test set"));
    }

    @DeleteMapping("/api/test-sets/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void delete(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        TestSetMapper.Row row = audit.toRemove(who, rows.one(who.practiceId(), id), "test set", id);
        if (row != null) {
            rows.delete(who.practiceId(), id);
            audit.note(who, "delete", "test set", id, row.name());
        }
    }

    private static TestSet set(TestSetMapper.Row row) {
        return new TestSet(row.id(), null, row.name(), ChosenTests.list(row.methods()), row.version());
    }
}
