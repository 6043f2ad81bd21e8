package alcabala.server.connection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.party.Party;
import alcabala.connectors.Access;
import alcabala.connectors.ledger.FeedsChanges;
import alcabala.connectors.ledger.TakesDocuments;
import alcabala.connectors.source.Approves;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.spi.CannotException;
import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Place;
import alcabala.connectors.spi.Side;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.jar.JarEntry;
import java.util.jar.JarOutputStream;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The kinds that ship with it, and one that somebody adds as docs/connectors.md says.
class KindsTest {
    @TempDir
    private Path folder;

    @Test
    void theKindsThatShipAreAskedWhatTheyCanDo() {
        Kinds kinds = new Kinds(ReachTest.settings("", ""));
        assertThat(kinds.all())
                .extracting(ConnectionKind::code)
                .containsExactly("copperplate", "hullwork", "inkwell", "refitline", "storeloft");
        assertThat(kinds.codes(Side.LEDGER, TakesDocuments.class)).containsExactly("inkwell");
        assertThat(kinds.can("copperplate", FeedsChanges.class)).isFalse();
        assertThat(kinds.can("gone-since", FeedsChanges.class)).isFalse();
    }

    /// What a kind says that it can is what its connections do.
    @Test
    void noKindPromisesWhatItDoesNotDo() {
        for (ConnectionKind kind : new Kinds(ReachTest.settings("", "")).all()) {
            Connection open =
                    kind.open(new Place("http://127.0.0.1:1", "c", Duration.ofMillis(1), any -> {}), Access.key("k"));
            for (Class<? extends Capability> each : kind.can()) {
                assertThat(open.find(each))
                        .as(kind.code() + " " + each.getSimpleName())
                        .isPresent();
            }
        }
    }

    @Test
    void theOneInTheManualIsAddedAsAJarAndWorks() throws IOException {
        Files.write(folder.resolve("logbook.jar"), jar());
        Kinds kinds = new Kinds(ReachTest.settings("127.0.0.1", folder.toString()));
        ConnectionKind logbook = kinds.get("logbook");
        assertThat(logbook.form()).extracting(field -> field.name()).containsExactly("address", "key");
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> {
            byte[] body = """
                    {"entries": [{"code": "L1", "name": "Gull Row", "mail": "x@gull.example"}, {"code": 7}], "next": 9, "more": false}""".getBytes(StandardCharsets.UTF_8);
            boolean letIn = "Bearer its-key".equals(exchange.getRequestHeaders().getFirst("Authorization"));
            exchange.sendResponseHeaders(letIn ? 200 : 401, body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        server.start();
        try {
            Reach reach = new Reach(ReachTest.settings("127.0.0.1", ""));
            Place place =
                    new Place("http://127.0.0.1:" + server.getAddress().getPort(), "", Duration.ofSeconds(5), reach);
            Connection open = logbook.open(place, Access.key("its-key"));
            assertThat(open.get(TellsChanges.class).changes(3, 10).changes().getFirst())
                    .isInstanceOfSatisfying(
                            SourceChange.PartyChanged.class,
                            changed -> assertThat(changed.party())
                                    .extracting(Party::code, Party::name, Party::email)
                                    .containsExactly("L1", "Gull Row", "x@gull.example"));
            assertThatThrownBy(() -> open.get(Approves.class))
                    .isInstanceOf(CannotException.class)
                    .hasMessage("Logbook cannot do what Approves stands for");
            Place inside = new Place(place.address(), "", place.patience(), new Reach(ReachTest.settings("", "")));
            assertThatThrownBy(() -> logbook.open(inside, Access.key("its-key"))
                            .get(TellsChanges.class)
                            .changes(3, 10))
                    .hasMessageContaining("by https");
        } finally {
            server.stop(0);
        }
    }

    /// What the page says, compiled.
    private byte[] jar() throws IOException {
        Matcher code = Pattern.compile("```java\n(.*?)```", Pattern.DOTALL)
                .matcher(Files.readString(Path.of("../docs/connectors.md")));
        assertThat(code.find()).isTrue();
        Path source = folder.resolve("LogbookKind.java");
        Files.writeString(source, code.group(1));
        Path classes = Files.createDirectories(folder.resolve("classes"));
        int result = ToolProvider.getSystemJavaCompiler()
                .run(
                        null,
                        null,
                        null,
                        "-d",
                        classes.toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        source.toString());
        assertThat(result).isZero();
        Path jar = folder.resolve("made");
        try (JarOutputStream out = new JarOutputStream(Files.newOutputStream(jar))) {
            for (Path file : files(classes)) {
                out.putNextEntry(new JarEntry(classes.relativize(file).toString()));
                out.write(Files.readAllBytes(file));
            }
            out.putNextEntry(new JarEntry("META-INF/services/" + ConnectionKind.class.getName()));
            out.write("example.logbook.LogbookKind\n".getBytes(StandardCharsets.UTF_8));
        }
        return Files.readAllBytes(jar);
    }

    private static List<Path> files(Path classes) throws IOException {
        try (var found = Files.walk(classes)) {
            return found.filter(Files::isRegularFile).toList();
        }
    }
}
