package orthopur.round;

/** What a person does on this site. */
public enum Role {
    SUPERVISOR,
    CREW,
    QA,
    AUDITOR;

    /** Writes, changes and approves procedures. */
    public boolean writes() {
        return this == SUPERVISOR;
    }

    /** Carries rounds out at the machine. */
    public boolean carriesOut() {
        return this == SUPERVISOR || this == CREW;
    }

    /** Looks before production may start, and releases. */
    public boolean releases() {
        return this == SUPERVISOR || this == QA;
    }
}
