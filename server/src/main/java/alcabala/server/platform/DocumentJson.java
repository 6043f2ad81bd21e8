package alcabala.server.platform;

import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCombination;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/// Records, and what is made of them, as they are kept in the database: money as `EUR 12.30`, a combination as the
/// list of its taxes.
public final class DocumentJson {
    private static final JsonMapper MAPPER = JsonMapper.builder()
            .addModule(new SimpleModule()
                    .addSerializer(Money.class, text(Money.class, Money::toString))
                    .addDeserializer(Money.class, parsed(Money::parse))
                    .addSerializer(CurrencyUnit.class, text(CurrencyUnit.class, CurrencyUnit::getCode))
                    .addDeserializer(CurrencyUnit.class, parsed(CurrencyUnit::of))
                    .addSerializer(TaxCombination.class, new CombinationWriter())
                    .addDeserializer(TaxCombination.class, new CombinationReader()))
            .build();

    private DocumentJson() {}

    public static String write(Object kept) {
        return MAPPER.writeValueAsString(kept);
    }

    public static <T> T read(String json, Class<T> type) {
        return MAPPER.readValue(json, type);
    }

    /// Words by words, such as the values of dimensions.
    public static Map<String, String> map(String json) {
        return MAPPER.readValue(json, new TypeReference<>() {});
    }

    private interface ToText<T> {
        String of(T value);
    }

    private static <T> ValueSerializer<T> text(Class<T> type, ToText<T> text) {
        return new ValueSerializer<>() {
            @Override
            public void serialize(T value, JsonGenerator out, SerializationContext context) {
                out.writeString(text.of(value));
            }
        };
    }

    private static <T> ValueDeserializer<T> parsed(java.util.function.Function<String, T> parser) {
        return new ValueDeserializer<>() {
            @Override
            public T deserialize(JsonParser in, DeserializationContext context) {
                return parser.apply(in.getString());
            }
        };
    }

    private static final class CombinationWriter extends ValueSerializer<TaxCombination> {
        @Override
        public void serialize(TaxCombination value, JsonGenerator out, SerializationContext context) {
            out.writePOJO(value.taxes());
        }
    }

    private static final class CombinationReader extends ValueDeserializer<TaxCombination> {
        @Override
        public TaxCombination deserialize(JsonParser in, DeserializationContext context) {
            return TaxCombination.of(java.util.List.of(in.readValueAs(Tax[].class)));
        }
    }
}
