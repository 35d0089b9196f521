package orthopur.round;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.roundpack.RoundPack;

/** What a cleaner enters at a step. The envelope around it (who, when, device) is the server's. */
public sealed interface Entry {
    /** The step it belongs to. */
    String step();

    /** What is done at the desk once a round is handed over; never from a tablet without signal. */
    sealed interface Afterwards extends Entry {}

    /** A piece came off (or, corrected, went back) or went on. */
    record PieceMoved(String step, String piece, boolean off) implements Entry {}

    /** The timer of the step was started: parts are in the soak, the surface is wet. */
    record TimerStarted(String step) implements Entry {}

    /** The surface did not stay wet: contact starts anew. */
    record ContactBroken(String step) implements Entry {}

    /**
     * @param strength as shown by the instrument, in mg/L
     * @param temperature in °C
     */
    record ReadingTaken(String step, String instrument, double strength, double temperature)
            implements Entry {}

    /**
     * Which solution of the site the step uses.
     *
     * @param label on its vessel
     * @param chemical id of the product in it
     * @param until epoch milliseconds until when it may be used; null where its label names none
     */
    record SolutionUsed(String step, String label, String chemical, @Nullable Long until)
            implements Entry {}

    /** What was done about a reading that was not in. */
    record CorrectiveAction(String step, String text) implements Entry {}

    /** A check of the sheet: its value, or null where it was looked at and found right. */
    record CheckMade(String step, String check, @Nullable Double value) implements Entry {}

    /** Something to confirm was confirmed: it is isolated, people are clear, it is at its mark. */
    record Confirmed(String step, String ask) implements Entry {}

    /**
     * Somebody puts their own lock on an energy, or takes it off.
     *
     * @param lock the number on the lock
     * @param reason why somebody else's lock comes off, by the supervisor's procedure; else null
     */
    record LockMoved(String step, String energy, String lock, boolean on, @Nullable String reason)
            implements Entry {}

    /**
     * Something is wrong.
     *
     * @param item the part, where it is about one
     */
    record TroubleSaid(String step, RoundPack.Trouble.Kind kind, @Nullable String item, String text)
            implements Entry {}

    /** A picture; its bytes are kept under their SHA-256. */
    record PhotoTaken(String step, String sha256, String what) implements Entry {}

    /** The step was done otherwise than written, and why. */
    record Deviation(String step, String reason) implements Entry {}

    record StepDone(String step) implements Entry {}

    /** The round is handed over. */
    record RoundClosed(String step) implements Entry {}

    /**
     * A finding of the one who looks before production may start.
     *
     * @param site where it was taken: a look, a swab, the last rinse
     * @param value null for a look
     */
    record Proof(
            String step, String site, @Nullable Double value, @Nullable String unit, boolean passed)
            implements Afterwards {}

    /**
     * @param until epoch milliseconds, for a release with a time limit; else null
     * @param condition what the limit is for
     */
    record Released(String step, @Nullable Long until, @Nullable String condition)
            implements Afterwards {}

    /**
     * An entry was wrong. It stays as it is; this says beside it what is right.
     *
     * @param entry the id of the entry
     */
    record Correction(String step, String entry, String text) implements Afterwards {}

    /** Not released: this part is cleaned again, with what it touched. */
    record SentBack(String step, String item, String reason) implements Afterwards {}

    /**
     * What has to be found before this round is released, written down when it is handed over, so
     * that nobody's later change of sheet or rule book makes it less.
     *
     * @param secondPerson whether it has to be somebody who did not do the work
     */
    record ReleasePlanned(String step, List<ReleaseSite> sites, boolean secondPerson)
            implements Afterwards {
        public ReleasePlanned {
            sites = List.copyOf(sites);
        }
    }
}
