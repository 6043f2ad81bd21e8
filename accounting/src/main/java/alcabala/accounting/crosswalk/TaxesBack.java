package alcabala.accounting.crosswalk;

import alcabala.accounting.document.TaxCombination;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Which tax of a source stands for a code of a ledger: the crosswalk read the other way round.
///
/// @param mapped the source's taxes that are mapped to each code of the ledger
/// @param rates what the ledger charges under each of its codes, in percent
public record TaxesBack(Map<String, List<TaxCombination>> mapped, Map<String, BigDecimal> rates) {
    /// None where no tax of the source is mapped to it at the rate that the ledger charges, or several are: which of
    /// them was meant only a person knows.
    ///
    /// @param code the ledger's; null or empty for a line without tax
    public Optional<TaxCombination> find(String code) {
        if (code == null || code.isEmpty()) {
            return Optional.of(TaxCombination.NONE);
        }
        BigDecimal charged = rates.get(code);
        List<TaxCombination> same = mapped.getOrDefault(code, List.of()).stream()
                .filter(tax -> charged != null && tax.rate().compareTo(charged) == 0)
                .toList();
        return same.size() == 1 ? Optional.of(same.getFirst()) : Optional.empty();
    }
}
