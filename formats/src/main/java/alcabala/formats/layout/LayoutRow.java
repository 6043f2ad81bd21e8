package alcabala.formats.layout;

import java.util.List;

/// One row of a file.
///
/// @param split whether it is one of those that follow a record's own
public record LayoutRow(boolean split, List<Value> cells) {}
