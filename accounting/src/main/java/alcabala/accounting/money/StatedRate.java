package alcabala.accounting.money;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;

/// The rate that a record itself states (UBL PricingExchangeRate, PaymentExchangeRate).
///
/// @param to the currency that it converts to
/// @param rate units of `to` for one of the record's currency
/// @param day from which it holds, or null where the source names none
public record StatedRate(CurrencyUnit to, BigDecimal rate, LocalDate day) {}
