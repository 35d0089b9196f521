package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import orthopur.examples.Examples;
import orthopur.rules.AllRules;
import orthopur.runthrough.Context;
import orthopur.runthrough.Rule;

/** The rule book's examples are run on the machines of the site. */
class ExamplesTest {
    private static final List<Examples.Source> SOURCES =
            Stream.of(
                            "qk-ar1-daily",
                            "qk-ds2-daily",
                            "qk-ov1-weekly",
                            "qk-ov2-daily",
                            "qk-cv1-daily",
                            "qk-ds1-daily",
                            "qk-fl1-daily",
                            "qk-ov1-daily",
                            "qk-sl1-end-of-shift",
                            "qk-sl1-sharpening",
                            "qk-sl1-oiling",
                            "qk-sw1-daily",
                            "qk-tl1-line-clean")
                    .map(DemoSite::procedure)
                    .map(p -> new Examples.Source(p, DemoSite.sheet(p.sheet())))
                    .toList();

    private static final Rule S7 =
            AllRules.list().stream()
                    .filter(r -> r.info().id().equals("S7"))
                    .findFirst()
                    .orElseThrow();

    @Test
    void everyRuleHasTwoExamples() {
        // Several small rules share a number; each has its own.
        List<String> without =
                AllRules.list().parallelStream()
                        .filter(r -> Examples.find(r, SOURCES, DemoSite.CONTEXT) == null)
                        .map(r -> r.info().id() + " " + r.info().title())
                        .sorted()
                        .toList();
        assertEquals(List.of(), without);
    }

    /**
     * Raise the least strength and the procedure that kept the rule breaks it; drop it and the slip
     * passes.
     */
    @Test
    void aFigureFlipsBothExamples() {
        Context now = DemoSite.CONTEXT;
        Examples.Example e = Examples.find(S7, SOURCES, now);
        assertNotNull(e);
        assertTrue(Examples.figures(e, now).contains("wash.hand.least"));
        assertNotNull(told(e, e.broken(), now, 43));
        assertNull(told(e, e.kept(), now, 43));
        assertNull(told(e, e.broken(), now, 1));
        assertNotNull(told(e, e.kept(), now, 99));
    }

    private static Object told(Examples.Example e, Examples.Side side, Context now, double figure) {
        Context tried = now.by(Examples.tried(now.book(), Map.of("wash.hand.least", figure)));
        return Examples.judge(e, side, tried).finding();
    }
}
