package alcabala.server.files;

import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import alcabala.formats.layout.Layout;
import alcabala.formats.layout.Layout.Carries;
import alcabala.formats.layout.Layout.Medium;
import alcabala.formats.layout.LayoutColumn;
import alcabala.formats.layout.LayoutField;
import alcabala.formats.layout.LayoutFile;
import alcabala.formats.layout.TextForm;
import alcabala.formats.layout.TextForm.Encoding;
import alcabala.server.platform.NotPossibleException;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.util.List;
import java.util.Map;

/// A layout as it is shown and said.
public record LayoutJson(
        @NotBlank @Size(max = 60) String name,
        @NotNull Carries carries,
        @NotNull Medium medium,
        @NotNull Encoding encoding,
        boolean marked,
        @NotNull @Pattern(regexp = "[;,\t|]") String separator,
        boolean crlf,
        @NotBlank @Size(max = 30) String days,
        @NotNull @Pattern(regexp = "[.,]") String decimalSign,
        @NotNull @Size(max = 1) String grouping,
        boolean creditsNegative,
        @NotNull @Size(min = 1, max = Layout.MOST_FILES) List<@NotNull @Valid LayoutFileJson> files,
        @NotNull @Valid OwnJson own) {
    /// Who we are on an invoice; all of it empty where the medium does not say so.
    ///
    /// @param country ISO 3166-1 alpha-2
    record OwnJson(
            @NotNull @Size(max = 200) String name,
            @NotNull @Size(max = 50) String taxIdentifier,
            @NotNull @Size(max = 200) String street,
            @NotNull @Size(max = 100) String city,
            @NotNull @Size(max = 20) String postalZone,
            @NotNull @Pattern(regexp = "([A-Z]{2})?") String country) {
        static OwnJson of(Party own) {
            Address place = own.billTo();
            return new OwnJson(
                    own.name(), own.taxIdentifier(), place.street(), place.city(), place.postalZone(), place.country());
        }

        Party party() {
            Address place = new Address(street.strip(), city.strip(), postalZone.strip(), country);
            return new Party("", name.strip(), taxIdentifier.strip(), "", "", place, place, true);
        }
    }

    record LayoutFileJson(
            @NotBlank @Pattern(regexp = "[\\p{L}\\p{Nd} _-]{1,30}")
            String name,

            @NotNull LayoutField.Scope per,
            boolean headed,

            @NotNull @Size(max = LayoutFile.MOST_COLUMNS) List<@NotNull @Valid LayoutColumnJson> columns,

            @NotNull @Size(max = LayoutFile.MOST_COLUMNS) List<@NotNull @Valid LayoutColumnJson> splits) {}

    record LayoutColumnJson(
            @NotNull @Size(max = 200) String heading,
            @NotNull LayoutField field,
            @NotNull @Size(max = 200) String argument,
            @NotNull @Size(max = 100) Map<@Size(max = 100) String, @NotNull @Size(max = 200) String> table) {}

    public static LayoutJson of(Layout layout) {
        TextForm form = layout.form();
        return new LayoutJson(
                layout.name(),
                layout.carries(),
                layout.medium(),
                form.encoding(),
                form.marked(),
                String.valueOf(form.separator()),
                form.crlf(),
                form.days(),
                String.valueOf(form.decimalSign()),
                form.grouping(),
                layout.creditsNegative(),
                layout.files().stream()
                        .map(file -> new LayoutFileJson(
                                file.name(),
                                file.per(),
                                file.headed(),
                                columns(file.columns()),
                                columns(file.splits())))
                        .toList(),
                OwnJson.of(layout.own()));
    }

    private static List<LayoutColumnJson> columns(List<LayoutColumn> columns) {
        return columns.stream()
                .map(column ->
                        new LayoutColumnJson(column.heading(), column.field(), column.argument(), column.table()))
                .toList();
    }

    /// @throws NotPossibleException when it cannot be one, with why
    public Layout layout() {
        try {
            return new Layout(
                    name.strip(),
                    carries,
                    medium,
                    new TextForm(encoding, marked, separator.charAt(0), crlf, days, decimalSign.charAt(0), grouping),
                    creditsNegative,
                    files.stream()
                            .map(file -> new LayoutFile(
                                    file.name(), file.per(), file.headed(), said(file.columns()), said(file.splits())))
                            .toList(),
                    own.party());
        } catch (DateTimeException e) {
            throw invalid("“" + days + "” is no way to write a day; dd/MM/uuuu is one");
        } catch (IllegalArgumentException e) {
            throw invalid(e.getMessage());
        }
    }

    private static List<LayoutColumn> said(List<LayoutColumnJson> columns) {
        return columns.stream()
                .map(column -> {
                    if (column.field() == LayoutField.RUNNING_NUMBER
                            && !column.argument().matches("\\d{1,12}")) {
                        throw invalid("a running number begins with a whole number, and “%s” begins with “%s”"
                                .formatted(column.heading(), column.argument()));
                    }
                    return new LayoutColumn(column.heading(), column.field(), column.argument(), column.table());
                })
                .toList();
    }

    private static NotPossibleException invalid(String why) {
        String said = why.isEmpty() ? "This cannot be a layout" : why;
        return NotPossibleException.invalid(
                "layout-invalid", Character.toUpperCase(said.charAt(0)) + said.substring(1) + ".");
    }
}
