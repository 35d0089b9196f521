package orthopur.server.platform;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.ServerTest;

/**
 * Whoever watches the server asks without an account and is answered in JSON, not with the page.
 */
@ServerTest
class HealthTest {
    @Autowired MockMvc mvc;

    @ParameterizedTest
    @ValueSource(strings = {"/health", "/health/live", "/health/ready"})
    void saysThatItIsUp(String path) throws Exception {
        MockHttpServletResponse a = mvc.perform(get(path)).andReturn().getResponse();
        assertEquals(200, a.getStatus());
        assertEquals("{\"status\":\"up\"}", a.getContentAsString());
    }

    @Test
    void metricsAreForThisMachineAndForWhoReadsEverything() throws Exception {
        MockHttpServletResponse here =
                mvc.perform(get("/health/metrics")).andReturn().getResponse();
        assertTrue(here.getContentAsString().contains("orthopur_requests_seconds_count"));
        MockHttpServletResponse away =
                mvc.perform(
                                get("/health/metrics")
                                        .with(
                                                r -> {
                                                    r.setRemoteAddr("192.0.2.7");
                                                    return r;
                                                }))
                        .andReturn()
                        .getResponse();
        assertEquals(403, away.getStatus());
        String number = away.getHeader("X-Request-Id");
        assertTrue(away.getContentAsString().contains("\"request\":\"" + number), number);
    }

    @Test
    void whatIsNoAddressIsNotAPage() throws Exception {
        assertEquals(404, mvc.perform(get("/health/x")).andReturn().getResponse().getStatus());
    }
}
