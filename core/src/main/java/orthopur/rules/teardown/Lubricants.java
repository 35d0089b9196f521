package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.machine.Assembly.Lubrication;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/**
 * T8: the right film at the right point: none where the sheet says none, food-grade near food,
 * permitted in food where it is left on purpose, and no point forgotten.
 */
public final class Lubricants extends BookRule {
    public Lubricants() {
        super(
                "T8",
                Severity.STOP,
                "Food-grade lubricant where the sheet says, none where it says none",
                "21 CFR 178.3570 and 172.878; machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        boolean coats = m.action() instanceof Action.Coat;
        if (!coats && !(m.action() instanceof Action.Lubricate)) {
            return;
        }
        Chemical c = m.context().chemical(m.action().chemical());
        List<String> unfit = new ArrayList<>();
        boolean contact = false;
        for (int p : m.parts()) {
            Part part = m.sheet().part(p);
            List<Lubrication> points = part.fitting().lubrication();
            if (!coats && !points.isEmpty() && points.stream().allMatch(Lubrication::never)) {
                out.report(info)
                        .items(List.of(part.id()))
                        .says(
                                "Step %d lubricates %s, which must stay dry: %s."
                                        .formatted(
                                                m.number(),
                                                m.sheet().names(List.of(part.id())),
                                                points.getFirst().point()),
                                "A greased face seal is pressed out of its seat.");
            }
            if (m.action() instanceof Action.Lubricate a) {
                drops(m, part, a, out);
            }
            if (!coats && points.isEmpty() && !part.surfaces().isEmpty()) {
                out.report(info)
                        .severity(Severity.FIX)
                        .items(List.of(part.id()))
                        .says(
                                "Step %d lubricates %s, for which the sheet names no point."
                                        .formatted(m.number(), m.sheet().names(List.of(part.id()))),
                                "Oil where none belongs drips into the food; if it belongs there, the sheet has to say so.");
            }
            int zone = part.surfaces().stream().mapToInt(Surface::zone).min().orElse(4);
            boolean enough =
                    c != null
                            && (coats && zone == 1
                                    ? c.foodGrade() == Chemical.FoodGrade.IN_FOOD
                                    : c.foodGrade() != null);
            if (zone <= 2 && !enough) {
                unfit.add(part.id());
                contact |= zone == 1;
            }
        }
        if (!unfit.isEmpty()) {
            String lack =
                    coats && contact
                            ? ", which is not permitted in food"
                            : ", which is not food-grade";
            out.report(info)
                    .items(unfit)
                    .says(
                            "Step %d leaves %s on %s%s."
                                    .formatted(
                                            m.number(),
                                            c == null ? "a lubricant that is not named" : c.name(),
                                            m.sheet().names(unfit),
                                            c == null ? "" : lack),
                            "What is greased here goes into the food.");
        }
    }

    /** More runs off into the food, fewer runs dry. */
    private void drops(Moment m, Part part, Action.Lubricate a, Findings out) {
        for (Lubrication point : part.fitting().lubrication()) {
            boolean off = point.drops() != null && !point.drops().equals(a.drops());
            boolean still = point.workIn() != null && !a.workedIn();
            if (point.never() || !off && !still) {
                continue;
            }
            out.report(info)
                    .severity(Severity.FIX)
                    .items(List.of(part.id()))
                    .says(
                            "Step %d lubricates %s, %s%s."
                                    .formatted(
                                            m.number(),
                                            point.point(),
                                            off
                                                    ? "with %s; the sheet says %d"
                                                            .formatted(
                                                                    a.drops() == null
                                                                            ? "drops not stated"
                                                                            : a.drops() + " drops",
                                                                    point.drops())
                                                    : "and does not work it in",
                                            still ? ": " + point.workIn() : ""),
                            "Too much runs into the food, too little runs dry.");
            return;
        }
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        for (int p = 0; p < end.sheet().partCount(); p++) {
            Part part = end.sheet().part(p);
            for (Lubrication point : part.fitting().lubrication()) {
                boolean due = !point.never() && point.frequency().dueIn(end.procedure().kind());
                boolean done =
                        end.procedure().steps().stream()
                                .anyMatch(
                                        s ->
                                                (s.action() instanceof Action.Lubricate
                                                                || s.action()
                                                                        instanceof Action.Coat)
                                                        && s.action().items().contains(part.id()));
                if (due && !done) {
                    out.report(info)
                            .severity(Severity.FIX)
                            .items(List.of(part.id()))
                            .says(
                                    "%s is not lubricated: %s is due %s."
                                            .formatted(
                                                    part.name(),
                                                    point.point(),
                                                    point.frequency().shown()),
                                    "A dry bearing or ring wears, leaks and sheds.");
                    break;
                }
            }
        }
    }
}
