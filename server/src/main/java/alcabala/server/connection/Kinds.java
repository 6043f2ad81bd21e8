package alcabala.server.connection;

import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.connectors.spi.Side;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Settings;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.MalformedURLException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/// The kinds of connection that this installation knows: its own, and those of the jars that were put into its folder
/// for connectors (docs/connectors.md).
@Component
public class Kinds {
    private static final Logger LOG = LoggerFactory.getLogger(Kinds.class);
    private final Map<String, ConnectionKind> kinds = new LinkedHashMap<>();

    Kinds(Settings settings) {
        ServiceLoader.load(ConnectionKind.class, loader(settings.connectors())).stream()
                .map(ServiceLoader.Provider::get)
                .sorted(Comparator.comparing(ConnectionKind::name))
                .forEach(this::add);
    }

    void add(ConnectionKind kind) {
        if (!kind.code().matches("[a-z][a-z0-9-]{0,29}")) {
            throw new IllegalStateException("the kind of connection " + kind.name() + " calls itself " + kind.code());
        }
        boolean fits = switch (kind.entry()) {
            case Entry.ByKey key -> kind.side() == Side.SOURCE;
            case Entry.ByConsent consent -> kind.side() == Side.LEDGER;
            case Entry.ByFiles files -> kind.side() == Side.LEDGER;
        };
        if (!fits) {
            throw new IllegalStateException(
                    kind.name() + ": apps are entered by a key, ledgers by consent or not at all");
        }
        if (kind.form().stream().anyMatch(field -> field.secret() && Answers.isOwn(field))) {
            throw new IllegalStateException(kind.name() + " asks for a secret beside its key, which nobody would seal");
        }
        if (kinds.putIfAbsent(kind.code(), kind) != null) {
            throw new IllegalStateException("there are two kinds of connection " + kind.code());
        }
    }

    /// @param folder empty for none
    private static ClassLoader loader(String folder) {
        ClassLoader own = Kinds.class.getClassLoader();
        if (folder == null || folder.isBlank()) {
            return own;
        }
        try (Stream<Path> files = Files.list(Path.of(folder))) {
            URL[] jars = files.filter(file -> file.toString().endsWith(".jar"))
                    .sorted()
                    .map(Kinds::url)
                    .toArray(URL[]::new);
            LOG.info("{} jars with further kinds of connection in {}", jars.length, folder);
            return new URLClassLoader("connectors", jars, own);
        } catch (IOException e) {
            throw new UncheckedIOException("the folder for connectors cannot be read", e);
        }
    }

    private static URL url(Path jar) {
        try {
            return jar.toUri().toURL();
        } catch (MalformedURLException e) {
            throw new UncheckedIOException(e);
        }
    }

    public List<ConnectionKind> all() {
        return List.copyOf(kinds.values());
    }

    public ConnectionKind get(String code) {
        return find(code)
                .orElseThrow(() -> NotPossibleException.invalid(
                        "kind-unknown", "This installation knows no systems of the kind " + code + " (any more)."));
    }

    public Optional<ConnectionKind> find(String code) {
        return Optional.ofNullable(kinds.get(code));
    }

    /// Whether systems of a kind can do something; false for a kind that is not known any more.
    public boolean can(String code, Class<? extends Capability> capability) {
        return find(code).filter(kind -> kind.can(capability)).isPresent();
    }

    /// The codes of those on one side that can.
    public String[] codes(Side side, Class<? extends Capability> capability) {
        return kinds.values().stream()
                .filter(kind -> kind.side() == side && kind.can(capability))
                .map(ConnectionKind::code)
                .toArray(String[]::new);
    }
}
