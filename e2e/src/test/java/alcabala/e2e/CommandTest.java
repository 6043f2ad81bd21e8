package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;

/// The one command when something is in its way: one plain sentence, exit code 1, nothing left running.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class CommandTest {
    @Test
    @Order(1)
    void aPortInUseIsOneSentence() throws Exception {
        try (ServerSocket taken = new ServerSocket(8595, 1, InetAddress.getLoopbackAddress())) {
            Demo.Said said = Demo.say(Map.of("ALCABALA_STANDINS_PORT", "8595"), "demo", "--detach");
            assertThat(said.code()).isEqualTo(1);
            assertThat(said.text().strip())
                    .isEqualTo("Port 8595 is in use; the stand-ins can be given another by ALCABALA_STANDINS_PORT.");
            assertThat(taken.isBound()).isTrue();
        }
    }

    @Test
    @Order(2)
    void aSecondStartAndAWrongWordAreOneSentence() {
        Demo.Said word = Demo.say(Map.of(), "sing");
        assertThat(word.code()).isEqualTo(1);
        assertThat(word.text()).startsWith("Usage:");
        assertThat(Demo.say(Map.of(), "token").text().strip()).startsWith("The demo is not running");
        try (Demo demo = Demo.start()) {
            Demo.Said second = Demo.say(Map.of(), "demo", "--detach");
            assertThat(second.code()).isEqualTo(1);
            assertThat(second.text().strip()).isEqualTo("The demo is running already; ./alcabala stop ends it.");
            assertThat(demo.read(demo.address() + "/actuator/health/readiness")).contains("UP");
            assertThat(Demo.say(Map.of(), "token").text().strip()).hasSize(43);
            demo.handOn();
        }
    }

    @Test
    @Order(3)
    void aBackupIsPutBackTheKeyIsChangedAndTheTrailStaysWhole(@TempDir Path folder) {
        String file = folder.resolve("alcabala.backup").toString();
        try (Demo demo = Demo.start()) {
            String anchor = Demo.say(Map.of(), "trail", "anchor").text().strip();
            assertThat(anchor).matches("\\d+ [0-9a-f]{64}");
            assertThat(Demo.say(Map.of(), "backup", file).text()).contains("The key that seals secrets is not in it");
            assertThat(Demo.say(Map.of(), "restore", file).text().strip())
                    .isEqualTo("The demo is running; ./alcabala stop ends it.");
            Demo.say(Map.of(), "stop");
            Demo.Said restored = Demo.say(Map.of(), "restore", file);
            assertThat(restored.text()).contains("alcabala is as it was when");
            assertThat(restored.code()).isZero();
            assertThat(Demo.say(Map.of(), "key").text()).contains("A new key is in");
            assertThat(Demo.say(Map.of(), "demo", "--detach").code()).isZero();
            assertThat(demo.log("server")).contains("sealed anew with the present key", "an older state was put back");
            Demo.Said check = Demo.say(Map.of(), ("trail check " + anchor).split(" "));
            assertThat(check.text()).as("an anchor older than the backup holds").contains("the trail is whole");
            assertThat(check.code()).isZero();
            Demo.Said wrong = Demo.say(Map.of(), "trail", "check", anchor.split(" ")[0], "0".repeat(64));
            assertThat(wrong.code()).isEqualTo(1);
            assertThat(wrong.text()).contains("is not the one that the anchor was taken of");
        }
    }
}
