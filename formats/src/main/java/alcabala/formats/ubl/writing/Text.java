package alcabala.formats.ubl.writing;

/// Text as XML takes it: it has no sign at all for most control characters, however they are written.
final class Text {
    private Text() {}

    static String of(String text) {
        return text.codePoints().allMatch(Text::isFit)
                ? text
                : text.codePoints()
                        .map(each -> isFit(each) ? each : ' ')
                        .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                        .toString();
    }

    private static boolean isFit(int each) {
        return each >= ' ' && each < 0xD800
                || each > 0xDFFF && each < 0xFFFE
                || each > 0xFFFF
                || each == '\n'
                || each == '\r'
                || each == '\t';
    }
}
