package orthopur.round;

import java.util.Arrays;
import java.util.List;
import orthopur.text.Objection;
import orthopur.text.Text;

/** An entry that was not accepted, and why. */
public final class Refused extends Objection {
    private static final long serialVersionUID = 1L;

    /** Why. */
    public enum Why {
        CLOSED("refusal.closed", "This round is closed; nothing more can be entered."),
        NOT_CLOSED("refusal.not-closed", "This round is not handed over yet."),
        ALREADY_DONE("refusal.already-done", "Step {0} is already done."),
        COMES_FIRST("refusal.comes-first", "Step {0} comes first."),
        NO_STEP("refusal.no-step", "This round has no such step."),
        NO_TIMER("refusal.no-timer", "Step {0} has no timer."),
        NO_PIECE("refusal.no-piece", "There is no such piece in this round."),
        TOO_MANY("refusal.too-many", "Step {0} has no such piece: there are {2} of {3} in all."),
        NO_READING("refusal.no-reading", "Step {0} takes no reading."),
        NO_INSTRUMENT("refusal.no-instrument", "There is no such instrument."),
        SAY_FIRST(
                "refusal.say-first",
                "The last reading was out of range. Enter the corrective action first, then read again."),
        NOTHING_TO_CORRECT(
                "refusal.nothing-to-correct", "There is no reading at step {0} to correct."),
        SAY_WHAT("refusal.say-what", "Enter what was done."),
        NO_CHECK("refusal.no-check", "Step {0} has no such check."),
        NEEDS_VALUE("refusal.needs-value", "“{0}” needs its value in {1}."),
        NOT_TAPPED("refusal.not-tapped", "Not yet tapped: {0}."),
        SOAKING("refusal.soaking", "The soak needs another {0}."),
        READ_FIRST("refusal.read-first", "Read strength and temperature first."),
        NOT_IN(
                "refusal.not-in",
                "The last reading is out of range. Correct it, enter the corrective action, and read again."),
        START_CONTACT(
                "refusal.start-contact", "Start the wet contact when the last surface is wet."),
        KEEP_WET("refusal.keep-wet", "Keep it wet for another {0}."),
        OUT_OF_RANGE("refusal.out-of-range", "“{0}” is out of range; set it and check again."),
        TOO_CLOSE(
                "refusal.too-close",
                "Can’t tell “{0}” with this gauge: set it further inside the range, or use a finer one."),
        NOT_CHECKED("refusal.not-checked", "Not yet checked: {0}."),
        NOT_CONFIRMED("refusal.not-confirmed", "Not yet confirmed: {0}."),
        NO_ASK("refusal.no-ask", "Step {0} does not ask for that."),
        NO_ENERGY("refusal.no-energy", "There is no such energy to lock at this machine."),
        NO_PHOTO("refusal.no-photo", "Step {0} needs a photo; take it with the camera."),
        NO_LOCK_NUMBER("refusal.no-lock-number", "Say the number on the lock."),
        LOCK_ON("refusal.lock-on", "Lock {0} is already on {1}."),
        NO_LOCK("refusal.no-lock", "There is no lock {0} on {1}."),
        NOT_YOUR_LOCK(
                "refusal.not-your-lock",
                "Lock {0} belongs to {1}. Nobody takes off another’s lock; the supervisor has a procedure for it."),
        NOT_YET("refusal.not-yet", "Locks stay on until step {0}."),
        OWN_LOCK(
                "refusal.own-lock",
                "{0} has no lock on {1}. Everybody with hands in the machine puts on their own."),
        STILL_OFF("refusal.still-off", "Still off the machine: {0}."),
        STILL_FITTED("refusal.still-fitted", "Still fitted for cleaning: {0}."),
        STILL_LOCKED("refusal.still-locked", "Still locked: {0}."),
        NOT_DONE("refusal.not-done", "Step {0} is not done yet."),
        NO_PART("refusal.no-part", "There is no such part in this round."),
        NAME_THE_PART("refusal.name-the-part", "Say which part."),
        ALREADY_RELEASED("refusal.already-released", "This round is already released."),
        PROOF_FAILED("refusal.proof-failed", "“{0}” did not pass. Re-clean, or read again."),
        PLAN_FIXED(
                "refusal.plan-fixed",
                "The inspection list was fixed when the round was handed over."),
        NO_PLAN("refusal.no-plan", "There is no inspection list; it cannot be released like this."),
        NOT_IN_PLAN("refusal.not-in-plan", "The plan of this round has no site “{0}”."),
        NOT_FOUND("refusal.not-found", "Not released: still to be found or passed: {0}."),
        TOO_LONG("refusal.too-long", "A conditional release lasts 1 to {0} hours."),
        SAY_CONDITION("refusal.say-condition", "Say what the conditional release waits for."),
        NOT_EVEN_SO(
                "refusal.not-even-so",
                "Not even for a time: the inspection has to be done, and nothing may have failed."),
        DID_THE_WORK(
                "refusal.did-the-work",
                "{0} did work in this round; somebody else has to release it."),
        NOT_YOURS("refusal.not-yours", "{0} may not do this: it is for {1}."),
        NOT_SIGNED("refusal.not-signed", "This has to be signed; that takes a connection."),
        STILL_HOLDS("refusal.still-holds", "{0} still holds {1}. Correct that, or empty it first."),
        NOT_RINSED(
                "refusal.not-rinsed",
                "{0} held {1} and was not washed out. Wash it out before something else goes in."),
        NO_SOLUTION(
                "refusal.no-solution",
                "No solution of this site has the label {0}, or it is poured out."),
        LABEL_TAKEN(
                "refusal.label-taken",
                "Label {0} is on {1} already; one label stands for one solution."),
        NO_MIX("refusal.no-mix", "Step {0} uses no solution."),
        OTHER_PRODUCT("refusal.other-product", "Label {0} is another product than this step uses."),
        TOO_OLD(
                "refusal.too-old",
                "The solution with label {0} is older than it may get: mix a new one."),
        READ_IT_FIRST(
                "refusal.read-it-first",
                "The solution with label {0} was corrected and nobody has read it since. Read it."),
        NOT_OF_SITE("refusal.not-of-site", "This site has no {0} “{1}”."),
        NOT_ON_SHEET("refusal.not-on-sheet", "The sheet of {0} has no {1} “{2}”."),
        LOT_EXPIRED("refusal.lot-expired", "Lot {0} has expired; it decides nothing any more."),
        FAILED_CHECK("refusal.failed-check", "{0} failed its last check. Read with another one."),
        COUNT_WENT_BACK(
                "refusal.count-went-back",
                "The count stood at {0}; {1} is less. If its display was replaced, say so; else read it again.");

        private final String id;
        private final String english;

        Why(String id, String english) {
            this.id = id;
            this.english = english;
        }

        /** By what the languages know it. */
        public String id() {
            return id;
        }

        /** The sentence, with a place for each thing that is named. */
        public String english() {
            return english;
        }
    }

    private final Why why;

    /**
     * @param with what stands in the sentence, in its order: words, sentences and lists of them
     */
    public Refused(Why why, Object... with) {
        super(
                new Text(
                        why.id,
                        why.english,
                        Arrays.stream(with)
                                .map(
                                        a ->
                                                a instanceof Text || a instanceof List
                                                        ? a
                                                        : String.valueOf(a))
                                .toList()));
        this.why = why;
    }

    public Why why() {
        return why;
    }
}
