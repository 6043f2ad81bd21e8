package alcabala.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Base64;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Secrets at rest.
class SealTest {
    private static final String KEY = Base64.getEncoder().encodeToString(new byte[32]);
    private static final String OTHER =
            Base64.getEncoder().encodeToString("another key of thirty-two bytes.".getBytes());

    private static Seal seal(String key, String file) {
        return seal(key, file, "");
    }

    private static Seal seal(String key, String file, String before) {
        return new Seal(settings(key, file, before));
    }

    private static Settings settings(String key, String file, String before) {
        return new Settings(
                false,
                "",
                "",
                "",
                "hull-key",
                Map.of(),
                Map.of("inkwell", "ink-secret"),
                "",
                "",
                key,
                file,
                before,
                "",
                Duration.ofSeconds(1),
                Duration.ofSeconds(1),
                1,
                "",
                "first-secret",
                Duration.ofDays(1),
                "");
    }

    @Test
    void whatIsSealedIsReadWithTheSameKeyAndNoOther() {
        byte[] sealed = seal(KEY, "").seal("a token, ünïcode and all");
        assertThat(new String(sealed, StandardCharsets.UTF_8)).doesNotContain("token");
        assertThat(seal(KEY, "").open(sealed)).contains("a token, ünïcode and all");
        assertThat(seal(OTHER, "").open(sealed)).isEmpty();
    }

    @Test
    void theKeyBeforeStillOpensAndWhatItOpensIsSealedAnew() {
        byte[] old = seal(OTHER, "").seal("a token");
        Seal both = seal(KEY, "", OTHER);
        assertThat(both.open(old)).contains("a token");
        byte[] anew = both.sealAnew(old).orElseThrow();
        assertThat(seal(KEY, "").open(anew)).contains("a token");
        assertThat(both.sealAnew(anew)).as("done already").isEmpty();
        assertThat(both.sealAnew(new byte[40])).as("nobody's seal").isEmpty();
    }

    @Test
    void theSameSecretIsNeverSealedTheSameWay() {
        Seal seal = seal(KEY, "");
        assertThat(seal.seal("again")).isNotEqualTo(seal.seal("again"));
    }

    @Test
    void aChangedByteAnywhereIsNoticed() {
        Seal seal = seal(KEY, "");
        byte[] sealed = seal.seal("secret");
        for (int i = 0; i < sealed.length; i++) {
            byte[] tampered = sealed.clone();
            tampered[i] ^= 1;
            assertThat(seal.open(tampered)).as("byte " + i).isEmpty();
        }
        assertThat(seal.open(new byte[3])).as("cut short").isEmpty();
    }

    @Test
    void theKeyComesFromAFileToo(@TempDir Path folder) throws IOException {
        Path file = Files.writeString(folder.resolve("seal.key"), KEY + "\n");
        assertThat(seal("", file.toString()).open(seal(KEY, "").seal("x"))).contains("x");
    }

    @Test
    void aMissingOrUnfitKeyStopsTheStartWithASentence() {
        assertThatThrownBy(() -> seal("", "")).hasMessageContaining("ALCABALA_KEY");
        assertThatThrownBy(() -> seal("not base64!", "")).hasMessageContaining("not Base64");
        assertThatThrownBy(() -> seal("c2hvcnQ=", "")).hasMessageContaining("has 5 bytes; 32 are needed");
        assertThatThrownBy(() -> seal("", "/nowhere/seal.key")).hasMessageContaining("/nowhere/seal.key");
    }

    @Test
    void settingsNeverSayTheirSecrets() {
        Settings settings = settings(KEY, "", OTHER);
        assertThat(settings.toString()).doesNotContain("hull-key", "ink-secret", "first-secret", KEY, OTHER);
    }
}
