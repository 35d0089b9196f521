package orthopur.night;

/** Whatever makes plans. */
public interface Planner {
    /**
     * A plan that passes the check.
     *
     * @param seconds after which it is cut short, above 0; the same night gives the same plan
     *     unless it was
     */
    Plan plan(Night night, double seconds);
}
