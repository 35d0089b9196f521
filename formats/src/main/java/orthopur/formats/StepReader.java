package orthopur.formats;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Problem;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.text.Text;

/** Reads one step of a document; collects every error instead of stopping at the first. */
final class StepReader {
    private static final int LONGEST = 2000;

    private final StepDocument d;
    private final String at;
    private final List<Problem> problems;

    StepReader(StepDocument document, String pointer, List<Problem> problems) {
        this.d = document;
        this.at = pointer;
        this.problems = problems;
    }

    /** The step, or null where an error was added. */
    @Nullable Step read() {
        int before = problems.size();
        ActionTable.ActionInfo info = ActionTable.named(d.action());
        if (info == null) {
            say(
                    "action",
                    Text.of(
                            "step-reader.is-not-an-action-actions-are",
                            "\"{0}\" is not an action; actions are {1}.",
                            d.action(),
                            String.join(
                                    ", ",
                                    ActionTable.all().stream()
                                            .map(ActionTable.ActionInfo::name)
                                            .toList())));
            return null;
        }
        if (d.id() == null || !d.id().matches("[a-z0-9][a-z0-9-]{0,39}")) {
            say(
                    "id",
                    Text.of(
                            "step-reader.a-step-id-is-to-lower",
                            "A step id is 1 to 40 lower-case letters, digits and hyphens."));
        }
        double minutes = d.minutes() == null ? 1 : d.minutes();
        if (!(minutes >= 0 && minutes <= 600)) {
            say(
                    "minutes",
                    Text.of(
                            "step-reader.planned-minutes-are-allowed-is-to",
                            "Planned minutes are {0}; allowed is 0 to 600.",
                            minutes));
        }
        int people = d.people() == null ? 1 : d.people();
        if (people < 1 || people > 20) {
            say(
                    "people",
                    Text.of(
                            "step-reader.people-are-allowed-is-to",
                            "People are {0}; allowed is 1 to 20.",
                            people));
        }
        tooLong("words", d.words());
        tooLong("because", d.because());
        tooLong("caution", d.caution());
        Action action = StepFields.read(info, d.fields(), this::say);
        if (problems.size() > before || action == null) {
            return null;
        }
        return new Step(
                d.id(),
                action,
                d.words() == null ? "" : d.words(),
                d.because(),
                d.caution(),
                minutes,
                people,
                d.when(),
                d.loop(),
                d.photo(),
                d.asFound());
    }

    private void tooLong(String field, @Nullable String text) {
        if (text != null && text.length() > LONGEST) {
            say(
                    field,
                    Text.of(
                            "step-reader.the-text-has-characters-allowed-are",
                            "The text has {0} characters; allowed are {1}.",
                            text.length(),
                            LONGEST));
        }
    }

    private void say(String field, Text said) {
        problems.add(new Problem(at + "/" + field, said));
    }
}
