package alcabala.server.connect;

import alcabala.server.connection.SourceConnections;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Operational apps and folders of files. Only administrators change them.
@RestController
@RequestMapping("/api/connect/sources")
class SourceApi {
    private final SourceConnections connections;
    private final Works works;

    /// @param source the app to connect again; left out for a new one
    /// @param kind code of a kind of app; of no meaning for one that is connected again
    /// @param address where it is; empty to leave it where it was
    /// @param answers to what its kind asks for beside address and key; left out to leave them as they were
    record ConnectSource(
            Long source,
            @Size(max = 30) String kind,
            @Size(max = 300) String address,
            @Size(max = 60) String name,
            @Size(max = 20) Map<@Size(max = 60) String, @NotNull @Size(max = 300) String> answers,

            @NotBlank
            @Size(max = 500)
            @Pattern(
                    regexp = "[\\x20-\\x7e]*",
                    message = "holds something that no key has: only plain letters, digits and signs")
            String key) {
        @Override
        public String toString() {
            return "ConnectSource[" + source + "]";
        }

        private SourceConnections.Filled filled() {
            return new SourceConnections.Filled(text(name), text(address), answers == null ? Map.of() : answers, key);
        }

        private static String text(String text) {
            return text == null ? "" : text;
        }
    }

    record AddFiles(@NotBlank @Size(max = 60) String name) {}

    record SourceConnected(long source) {}

    SourceApi(SourceConnections connections, Works works) {
        this.connections = connections;
        this.works = works;
    }

    /// The key is tried before it is kept.
    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<SourceConnected> connect(@Valid @RequestBody ConnectSource source, Principal who) {
        return works.start(
                Kind.CONNECTION,
                "source " + UUID.randomUUID(),
                who.getName(),
                SourceConnected.class,
                at -> new SourceConnected(connections.connect(
                        source.source(), ConnectSource.text(source.kind()), source.filled(), who.getName())));
    }

    @PostMapping("/files")
    SourceConnected addFiles(@Valid @RequestBody AddFiles files, Principal who) {
        return new SourceConnected(connections.addFiles(files.name(), who.getName()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void disconnect(@PathVariable long id, Principal who) {
        connections.disconnect(id, who.getName());
    }
}
