package alcabala.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import tools.jackson.databind.JsonNode;

/// Files for the route of the harbour office, made from the demo's own, and what became of them.
public record HarbourFiles(World world, Api api) {
    /// An invoice of the business to Merrow Bay Council: 905.72 net, 1,034.24 with tax.
    public static String invoice(String number) {
        try (var in = HarbourFiles.class.getResourceAsStream("/demo/CB-7001.xml")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .replace("CB-7001", number)
                    .replace("{issued}", "2026-11-02")
                    .replace("{due}", "2026-12-02");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// The same to somebody else.
    public static String invoiceTo(String number, String name, String taxIdentifier) {
        return invoice(number)
                .replace("Merrow Bay Council", name)
                .replace("IE2018830C", taxIdentifier)
                .replace("accounts@merrowbay.example", number.toLowerCase(java.util.Locale.ROOT) + "@post.example")
                .replace("Council Chambers", number + " Quay")
                .replace("MB1 1", number);
    }

    /// One that corrects another.
    public static String correcting(String invoice, String corrected) {
        return invoice.replace("TypeCode>380<", "TypeCode>384<")
                .replace(
                        "<cac:AccountingSupplierParty>",
                        "<cac:BillingReference><cac:InvoiceDocumentReference><cbc:ID>" + corrected
                                + "</cbc:ID></cac:InvoiceDocumentReference></cac:BillingReference><cac:AccountingSupplierParty>");
    }

    public JsonNode take(String file) {
        Api.Response answer = api.xml("/api/intake?route=harbour", file.getBytes(StandardCharsets.UTF_8));
        if (answer.status() != 200) {
            throw new IllegalStateException(answer.toString());
        }
        return answer.json();
    }

    public long id(String number) {
        return ask(number, "id", Long.class);
    }

    public String state(String number) {
        return ask(number, "state", String.class);
    }

    public String cause(String number) {
        return ask(number, "cause", String.class);
    }

    private <T> T ask(String number, String column, Class<T> type) {
        return world.jdbc()
                .sql("select " + column + " from record where number = :number")
                .param("number", number)
                .query(type)
                .single();
    }

    public int documents(String numbers) {
        return world.jdbc()
                .sql("select count(*) from record where number like :numbers")
                .param("numbers", numbers)
                .query(Integer.class)
                .single();
    }
}
