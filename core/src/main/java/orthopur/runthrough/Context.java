package orthopur.runthrough;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.instrument.Instrument;
import orthopur.machine.Cart;
import orthopur.machine.Configuration;
import orthopur.machine.Vessel;
import orthopur.procedure.Action;
import orthopur.quantity.Hardness;
import orthopur.quantity.Ph;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.rulebook.RuleBook;

/**
 * What a verdict depends on beside the procedure and the sheet. Given explicitly, so that the same
 * input always gives the same verdict.
 *
 * @param chemicals products by id
 * @param hardness of the mains; null where it was never measured
 * @param configuration how the machine is fitted in this run
 * @param youngest age in years of the youngest on the crew; null where it is not known
 * @param vessels sinks, buckets and baths of the site
 * @param lastFlows which way each passage was flushed at the last service, by its id; one that is
 *     missing is not known
 * @param tap what comes from the tap; null where it was never measured
 * @param held what vessels hold when the round begins, by name
 * @param instruments what the site measures with; null where nobody has said
 * @param carts on which parts go to be washed
 */
@RecordBuilder
public record Context(
        RuleBook book,
        Map<String, Chemical> chemicals,
        @Nullable Hardness hardness,
        Configuration configuration,
        @Nullable Integer youngest,
        List<Vessel> vessels,
        Map<String, Action.Flow> lastFlows,
        @Nullable Tap tap,
        Map<String, Night.Vessel> held,
        @Nullable List<Instrument> instruments,
        List<Cart> carts)
        implements ContextBuilder.With {

    public Context {
        chemicals = Map.copyOf(chemicals);
        vessels = List.copyOf(vessels);
        lastFlows = Map.copyOf(lastFlows);
        held = Map.copyOf(held);
        instruments = instruments == null ? null : List.copyOf(instruments);
        carts = List.copyOf(carts);
    }

    /**
     * A site of which nothing more is known.
     *
     * @param hardness of the mains; null where it was never measured
     */
    public Context(RuleBook book, List<Chemical> chemicals, @Nullable Hardness hardness) {
        this(
                book,
                chemicals.stream()
                        .collect(Collectors.toUnmodifiableMap(Chemical::id, Function.identity())),
                hardness,
                new Configuration(Map.of()),
                null,
                List.of(),
                Map.of(),
                null,
                Map.of(),
                null,
                List.of());
    }

    /** The same for another way in which the machine is fitted. */
    public Context in(Configuration other) {
        return withConfiguration(other);
    }

    /** The vessel that a procedure means by a name, or null where the site does not list it. */
    public @Nullable Vessel vessel(@Nullable String name) {
        return vessels.stream().filter(v -> v.name().equals(name)).findFirst().orElse(null);
    }

    /** The cart that a procedure means by a name, or null where the site does not list it. */
    public @Nullable Cart cart(String name) {
        return carts.stream().filter(c -> c.name().equalsIgnoreCase(name)).findFirst().orElse(null);
    }

    /**
     * What comes from the tap.
     *
     * @param ph null where it was never measured
     * @param temperature null where it was never measured
     * @param drinkable false where it is no drinking water
     * @param tested when it was found to be free of E. coli, in words; null where there is no
     *     record
     */
    public record Tap(
            @Nullable Ph ph,
            @Nullable Temperature temperature,
            boolean drinkable,
            @Nullable String tested) {
        /** Drinking water of which no test is on record. */
        public Tap(@Nullable Ph ph, @Nullable Temperature temperature) {
            this(ph, temperature, true, null);
        }
    }

    /** pH of the mains, to which a rinse returns; null where it was never measured. */
    public @Nullable Ph tapPh() {
        return tap == null ? null : tap.ph();
    }

    /** How warm the mains are; null where it was never measured. */
    public @Nullable Temperature tapTemperature() {
        return tap == null ? null : tap.temperature();
    }

    /** Which way this passage was flushed at the last service, or null where nobody knows. */
    public Action.@Nullable Flow lastFlow(String passage) {
        return lastFlows.get(passage);
    }

    /** The same by another rule book. */
    public Context by(RuleBook other) {
        return withBook(other);
    }

    public @Nullable Chemical chemical(@Nullable String id) {
        return id == null ? null : chemicals.get(id);
    }

    /** Strength of a product's concentrate, where the sheet of the product gives one. */
    public @Nullable Strength stockOf(Chemical chemical) {
        return chemical.stock() == null ? null : chemical.stock().strength();
    }
}
