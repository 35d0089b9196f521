package orthopur.server;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** Somebody who is signed in and speaks the API. */
public final class Client {
    private static final ObjectMapper JSON = new ObjectMapper();

    private final MockMvc mvc;
    private MockHttpSession session = new MockHttpSession();

    public Client(MockMvc mvc, String name, String password) {
        this.mvc = mvc;
        Answer a =
                send(
                        post("/api/session"),
                        JSON.createObjectNode()
                                .put("name", name)
                                .put("password", password)
                                .toString());
        if (a.status() != 200) {
            throw new IllegalStateException(a.body().toString());
        }
    }

    public static Client ilse(MockMvc mvc) {
        return new Client(mvc, "Ilse Varga", "quillmere-ilse");
    }

    public static Client maren(MockMvc mvc) {
        return new Client(mvc, "Maren Oyelaran", "quillmere-maren");
    }

    /** A status and the JSON that came with it. */
    public record Answer(int status, JsonNode body) {
        public String detail() {
            return body.path("detail").asString();
        }
    }

    /** A text as it stands inside a JSON document. */
    public static String text(String plain) throws java.io.IOException {
        return JSON.writeValueAsString(plain);
    }

    /** Text as a tree. */
    public static JsonNode json(String text) throws java.io.IOException {
        return JSON.readTree(text);
    }

    public Answer read(String path) {
        return send(get(path), null);
    }

    /** A file as it comes. */
    public byte[] bytes(String path) throws Exception {
        return mvc.perform(get(path).session(session))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
    }

    public Answer post_(String path, String body) {
        return send(post(path), body);
    }

    /** Brings in a machine sheet, signed. */
    public Answer sheet(String text, String pin) {
        return send(post("/api/files").header("X-Signature", pin), text);
    }

    /** Sends an archive, signed. */
    public Answer archive(byte[] content, String pin) {
        return send(
                post("/api/archive")
                        .contentType("application/zip")
                        .header("X-Signature", pin)
                        .content(content),
                null);
    }

    /** Sends bytes as they are. */
    public Answer putBytes(String path, String type, byte[] content) {
        return send(put(path).contentType(type).content(content), null);
    }

    public Answer delete_(String path, String body) {
        return send(delete(path), body);
    }

    public Answer put_(String path, String body) {
        return send(put(path), body);
    }

    public Answer put_(String path, String revision, String body) {
        return send(put(path).header("If-Match", revision), body);
    }

    /** By whatever method. */
    public Answer any(String method, String path, String type, String body) {
        return send(
                request(HttpMethod.valueOf(method), path).contentType(type).content(body), null);
    }

    private static boolean isJson(MockHttpServletResponse r) {
        return r.getContentType() == null || r.getContentType().contains("json");
    }

    private Answer send(MockHttpServletRequestBuilder request, String body) {
        try {
            request.session(session).with(csrf());
            if (body != null) {
                request.contentType(MediaType.APPLICATION_JSON)
                        .content(body.getBytes(StandardCharsets.UTF_8));
            }
            MvcResult result = mvc.perform(request).andReturn();
            // Signing in begins another one.
            if (result.getRequest().getSession(false) instanceof MockHttpSession now) {
                session = now;
            }
            MockHttpServletResponse r = result.getResponse();
            String text = r.getContentAsString(StandardCharsets.UTF_8);
            return new Answer(
                    r.getStatus(),
                    isJson(r) && !text.isEmpty() ? JSON.readTree(text) : JSON.nullNode());
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }
}
