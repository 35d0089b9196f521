package orthopur.roundpack;

import orthopur.Nullable;

/** What a cleaner enters at a step. The envelope around it (who, when, device) is the server's. */
public sealed interface Entry {
    /** The step it belongs to. */
    String step();

    /** A piece came off (or, corrected, went back) or went on. */
    record PieceMoved(String step, String piece, boolean off) implements Entry {}

    /** The timer of the step was started: parts are in the soak, the surface is wet. */
    record TimerStarted(String step) implements Entry {}

    /**
     * @param strength as shown by the instrument, in mg/L
     * @param temperature in °C
     */
    record ReadingTaken(String step, String instrument, double strength, double temperature)
            implements Entry {}

    /** What was done about a reading that was not in. */
    record CorrectiveAction(String step, String text) implements Entry {}

    /** A check of the sheet: its value, or null where it was looked at and found right. */
    record CheckMade(String step, String check, @Nullable Double value) implements Entry {}

    /** The step was done otherwise than written, and why. */
    record Deviation(String step, String reason) implements Entry {}

    record StepDone(String step) implements Entry {}

    /** The round is handed over. */
    record RoundClosed(String step) implements Entry {}
}
