package orthopur.runthrough;

/** How much a finding weighs. */
public enum Severity {
    /** Someone can be seriously hurt or food contaminated; cannot be approved. */
    STOP,
    /** Wrong or incomplete; approved only with a written reason. */
    FIX,
    /** Better practice. */
    ADVISE
}
