package orthopur.rules.chemistry;

import java.time.Duration;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.quantity.Show;
import orthopur.quantity.Volume;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S3: the surface stays wet as long as code and label ask; the longer of the two counts. */
public final class ContactTime extends BookRule {
    public ContactTime() {
        super(
                RuleId.S3,
                Severity.STOP,
                "The surface stays wet with sanitizer long enough",
                "Food Code 2022, 4-703.11(C)");
    }

    @Override
    public void look(Moment m, Findings out) {
        SanitizerUse u = SanitizerUse.of(m);
        if (u == null) {
            return;
        }
        tooLittle(m, u, out);
        Duration needed = u.answer().contact();
        Duration stated = u.step().contact();
        if (stated != null && stated.compareTo(needed) >= 0) {
            return;
        }
        Text message =
                stated == null
                        ? Text.of(
                                "contact-time.not-stated",
                                "Step {0} does not state how long the surface stays wet; {1} asks for {2}.",
                                m.number(),
                                u.chemical().name(),
                                Show.duration(needed))
                        : Text.of(
                                "contact-time.too-short",
                                "Step {0} keeps the surface wet for {1}; {2} asks for {3}.",
                                m.number(),
                                Show.duration(stated),
                                u.chemical().name(),
                                Show.duration(needed));
        Findings.Report r =
                out.report(info)
                        .items(m.surfaceIds(m.exposed()))
                        .number("needed", needed.getSeconds(), "s")
                        .says(
                                message,
                                Text.of(
                                        "contact-time.a-sanitizer-needs-its-time",
                                        "A sanitizer needs its time; a surface that dries early is not sanitized."))
                        .source(
                                fromLabel(u, needed)
                                        ? "label of " + u.chemical().name()
                                        : info.source())
                        .deny(m.exposed())
                        .propose(
                                Text.of(
                                        "contact-time.contact-time",
                                        "Contact time {0}",
                                        Show.duration(needed)),
                                List.of(
                                        new Edit.Change(
                                                m.step().id(),
                                                m.step()
                                                        .with(
                                                                new Action.Sanitize(
                                                                        u.step().items(),
                                                                        u.step().solution(),
                                                                        u.step().method(),
                                                                        needed,
                                                                        u.step().readings())))));
        if (stated != null) {
            r.number("stated", stated.getSeconds(), "s");
        }
    }

    /** A cupful over a whole machine is dry before its time is up. */
    private void tooLittle(Moment m, SanitizerUse u, Findings out) {
        Volume made = u.step().solution().volume();
        Action.Method how = u.step().method();
        double each = m.context().book().number("wet.least");
        if (made == null
                || how != Action.Method.SPRAY && how != Action.Method.CLOTH
                || made.litres() >= each * m.exposed().size() - 1e-9) {
            return;
        }
        out.report(info)
                .severity(Severity.FIX)
                .items(m.surfaceIds(m.exposed()))
                .number("made", made.litres(), "L")
                .number("needed", each * m.exposed().size(), "L")
                .says(
                        Text.of(
                                "contact-time.too-little",
                                "Step {0} has {1} for {2, plural, one {# surface} other {# surfaces}}; it takes at least {3}.",
                                m.number(),
                                made.shown(),
                                m.exposed().size(),
                                new Volume(each * m.exposed().size()).shown()),
                        Text.of(
                                "contact-time.a-sanitizer-needs-its-time",
                                "A sanitizer needs its time; a surface that dries early is not sanitized."));
    }

    private static boolean fromLabel(SanitizerUse u, Duration needed) {
        return needed.equals(u.chemical().label().contact());
    }
}
