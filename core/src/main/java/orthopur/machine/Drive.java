package orthopur.machine;

/** What moves a machine. */
public enum Drive {
    POWERED,
    /** A hand wheel or lever; nothing starts by itself. */
    BY_HAND,
    /** Nothing on it moves. */
    NONE
}
