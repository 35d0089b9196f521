package orthopur.server.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.method.HandlerMethod;
import orthopur.server.platform.Said;

class FewAtOnceTest {
    /** A route that takes long. */
    public static final class Printing {
        @Heavy
        public void paper() {}

        public void light() {}
    }

    private final FewAtOnce few = new FewAtOnce();
    private final MockHttpServletResponse response = new MockHttpServletResponse();

    private static HandlerMethod route(String name) throws Exception {
        return new HandlerMethod(new Printing(), name);
    }

    @Test
    void theThirdWaitsUntilOneIsThere() throws Exception {
        HandlerMethod paper = route("paper");
        List<MockHttpServletRequest> underWay = new ArrayList<>();
        for (int i = 0; i < FewAtOnce.AT_ONCE; i++) {
            MockHttpServletRequest r = new MockHttpServletRequest();
            few.preHandle(r, response, paper);
            underWay.add(r);
        }
        few.preHandle(new MockHttpServletRequest(), response, route("light"));
        Thread.currentThread().interrupt();
        MockHttpServletRequest third = new MockHttpServletRequest();
        assertThrows(Said.class, () -> few.preHandle(third, response, paper), "held back");
        assertEquals(true, Thread.interrupted());
        few.afterCompletion(underWay.getFirst(), response, paper, null);
        assertEquals(true, few.preHandle(third, response, paper));
    }
}
