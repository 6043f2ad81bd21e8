package standins.hullwork;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/// Money that the yard office took or paid, as Hullwork writes it. Amounts are more than nothing, whichever way it
/// went.
///
/// @param type `PAYMENT`, `REFUND`, `RETURN` of a payment, `SUPPLIER_PAYMENT`, `SUPPLIER_REFUND`, `SUPPLIER_RETURN`
/// @param status `RECORDED` or `VOID`
/// @param customer who paid or was paid
/// @param means such as `10` for cash, `48` for a card (UNCL4461)
/// @param charges what the bank took for sending it back
/// @param returns the number of the payment that came back, or empty
/// @param externalRef another program's name for it, or empty when it was entered here
/// @param key under which another program asked for it, or had it voided; or empty
public record HullworkPayment(
        String id,
        String number,
        String type,
        String status,
        LocalDate date,
        String customer,
        String site,
        String currency,
        BigDecimal amount,
        BigDecimal charges,
        String means,
        String reference,
        String note,
        String returns,
        String externalRef,
        String key,
        List<Share> allocations) {
    /// @param document its number
    /// @param worth what the money settles, where the document is in another currency; else null
    /// @param deductions in the currency of the document
    public record Share(String document, BigDecimal money, Worth worth, List<Less> deductions) {
        BigDecimal settled() {
            return deductions.stream()
                    .map(Less::amount)
                    .reduce(worth == null ? money : worth.amount(), BigDecimal::add);
        }
    }

    /// An amount in the currency of a document.
    public record Worth(String currency, BigDecimal amount) {}

    /// What is settled without money.
    ///
    /// @param kind `DISCOUNT`, `WITHHOLDING`, `BANK_CHARGES`, `DIFFERENCE`, `BAD_DEBT`, `RETENTION`
    /// @param amount negative for what is released of what was kept back
    public record Less(String kind, BigDecimal amount) {}

    boolean isVoid() {
        return status.equals("VOID");
    }

    /// What of a document it settles; negative when it came back.
    BigDecimal settles(String document) {
        BigDecimal sum = allocations.stream()
                .filter(share -> share.document().equals(document))
                .map(Share::settled)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        return type.endsWith("RETURN") ? sum.negate() : sum;
    }

    /// What of a document it keeps back, for the payer; negative when that is released or comes back.
    BigDecimal retains(String document) {
        BigDecimal sum = allocations.stream()
                .filter(share -> share.document().equals(document))
                .flatMap(share -> share.deductions().stream())
                .filter(less -> less.kind().equals("RETENTION"))
                .map(Less::amount)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        return type.endsWith("RETURN") ? sum.negate() : sum;
    }

    public BigDecimal open() {
        return allocations.stream().map(Share::money).reduce(amount, BigDecimal::subtract);
    }

    HullworkPayment withStatus(String other) {
        return copy(id, number, other, key, amount, allocations);
    }

    HullworkPayment under(String asked) {
        return copy(id, number, status, asked, amount, allocations);
    }

    HullworkPayment numbered(String newId, String newNumber) {
        return copy(newId, newNumber, "RECORDED", key, amount, allocations);
    }

    HullworkPayment of(BigDecimal corrected) {
        return copy(id, number, status, key, corrected, allocations);
    }

    HullworkPayment settling(Share one) {
        List<Share> all = new ArrayList<>(allocations);
        all.add(one);
        return copy(id, number, status, key, amount, all);
    }

    private HullworkPayment copy(
            String id, String number, String status, String key, BigDecimal amount, List<Share> allocations) {
        return new HullworkPayment(
                id,
                number,
                type,
                status,
                date,
                customer,
                site,
                currency,
                amount,
                charges,
                means,
                reference,
                note,
                returns,
                externalRef,
                key,
                allocations);
    }

    /// The same as another program sends it: what it leaves out is nothing.
    HullworkPayment complete() {
        return new HullworkPayment(
                "",
                "",
                type,
                "RECORDED",
                date,
                text(customer),
                text(site),
                text(currency),
                amount == null ? BigDecimal.ZERO : amount,
                charges == null ? BigDecimal.ZERO : charges,
                text(means),
                text(reference),
                text(note),
                text(returns),
                text(externalRef),
                text(key),
                allocations == null
                        ? List.of()
                        : allocations.stream()
                                .map(share -> new Share(
                                        share.document(),
                                        share.money(),
                                        share.worth(),
                                        share.deductions() == null ? List.of() : share.deductions()))
                                .toList());
    }

    private static String text(String given) {
        return given == null ? "" : given;
    }
}
