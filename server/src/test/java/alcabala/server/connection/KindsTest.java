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
import alcabala.connectors.spi.FormField;
import alcabala.connectors.spi.Place;
import alcabala.connectors.spi.Side;
import alcabala.connectors.spi.SourceByKey;
import alcabala.server.Api;
import alcabala.server.World;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.jar.JarEntry;
import java.util.jar.JarOutputStream;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

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
            Connection open = kind.open(
                    new Place("http://127.0.0.1:1", "c", Map.of(), Duration.ofMillis(1), any -> {}), Access.key("k"));
            for (Class<? extends Capability> each : kind.can()) {
                assertThat(open.find(each))
                        .as(kind.code() + " " + each.getSimpleName())
                        .isPresent();
            }
        }
    }

    /// Whoever adds a kind that nobody could connect is told at the start, and not by a button that does nothing.
    @Test
    void whatNobodyCouldConnectIsRefusedAtTheStart() {
        Kinds kinds = new Kinds(ReachTest.settings("", ""));
        assertThatThrownBy(() -> kinds.add(kind("Nobody", Side.SOURCE, List.of())))
                .hasMessageContaining("calls itself Nobody");
        assertThatThrownBy(() -> kinds.add(kind("inkwell", Side.SOURCE, List.of())))
                .hasMessageContaining("two kinds");
        assertThatThrownBy(() -> kinds.add(kind("odd", Side.LEDGER, List.of())))
                .hasMessageContaining("ledgers by consent");
        assertThatThrownBy(
                        () -> kinds.add(kind("odd", Side.SOURCE, List.of(new FormField("pin", "Its pin", true, "")))))
                .hasMessageContaining("a secret beside its key");
        kinds.add(kind("even", Side.SOURCE, List.of(FormField.key())));
        assertThat(kinds.find("even")).isPresent();
    }

    private static ConnectionKind kind(String code, Side side, List<FormField> form) {
        return new SourceByKey(code, code, Set.of(), (place, access) -> null) {
            @Override
            public Side side() {
                return side;
            }

            @Override
            public List<FormField> form() {
                return form;
            }
        };
    }

    @Test
    void theOneInTheManualIsAddedAsAJarAndWorks() throws IOException {
        Files.write(folder.resolve("logbook.jar"), jar());
        Kinds kinds = new Kinds(ReachTest.settings("127.0.0.1", folder.toString()));
        ConnectionKind logbook = kinds.get("logbook");
        assertThat(logbook.form()).extracting(field -> field.name()).containsExactly("address", "key", "book");
        HttpServer server = logbook();
        try {
            Reach reach = new Reach(ReachTest.settings("127.0.0.1", ""));
            Place place = new Place(address(server), "", Map.of("book", "south"), Duration.ofSeconds(5), reach);
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
            Place inside = new Place(
                    place.address(), "", place.answers(), place.patience(), new Reach(ReachTest.settings("", "")));
            assertThatThrownBy(() -> logbook.open(inside, Access.key("its-key"))
                            .get(TellsChanges.class)
                            .changes(3, 10))
                    .hasMessageContaining("by https");
        } finally {
            server.stop(0);
        }
    }

    /// Everything through the doors: the form that it describes, its answers kept, and what it tells.
    @Test
    void itIsConnectedLikeAnyOther() throws IOException {
        Files.write(folder.resolve("logbook.jar"), jar());
        HttpServer server = logbook();
        try (World world = World.inProcess("--alcabala.connectors=" + folder)) {
            Api admin = world.api("admin");
            JsonNode kind = admin.get("/api/connect")
                    .json()
                    .get("kinds")
                    .valueStream()
                    .filter(each -> each.get("code").asString().equals("logbook"))
                    .findFirst()
                    .orElseThrow();
            assertThat(kind.get("form").get(2).get("label").asString()).isEqualTo("Which book");
            Map<String, Object> filled =
                    new HashMap<>(Map.of("kind", "logbook", "address", address(server), "name", "", "key", "its-key"));
            assertThat(admin.post("/api/connect/sources", filled)
                            .json()
                            .get("sentence")
                            .asString())
                    .isEqualTo("“Which book” takes a text of 1 to 300 letters.");
            filled.put("answers", Map.of("book", "south", "nobody-asked", "x"));
            long source = admin.post("/api/connect/sources", filled)
                    .json()
                    .get("source")
                    .asLong();
            assertThat(admin.post("/api/pull/sources/" + source, Map.of()).status())
                    .isEqualTo(200);
            assertThat(world.jdbc()
                            .sql(
                                    "select p.name || ' ' || s.answers from source s join source_party p on p.source_id = s.id where s.id = "
                                            + source)
                            .query(String.class)
                            .list())
                    .contains("Gull Row {\"book\": \"south\"}");
            assertThat(admin.post("/api/connect/sources", Map.of("source", source, "key", "its-key"))
                            .status())
                    .as("where it was, as it was answered before")
                    .isEqualTo(200);
            assertThat(admin.post(
                                    "/api/connect/sources",
                                    Map.of("kind", "inkwell", "address", address(server), "key", "k"))
                            .json()
                            .get("code")
                            .asString())
                    .isEqualTo("kind-unfit");
            assertThat(admin.post(
                                    "/api/connect/consents",
                                    Map.of(
                                            "kind",
                                            "logbook",
                                            "address",
                                            address(server),
                                            "answers",
                                            Map.of("book", "x")))
                            .json()
                            .get("code")
                            .asString())
                    .isEqualTo("kind-unfit");
            assertThat(admin.post(
                                    "/api/connect/ledgers/files",
                                    Map.of("kind", "inkwell", "name", "N", "company", "C", "currency", "EUR"))
                            .json()
                            .get("code")
                            .asString())
                    .isEqualTo("kind-unfit");
            assertThat(admin.post("/api/connect/consents", Map.of("kind", "inkwell", "address", address(server)))
                            .json()
                            .get("code")
                            .asString())
                    .as("what Alcabala is known by is shown to nobody else")
                    .isEqualTo("not-known-there");
            assertThat(admin.post(
                                    "/api/connect/sources",
                                    Map.of("kind", "gone", "address", address(server), "key", "k"))
                            .json()
                            .get("code")
                            .asString())
                    .isEqualTo("kind-unknown");
        } finally {
            server.stop(0);
        }
    }

    private static String address(HttpServer server) {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    private static HttpServer logbook() throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> {
            byte[] body = """
                    {"entries": [{"code": "L1", "name": "Gull Row", "mail": "x@gull.example"}, {"code": 7}], "next": 9, "more": false}""".getBytes(StandardCharsets.UTF_8);
            boolean letIn = "Bearer its-key".equals(exchange.getRequestHeaders().getFirst("Authorization"))
                    && exchange.getRequestURI().getPath().equals("/api/books/south/entries");
            exchange.sendResponseHeaders(letIn ? 200 : 401, body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        server.start();
        return server;
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
