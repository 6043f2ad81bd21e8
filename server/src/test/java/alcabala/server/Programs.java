package alcabala.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.Stream;

/// Programs in processes of their own, which can be stopped and killed.
final class Programs {
    private static final int LOWEST_PORT = 12_000;
    private static final int HIGHEST_PORT = 32_000;

    private Programs() {}

    /// What starts a server, before its arguments. It lives for seconds, and compiling well pays after minutes; where
    /// all tests are run it was taught to start fast.
    static String[] server() {
        String taught = System.getenv("ALCABALA_APP");
        List<String> how = taught == null
                ? List.of("-cp", System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")))
                : List.of(
                        "-XX:AOTCache=" + taught + "/server/server.aot",
                        "-cp",
                        taught + "/server/server-1-exec.jar:target/test-classes");
        return Stream.of(
                        Stream.of("-XX:TieredStopAtLevel=1"),
                        how.stream(),
                        Stream.of("alcabala.server.AlcabalaApplication"))
                .flatMap(each -> each)
                .toArray(String[]::new);
    }

    /// It ends with the tests at the latest.
    static Process launch(Map<String, String> environment, String... arguments) {
        List<String> command = new ArrayList<>(List.of(arguments));
        command.addFirst("-XX:+UseSerialGC");
        command.addFirst(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        ProcessBuilder builder = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(
                        Path.of("target/processes.log").toFile()));
        builder.environment().putAll(environment);
        try {
            Process started = builder.start();
            Runtime.getRuntime().addShutdownHook(new Thread(started::destroyForcibly));
            return started;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// @param name such as `STOP`
    static void signal(Process to, String name) {
        try {
            int code = new ProcessBuilder("kill", "-" + name, String.valueOf(to.pid()))
                    .start()
                    .waitFor();
            if (code != 0) {
                throw new IllegalStateException("kill -" + name + " ended with " + code);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /// Below those that the system gives to whoever connects: between this look and the moment when the process listens
    /// lie seconds, and whatever connects anywhere meanwhile could be given the same.
    static int freePort() {
        return ThreadLocalRandom.current()
                .ints(LOWEST_PORT, HIGHEST_PORT)
                .filter(Programs::isFree)
                .findFirst()
                .orElseThrow();
    }

    private static boolean isFree(int port) {
        try (ServerSocket socket = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
            return socket.isBound();
        } catch (IOException e) {
            return false;
        }
    }
}
