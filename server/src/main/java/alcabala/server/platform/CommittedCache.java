package alcabala.server.platform;

import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/// Keeps what was built from a state of the database, by the version of that state. What a transaction builds is its
/// own until it has committed: what it changed and then took back is never seen by others.
public final class CommittedCache<K, T> {
    private final Map<K, Built<T>> shared = new ConcurrentHashMap<>();

    private record Built<T>(String version, T value) {}

    /// @param version of the state as the caller sees it; never given twice
    public T get(K key, String version, Supplier<T> builder) {
        Built<T> known = shared.get(key);
        if (known != null && known.version().equals(version)) {
            return known.value();
        }
        if (!TransactionSynchronizationManager.isActualTransactionActive()) {
            Built<T> built = new Built<>(version, builder.get());
            shared.put(key, built);
            return built.value();
        }
        return own().computeIfAbsent(key, k -> new HashMap<>()).computeIfAbsent(version, v -> builder.get());
    }

    /// What the present transaction built.
    @SuppressWarnings("unchecked")
    private Map<K, Map<String, T>> own() {
        Object bound = TransactionSynchronizationManager.getResource(this);
        if (bound != null) {
            return (Map<K, Map<String, T>>) bound;
        }
        Map<K, Map<String, T>> own = new HashMap<>();
        TransactionSynchronizationManager.bindResource(this, own);
        TransactionSynchronizationManager.registerSynchronization(new Publishing(own));
        return own;
    }

    private final class Publishing implements TransactionSynchronization {
        private final Map<K, Map<String, T>> own;

        Publishing(Map<K, Map<String, T>> own) {
            this.own = own;
        }

        /// Only what was built for one version of a key: of several, nobody knows which is the last.
        @Override
        public void afterCommit() {
            own.forEach((key, versions) -> {
                if (versions.size() == 1) {
                    versions.forEach((version, value) -> shared.put(key, new Built<>(version, value)));
                }
            });
        }

        @Override
        public void suspend() {
            TransactionSynchronizationManager.unbindResourceIfPossible(CommittedCache.this);
        }

        @Override
        public void resume() {
            TransactionSynchronizationManager.bindResource(CommittedCache.this, own);
        }

        @Override
        public void afterCompletion(int status) {
            TransactionSynchronizationManager.unbindResourceIfPossible(CommittedCache.this);
        }
    }
}
