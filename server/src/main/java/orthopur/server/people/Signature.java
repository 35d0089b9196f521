package orthopur.server.people;

/**
 * Somebody has signed: their PIN was right a moment ago. What has to be signed asks for one, so
 * that no way leads past the PIN; and as comparing is slow on purpose, it is done before a
 * transaction begins.
 */
public final class Signature {
    private final Person by;

    Signature(Person by) {
        this.by = by;
    }

    /** Who has signed. */
    public Person by() {
        return by;
    }
}
