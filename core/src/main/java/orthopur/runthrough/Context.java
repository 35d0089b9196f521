package orthopur.runthrough;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
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
 */
public final class Context {
    private final RuleBook book;
    private final Map<String, Chemical> chemicals;
    private final @Nullable Hardness hardness;
    private final Configuration configuration;
    private final @Nullable Integer youngest;
    private final List<Vessel> vessels;
    private final Map<String, Action.Flow> lastFlows;
    private final @Nullable Tap tap;
    private final Map<String, Night.Vessel> held;

    /**
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
                Map.of());
    }

    private Context(
            RuleBook book,
            Map<String, Chemical> chemicals,
            @Nullable Hardness hardness,
            Configuration configuration,
            @Nullable Integer youngest,
            List<Vessel> vessels,
            Map<String, Action.Flow> lastFlows,
            @Nullable Tap tap,
            Map<String, Night.Vessel> held) {
        this.held = held;
        this.book = book;
        this.chemicals = chemicals;
        this.hardness = hardness;
        this.configuration = configuration;
        this.youngest = youngest;
        this.vessels = vessels;
        this.lastFlows = lastFlows;
        this.tap = tap;
    }

    /** The same for another way in which the machine is fitted. */
    public Context in(Configuration other) {
        return new Context(
                book, chemicals, hardness, other, youngest, vessels, lastFlows, tap, held);
    }

    /** How the machine is fitted in this run. */
    public Configuration configuration() {
        return configuration;
    }

    /** Age in years of the youngest on the crew, or null where it is not known. */
    public @Nullable Integer youngest() {
        return youngest;
    }

    /** What vessels hold when the round begins, by name; none are known to hold anything. */
    public Map<String, Night.Vessel> held() {
        return held;
    }

    /** The same with vessels that hold something already. */
    public Context withHeld(Map<String, Night.Vessel> vesselsHeld) {
        return new Context(
                book,
                chemicals,
                hardness,
                configuration,
                youngest,
                vessels,
                lastFlows,
                tap,
                Map.copyOf(vesselsHeld));
    }

    /** The same with a crew whose youngest is this old. */
    public Context withYoungest(int years) {
        return new Context(
                book, chemicals, hardness, configuration, years, vessels, lastFlows, tap, held);
    }

    /** The same with the sinks, buckets and baths of the site. */
    public Context withVessels(List<Vessel> others) {
        return new Context(
                book,
                chemicals,
                hardness,
                configuration,
                youngest,
                List.copyOf(others),
                lastFlows,
                tap,
                held);
    }

    /** The vessel that a procedure means by a name, or null where the site does not list it. */
    public @Nullable Vessel vessel(@Nullable String name) {
        return vessels.stream().filter(v -> v.name().equals(name)).findFirst().orElse(null);
    }

    /** The same with other sheets of its products. */
    public Context withChemicals(Map<String, Chemical> others) {
        return new Context(
                book,
                Map.copyOf(others),
                hardness,
                configuration,
                youngest,
                vessels,
                lastFlows,
                tap,
                held);
    }

    /**
     * The same knowing which way each passage was flushed at the last service.
     *
     * @param last by the id of the passage; one that is missing is not known
     */
    public Context withLastFlows(Map<String, Action.Flow> last) {
        return new Context(
                book,
                chemicals,
                hardness,
                configuration,
                youngest,
                vessels,
                Map.copyOf(last),
                tap,
                held);
    }

    /**
     * What comes from the tap.
     *
     * @param ph null where it was never measured
     * @param temperature null where it was never measured
     */
    public record Tap(@Nullable Ph ph, @Nullable Temperature temperature) {}

    /** The same with what comes from this site's tap. */
    public Context with(Tap water) {
        return new Context(
                book,
                chemicals,
                hardness,
                configuration,
                youngest,
                vessels,
                lastFlows,
                water,
                held);
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
        return new Context(
                other, chemicals, hardness, configuration, youngest, vessels, lastFlows, tap, held);
    }

    public RuleBook book() {
        return book;
    }

    public Map<String, Chemical> chemicals() {
        return chemicals;
    }

    public @Nullable Chemical chemical(@Nullable String id) {
        return id == null ? null : chemicals.get(id);
    }

    public @Nullable Hardness hardness() {
        return hardness;
    }

    /** Strength of a product's concentrate, where the sheet of the product gives one. */
    public @Nullable Strength stockOf(Chemical chemical) {
        return chemical.stock() == null ? null : chemical.stock().strength();
    }
}
