package alcabala.server.door;

import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.module.SimpleModule;

/// What can be text: everything but NUL and half a surrogate pair, which no text column takes.
@Configuration
class FitText {
    static boolean isFit(String text) {
        return text.codePoints().noneMatch(FitText::isUnfit);
    }

    private static boolean isUnfit(int codePoint) {
        return codePoint == 0
                || (codePoint >= Character.MIN_SURROGATE && codePoint <= Character.MAX_SURROGATE)
                || codePoint == Character.MAX_VALUE;
    }

    /// Of every text in every body.
    @Bean
    JsonMapperBuilderCustomizer fitTextOnly() {
        return builder -> builder.addModule(new SimpleModule().addDeserializer(String.class, new FitTextReader()));
    }

    private static final class FitTextReader extends StdScalarDeserializer<String> {
        FitTextReader() {
            super(String.class);
        }

        @Override
        public String deserialize(JsonParser in, DeserializationContext context) {
            String text = in.getValueAsString();
            if (text == null) {
                return (String) context.handleUnexpectedToken(context.constructType(String.class), in);
            }
            if (!isFit(text)) {
                throw InvalidFormatException.from(in, "holds what is no character", text, String.class);
            }
            return text;
        }
    }
}
