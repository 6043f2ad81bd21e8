package alcabala.server.alerts;

import alcabala.accounting.alert.Alert;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

/// Who is written to.
///
/// @param kinds of what
record Recipient(
        @NotBlank @Size(max = 200) String address,
        @NotEmpty @Size(max = 3) List<Alert.@NotNull Kind> kinds) {
    List<Alert> of(List<Alert> alerts) {
        return alerts.stream().filter(each -> kinds.contains(each.kind())).toList();
    }
}
