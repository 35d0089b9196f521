package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/** A page in Debian's Chromium, with the few gestures that every journey makes. */
final class Browser implements AutoCloseable {
    private static final Path AXE = Path.of("..", "web", "node_modules", "axe-core", "axe.min.js");

    /** One Chromium for all journeys of a thread; each journey has a context of its own in it. */
    private static final ThreadLocal<com.microsoft.playwright.Browser> CHROMIUM =
            ThreadLocal.withInitial(Browser::chromium);

    private static final ThreadLocal<Playwright> PLAYWRIGHT =
            ThreadLocal.withInitial(
                    () ->
                            Playwright.create(
                                    new Playwright.CreateOptions()
                                            .setEnv(
                                                    Map.of(
                                                            "PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD",
                                                            "1"))));

    private static com.microsoft.playwright.Browser chromium() {
        Path executable = Path.of(System.getProperty("chromium", "/usr/bin/chromium"));
        return PLAYWRIGHT
                .get()
                .chromium()
                .launch(
                        new BrowserType.LaunchOptions()
                                .setExecutablePath(executable)
                                .setArgs(
                                        List.of(
                                                "--no-sandbox",
                                                "--disable-gpu",
                                                "--disable-background-networking",
                                                "--disable-component-update")));
    }

    private final RunningServer server;
    private final List<String> complaints = new ArrayList<>();
    final Page page;

    Browser(RunningServer server) {
        this.server = server;
        page =
                CHROMIUM.get()
                        .newContext(
                                new com.microsoft.playwright.Browser.NewContextOptions()
                                        .setViewportSize(1280, 800))
                        .newPage();
        // Patient, because a shared machine may be slow; nothing waits longer than it has to.
        page.setDefaultTimeout(60_000);
        PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
        page.onPageError(complaints::add);
        page.onConsoleMessage(
                m -> {
                    if (m.text().contains("Content Security Policy")) {
                        complaints.add(m.text());
                    }
                });
    }

    /** Errors of the page's own scripts and breaches of its security policy. */
    List<String> complaints() {
        return complaints;
    }

    void go(String path) {
        page.navigate(server.url(path));
    }

    /** Ends the Chromium of this thread, without which a program of its own would not end. */
    static void quit() {
        CHROMIUM.get().close();
        CHROMIUM.remove();
        PLAYWRIGHT.get().close();
        PLAYWRIGHT.remove();
    }

    /** Somebody of the demo is signed in before the page is opened. */
    Browser as(String name) {
        APIRequestContext http = page.context().request();
        String session = server.url("/api/session");
        http.get(session);
        String token =
                page.context().cookies().stream()
                        .filter(c -> c.name.equals("XSRF-TOKEN"))
                        .findFirst()
                        .orElseThrow()
                        .value;
        APIResponse answer =
                http.post(
                        session,
                        RequestOptions.create()
                                .setHeader("X-XSRF-TOKEN", token)
                                .setData(Map.of("name", name, "password", password(name))));
        if (!answer.ok()) {
            throw new IllegalStateException(answer.text());
        }
        return this;
    }

    /** Passwords of the demo are made of first names. */
    static String password(String name) {
        return "quillmere-" + name.substring(0, name.indexOf(' ')).toLowerCase(Locale.ROOT);
    }

