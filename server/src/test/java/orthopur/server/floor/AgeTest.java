package orthopur.server.floor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Role;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import tools.jackson.databind.JsonNode;

/** L11 on the floor: the rule is asked for the person who does the work. */
@ServerTest(own = true)
class AgeTest {
    @Autowired MockMvc mvc;
    @Autowired Accounts accounts;

    private static String start(String procedure) {
        return "{\"procedure\":\"" + procedure + "\"}";
    }

    @Test
    void seventeenTouchesNeitherSlicerNorSawButTheOven() {
        Client dagny = new Client(mvc, "Dagny Sollis", "quillmere-dagny");
        Answer slicer = dagny.post_("/api/rounds", start("qk-sl1-end-of-shift"));
        assertEquals(403, slicer.status());
        assertTrue(slicer.detail().contains("Somebody aged 17"), slicer.detail());
        assertEquals(403, dagny.post_("/api/rounds", start("qk-sw1-daily")).status());
        assertEquals(200, dagny.post_("/api/rounds", start("qk-ov1-daily")).status());
    }

    /** Nor does she go on with a round that somebody else has begun. */
    @Test
    void seventeenDoesNotGoOnWithAnothersRound() {
        JsonNode state =
                Client.maren(mvc)
                        .post_("/api/rounds", start("qk-sl1-end-of-shift"))
                        .body()
                        .get("state");
        String entry =
                """
                {"id":"a1","packHash":"%s","step":"%s","kind":"step-done","figures":[],
                 "device":"t","tabletTime":1}
                """
                        .formatted(state.get("packHash").asString(), "fetch");
        Answer entered =
                new Client(mvc, "Dagny Sollis", "quillmere-dagny")
                        .post_("/api/rounds/" + state.get("id").asString() + "/entries", entry);
        assertEquals(403, entered.status(), entered.body().toString());
    }

    @Test
    void theDayItselfIsOfAge() {
        LocalDate today = accounts.today();
        assertNull(age("Turned", today));
        assertNull(age("Of Age", null));
        assertEquals(17, age("Tomorrow", today.plusDays(1)));
        assertEquals(16, age("Long", today.plusDays(400)));
    }

    private Integer age(String name, LocalDate adultFrom) {
        accounts.create(name, Role.CREW, accounts.hash("password-" + name), "", false, adultFrom);
        Person p = accounts.signIn(name, "password-" + name);
        return accounts.ageUnder18(p);
    }
}
