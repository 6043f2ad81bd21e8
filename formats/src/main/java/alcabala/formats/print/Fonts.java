package alcabala.formats.print;

import java.awt.Color;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.openpdf.text.Font;
import org.openpdf.text.pdf.BaseFont;

/// The letters of a printed page, embedded so that it looks the same everywhere: Latin, Greek and Cyrillic.
final class Fonts {
    private static final Color INK = new Color(0x1B, 0x24, 0x30);
    private static final Color SOFT = new Color(0x5A, 0x55, 0x4C);
    private static final Color GREEN = new Color(0x17, 0x69, 0x5E);
    private final BaseFont plain = font("LiberationSans-Regular");
    private final BaseFont strong = font("LiberationSans-Bold");
    private final BaseFont serif = font("LiberationSerif-Bold");

    private static BaseFont font(String name) {
        String file = name + ".ttf";
        try (InputStream letters = Fonts.class.getResourceAsStream("/liberation/" + file)) {
            return BaseFont.createFont(
                    file, BaseFont.IDENTITY_H, BaseFont.EMBEDDED, BaseFont.CACHED, letters.readAllBytes(), null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    Font title() {
        return new Font(serif, 18, Font.NORMAL, INK);
    }

    Font section() {
        return new Font(serif, 12, Font.NORMAL, GREEN);
    }

    Font body() {
        return new Font(plain, 8.5f, Font.NORMAL, INK);
    }

    Font bold() {
        return new Font(strong, 8.5f, Font.NORMAL, INK);
    }

    Font head() {
        return new Font(strong, 8, Font.NORMAL, SOFT);
    }

    Font soft() {
        return new Font(plain, 8.5f, Font.NORMAL, SOFT);
    }

    BaseFont foot() {
        return plain;
    }
}
