package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import orthopur.procedure.Stated;
import orthopur.quantity.Dosage;
import orthopur.quantity.Ph;
import orthopur.quantity.Pressure;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;

/**
 * A field of an action as {@link Stated} says it on a component of the action's record.
 *
 * @param name as it stands in a file
 * @param kind how it is read and written
 * @param label what a person is asked for
 * @param choices what it can be, for a choice
 * @param units that are understood, for a quantity
 * @param least,most of a count
 * @param of which things it names
 */
public record StatedField(
        String name,
        Kind kind,
        String label,
        String example,
        String doc,
        List<String> choices,
        List<String> units,
        int least,
        int most,
        Stated.Of of,
        String word,
        @JsonIgnore Class<?> type,
        boolean needed) {

    /** How a field is read, written, and typed. */
    public enum Kind {
        /** One text. */
        TEXT,
        /** Several texts. */
        TEXTS,
        /** Ids of things of the sheet or the site. */
        NAMES,
        /** The id of a product. */
        CHEMICAL,
        COUNT,
        /** A number without a unit. */
        NUMBER,
        FLAG,
        /** One word of a few. */
        CHOICE,
        /** Several words of a few. */
        CHOICES,
        /** A number with its unit. */
        QUANTITY
    }

    /** A type of quantity: units that are read, how it is read, how it is written. */
    record Measure(
            List<String> units,
            BiFunction<Double, String, Object> in,
            Function<Object, Quantity> out) {
        private static <T> Measure of(
                Class<T> type,
                List<String> units,
                BiFunction<Double, String, T> in,
                Function<T, Quantity> out) {
            return new Measure(units, in::apply, v -> out.apply(type.cast(v)));
        }
    }

    private static final Map<Class<?>, Measure> MEASURES =
            Map.of(
                    Temperature.class,
                    Measure.of(
                            Temperature.class,
                            List.of("°C", "°F", "C", "F"),
                            UnitText::temperature,
                            Quantity::of),
                    Volume.class,
                    Measure.of(
                            Volume.class,
                            List.of("L", "mL", "gal", "fl oz", "oz"),
                            UnitText::volume,
                            Quantity::of),
                    Dosage.class,
                    Measure.of(
                            Dosage.class,
                            List.of("mg/L", "ppm", "%"),
                            UnitText::dosage,
                            Quantity::of),
                    Duration.class,
                    Measure.of(
                            Duration.class,
                            List.of("s", "min", "h"),
                            UnitText::duration,
                            Quantity::of),
                    Pressure.class,
                    Measure.of(
                            Pressure.class,
                            List.of("kPa", "bar", "psi"),
                            UnitText::pressure,
                            p -> new Quantity(p.kilopascals(), "kPa")),
                    // The only plain number with a unit is how fast a line flows.
                    Double.class,
                    Measure.of(
                            Double.class,
                            List.of("m/s", "ft/s"),
                            UnitText::velocity,
                            v -> new Quantity(v, "m/s")));

    /** The field that a component states. */
    static StatedField of(RecordComponent c) {
        Stated s = stated(c);
        Class<?> type = c.getType();
        Kind kind = kind(c, s);
        Class<?> words = kind == Kind.CHOICES ? element(c) : type;
        return new StatedField(
                s.name().isEmpty() ? c.getName() : s.name(),
                kind,
                s.label(),
                s.example(),
                s.doc(),
                words.isEnum()
                        ? Arrays.stream(words.getEnumConstants())
                                .map(e -> QuantityModule.written((Enum<?>) e))
                                .toList()
                        : List.of(),
                kind == Kind.QUANTITY
                        ? Objects.requireNonNull(MEASURES.get(type)).units()
                        : List.of(),
                s.least(),
                s.most(),
                s.of(),
                s.word(),
                words,
                s.needed());
    }

    private static Stated stated(RecordComponent c) {
        Stated own = c.getAnnotation(Stated.class);
        if (own != null) {
            return own;
        }
        return Arrays.stream(c.getAnnotations())
                .map(a -> a.annotationType().getAnnotation(Stated.class))
                .filter(Objects::nonNull)
                .findFirst()
                .orElseThrow(
                        () -> new IllegalStateException(c + " says nothing of what it states."));
    }

    private static Kind kind(RecordComponent c, Stated s) {
        Class<?> type = c.getType();
        if (s.of() == Stated.Of.CHEMICAL) {
            return Kind.CHEMICAL;
        }
        if (type == String.class) {
            return Kind.TEXT;
        }
        if (type == Integer.class) {
            return Kind.COUNT;
        }
        if (type == boolean.class) {
            return Kind.FLAG;
        }
        if (type == Ph.class) {
            return Kind.NUMBER;
        }
        if (type.isEnum()) {
            return Kind.CHOICE;
        }
        if (MEASURES.containsKey(type)) {
            return Kind.QUANTITY;
        }
        if (element(c).isEnum()) {
            return Kind.CHOICES;
        }
        return s.of() == Stated.Of.ANYTHING ? Kind.TEXTS : Kind.NAMES;
    }

    private static Class<?> element(RecordComponent c) {
        Type of = ((ParameterizedType) c.getGenericType()).getActualTypeArguments()[0];
        return (Class<?>) of;
    }

    @Nullable Measure measure() {
        return MEASURES.get(type);
    }

    /** Whether it names things of the sheet. */
    boolean names() {
        return kind == Kind.NAMES;
    }
}