    void signIn(String name, String password) {
        go("/sign-in");
        page.getByLabel("Name").fill(name);
        page.getByLabel("Password", new Page.GetByLabelOptions().setExact(true))
                .first()
                .fill(password);
        button("Sign in").click();
    }

    Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    Locator button(Pattern name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    Locator text(Pattern text) {
        return page.getByText(text);
    }

    Locator text(String text) {
        return page.getByText(text);
    }

    /** What axe finds wrong on the page as it stands: rule and first place. */
    @SuppressWarnings("unchecked")
    List<String> axe() {
        try {
            page.evaluate(Files.readString(AXE));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return (List<String>)
                page.evaluate(
                        """
                        async () => (await axe.run(document, { resultTypes: ['violations'] }))
                          .violations.map(v => v.id + ': ' + v.nodes[0].target + ' ' + (v.nodes[0].failureSummary ?? ''))
                        """);
    }

    private static final Pattern START = Pattern.compile("Start the round|Empezar la ronda");

    /** Begins, or goes on with, the round of a procedure from the floor's first screen. */
    void round(Pattern title) {
        Locator row =
                page.getByRole(AriaRole.LISTITEM)
                        .filter(new Locator.FilterOptions().setHasText(title))
                        .first();
        Locator ready = row.getByRole(AriaRole.LINK);
        row.locator(".floor-btn").waitFor();
        if (ready.count() == 0) {
            row.getByRole(AriaRole.BUTTON).click();
            return;
        }
        // By the keyboard: the list may still move while the plan of the night comes in above it.
        ready.press("Enter");
        try {
            button(START).click();
        } catch (TimeoutError e) {
            String there = page.locator("main").allInnerTexts().toString();
            throw new AssertionError("No round can be begun at " + page.url() + ": " + there, e);
        }
    }

    /** The words at the head of the floor's step. */
    String floorStep() {
        return page.locator(".floor-verb").innerText();
    }

    /** Confirms the floor's step from the keyboard. */
    void confirm() {
        Locator hold = page.locator(".floor-foot .hold");
        hold.focus();
        page.keyboard().press("Enter");
    }

    /** Does what a plain step asks and waits for the next one. */
    void plainStep() {
        String now = floorStep();
        Locator untapped = page.locator(".floor-pieces .piece[aria-pressed=false]:not(.aside)");
        for (int left = untapped.count(); left > 0; left--) {
            untapped.first().click();
            assertThat(untapped).hasCount(left - 1);
        }
        Locator open = page.locator(".floor-asks li:not(.done)");
        for (int left = open.count(); left > 0; left--) {
            answer(open.first());
            assertThat(open).hasCount(left - 1);
        }
        checks();
        confirm();
        try {
            page.waitForFunction(
                    "v => document.querySelector('.floor-verb')?.innerText !== v",
                    now,
                    new Page.WaitForFunctionOptions().setTimeout(20_000));
        } catch (com.microsoft.playwright.TimeoutError e) {
            throw new AssertionError(
                    "stuck: " + page.locator(".floor").innerText().replace('\n', '|'), e);
        }
    }

    /** Enters what is measured at the step, in the middle of what is allowed. */
    void checks() {
        for (Locator check : page.locator(".floor-checks li").all()) {
            Locator input = check.locator("input");
            if (input.count() > 0) {
                input.fill(middle(check.locator("span").first().innerText()));
            }
            check.getByRole(AriaRole.BUTTON).first().click();
            check.getByText("– right").waitFor();
        }
    }

    /** A lock goes on with its number, one's own comes off by hand, the rest is said to be so. */
    private void answer(Locator ask) {
        Locator number = ask.locator("input");
        if (number.count() > 0) {
            number.fill("17");
        }
        ask.locator(".floor-btn:not(.moved)").first().click();
        Locator mine = button("I take it off");
        if (ask.getByText("Take off my lock").count() > 0) {
            mine.first().waitFor();
            while (mine.count() > 0) {
                int before = mine.count();
                mine.first().click();
                assertThat(mine).hasCount(before - 1);
            }
            button("Back to the step").click();
        }
    }

    /** The middle of "(7.1 to 8.1 pH)". */
    private static String middle(String words) {
        java.util.regex.Matcher m = Pattern.compile("\\((-?[\\d.]+) to (-?[\\d.]+)").matcher(words);
        return m.find()
                ? String.valueOf(
                        (Double.parseDouble(m.group(1)) + Double.parseDouble(m.group(2))) / 2)
                : "1.0";
    }

    /** Says that the step is done otherwise than written. */
    void otherwise(String why) {
        button(Pattern.compile("wrong")).click();
        button("This step was done differently").click();
        page.getByRole(AriaRole.TEXTBOX).fill(why);
    }

    void reading(String strength, String temperature) {
        page.getByLabel("Strength, mg/L").fill(strength);
        page.getByLabel("Temperature, °C").fill(temperature);
        button("Enter the reading").click();
    }

    @Override
    public void close() {
        page.context().close();
    }
}
