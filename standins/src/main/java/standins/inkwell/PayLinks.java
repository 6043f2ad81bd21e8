package standins.inkwell;

import java.math.BigDecimal;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/// Where customers pay what is open of an invoice.
final class PayLinks {
    private PayLinks() {}

    /// As the one who asks reaches Inkwell; null where there is nothing to pay.
    static String of(String id, String kind, String status, BigDecimal open) {
        boolean payable = kind.equals("invoice") && status.equals("final") && open.signum() > 0;
        return payable && RequestContextHolder.getRequestAttributes() != null
                ? ServletUriComponentsBuilder.fromCurrentContextPath()
                        .path("/inkwell/books/" + Companies.open().id() + "/pay/" + id)
                        .toUriString()
                : null;
    }
}
