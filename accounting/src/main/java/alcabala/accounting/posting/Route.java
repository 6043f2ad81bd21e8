package alcabala.accounting.posting;

import alcabala.accounting.setting.RouteSettings;

/// One crossing, from a source to a ledger, with what is decided about it.
public record Route(String code, String source, String ledger, RouteSettings settings) {}
