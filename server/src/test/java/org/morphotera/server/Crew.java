package org.morphotera.server;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.morphotera.server.accounts.role.Role;

/** People who join a practice by invitation, as a page does it. */
public final class Crew {

    public static final String PASSWORD = "dune gravel teapot";

    private final ApiClient owner;
    private final int port;

    public Crew(ApiClient owner, int port) {
        this.owner = owner;
        this.port = port;
    }

    /** The owner of a new practice on the server, signed in. */
    public static ApiClient practice(OwnApp app, String email) {
        Object made = Land.ok(app.client()
                        .post("/api/practices", Map.of("name", "Saltmarsh", "ownerName", "Owner", "ownerEmail", email)))
                .json()
                .get("owner");
        ApiClient client = new ApiClient(app.port());
        client.get("/api/session");
        Land.ok(client.post("/api" + ((Map<?, ?>) made).get("address"), Map.of("name", "Owner", "password", PASSWORD)));
        return client.signIn(email, PASSWORD);
    }

    /** Somebody new, signed in. */
    public ApiClient join(String email, Role role, UUID grower) {
        String address = invite(email, role, grower).get("address").toString();
        ApiClient client = new ApiClient(port);
        client.get("/api/session");
        Land.ok(client.post("/api" + address, Map.of("name", "New " + role.word(), "password", PASSWORD)));
        return client.signIn(email, PASSWORD);
    }

    public Map<String, Object> invite(String email, Role role, UUID grower) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("name", "New " + role.word());
        body.put("email", email);
        body.put("role", role.name());
        if (grower != null) {
            body.put("growerId", grower);
        }
        return Land.ok(owner.post("/api/invitations", body)).json();
    }

    /** The id of whoever is signed in. */
    public static UUID idOf(ApiClient client) {
        return UUID.fromString(((Map<?, ?>) client.get("/api/session").json().get("me"))
                .get("id")
                .toString());
    }
}
