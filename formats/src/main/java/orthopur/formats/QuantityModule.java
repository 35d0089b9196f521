package orthopur.formats;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.BeanDescription;
import com.fasterxml.jackson.databind.DeserializationConfig;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JavaType;
import com.fasterxml.jackson.databind.JsonDeserializer;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.BeanDeserializerModifier;
import com.fasterxml.jackson.databind.module.SimpleModule;
import java.io.IOException;
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
                new JsonSerializer<T>() {
                    @Override
                    public void serialize(T value, JsonGenerator g, SerializerProvider p)
                            throws IOException {
                        g.writePOJO(out.apply(value));
                    }
                });
        addDeserializer(
                type,
                new JsonDeserializer<T>() {
                    @Override
                    public T deserialize(JsonParser p, DeserializationContext c)
                            throws IOException {
                        Quantity q = c.readValue(p, Quantity.class);
                        try {
                            return in.apply(q.value(), q.unit());
                        } catch (OutOfRange e) {
                            throw JsonMappingException.from(p, e.getMessage(), e);
                        }
                    }
                });
    }

    /** The written form of an enumeration constant. */
    static String written(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @SuppressWarnings("rawtypes")
    private static final class EnumWriter extends JsonSerializer<Enum> {
        @Override
        public void serialize(Enum value, JsonGenerator g, SerializerProvider p)
                throws IOException {
            g.writeString(written(value));
        }
    }

    private static final class EnumReaders extends BeanDeserializerModifier {
        private static final long serialVersionUID = 1L;

        @Override
        public JsonDeserializer<?> modifyEnumDeserializer(
                DeserializationConfig config,
                JavaType type,
                BeanDescription bean,
                JsonDeserializer<?> usual) {
            Enum<?>[] constants = (Enum<?>[]) type.getRawClass().getEnumConstants();
            return new JsonDeserializer<Enum<?>>() {
                @Override
                public Enum<?> deserialize(JsonParser p, DeserializationContext c)
                        throws IOException {
                    String text = p.getValueAsString();
                    for (Enum<?> e : constants) {
                        if (written(e).equals(text)) {
                            return e;
                        }
                    }
                    throw JsonMappingException.from(
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
