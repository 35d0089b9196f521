package orthopur.formats;

import java.time.Duration;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import orthopur.quantity.Dosage;
import orthopur.quantity.Hardness;
import orthopur.quantity.Length;
import orthopur.quantity.Mass;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.BeanDescription;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationConfig;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JavaType;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.deser.ValueDeserializerModifier;
import tools.jackson.databind.module.SimpleModule;

/** Quantities as {@code {"value": 45, "unit": "°C"}}; enumerations as lower case with hyphens. */
final class QuantityModule extends SimpleModule {
    private static final long serialVersionUID = 1L;

    QuantityModule() {
        quantity(Temperature.class, Quantity::of, UnitText::temperature);
        quantity(Volume.class, Quantity::of, UnitText::volume);
        quantity(Duration.class, Quantity::of, UnitText::duration);
        quantity(Dosage.class, Quantity::of, UnitText::dosage);
        quantity(Ph.class, p -> new Quantity(p.value(), "pH"), (v, u) -> new Ph(v));
        quantity(Hardness.class, h -> new Quantity(h.mgPerL(), "mg/L"), (v, u) -> new Hardness(v));
        quantity(Mass.class, m -> new Quantity(m.kilograms(), "kg"), UnitText::mass);
        quantity(Length.class, l -> new Quantity(l.metres() * 1000, "mm"), UnitText::length);
        addSerializer(Enum.class, new EnumWriter());
        setDeserializerModifier(new EnumReaders());
        // A set keeps the order of the file, so that writing it again gives the same bytes.
        addAbstractTypeMapping(Set.class, LinkedHashSet.class);
    }

    private <T> void quantity(
            Class<T> type, Function<T, Quantity> out, BiFunction<Double, String, T> in) {
        addSerializer(
                type,
                new ValueSerializer<T>() {
                    @Override
                    public void serialize(T value, JsonGenerator g, SerializationContext p) {
                        g.writePOJO(out.apply(value));
                    }
                });
        addDeserializer(
                type,
                new ValueDeserializer<T>() {
                    @Override
                    public T deserialize(JsonParser p, DeserializationContext c) {
                        Quantity q = c.readValue(p, Quantity.class);
                        try {
                            return in.apply(q.value(), q.unit());
                        } catch (OutOfRange e) {
                            throw DatabindException.from(p, e.getMessage(), e);
                        }
                    }
                });
    }

    /** The written form of an enumeration constant. */
    static String written(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @SuppressWarnings("rawtypes")
    private static final class EnumWriter extends ValueSerializer<Enum> {
        @Override
        public void serialize(Enum value, JsonGenerator g, SerializationContext p) {
            g.writeString(written(value));
        }
    }

    private static final class EnumReaders extends ValueDeserializerModifier {
        private static final long serialVersionUID = 1L;

        @Override
        public ValueDeserializer<?> modifyEnumDeserializer(
                DeserializationConfig config,
                JavaType type,
                BeanDescription.Supplier bean,
                ValueDeserializer<?> usual) {
            Enum<?>[] constants = (Enum<?>[]) type.getRawClass().getEnumConstants();
            return new ValueDeserializer<Enum<?>>() {
                @Override
                public Enum<?> deserialize(JsonParser p, DeserializationContext c) {
                    String text = p.getValueAsString();
                    for (Enum<?> e : constants) {
                        if (written(e).equals(text)) {
                            return e;
                        }
                    }
                    throw DatabindException.from(
                            p,
                            "\""
                                    + text
                                    + "\" is not one of "
                                    + String.join(
                                            ", ",
                                            Arrays.stream(constants)
                                                    .map(QuantityModule::written)
                                                    .toList())
                                    + ".");
                }
            };
        }
    }
}
