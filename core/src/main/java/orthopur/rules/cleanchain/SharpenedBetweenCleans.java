package orthopur.rules.cleanchain;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Sharpening;
import orthopur.procedure.Action;
import orthopur.quantity.Show;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.Residue;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C11: clean and dry before sharpening, cleaned after it: the debris is metal. */
public final class SharpenedBetweenCleans extends BookRule {
    public SharpenedBetweenCleans() {
        super(
                RuleId.C11,
                Severity.STOP,
                "Sharpened clean and dry, and cleaned again after it",
                "machine manual; 21 CFR 117.80(c)(8)");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sharpen a)) {
            return;
        }
        tooLong(m, a, out);
        List<SurfaceAt> unfit =
                m.exposed().stream()
                        .filter(s -> !m.night().facts(s).clean() || m.night().facts(s).wet())
                        .toList();
        if (!unfit.isEmpty()) {
            List<String> ids = m.surfaceIds(unfit);
            boolean wet = m.night().facts(unfit.getFirst()).clean();
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "sharpened-between-cleans.sharpens-which-is",
                                    "Step {0} sharpens {1}, which is {2}.",
                                    m.number(),
                                    m.sheet().names(ids),
                                    wet
                                            ? Text.of(
                                                    "sharpened-between-cleans.still-wet",
                                                    "still wet")
                                            : Text.of(
                                                    "sharpened-between-cleans.not-clean",
                                                    "not clean")),
                            Text.of(
                                    "sharpened-between-cleans.soil-clogs-the-stone-and",
                                    "Soil clogs the stone and is ground into the edge."))
                    .deny(unfit);
        }
    }

    /** Ground or honed longer than the sheet says, or for as long as somebody feels like it. */
    private void tooLong(Moment m, Action.Sharpen a, Findings out) {
        for (PartAt p : m.parts()) {
            Sharpening most = m.sheet().part(p).sharpening();
            if (most == null) {
                continue;
            }
            List<Text> off = new ArrayList<>();
            compare(
                    off,
                    Text.of("sharpened-between-cleans.grinding", "grinding"),
                    a.grinding(),
                    most.grinding());
            compare(
                    off,
                    Text.of("sharpened-between-cleans.honing", "honing"),
                    a.honing(),
                    most.honing());
            if (most.turns() != null && (a.turns() == null || a.turns() > most.turns())) {
                off.add(
                        a.turns() == null
                                ? Text.of(
                                        "sharpened-between-cleans.turns-not-stated",
                                        "turns: at most {0}, and none are stated",
                                        most.turns())
                                : Text.of(
                                        "sharpened-between-cleans.turns",
                                        "turns: at most {0}, and {1} are stated",
                                        most.turns(),
                                        a.turns()));
            }
            if (!off.isEmpty()) {
                List<String> ids = List.of(m.sheet().part(p).id());
                out.report(info)
                        .severity(Severity.FIX)
                        .items(ids)
                        .says(
                                Text.of(
                                        "sharpened-between-cleans.sharpens",
                                        "Step {0} sharpens {1}; {2}.",
                                        m.number(),
                                        m.sheet().names(ids),
                                        off),
                                Text.of(
                                        "sharpened-between-cleans.ground-too-long-the-edge",
                                        "Ground too long, the edge is gone and the metal is in the product."));
            }
        }
    }

    private static void compare(
            List<Text> off, Text what, @Nullable Duration stated, @Nullable Duration most) {
        if (most != null && (stated == null || stated.compareTo(most) > 0)) {
            off.add(
                    stated == null
                            ? Text.of(
                                    "sharpened-between-cleans.no-time",
                                    "{0}: at most {1}, and no time is stated",
                                    what,
                                    Show.duration(most))
                            : Text.of(
                                    "sharpened-between-cleans.time",
                                    "{0}: at most {1}, and {2} is stated",
                                    what,
                                    Show.duration(most),
                                    Show.duration(stated)));
        }
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        List<SurfaceAt> metal = new ArrayList<>();
        for (SurfaceAt s : end.sheet().allSurfaces()) {
            Facts f = end.night().facts(s);
            if (f.has(Residue.METAL)) {
                metal.add(s);
            }
        }
        if (!metal.isEmpty()) {
            List<String> ids = metal.stream().map(s -> end.sheet().surface(s).id()).toList();
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "sharpened-between-cleans.was-sharpened-and-never-cleaned",
                                    "{0} was sharpened and never cleaned after it.",
                                    end.sheet().names(ids)),
                            Text.of(
                                    "sharpened-between-cleans.the-debris-is-metal-and",
                                    "The debris is metal, and the next slice carries it away."))
                    .deny(metal);
        }
    }
}
