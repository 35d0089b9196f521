package orthopur.machine;

/**
 * How a washer is built; its least temperatures differ by it (Food Code 2022, 4-501.110, .112). The
 * figures themselves stand in the rule book.
 */
public enum WasherType {
    /** Stationary rack, single temperature: washes and rinses equally hot. */
    RACK_SINGLE("rack-single"),
    /** Stationary rack, dual temperature. */
    RACK_DUAL("rack-dual"),
    /** Conveyor, single tank, dual temperature. */
    CONVEYOR_SINGLE("conveyor-single"),
    /** Conveyor, several tanks, several temperatures. */
    CONVEYOR_MULTI("conveyor-multi"),
    /** Sanitizes with a chemical in the final rinse. */
    CHEMICAL("chemical");

    private final String figure;

    WasherType(String figure) {
        this.figure = figure;
    }

    /** Figure of the rule book with the least temperature of its wash tank. */
    public String tankFigure() {
        return "washer." + figure + ".tank";
    }

    /** Figure of the rule book with the least temperature of its final rinse. */
    public String rinseFigure() {
        return this == RACK_SINGLE ? "washer.rinse.rack-single" : "washer.rinse.least";
    }
}
