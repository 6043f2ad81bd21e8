package alcabala.accounting.sync;

import java.util.function.BiFunction;
import java.util.function.Function;

/// The same of either side.
public record Both<T>(T source, T ledger) {
    public T of(Side side) {
        return side == Side.SOURCE ? source : ledger;
    }

    public <R> Both<R> map(Function<T, R> change) {
        return new Both<>(change.apply(source), change.apply(ledger));
    }

    public <U, R> Both<R> with(Both<U> other, BiFunction<T, U, R> together) {
        return new Both<>(together.apply(source, other.source), together.apply(ledger, other.ledger));
    }

    public Both<T> with(Side side, T value) {
        return side == Side.SOURCE ? new Both<>(value, ledger) : new Both<>(source, value);
    }
}
