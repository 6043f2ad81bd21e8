package alcabala.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Guessing, passwords, how long a session lasts, and where a request is said to come from: behind a proxy on this
/// machine, which is trusted.
class SignInTest {
    private static World world;

    @BeforeAll
    static void start() {
        world = World.inProcess("--alcabala.trusted-proxies=127.0.0.1", "--alcabala.session-lasts=2h");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @BeforeEach
    void forget() {
        world.jdbc().sql("delete from attempt").update();
    }

    @Test
    void sixtyGuessesAtOnceAreNotSixtyGuesses() throws Exception {
        List<Future<Integer>> answers = new ArrayList<>();
        try (ExecutorService threads = Executors.newFixedThreadPool(60)) {
            for (int i = 0; i < 60; i++) {
                String guess = i == 59 ? "ferro-corvane" : "guess number " + i;
                Api api = from("203.0.113.9");
                answers.add(threads.submit(() -> api.signIn("ferro", guess).status()));
            }
        }
        int looked = 0;
        for (Future<Integer> answer : answers) {
            looked += answer.get() == 429 ? 0 : 1;
        }
        assertThat(looked).isBetween(1, 5);
    }

    @Test
    void theFifthFailureMakesAPauseForThatNameFromThereAlone() {
        Api browser = from("203.0.113.9");
        browser.signIn("ferro", "ferro-corvane");
        Api guesser = from("203.0.113.9");
        for (int i = 0; i < 5; i++) {
            assertThat(guesser.signIn("ferro", "a wrong guess").status())
                    .as("guess " + i)
                    .isEqualTo(401);
        }
        Api.Response slowed = guesser.signIn("ferro", "ferro-corvane");
        assertThat(slowed.status()).as("not even the right one").isEqualTo(429);
        assertThat(Integer.parseInt(slowed.header("retry-after"))).isBetween(1, 3);
        assertThat(guesser.signIn("voss", "voss-corvane").status())
                .as("another name")
                .isEqualTo(200);
        assertThat(from("203.0.113.10").signIn("ferro", "ferro-corvane").status())
                .as("from elsewhere")
                .isEqualTo(200);
        assertThat(browser.signIn("ferro", "ferro-corvane").status())
                .as("a browser that she has signed in from")
                .isEqualTo(200);
    }

    @Test
    void thePresentPasswordIsNotGuessedWithoutPauseEither() {
        Api ferro = from("203.0.113.9");
        ferro.signIn("ferro", "ferro-corvane");
        Map<String, String> change = Map.of("present", "a wrong guess", "next", "four tall ships at dawn");
        for (int i = 0; i < 5; i++) {
            assertThat(ferro.put("/api/session/password", change).status()).isEqualTo(422);
        }
        assertThat(ferro.put("/api/session/password", change).status()).isEqualTo(429);
    }

    @ParameterizedTest
    @CsvSource({
        "elevenchars, password-short",
        "password1234, password-common",
        "Password!!!!!!, password-common",
        "qwertyuiop12, password-common",
        "aaaaaaaaaaaab, password-common",
        "123456789012, password-common",
        "ferro-the-second, ",
        "ööööööööööööööööööööööööööööööööööööö-and-more, password-long",
    })
    void passwordsAreLongUncommonAndNoLongerThanIsLookedAt(String password, String code) {
        Api admin = world.api("admin");
        Api.Response answer = admin.put("/api/people/slip/password", Map.of("password", password));
        if (code == null) {
            assertThat(answer.status()).isEqualTo(204);
            admin.put("/api/people/slip/password", Map.of("password", "slip-corvane"));
        } else {
            assertThat(answer.json().get("code").asString()).isEqualTo(code);
        }
    }

    @Test
    void seventyTwoBytesAreTakenAndTheLastOfThemCounts() {
        Api admin = world.api("admin");
        String longest = "nine words of which the very last one counts as much as the first xyz-uvw".substring(0, 72);
        assertThat(admin.put("/api/people/slip/password", Map.of("password", longest))
                        .status())
                .isEqualTo(204);
        assertThat(admin.put("/api/people/slip/password", Map.of("password", longest + "1"))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("password-long");
        assertThat(from("203.0.113.9")
                        .signIn("slip", longest.substring(0, 71) + "?")
                        .status())
                .isEqualTo(401);
        assertThat(from("203.0.113.9").signIn("slip", longest + "1").status()).isEqualTo(401);
        assertThat(from("203.0.113.9").signIn("slip", longest).status()).isEqualTo(200);
        admin.put("/api/people/slip/password", Map.of("password", "slip-corvane"));
    }

    @Test
    void aSessionEndsHoweverMuchItIsUsed() {
        Api ferro = world.api("ferro");
        age("2 hours - 1 minute");
        assertThat(ferro.get("/api/session").status()).isEqualTo(200);
        age("2 minutes");
        assertThat(ferro.get("/api/session").status()).isEqualTo(401);
    }

    private static void age(String by) {
        world.jdbc()
                .sql("update spring_session set creation_time = creation_time - (extract(epoch from %s) * 1000)::bigint"
                        .formatted(
                                by.contains("-")
                                        ? "interval '2 hours' - interval '1 minute'"
                                        : "interval '" + by + "'"))
                .update();
    }

    @Test
    void behindATrustedProxyTheAddressIsTheRealOneAndCookiesAreForTlsOnly() {
        Api api = from("203.0.113.77").with("X-Forwarded-Proto", "https");
        Api.Response page = api.get("/sign-in");
        assertThat(page.header("strict-transport-security")).contains("max-age=31536000");
        api.get("/api/session/csrf");
        // The browser would send the token back by TLS; this one speaks plainly and is sent it by hand.
        Api.Response answer = api.with("Cookie", "XSRF-TOKEN=11111111-1111-1111-1111-111111111111")
                .with("X-XSRF-TOKEN", "11111111-1111-1111-1111-111111111111")
                .post("/api/session", Map.of("signIn", "ferro", "password", "ferro-corvane"));
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.headers().get("set-cookie"))
                .hasSizeGreaterThanOrEqualTo(2)
                .allSatisfy(cookie -> assertThat(cookie).contains("Secure"));
        assertThat(world.jdbc()
                        .sql(
                                "select detail ->> 'address' from trail where action = 'signed-in' order by id desc limit 1")
                        .query(String.class)
                        .single())
                .isEqualTo("203.0.113.77");
    }

    @Test
    void nobodyElseIsBelievedWhereHeComesFrom() {
        try (World plain = World.inProcess("--alcabala.trusted-proxies=")) {
            Api api = new Api(plain.address())
                    .with("X-Forwarded-For", "203.0.113.77")
                    .with("X-Forwarded-Proto", "https");
            assertThat(api.get("/sign-in").header("strict-transport-security")).isEmpty();
            api.signIn("ferro", "ferro-corvane");
            assertThat(plain.jdbc()
                            .sql("select detail ->> 'address' from trail where action = 'signed-in'")
                            .query(String.class)
                            .single())
                    .isEqualTo("127.0.0.1");
        }
    }

    private static Api from(String address) {
        return new Api(world.address()).with("X-Forwarded-For", address);
    }
}
