package org.morphotera.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Starts the real application once for all tests, on a free port with an H2 file of its own and the demo data, and
 * hands out its port and its beans.
 */
public class RunningApp implements ParameterResolver {

    private static ConfigurableApplicationContext context;

    private static synchronized ConfigurableApplicationContext context() {
        if (context == null) {
            try {
                Path data = Files.createTempDirectory("morphotera-test").resolve("data");
                List<String> options = List.of(
                        "--server.port=0",
                        "--morphotera.learn-nightly=false",
                        "--spring.profiles.active=demo",
                        "--morphotera.data=" + data,
                        "--logging.level.org.morphotera=warn");
                context = SpringApplication.run(
                        MorphoteraApplication.class,
                        TestDatabase.options(options).toArray(String[]::new));
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        }
        return context;
    }

    /** A new client, signed in nowhere. */
    public static ApiClient client() {
        return new ApiClient(port());
    }

    public static <T> T bean(String name, Class<T> type) {
        return context().getBean(name, type);
    }

    public static int port() {
        return ((WebServerApplicationContext) context()).getWebServer().getPort();
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext test) {
        return parameter.getParameter().getType() == ApiClient.class
                || context().getBeanNamesForType(parameter.getParameter().getType()).length == 1;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext test) {
        Class<?> type = parameter.getParameter().getType();
        return type == ApiClient.class
                ? client().signIn(ApiClient.TIDEMARK)
                : context().getBean(type);
    }
}
