package alcabala.accounting.crosswalk;

import java.time.Instant;

/// One decision of the bookkeeper.
///
/// @param code the source's code; for [RowKind#LINE] the name of the line, see [Crosswalk#lineCode]; for [RowKind#ROLE]
/// the role's name
/// @param counterpart the record on the ledger that stands for it (party, item, tax code); empty when it is to be
/// created on first use
/// @param account the account it decides: of income, or for [RowKind#SUPPLIER] of what is bought; empty when it decides
/// none
/// @param version counts the changes of this row, from 1
public record CrosswalkRow(
        RowKind kind, String code, String counterpart, String account, int version, String setBy, Instant setAt) {}
