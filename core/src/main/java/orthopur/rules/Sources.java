package orthopur.rules;

/** Paragraphs that more than one rule cites. */
public final class Sources {
    public static final String LOCKOUT = "29 CFR 1910.147";
    public static final String FOOD_CODE_SURFACES = "Food Code 2022, 4-601.11 and 4-602.11";

    private Sources() {}
}
