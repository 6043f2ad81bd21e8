package alcabala.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import org.openqa.selenium.By;
import org.openqa.selenium.ElementNotInteractableException;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.TimeoutException;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.WebDriverWait;

/// Debian's Chromium without a monitor, at 1280 by 800. Nothing here sleeps: everything awaits a condition.
final class Browser implements AutoCloseable {
    private static final String NOTICE = "div[role=status].fixed > div";
    private static final Duration PATIENCE = Duration.ofSeconds(60);
    private static final Duration POLL = Duration.ofMillis(60);
    private static final Set<String> TICKED = Set.of("checkbox", "radio");
    private static final Set<String> ARROWED = Set.of("option", "menuitem", "tab", "row", "gridcell");
    private final ChromeDriver driver;
    private final Path profile;

    Browser() {
        try {
            profile = Files.createTempDirectory("alcabala-browser");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        ChromeOptions options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        options.addArguments(
                "--headless=new",
                "--no-sandbox",
                "--disable-gpu",
                "--disable-dev-shm-usage",
                "--disable-quic",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--hide-scrollbars",
                "--force-color-profile=srgb",
                "--font-render-hinting=none",
                "--window-size=1280,800",
                "--lang=en-GB",
                "--user-data-dir=" + profile);
        driver = new ChromeDriver(
                new ChromeDriverService.Builder()
                        .usingDriverExecutable(new java.io.File("/usr/bin/chromedriver"))
                        .build(),
                options);
        driver.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of("width", 1280, "height", 800, "deviceScaleFactor", 1, "mobile", false));
    }

    ChromeDriver driver() {
        return driver;
    }

    void open(String address) {
        driver.get(address);
    }

    void signIn(String address, String name) {
        driver.get(address + "/sign-in");
        type("input[autocomplete=username]", name);
        type("input[type=password]", name + "-corvane", Keys.ENTER);
        find("nav[aria-label='The road']");
    }

    /// The first that can be seen. The page looks for it itself, since one question for each element takes long.
    WebElement find(String css) {
        return until(d -> (WebElement) driver.executeScript(
                "return [...document.querySelectorAll(arguments[0])].find(each => each.checkVisibility()) ?? null",
                css));
    }

    /// Into the first that can be seen. The page may draw it anew between the look and the first key.
    void type(String css, CharSequence... keys) {
        until(d -> {
            find(css).sendKeys(keys);
            return true;
        });
    }

    WebElement button(String beginning) {
        return until(d -> (WebElement) driver.executeScript("""
                return [...document.querySelectorAll('button, a')]
                    .find(each => each.checkVisibility() && each.innerText.trim().startsWith(arguments[0])) ?? null""", beginning));
    }

    /// What stands in the first that can be seen, asked for at once: the page may draw it anew at any moment.
    String textOf(String css) {
        return until(d -> (String) driver.executeScript("""
                return [...document.querySelectorAll(arguments[0])].find(each => each.checkVisibility())
                    ?.innerText.replace(/[ \\t]+/g, ' ').trim() ?? null""", css));
    }

    /// Presses the button or link that begins so, once it can be pressed.
    void press(String beginning) {
        pressed(() -> button(beginning));
    }

    /// Presses the first that can be seen of these, once it can be pressed.
    void pressAt(String css) {
        pressed(() -> find(css));
    }

    /// By a key, so that every journey shows that nothing needs a mouse. What a key cannot get to is never pressed. The
    /// page may still be moving, and draw anew what was found.
    private void pressed(Supplier<WebElement> target) {
        until(d -> {
            WebElement found = target.get();
            if (!found.isEnabled() || !isReachedByKeys(found)) {
                return null;
            }
            try {
                found.sendKeys(
                        TICKED.contains(Objects.toString(found.getDomProperty("type"))) ? Keys.SPACE : Keys.ENTER);
                return true;
            } catch (ElementNotInteractableException e) {
                return null;
            }
        });
    }

    /// By Tab, or by the arrows within what Tab gets to.
    private static boolean isReachedByKeys(WebElement found) {
        return Integer.parseInt(found.getDomProperty("tabIndex")) >= 0 || ARROWED.contains(found.getAriaRole());
    }

    List<WebElement> all(String css) {
        return driver.findElements(By.cssSelector(css));
    }

    String text() {
        return (String) driver.executeScript("return document.body.innerText");
    }

    /// What stands on what has the focus, asked for at once: the page may draw it anew at any moment.
    String focused() {
        return (String) driver.executeScript("return document.activeElement?.innerText?.trim() ?? ''");
    }

    void awaitText(String... texts) {
        List.of(texts).forEach(text -> awaitText(text, PATIENCE));
    }

    /// What takes its time.
    void awaitText(String text, Duration patience) {
        until(d -> text().contains(text) ? text : null, patience);
    }

    /// What no journey is about, to its end, done by whoever is signed in without going through its screen.
    void call(String method, String path, String body) {
        Object status = driver.executeAsyncScript("""
                const [method, path, body, done] = arguments;
                const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]);
                const headers = { 'X-XSRF-TOKEN': token, 'Content-Type': 'application/json' };
                const ended = async answer => {
                    let work = answer.status === 202 ? await answer.json() : null;
                    while (work?.state === 'running') {
                        await new Promise(later => setTimeout(later, 50));
                        work = await (await fetch(`/api/work/${work.id}`)).json();
                    }
                    return work === null || work.state === 'done' ? (work ? 200 : answer.status) : work.problem?.status ?? 0;
                };
                fetch(path, { method, body, headers }).then(ended).then(done, () => done(0));""", method, path, body);
        if (!Long.valueOf(200).equals(status)) {
            throw new IllegalStateException(method + " " + path + " answered " + status);
        }
    }

    /// Every document of the batch that is open has its answer: while some are on their way the same words are there.
    void awaitSettled() {
        until(d -> Boolean.TRUE.equals(driver.executeScript("""
                const all = document.querySelector('progress[aria-label=Settled]');
                return all !== null && all.value === all.max;""")) ? true : null);
    }

    /// By its key, to its end; what was said before is put away, so that it is not taken for what is said now.
    void fetchBothSides() {
        driver.executeScript("[...document.querySelectorAll('" + NOTICE + " button')].at(-1)?.click()");
        until(d -> all(NOTICE).isEmpty() ? true : null);
        keys("p");
        until(d -> all(NOTICE).isEmpty() ? null : true);
    }

    void keys(CharSequence... keys) {
        new Actions(driver).sendKeys(keys).perform();
    }

    /// A failure leaves a picture of what was there instead.
    <T> T until(Function<WebDriver, T> condition) {
        return until(condition, PATIENCE);
    }

    private <T> T until(Function<WebDriver, T> condition, Duration patience) {
        try {
            return new WebDriverWait(driver, patience)
                    .pollingEvery(POLL)
                    .ignoring(StaleElementReferenceException.class)
                    .until(condition);
        } catch (TimeoutException e) {
            Path picture = Path.of("target/failed-" + System.currentTimeMillis() + ".png");
            picture(picture);
            throw new AssertionError("awaited in vain at " + driver.getCurrentUrl() + "; see " + picture, e);
        }
    }

    void picture(Path file) {
        try {
            Files.createDirectories(file.getParent());
            Files.write(file, driver.getScreenshotAs(OutputType.BYTES));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        driver.quit();
        try (var files = Files.walk(profile)) {
            files.sorted(java.util.Comparator.reverseOrder())
                    .forEach(path -> path.toFile().delete());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
