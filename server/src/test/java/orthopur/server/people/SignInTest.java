package orthopur.server.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.server.platform.Said;

/** Sign-in, lockout by the clock, and that nothing is open without a session. */
@ServerTest(clock = true)
class SignInTest {
    @Autowired Accounts accounts;
    @Autowired MockMvc mvc;
    @Autowired TestClock clock;

    @Test
    void fiveWrongTriesLockForTenMinutesAndTheRightPasswordDoesNotHelpMeanwhile() {
        for (int left = 4; left > 0; left--) {
            String told =
                    assertThrows(Said.class, () -> accounts.signIn("Pell Okonjo", "guess"))
                            .getMessage();
            assertTrue(told.contains(left + (left == 1 ? " try left" : " tries left")), told);
        }
        assertThrows(Said.class, () -> accounts.signIn("Pell Okonjo", "guess"));
        String locked =
                assertThrows(Said.class, () -> accounts.signIn("Pell Okonjo", "quillmere-pell"))
                        .getMessage();
        assertTrue(locked.contains("10 more minutes"), locked);
        clock.pass(10 * 60);
        assertEquals("Pell Okonjo", accounts.signIn("Pell Okonjo", "quillmere-pell").name());
    }

    @Test
    void aWrongPinCountsTowardsTheLockAsWell() {
        Person tobiah = accounts.signIn("Tobiah Renn", "quillmere-tobiah");
        for (int i = 0; i < 5; i++) {
            assertThrows(Said.class, () -> accounts.sign(tobiah, "0000"));
        }
        assertThrows(Said.class, () -> accounts.sign(tobiah, "220861"));
        clock.pass(10 * 60);
        accounts.sign(tobiah, "220861");
    }

    @Test
    void namesThatNobodyHasAreToldLikeWrongPasswords() {
        String unknown =
                assertThrows(Said.class, () -> accounts.signIn("Nobody", "x")).getMessage();
        String wrong =
                assertThrows(Said.class, () -> accounts.signIn("Ruvi Hast", "x")).getMessage();
        assertEquals(wrong, unknown);
        String long_ = "名前имяName".repeat(30);
        assertEquals(
                unknown, assertThrows(Said.class, () -> accounts.signIn(long_, "x")).getMessage());
    }

    @Test
    void withoutASessionNothingIsToldAndWithoutATokenNothingIsTaken() throws Exception {
        assertEquals(
                401, mvc.perform(get("/api/procedures")).andReturn().getResponse().getStatus());
        int status =
                mvc.perform(
                                post("/api/session")
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content(
                                                "{\"name\":\"Ilse Varga\",\"password\":\"quillmere-ilse\"}"))
                        .andReturn()
                        .getResponse()
                        .getStatus();
        assertEquals(403, status);
    }

    /** Whoever guesses at a name from elsewhere stops nobody who has it. */
    @Test
    void whoGuessesElsewhereLocksNobodyOut() throws Exception {
        for (int i = 0; i < 6; i++) {
            assertEquals(i < 4 ? 401 : 429, from("10.9.9.9", "guess"), "try " + i);
        }
        assertEquals(429, from("10.9.9.9", "quillmere-ilse"));
        assertEquals(200, from("10.9.9.8", "quillmere-ilse"));
    }

    private int from(String address, String password) throws Exception {
        return mvc.perform(
                        post("/api/session")
                                .with(csrf())
                                .with(
                                        request -> {
                                            request.setRemoteAddr(address);
                                            return request;
                                        })
                                .contentType(MediaType.APPLICATION_JSON)
                                .content(
                                        "{\"name\":\"Ilse Varga\",\"password\":\"%s\"}"
                                                .formatted(password)))
                .andReturn()
                .getResponse()
                .getStatus();
    }
}
