package orthopur.round;

import java.util.List;
import orthopur.text.Text;

/**
 * An entry that was not accepted, and why. The tablet says the same in its own language, so the
 * reason has a name and what goes into the sentence.
 */
public final class Refused extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    /** Why. */
    public enum Why {
        CLOSED("This round is closed; nothing more can be entered."),
        NOT_CLOSED("This round is not handed over yet."),
        ALREADY_DONE("Step %s is already done."),
        COMES_FIRST("Step %s comes first."),
        NO_STEP("This round has no step \"%s\"."),
        NO_TIMER("Step %s has no timer."),
        NO_PIECE("There is no piece %s in this round."),
        TOO_MANY("Step %s has no piece %s: there are %s of %s in all."),
        NO_READING("Step %s takes no reading."),
        NO_INSTRUMENT("There is no instrument %s."),
        SAY_FIRST(
                "The last reading was out of range. Enter the corrective action first, then read again."),
        NOTHING_TO_CORRECT("There is no reading at step %s to correct."),
        SAY_WHAT("Enter what was done."),
        NO_CHECK("Step %s has no check %s."),
        NEEDS_VALUE("The check \"%s\" needs its value in %s."),
        NOT_TAPPED("Not yet tapped: %s."),
        SOAKING("The soak needs another %s."),
        READ_FIRST("Read strength and temperature first."),
        NOT_IN(
                "The last reading is out of range. Correct it, enter the corrective action, and read again."),
        START_CONTACT("Start the wet contact when the last surface is wet."),
        KEEP_WET("Keep it wet for another %s."),
        OUT_OF_RANGE("\"%s\" is out of range; set it and check again."),
        TOO_CLOSE(
                "Can’t tell \"%s\" with this gauge: set it further inside the range, or use a finer one."),
        NOT_CHECKED("Not yet checked: %s."),
        NOT_CONFIRMED("Not yet confirmed: %s."),
        NO_ASK("Step %s does not ask for %s."),
        NO_ENERGY("There is no energy %s to lock at this machine."),
        NO_PHOTO("Step %s needs a photo; take it with the camera."),
        NO_LOCK_NUMBER("Say the number on the lock."),
        LOCK_ON("Lock %s is already on %s."),
        NO_LOCK("There is no lock %s on %s."),
        NOT_YOUR_LOCK(
                "Lock %s is %s's. Nobody takes off another's lock; the supervisor has a procedure for it."),
        NOT_YET("Locks stay on until step %s."),
        OWN_LOCK("%s has no lock on %s. Everybody with hands in the machine puts on their own."),
        STILL_OFF("Still off the machine: %s."),
        STILL_FITTED("Still fitted for cleaning: %s."),
        STILL_LOCKED("Still locked: %s."),
        NOT_DONE("Step %s is not done yet."),
        NO_PART("There is no part \"%s\" in this round."),
        NAME_THE_PART("Say which part."),
        ALREADY_RELEASED("This round is already released."),
        PROOF_FAILED("\"%s\" did not pass. Re-clean, or read again."),
        PLAN_FIXED("The inspection list was fixed when the round was handed over."),
        NO_PLAN("There is no inspection list; it cannot be released like this."),
        NOT_IN_PLAN("The plan of this round has no site \"%s\"."),
        NOT_FOUND("Not released: still to be found or passed: %s."),
        TOO_LONG("A conditional release lasts 1 to %s hours."),
        SAY_CONDITION("Say what the conditional release waits for."),
        NOT_EVEN_SO("Not even for a time: the look has to be done, and nothing may have failed."),
        DID_THE_WORK("%s did work in this round; somebody else has to release it."),
        NOT_YOURS("%s may not do this: it is for %s."),
        NOT_SIGNED("This has to be signed; that takes a connection."),
        STILL_HOLDS("%s still holds %s. Correct that, or empty it first."),
        NOT_RINSED("%s held %s and was not washed out. Wash it out before something else goes in."),
        NO_SOLUTION("No solution of this site has the label %s, or it is poured out."),
        LABEL_TAKEN("Label %s is on %s already; one label stands for one solution."),
        NO_MIX("Step %s uses no solution."),
        OTHER_PRODUCT("Label %s is %s; step %s uses %s."),
        TOO_OLD("The solution with label %s is older than it may get: mix a new one."),
        READ_IT_FIRST(
                "The solution with label %s was corrected and nobody has read it since. Read it."),
        NOT_OF_SITE("This site has no %s \"%s\"."),
        NOT_ON_SHEET("The sheet of %s has no %s \"%s\"."),
        LOT_EXPIRED("Lot %s has expired; it decides nothing any more."),
        FAILED_CHECK("%s failed its last check. Read with another one."),
        COUNT_WENT_BACK(
                "The count stood at %s; %s is less. If its display was replaced, say so; else read it again.");

        private final String sentence;

        Why(String sentence) {
            this.sentence = sentence;
        }
    }

    private final Why why;
    private final transient List<Object> with;

    public Refused(Why why, Object... with) {
        super(why.sentence.formatted(java.util.Arrays.stream(with).map(Refused::shown).toArray()));
        this.why = why;
        this.with =
                java.util.Arrays.stream(with)
                        .map(a -> a instanceof Text || a instanceof List ? a : String.valueOf(a))
                        .toList();
    }

    public Why why() {
        return why;
    }

    private static Object shown(Object arg) {
        return arg instanceof List<?> all ? Text.of("", "{0}", all) : arg;
    }

    /** What goes into the sentence, in its order: words, sentences and lists of them. */
    public List<Object> with() {
        return with;
    }
}
