package org.morphotera.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.server.ApiClient.Answer;

/** Tests of people, each in a practice of its own on one server. */
public abstract class InOnesPractice {

    @TempDir
    public static Path folder;

    public static OwnApp app;
    public static int practices;

    public String email;
    public ApiClient owner;
    public Crew crew;

    @BeforeAll
    public static void start() {
        app = OwnApp.start("--morphotera.data=" + folder.resolve("data"));
    }

    /** A practice of its own for each test. */
    @BeforeEach
    public void begin() {
        practices++;
        email = at("owner");
        owner = Crew.practice(app, email);
        crew = new Crew(owner, app.port());
    }

    @AfterAll
    public static void stop() {
        app.close();
    }

    public static String at(String name) {
        return name + "@marsh" + practices + ".example";
    }

    public ApiClient ownerElsewhere() {
        return new ApiClient(app.port()).signIn(email, Crew.PASSWORD);
    }

    public static String fault(Answer answer) {
        assertThat(answer.status()).as("%s", answer).isEqualTo(422);
        Map<?, ?> first = (Map<?, ?>) ((List<?>) answer.json().get("errors")).get(0);
        return first.get("field") + " " + first.get("code");
    }
}
