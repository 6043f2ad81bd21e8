package alcabala.bench;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleSupplier;
import java.util.stream.IntStream;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.support.ui.WebDriverWait;

/// Lists of 200,000 rows in Debian's Chromium without a monitor, measured by the page itself, frame by frame.
final class ScreensBenchmark {
    private static final int ROUNDS = 5;
    private static final Duration PATIENCE = Duration.ofSeconds(60);
    private static final Duration COMPARING = Duration.ofMinutes(10);
    /// Notes when the first row of a list stood on a new page.
    private static final String WATCH = """
            new MutationObserver((_, watching) => {
                if (document.querySelector('tr[data-index]')) {
                    window.firstRow = performance.now();
                    watching.disconnect();
                }
            }).observe(document, { childList: true, subtree: true });""";
    /// For how long at a time nothing could be seen while it was scrolled, and for how long no row that has been read
    /// but only the places of some, in milliseconds, of the last frames of that and after it.
    private static final String SCROLL = """
            const [to, frames, counted, done] = arguments;
            const box = document.querySelector('table.book').parentElement;
            const from = box.scrollTop;
            const most = (box.scrollHeight - box.clientHeight) * to;
            const seen = rows => {
                const { top, bottom } = box.getBoundingClientRect();
                return [...document.querySelectorAll(rows)].some(row => {
                    const place = row.getBoundingClientRect();
                    return place.bottom > top + 60 && place.top < bottom - 40;
                });
            };
            const watch = rows => ({ rows, longest: 0, since: null });
            const blank = watch('tr[data-index], tr[data-unread]'), unread = watch('tr[data-index]');
            const look = (watched, now) => {
                watched.since = seen(watched.rows) || frame + counted < frames ? null : watched.since ?? now;
                watched.longest = Math.max(watched.longest, watched.since === null ? 0 : now - watched.since);
            };
            let frame = 0, calm = 0;
            const step = now => {
                if (frame < frames) {
                    frame += 1;
                    box.scrollTop = from + (most - from) * (frame / frames);
                } else {
                    calm += 1;
                }
                look(blank, now);
                look(unread, now);
                calm = unread.since === null ? calm : 0;
                const place = Number(document.querySelector('tr[data-index]')?.dataset.index ?? 0);
                const all = Number(document.querySelector('table.book').ariaRowCount);
                const there = Math.abs(place - all * to) < 1000;
                calm > 20 ? done(there ? [blank.longest, unread.longest] : []) : requestAnimationFrame(step);
            };
            requestAnimationFrame(step);""";
    /// From a press to the frame in which the list shows rows that it did not show.
    private static final String PRESS = """
            const [name, done] = arguments;
            const shown = () => document.querySelector('tr[data-index]')?.innerText;
            const before = shown();
            const chip = [...document.querySelectorAll('.chip')].find(each => each.innerText.startsWith(name));
            const start = performance.now();
            chip.click();
            const look = () => shown() && shown() !== before ? done(performance.now() - start) : requestAnimationFrame(look);
            requestAnimationFrame(look);""";
    /// The longest that a letter waited for the next frame, while others were typed after it.
    private static final String TYPE = """
            const done = arguments[0];
            const field = document.querySelector('input[type=search]');
            field.focus();
            const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
            const letters = [...'B1004242'];
            let text = '', longest = 0;
            const next = () => {
                if (letters.length === 0) {
                    return done(longest);
                }
                text += letters.shift();
                const start = performance.now();
                set.call(field, text);
                field.dispatchEvent(new Event('input', { bubbles: true }));
                requestAnimationFrame(() => setTimeout(() => {
                    longest = Math.max(longest, performance.now() - start);
                    setTimeout(next, 30);
                }));
            };
            next();""";
    private final ChromeDriver driver;
    private final String address;
    private String list = "";

    private ScreensBenchmark(ChromeDriver driver, String address) {
        this.driver = driver;
        this.address = address;
    }

    static void measure(String address) {
        ChromeDriver driver = browser();
        try {
            new ScreensBenchmark(driver, address).run();
        } finally {
            driver.quit();
        }
    }

