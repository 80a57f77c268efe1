package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Crew;
import org.morphotera.server.Land;
import org.morphotera.server.OwnApp;
import org.morphotera.server.accounts.role.Role;
import org.springframework.aop.framework.ProxyFactory;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.annotation.Transactional;

/** Looking after a server, and several of them on the same data. */
class OperationTest {

    @TempDir
    private Path folder;

    @Test
    void figuresAreToldOnAPortOfTheirOwnOnly() {
        try (OwnApp app = OwnApp.start(
                "--morphotera.data=" + folder.resolve("data"),
                "--management.server.port=0",
                "--management.server.address=127.0.0.1")) {
            int port = app.bean(Environment.class).getProperty("local.management.port", Integer.class);
            ApiClient local = new ApiClient(port);
            assertThat(local.get("/actuator/health").text()).contains("\"writes\":true");
            assertThat(local.get("/actuator/prometheus").text()).contains("jvm_memory_used_bytes");
            assertThat(local.get("/actuator/metrics/jvm.memory.used").status()).isEqualTo(200);
            ApiClient owner = app.client();
            for (String path :
                    List.of("/actuator/prometheus", "/actuator/metrics", "/actuator/metrics/jvm.memory.used")) {
                assertThat(owner.get(path).status()).as(path).isIn(401, 403, 404);
                assertThat(new ApiClient(app.port()).get(path).status())
                        .as(path)
                        .isIn(401, 403, 404);
            }
            assertThat(local.get("/api/fields").status()).isNotEqualTo(200);
        }
    }

    @Test
    @EnabledIfSystemProperty(named = "morphotera.test-database", matches = "postgres")
    void twoServersAnswerAsOne() {
        String data = "--morphotera.data=" + folder.resolve("shared");
        try (OwnApp one = OwnApp.start(data);
                OwnApp other = OwnApp.start(data)) {
            ApiClient owner = one.client();
            ApiClient there = owner.at(other.port());
            Land land = new Land(owner, 1);
            assertThat(there.get("/api/fields").list()).extracting("id").containsExactly(land.field);
            // what one keeps in memory, the other's write makes old
            assertThat(findings(there, land)).isEmpty();
            Land elsewhere = land.as(there);
            String visit = elsewhere.visit(LocalDate.of(2026, 5, 4));
            assertThat(findings(owner, land)).isEmpty();
            Land.ok(elsewhere.record(
                    visit,
                    0,
                    "smell",
                    Map.of("score", 2),
                    LocalDate.of(2026, 5, 4),
                    Map.of("depthTopMm", 0, "depthBottomMm", 200)));
            assertThat(findings(owner, land)).hasSize(1);
            assertThat(findings(there, land)).hasSize(1);
            // a role holds on both at once
            ApiClient advisor = new Crew(owner, one.port()).join("advisor@field.example", Role.ADVISOR, null);
            ApiClient advisorThere = advisor.at(other.port());
            assertThat(advisorThere.get("/api/growers").status()).isEqualTo(200);
            Land.ok(owner.delete("/api/people/" + Crew.idOf(advisor)));
            assertThat(advisorThere.get("/api/growers").status()).isEqualTo(401);
            // neither ends what another does, until that one is not heard of any more
            UUID quiet = UUID.randomUUID();
            UUID job = UUID.randomUUID();
            JdbcTemplate jdbc = one.bean(JdbcTemplate.class);
            jdbc.update("insert into server (id, seen_at) values (?, current_timestamp + interval '1' hour)", quiet);
            jdbc.update(
                    "insert into job (id, practice_id, person_id, kind, state, done, total, started_at, server_id) "
                            + "select ?, practice_id, id, 'archive', 'running', 1, 2, current_timestamp, "
                            + "cast(? as uuid) from person where removed_at is null fetch first 1 rows only",
                    job,
                    quiet);
            try (OwnApp third = OwnApp.start(data)) {
                assertThat(owner.at(third.port()).get("/api/jobs/" + job).json())
                        .containsEntry("state", "running");
            }
            jdbc.update("update server set seen_at = current_timestamp - interval '2' minute where id = ?", quiet);
            try (OwnApp fourth = OwnApp.start(data)) {
                assertThat(owner.at(fourth.port()).get("/api/jobs/" + job).json())
                        .containsEntry("state", "failed");
            }
        }
    }

    private static List<?> findings(ApiClient client, Land land) {
        return (List<?>) client.get("/api/fields/" + land.field).json().get("findings");
    }

    /** Two that lock the same rows in opposite orders. */
    public static class Crossing {

        private final JdbcTemplate jdbc;
        private final CyclicBarrier both = new CyclicBarrier(2);
        final AtomicInteger tries = new AtomicInteger();

        public Crossing(JdbcTemplate jdbc) {
            this.jdbc = jdbc;
        }

        @Transactional
        public void lock(UUID first, UUID second, boolean meet) throws Exception {
            int tried = tries.incrementAndGet();
            jdbc.update("update grower set version = version + 1 where id = ?", first);
            if (tried <= 2 && meet) {
                both.await(10, TimeUnit.SECONDS);
            }
            jdbc.update("update grower set version = version + 1 where id = ?", second);
        }
    }

    @Test
    void whatTheDatabaseEndsIsDoneAgain() throws Exception {
        try (OwnApp app = OwnApp.start("--morphotera.data=" + folder.resolve("crossing"))) {
            ApiClient owner = app.client();
            UUID a = UUID.fromString(new Land(owner, 0).grower);
            UUID b = UUID.fromString(new Land(owner, 0).grower);
            JdbcTemplate jdbc = app.bean(JdbcTemplate.class);
            ProxyFactory proxy = new ProxyFactory(new Crossing(jdbc));
            proxy.setProxyTargetClass(true);
            proxy.addAdvisor(app.bean("retriedTransactions", org.springframework.aop.Advisor.class));
            proxy.addAdvisor(app.bean(
                    org.springframework.transaction.interceptor.BeanFactoryTransactionAttributeSourceAdvisor.class));
            Crossing crossing = (Crossing) proxy.getProxy();
            ExecutorService threads = Executors.newFixedThreadPool(2);
            try {
                Future<?> one = threads.submit(() -> {
                    crossing.lock(a, b, true);
                    return null;
                });
                Future<?> other = threads.submit(() -> {
                    crossing.lock(b, a, true);
                    return null;
                });
                one.get(30, TimeUnit.SECONDS);
                other.get(30, TimeUnit.SECONDS);
            } finally {
                threads.shutdownNow();
            }
            assertThat(jdbc.queryForList("select version from grower", Integer.class))
                    .containsOnly(3);
            Crossing target = (Crossing) ((org.springframework.aop.framework.Advised) crossing)
                    .getTargetSource()
                    .getTarget();
            assertThat(target.tries.get()).as("tries of two transactions").isGreaterThan(2);
        }
    }
}
