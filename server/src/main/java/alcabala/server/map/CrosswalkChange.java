package alcabala.server.map;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import java.time.Instant;
import java.util.List;

/// One change of a row.
///
/// @param version that it led to; of what was taken away, the last one that there was
/// @param before what the row said until then; null for nothing
/// @param meaning what it said from then on; null when it was taken away
/// @param was before in words, empty for nothing
/// @param says meaning in words, empty for nothing
/// @param note why, as far as somebody said
/// @param stands whether it is as the row is now
record CrosswalkChange(
        RowKind kind,
        String code,
        int version,
        Meaning before,
        Meaning meaning,
        List<Said> was,
        List<Said> says,
        String setBy,
        Instant setAt,
        String note,
        boolean stands) {}