    private static ChromeDriver browser() {
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
                "--window-size=1280,800",
                "--user-data-dir=" + profile());
        return new ChromeDriver(
                new ChromeDriverService.Builder()
                        .usingDriverExecutable(new File("/usr/bin/chromedriver"))
                        .build(),
                options);
    }

    private static Path profile() {
        try {
            return Files.createTempDirectory("alcabala-bench");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void run() {
        driver.executeCdpCommand("Page.addScriptToEvaluateOnNewDocument", Map.of("source", WATCH));
        driver.manage().timeouts().scriptTimeout(PATIENCE);
        driver.get(address + "/sign-in");
        await("return document.querySelector('input[type=password]')");
        driver.findElement(By.cssSelector("input[autocomplete=username]")).sendKeys("bench");
        driver.findElement(By.cssSelector("input[type=password]")).sendKeys("bench-corvane", Keys.ENTER);
        await("return document.querySelector('nav[aria-label=\"The road\"]')");
        measure("documents", "/release?route=yard&state=All", "Ready", "All");
        // Who of them is somebody on the ledger is looked at behind the screens; it is not what is measured here.
        driver.get(address + "/map?route=yard&kind=party");
        await("return performance.now() > 3000 && !document.body.innerText.includes('Comparing parties')", COMPARING);
        measure("items of the crosswalk", "/map?route=yard&kind=item", "Parties", "Items");
        measureGrowing("100,000 parties there", "/connect?view=reference&kind=PARTY", "Items", "Parties");
    }

    /// Lists that grow as one goes on: there is nothing in their middle that has not been read.
    private void measureGrowing(String what, String path, String other, String same) {
        list = path;
        measureFirst(" of " + what, other, same);
        measureTyping();
    }

    private void measure(String what, String path, String other, String same) {
        list = path;
        measureFirst(" of 200,000 " + what, other, same);
        scrolled("scrolled to the middle at once", 0.5, 1, 1);
        scrolled("dragged over 180,000 in a second, then", 0.9, 60, 0);
        scrolled("scrolled by a screen a frame", 0.005, 60, 60);
        measureTyping();
    }

    private void measureFirst(String of, String other, String same) {
        open();
        Benchmarks.report("first rows" + of + " on a new page, ms", median(this::firstRows), "-");
        Benchmarks.report("first rows of another list, ms", median(() -> press(other) + press(same)) / 2, "under 300");
    }

    private void measureTyping() {
        Benchmarks.report("typing while it looks, longest wait for a frame, ms", median(this::typed), "under 100");
    }

    private void open() {
        driver.get(address + list);
        await("return window.firstRow");
    }

    private double firstRows() {
        open();
        return number("return window.firstRow");
    }

    private double press(String chip) {
        return async(PRESS, chip);
    }

    private void scrolled(String how, double to, int frames, int counted) {
        List<Double> blank = new ArrayList<>();
        double unread = median(() -> {
            List<Double> longest = scrolledOnce(to, frames, counted);
            blank.add(longest.getFirst());
            return longest.getLast();
        });
        Benchmarks.report(
                how + ", longest blank, ms", blank.stream().sorted().toList().get(blank.size() / 2), "under 100");
        Benchmarks.report(how + ", longest with places and no row, ms", unread, "-");
    }

    private List<Double> scrolledOnce(double to, int frames, int counted) {
        open();
        await("return Number(document.querySelector('table.book').ariaRowCount) > 200000");
        List<?> longest = (List<?>) driver.executeAsyncScript(SCROLL, to, frames, counted);
        if (longest.isEmpty()) {
            throw new IllegalStateException("it was scrolled to another place");
        }
        return longest.stream().map(each -> ((Number) each).doubleValue()).toList();
    }

    private double typed() {
        open();
        return async(TYPE);
    }

    private double async(String script, Object... arguments) {
        return ((Number) driver.executeAsyncScript(script, arguments)).doubleValue();
    }

    private double number(String script) {
        return ((Number) driver.executeScript(script)).doubleValue();
    }

    private void await(String script) {
        await(script, PATIENCE);
    }

    private void await(String script, Duration patience) {
        new WebDriverWait(driver, patience).until(d -> driver.executeScript(script));
    }

    private static double median(DoubleSupplier measured) {
        List<Double> figures = new ArrayList<>();
        // The first one warms up what serves it.
        measured.getAsDouble();
        IntStream.range(0, ROUNDS).forEach(i -> figures.add(measured.getAsDouble()));
        return figures.stream().sorted().toList().get(ROUNDS / 2);
    }
}
