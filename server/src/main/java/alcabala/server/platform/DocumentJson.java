package alcabala.server.platform;

import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCombination;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.BeanProperty;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/// Records, and what is made of them, as they are kept in the database: money as `EUR 12.30`, a combination as the
/// list of its taxes.
public final class DocumentJson {
    /// To look a currency up in their sorted list takes longer than all else of an amount.
    private static final Map<String, CurrencyUnit> CURRENCIES = CurrencyUnit.registeredCurrencies().stream()
            .collect(Collectors.toUnmodifiableMap(CurrencyUnit::getCode, Function.identity()));

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .addModule(
                    new SimpleModule() {
                        @Override
                        public void setupModule(SetupContext context) {
                            super.setupModule(context);
                            context.addValueInstantiators(new RecordMaker());
                        }
                    }.addSerializer(Money.class, text(Money.class, Money::toString))
                            .addDeserializer(Money.class, parsed(DocumentJson::money))
                            .addSerializer(CurrencyUnit.class, text(CurrencyUnit.class, CurrencyUnit::getCode))
                            .addDeserializer(CurrencyUnit.class, parsed(DocumentJson::currency))
                            .addSerializer(TaxCombination.class, new CombinationWriter())
                            .addDeserializer(TaxCombination.class, new CombinationReader()))
            .build();

    private DocumentJson() {}

    public static String write(Object kept) {
        return MAPPER.writeValueAsString(kept);
    }

    public static <T> T read(String json, Class<T> type) {
        // Names of fields are found by their bytes much sooner than by their letters.
        return read(json.getBytes(StandardCharsets.UTF_8), type);
    }

    /// @param json in UTF-8
    public static <T> T read(byte[] json, Class<T> type) {
        return MAPPER.readValue(json, type);
    }

    /// Words by words, such as the values of dimensions.
    public static Map<String, String> map(String json) {
        return MAPPER.readValue(json, new TypeReference<>() {});
    }

    /// Without the pattern by which people's words would be looked through: it was written here.
    private static Money money(String kept) {
        return Money.of(currency(kept.substring(0, 3)), new BigDecimal(kept.substring(4)));
    }

    private static CurrencyUnit currency(String code) {
        CurrencyUnit known = CURRENCIES.get(code);
        return known == null ? CurrencyUnit.of(code) : known;
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

    private static <T> ValueDeserializer<T> parsed(Function<String, T> parser) {
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

    /// What reads its taxes is looked up once, and not for each line.
    private static final class CombinationReader extends ValueDeserializer<TaxCombination> {
        private final ValueDeserializer<Object> taxes;

        CombinationReader() {
            this(null);
        }

        private CombinationReader(ValueDeserializer<Object> taxes) {
            this.taxes = taxes;
        }

        @Override
        public ValueDeserializer<?> createContextual(DeserializationContext context, BeanProperty property) {
            return new CombinationReader(
                    context.findContextualValueDeserializer(context.constructType(Tax[].class), property));
        }

        @Override
        public TaxCombination deserialize(JsonParser in, DeserializationContext context) {
            return TaxCombination.of(List.of((Tax[]) taxes.deserialize(in, context)));
        }
    }
}
