package orthopur.rulebook;

import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import orthopur.quantity.Hardness;
import orthopur.quantity.Pressure;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;

/** A versioned set of figures. Immutable; asking for a figure that is not in it fails loudly. */
public final class RuleBook {
    private final String version;
    private final Map<String, Figure> figures = new LinkedHashMap<>();
    private final Consumer<String> asked;

    /**
     * @throws IllegalArgumentException when an id stands twice
     */
    public RuleBook(String version, List<Figure> figures) {
        this(version, figures, id -> {});
    }

    private RuleBook(String version, List<Figure> figures, Consumer<String> asked) {
        this.asked = asked;
        this.version = version;
        for (Figure f : figures) {
            if (this.figures.put(f.id(), f) != null) {
                throw new IllegalArgumentException(
                        "The rule book has figure " + f.id() + " twice.");
            }
        }
    }

    /**
     * The same book with some figures as a site has set them.
     *
     * @param version of the book that comes out
     * @param changed by id; each has to be a figure of this book
     */
    public RuleBook with(String version, Map<String, Figure> changed) {
        changed.keySet().forEach(this::figure);
        return new RuleBook(
                version,
                figures.values().stream().map(f -> changed.getOrDefault(f.id(), f)).toList());
    }

    /** The same book that tells which of its figures somebody asks for. */
    public RuleBook watched(Consumer<String> each) {
        return new RuleBook(version, figures(), each);
    }

    public String version() {
        return version;
    }

    /** All figures in the order of the book. */
    public List<Figure> figures() {
        return List.copyOf(figures.values());
    }

    /**
     * @throws IllegalStateException when the book lacks it: a missing figure must never pass as met
     */
    public Figure figure(String id) {
        Figure f = figures.get(id);
        asked.accept(id);
        if (f == null) {
            throw new IllegalStateException("The rule book lacks the figure " + id + ".");
        }
        return f;
    }

    public Strength strength(String id) {
        Figure f = figure(id);
        return UnitText.strength(f.value(), f.unit());
    }

    public Temperature temperature(String id) {
        Figure f = figure(id);
        return UnitText.temperature(f.value(), f.unit());
    }

    public Duration duration(String id) {
        Figure f = figure(id);
        return UnitText.duration(f.value(), f.unit());
    }

    public Pressure pressure(String id) {
        Figure f = figure(id);
        return UnitText.pressure(f.value(), f.unit());
    }

    public Hardness hardness(String id) {
        return new Hardness(figure(id).value());
    }

    /** The bare number of a figure without a unit of its own (pH, ratios). */
    public double number(String id) {
        return figure(id).value();
    }
}
