package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Passage;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C14: every wetted part of a closed passage meets cleaner. */
public final class PassageCleaned extends BookRule {
    public PassageCleaned() {
        super(
                RuleId.C14,
                Severity.STOP,
                "Every wetted part of a passage meets cleaner",
                "Food Code 2022, 4-603.16 and 4-601.11",
                RuleId.T2,
                RuleId.C6);
    }

    /** What several passages share is missed once. */
    @Override
    public void atEnd(Ending end, Findings out) {
        Map<List<SurfaceAt>, List<Passage>> missed = new LinkedHashMap<>();
        Set<List<SurfaceAt>> partly = new HashSet<>();
        for (PassageAt k : end.sheet().allPassages()) {
            List<SurfaceAt> here = new ArrayList<>();
            boolean some = false;
            for (SurfaceAt s : end.sheet().wettedIn(k)) {
                boolean washed = end.night().facts(s).washed() != Facts.NEVER;
                some |= washed;
                if (end.due(s) && !washed && !end.reached(s)) {
                    here.add(s);
                }
            }
            if (!here.isEmpty()) {
                missed.computeIfAbsent(here, x -> new ArrayList<>()).add(end.sheet().passage(k));
                if (some) {
                    partly.add(here);
                }
            }
        }
        missed.forEach((some, passages) -> report(end, out, some, passages, partly.contains(some)));
    }

    private void report(
            Ending end,
            Findings out,
            List<SurfaceAt> missed,
            List<Passage> passages,
            boolean partly) {
        List<String> ids = missed.stream().map(s -> end.sheet().surface(s).id()).toList();
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "passage-cleaned.in-no-cleaner-reaches",
                                "In {0} no cleaner reaches {1}.",
                                passages.stream().map(p -> SheetIndex.spoken(p.name())).toList(),
                                partly
                                        ? end.sheet().names(ids)
                                        : Text.of("passage-cleaned.anything", "anything")),
                        Text.of(
                                "passage-cleaned.nobody-sees-into-it-what",
                                "Nobody sees into it; what grows there goes into every portion."))
                .under(leftOn(end, out, missed))
                .deny(missed);
    }

    /** The part that was left on, where all that is missed is its own. */
    private static Findings.@Nullable Report leftOn(
            Ending end, Findings out, List<SurfaceAt> missed) {
        PartAt owner = end.sheet().ownerOf(missed.getFirst());
        return missed.stream().allMatch(s -> end.sheet().ownerOf(s).equals(owner))
                ? out.onItem(end.sheet().part(owner).id(), RuleId.C6)
                : null;
    }
}
