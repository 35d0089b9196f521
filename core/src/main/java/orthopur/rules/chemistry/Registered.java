package orthopur.rules.chemistry;

import orthopur.chemical.Chemical;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S16: a sanitizer that is registered for food contact, with the organisms it is for. */
public final class Registered extends BookRule {
    public Registered() {
        super(
                RuleId.S16,
                Severity.STOP,
                "The sanitizer is registered for food-contact surfaces",
                "40 CFR 180.940; 21 CFR 178.1010");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sanitize)) {
            return;
        }
        Chemical c = m.context().chemical(m.action().chemical());
        if (c == null || !c.kind().sanitizes() || out.onCause(RuleId.S16, c.id()) != null) {
            return;
        }
        boolean forContact = names(c.uses(), "food-contact");
        if (c.registration() == null || !forContact) {
            out.report(info)
                    .cause(c.id())
                    .items(m.surfaceIds(m.exposed()))
                    .says(
                            Text.of(
                                    "registered.uses-which",
                                    "Step {0} uses {1}, which {2}.",
                                    m.number(),
                                    c.name(),
                                    c.registration() == null
                                            ? Text.of(
                                                    "registered.has-no-registration-on-this",
                                                    "has no registration on this site")
                                            : Text.of(
                                                    "registered.has-no-directions-for-food",
                                                    "has no directions for food-contact surfaces")),
                            Text.of(
                                    "registered.what-is-not-registered-for",
                                    "What is not registered for it has not been shown to work or to be safe there."))
                    .deny(m.exposed());
        } else if (c.organisms().isEmpty()) {
            out.report(info)
                    .cause(c.id())
                    .severity(Severity.FIX)
                    .says(
                            Text.of(
                                    "registered.the-sheet-of-names-no",
                                    "The sheet of {0} names no organism that it is for.",
                                    c.name()),
                            Text.of(
                                    "registered.a-sanitizer-that-does-not",
                                    "A sanitizer that does not work on the target organism leaves it alive."));
        }
    }
}
