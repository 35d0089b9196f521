package orthopur.server.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import orthopur.round.Role;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.platform.MayUse;

/** Every route as every role: each says who may use it, and nobody else gets in. */
@ServerTest(own = true)
class RoutesTest {
    @Autowired MockMvc mvc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    RequestMappingHandlerMapping routes;

    private record Route(String method, String path, String type, MayUse door) {}

    private List<Route> all() {
        List<Route> all = new ArrayList<>();
        for (Map.Entry<RequestMappingInfo, HandlerMethod> r :
                routes.getHandlerMethods().entrySet()) {
            if (!r.getValue().getBeanType().getName().startsWith("orthopur.")) {
                continue;
            }
            MayUse door = DoorKeeper.of(r.getValue());
            String type =
                    r.getKey().getConsumesCondition().getConsumableMediaTypes().stream()
                            .findFirst()
                            .map(MediaType::toString)
                            .orElse("application/json");
            for (String path : r.getKey().getPatternValues()) {
                r.getKey()
                        .getMethodsCondition()
                        .getMethods()
                        .forEach(m -> all.add(new Route(m.name(), there(path), type, door)));
            }
        }
        return all;
    }

    private static String there(String path) {
        return path.replace("{code}", "QK-SL1").replaceAll("\\{[a-z0-9]+}", "7");
    }

    @Test
    void everyRouteSaysWhoMayUseIt() {
        List<String> silent =
                all().stream()
                        .filter(r -> r.door() == null)
                        .map(r -> r.method() + " " + r.path())
                        .toList();
        assertEquals(List.of(), silent);
        assertTrue(all().size() > 80, all().size() + " routes");
    }

    @Test
    void withoutASessionOnlyWhatIsForAnybodyAnswers() throws Exception {
        List<String> wrong = new ArrayList<>();
        for (Route r : all()) {
            MockHttpServletResponse a =
                    mvc.perform(
                                    request(HttpMethod.valueOf(r.method()), r.path())
                                            .with(csrf())
                                            .contentType(r.type())
                                            .content("{}"))
                            .andReturn()
                            .getResponse();
            // A wrong password or code is refused in other words.
            boolean out = a.getStatus() == 401 && a.getContentAsString().contains("Please sign in");
            if (!r.path().startsWith("/api/session/") && r.door().anybody() == out) {
                wrong.add(r.method() + " " + r.path() + ": " + a.getStatus());
            }
        }
        assertEquals(List.of(), wrong);
    }

    @Test
    void noRoleGetsInWhereItIsNotNamed() {
        Map<Role, Client> people = new EnumMap<>(Role.class);
        people.put(Role.SUPERVISOR, Client.ilse(mvc));
        people.put(Role.CREW, Client.maren(mvc));
        people.put(Role.QA, new Client(mvc, "Ruvi Hast", "quillmere-ruvi"));
        people.put(Role.AUDITOR, new Client(mvc, "Anselm Crake", "quillmere-anselm"));
        List<String> wrong = new ArrayList<>();
        int kept = 0;
        for (Route r : all()) {
            if (r.path().equals("/api/live") || r.path().startsWith("/api/session")) {
                continue;
            }
            for (Map.Entry<Role, Client> p : people.entrySet()) {
                boolean named = List.of(r.door().value()).contains(p.getKey());
                Answer a = p.getValue().any(r.method(), r.path(), r.type(), "{}");
                boolean out =
                        a.status() == 403
                                && a.detail().equals(r.door().otherwise().text().toString());
                kept += out ? 1 : 0;
                if (!r.door().anybody() && named == out) {
                    wrong.add(p.getKey() + " " + r.method() + " " + r.path() + ": " + a);
                }
            }
        }
        assertEquals(List.of(), wrong);
        assertTrue(kept > 60, kept + " times somebody was kept out");
    }
}
