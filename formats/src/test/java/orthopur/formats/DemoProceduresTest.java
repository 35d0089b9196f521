package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Procedure;
import orthopur.procedure.Remedy;
import orthopur.runthrough.Finding;
import orthopur.verdict.Verdict;

/** The demo procedures say what they are there to say. */
class DemoProceduresTest {
    @Test
    void theApprovedProcedureHasNothingToMend() {
        Verdict v = DemoSite.verify(DemoSite.procedure("qk-sl1-end-of-shift"));

        assertEquals(List.of(), v.findings().stream().map(Finding::message).toList());
        assertEquals(v.coverage().due(), v.coverage().reached());
        assertTrue(v.coverage().due() >= 24, "at least 24 surfaces, got " + v.coverage().due());
    }

    @Test
    void everyOfferedRemedyHelpsAndTakingTheFirstOfEachEndsInAClean() {
        Procedure p = DemoSite.procedure("qk-sl1-draft");
        for (int round = 0; round < 20; round++) {
            Verdict v = DemoSite.verify(p);
            if (v.stops() == 0 && v.fixes() == 0) {
                return;
            }
            for (Finding f : v.findings()) {
                for (Remedy r : f.remedies()) {
                    Verdict after = DemoSite.verify(p.apply(r.edits()));
                    boolean fewer =
                            after.stops() < v.stops()
                                    || (after.stops() == v.stops() && after.fixes() < v.fixes());
                    assertTrue(fewer, f.rule() + ": " + r.label());
                }
            }
            Remedy first =
                    v.findings().stream()
                            .flatMap(f -> f.remedies().stream())
                            .findFirst()
                            .orElseThrow(
                                    () ->
                                            new AssertionError(
                                                    v.findings().stream()
                                                            .map(Finding::message)
                                                            .toList()));
            p = p.apply(first.edits());
        }
        throw new AssertionError("not clean after 20 remedies");
    }

    @Test
    void consequencesHangUnderTheirRoot() {
        Verdict v = DemoSite.verify(DemoSite.procedure("qk-sl1-draft"));

        Set<String> under =
                v.findings().stream()
                        .filter(f -> f.under() != null)
                        .map(f -> v.findings().get(f.under()).rule() + ">" + f.rule())
                        .collect(Collectors.toSet());
        assertTrue(under.contains("S1>C1") || under.contains("C4>C1"), under.toString());
        assertTrue(under.contains("C6>C1"), under.toString());
    }
}
