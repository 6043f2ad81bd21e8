package standins.inkwell;

import java.math.BigDecimal;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import standins.inkwell.Books.Draft;

/// What credit notes take off the document that they name, in the currency of the books.
@Component
class Credited {
    private final JdbcClient jdbc;

    /// @param credited by others, in the document's currency; in that of the books it is `booked`
    private record Document(BigDecimal gross, BigDecimal rate, BigDecimal credited, BigDecimal booked) {
        BigDecimal comesTo(BigDecimal amount) {
            Conversion conversion = new Conversion(rate);
            BigDecimal left = conversion.of(gross).subtract(booked);
            int reaches = credited.add(amount).compareTo(gross);
            return reaches == 0 ? left : reaches < 0 ? conversion.of(amount).min(left) : conversion.of(amount);
        }
    }

    Credited(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// The last one takes the rest, and none more than is left. Empty for what credits nothing that is here in its
    /// currency and at its rate.
    Optional<BigDecimal> comesTo(String id, Draft draft, BigDecimal rate, BigDecimal amount) {
        Kind kind = Kind.of(draft.kind());
        if (!kind.isCredit() || draft.creditsNumber() == null) {
            return Optional.empty();
        }
        return jdbc.sql("""
                select d.gross, d.rate, coalesce(sum(c.gross), 0) as credited, coalesce(sum((
                    select abs(sum(l.debit - l.credit)) from inkwell_journal j join inkwell_journal_line l on l.journal = j.id
                    where j.document = c.id and j.payment is null and l.account = c.control_account)), 0) as booked
                from inkwell_document d left join inkwell_document c
                    on c.credits_number = d.number and c.kind = :kind and c.status = 'final' and c.id <> :id and c.party = d.party
                where d.number = :number and d.kind = :credits and d.currency = :currency and d.party = :party
                    and d.rate = :rate
                group by d.id""")
                .param("id", id)
                .param("kind", kind.word())
                .param("credits", (kind.isSale() ? Kind.INVOICE : Kind.BILL).word())
                .param("number", draft.creditsNumber())
                .param("currency", draft.currency())
                .param("party", draft.party())
                .param("rate", rate)
                .query(Document.class)
                .optional()
                .map(document -> document.comesTo(amount));
    }
}
