package orthopur.machine;

/** How often something is due, and how deep a clean goes. Ordered from most to least often. */
public enum Frequency {
    /** After something has happened: sharpening, repair, first use; on its own list only. */
    EVENT("after an event"),
    PER_USE("per use"),
    FOUR_HOURS("every 4 hours of use"),
    PER_MEAL("per meal period"),
    END_OF_SHIFT("end of shift"),
    DAILY("daily"),
    WEEKLY("weekly"),
    MONTHLY("monthly"),
    QUARTERLY("quarterly"),
    YEARLY("yearly");

    private final String shown;

    Frequency(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }

    /** Whether something of this frequency belongs into a clean of that kind. */
    public boolean dueIn(Frequency kind) {
        return this == EVENT || kind == EVENT ? this == kind : compareTo(kind) <= 0;
    }
}
