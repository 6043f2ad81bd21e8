package alcabala.connectors.source;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.document.ItemKind;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.Milestone;
import alcabala.accounting.terms.CodedTerms;
import alcabala.connectors.Unusable;
import java.math.BigDecimal;
import java.util.Set;
import java.util.function.Function;

/// One record of a source as it is now.
public sealed interface SourceChange {
    /// One that is set aside.
    record SetAside(Unusable record) implements SourceChange {}

    record SiteChanged(String name) implements SourceChange {}

    record PartyChanged(Party party) implements SourceChange {}

    /// @param unit in which it is sold, or empty
    record ItemChanged(String code, String name, String category, ItemKind kind, String unit) implements SourceChange {}

    record CategoryChanged(String code, String name) implements SourceChange {}

    record TaxChanged(String code, String name, BigDecimal rate, TaxCategory category) implements SourceChange {}

    record TermsChanged(CodedTerms terms) implements SourceChange {}

    /// A field that the business added to its documents.
    record FieldChanged(CustomField field) implements SourceChange {}

    /// A document or a settlement that the app does not have any more.
    ///
    /// @param id as in [RecordChanged]
    record RecordGone(String id) implements SourceChange {}

    /// A document or a settlement.
    ///
    /// @param name what it is called in a sentence
    /// @param milestones what has happened to it so far
    /// @param raw as it came
    /// @param record the record in our words, once the parties and taxes it names can be looked up
    record RecordChanged(
            String id,
            String name,
            Set<Milestone> milestones,
            boolean voided,
            String raw,
            Function<SourceLookup, Record> record)
            implements SourceChange {}
}
