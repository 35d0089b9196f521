package orthopur.simulation.floor;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import orthopur.round.Actor;
import orthopur.round.Role;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** Somebody who is signed in at a server; for many threads. */
public final class FloorClient {
    static final ObjectMapper JSON = new ObjectMapper();
    private static final Duration PATIENCE = Duration.ofSeconds(30);

    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder()
                    .cookieHandler(cookies)
                    .version(HttpClient.Version.HTTP_1_1)
                    .connectTimeout(PATIENCE)
                    .build();
    private final String base;
    private final Actor actor;

    /**
     * @param base for instance "http://localhost:8080"
     * @throws IOException when the server is not there or does not know them
     */
    public FloorClient(String base, String who, String password) throws IOException {
        this.base = base;
        get("/api/session");
        post(
                "/api/session",
                JSON.createObjectNode().put("name", who).put("password", password).toString());
        JsonNode session = get("/api/session");
        actor =
                new Actor(
                        session.get("name").asString(),
                        session.get("person").asString(),
                        Role.valueOf(session.get("role").asString()),
                        false);
    }

    /** Who is signed in. */
    public Actor actor() {
        return actor;
    }

    /** An answer that is not 2xx. */
    public static final class Refused extends IOException {
        private static final long serialVersionUID = 1L;
        private final int status;

        Refused(int status, String body) {
            super(status + " " + body);
            this.status = status;
        }

        public int status() {
            return status;
        }
    }

    /** An answer as it comes. */
    public byte[] bytes(String path) throws IOException {
        return answer(HttpRequest.newBuilder(URI.create(base + path)).GET());
    }

    public JsonNode get(String path) throws IOException {
        return send(HttpRequest.newBuilder(URI.create(base + path)).GET());
    }

    public JsonNode post(String path, String body) throws IOException {
        return send(
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", "application/json")
                        .header("X-XSRF-TOKEN", token())
                        .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    /** Sends a file. */
    JsonNode put(String path, String type, byte[] content) throws IOException {
        return send(
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", type)
                        .header("X-XSRF-TOKEN", token())
                        .PUT(HttpRequest.BodyPublishers.ofByteArray(content)));
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    private JsonNode send(HttpRequest.Builder request) throws IOException {
        byte[] body = answer(request);
        return body.length == 0 ? JSON.nullNode() : JSON.readTree(body);
    }

    private byte[] answer(HttpRequest.Builder request) throws IOException {
        try {
            HttpResponse<byte[]> r =
                    http.send(
                            request.timeout(PATIENCE).build(),
                            HttpResponse.BodyHandlers.ofByteArray());
            if (r.statusCode() / 100 != 2) {
                throw new Refused(r.statusCode(), new String(r.body(), StandardCharsets.UTF_8));
            }
            return r.body();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(e);
        }
    }
}
