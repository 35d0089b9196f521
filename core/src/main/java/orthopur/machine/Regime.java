package orthopur.machine;

/** Which code's rules and clocks apply at the machine. */
public enum Regime {
    RETAIL,
    PLANT,
    FARM
}
