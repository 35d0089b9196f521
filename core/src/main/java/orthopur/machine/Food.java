package orthopur.machine;

/** What runs on a machine, as far as who eats it goes. */
public enum Food {
    /** It is cooked or washed later. */
    RAW,
    /** Nothing is done to it any more before it is eaten. */
    READY_TO_EAT
}
