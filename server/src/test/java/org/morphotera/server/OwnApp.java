package org.morphotera.server;

import java.util.ArrayList;
import java.util.List;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/** An application of a test's own, that can be stopped and started again. */
public final class OwnApp implements AutoCloseable {

    public static final String OWNER = "owner@field.example";

    private final ConfigurableApplicationContext context;

    private OwnApp(ConfigurableApplicationContext context) {
        this.context = context;
    }

    /** An empty practice whose first account is {@link #OWNER} with the usual password. */
    public static OwnApp start(String... options) {
        List<String> all = new ArrayList<>(List.of(
                "--server.port=0",
                "--morphotera.learn-nightly=false",
                "--logging.level.org.morphotera=" + System.getProperty("morphotera.log", "error"),
                "--logging.level.org.hibernate=off",
                "--morphotera.first-account.email=" + OWNER,
                "--morphotera.first-account.password=" + ApiClient.PASSWORD,
                "--morphotera.first-account.keep-password=true"));
        for (String option : options) {
            all.removeIf(before -> before.startsWith(option.replaceFirst("=.*", "=")));
            all.add(option);
        }
        String[] arguments = TestDatabase.options(all).toArray(String[]::new);
        return new OwnApp(SpringApplication.run(MorphoteraApplication.class, arguments));
    }

    public int port() {
        return ((WebServerApplicationContext) context).getWebServer().getPort();
    }

    public ApiClient client() {
        return new ApiClient(port()).signIn(OWNER);
    }

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    public <T> T bean(String name, Class<T> type) {
        return context.getBean(name, type);
    }

    @Override
    public void close() {
        context.close();
    }
}
