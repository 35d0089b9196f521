package orthopur.drafting;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orthopur.machine.Frequency;
import orthopur.machine.Handling;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;
import orthopur.verdict.Mending;

/** Writes the procedure of one sheet for one kind of clean; the same input gives the same text. */
public final class Drafter {
    private final Work work;
    private final Script script;

    /**
     * What is asked for.
     *
     * @param id of the procedure
     * @param scope options by group; a group that is not in it has the fitted one
     * @param halves whether it is stripped, washed and dried at closing, and put together and
     *     sanitized at opening
     */
    public record Request(
            String id,
            String title,
            Frequency kind,
            Schools schools,
            Map<String, List<String>> scope,
            boolean halves) {
        /** In one go. */
        public Request(
                String id,
                String title,
                Frequency kind,
                Schools schools,
                Map<String, List<String>> scope) {
            this(id, title, kind, schools, scope, false);
        }
    }

    private Drafter(MachineSheet sheet, Request request, Context context) {
        this.work = new Work(sheet, request, context);
        this.script = new Script(work);
    }

    /**
     * A complete procedure without a STOP or a FIX.
     *
     * @throws DraftRefused when the sheet and the site allow none, with the reasons
     */
    public static Procedure draft(MachineSheet sheet, Request request, Context context) {
        Procedure p = new Drafter(sheet, request, context).write();
        Mending.Mended mended = Mending.all(p, sheet, context);
        List<Text> left =
                mended.verdict().findings().stream()
                        .filter(f -> f.under() == null)
                        .filter(f -> !f.severity().equals(orthopur.runthrough.Severity.ADVISE))
                        .map(Finding::said)
                        .toList();
        if (!left.isEmpty()) {
            throw new DraftRefused(left);
        }
        return mended.procedure();
    }

    private Procedure write() {
        refuseWhatNobodyCanWrite();
        Safety safety = new Safety(work, script);
        if (work.onlyProgram()) {
            safety.descaled();
        } else {
            byHand(safety);
        }
        script.fetch();
        return new Procedure(
                work.request.id(),
                work.request.title(),
                work.sheet.code(),
                work.sheet.version(),
                work.context.book().version(),
                work.request.kind(),
                work.request.schools(),
                work.people,
                List.copyOf(script.ppe),
                work.request.scope(),
                script.steps);
    }

    /** Made safe, taken apart, cleaned by hand and put together. */
    private void byHand(Safety safety) {
        Dismantling machine = new Dismantling(work, script);
        CleanChain chain = new CleanChain(work, script);
        boolean inPlace = work.request.schools().assembledFirst();
        chain.washOutSinks();
        safety.programs();
        safety.makeSafe();
        machine.takeApart();
        machine.fit();
        chain.wash();
        chain.inspect();
        if (work.request.halves()) {
            chain.overnight();
            chain.freshHands("Opening half. Wash your hands and put on fresh gloves first");
            safety.takeOver();
        }
        if (!inPlace) {
            chain.fill();
        }
        chain.sanitize();
        chain.dry();
        // What is turned to be oiled is turned by what was fitted for it.
        machine.lubricate();
        machine.unfit();
        machine.putTogether();
        if (inPlace) {
            chain.fill();
        }
        if (!work.pumped().isEmpty()) {
            machine.fitForLines();
            safety.liveForLines();
            chain.lines();
            safety.deadAfterLines();
            machine.unfitFromLines();
        }
        safety.release();
    }

    private void refuseWhatNobodyCanWrite() {
        List<Text> reasons = new ArrayList<>();
        for (Surface s : work.treated) {
            if (work.means.wash(s) == null) {
                reasons.add(
                        Text.of(
                                "draft-refused.no-wash",
                                "This site owns nothing that may wash {0} at a temperature it bears.",
                                SheetIndex.spoken(s.name())));
            }
            if (Work.sanitized(s) && work.means.sanitizer(s) == null) {
                reasons.add(
                        Text.of(
                                "draft-refused.no-sanitizer",
                                "This site owns no sanitizer that {0} bears.",
                                SheetIndex.spoken(s.name())));
            }
        }
        for (Part p : work.apart.inOrder()) {
            boolean many = p.moving().index() == Handling.Index.HOLD_TO_RUN && p.count() > 1;
            if (many) {
                reasons.add(
                        Text.of(
                                "draft-refused.hold-to-run",
                                "{0} comes off at one position that is reached under power, {1} times; that wants a person to write it.",
                                p.name(),
                                p.count()));
            }
        }
        if (!reasons.isEmpty()) {
            throw new DraftRefused(reasons);
        }
    }
}
