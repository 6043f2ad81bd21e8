package standins.inkwell;

import java.util.Optional;
import org.springframework.http.HttpStatus;
import standins.Refusal;

/// Whose books are open. A request opens those its address names.
public final class Companies {
    private static final ScopedValue<Company> OPEN = ScopedValue.newInstance();

    private Companies() {}

    public static Company get(String id) {
        return Company.ALL.stream()
                .filter(company -> company.id().equals(id))
                .findFirst()
                .orElseThrow(
                        () -> new Refusal(HttpStatus.NOT_FOUND, "company-unknown", "There is no company " + id + "."));
    }

    public static Company open() {
        return OPEN.get();
    }

    static Optional<Company> findOpen() {
        return OPEN.isBound() ? Optional.of(OPEN.get()) : Optional.empty();
    }

    public static <T, X extends Throwable> T in(Company company, ScopedValue.CallableOp<T, X> work) throws X {
        return ScopedValue.where(OPEN, company).call(work);
    }
}
