package orthopur.e2e;

import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/** A page in Debian's Chromium, with the few gestures that every journey makes. */
final class Browser implements AutoCloseable {
    private static final Path AXE = Path.of("..", "web", "node_modules", "axe-core", "axe.min.js");

    private final Playwright playwright =
            Playwright.create(
                    new Playwright.CreateOptions()
                            .setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final com.microsoft.playwright.Browser chromium =
            playwright
                    .chromium()
                    .launch(
                            new BrowserType.LaunchOptions()
                                    .setExecutablePath(
                                            Path.of(
                                                    System.getProperty(
                                                            "chromium", "/usr/bin/chromium")))
                                    .setArgs(
                                            List.of(
                                                    "--no-sandbox",
                                                    "--disable-gpu",
                                                    "--disable-background-networking",
                                                    "--disable-component-update")));
    private final RunningServer server;
    private final List<String> complaints = new ArrayList<>();
    final Page page;

    Browser(RunningServer server) {
        this.server = server;
        page =
                chromium.newContext(
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

    /** Begins, or goes on with, the round of a procedure from the floor's first screen. */
    void round(Pattern title) {
        page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText(title))
                .getByRole(AriaRole.BUTTON)
                .first()
                .click();
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
        for (Locator piece : page.locator(".piece").all()) {
            piece.click();
            piece.and(page.locator("[aria-pressed=true]")).waitFor();
        }
        for (Locator check : page.locator(".floor-checks li").all()) {
            if (check.locator("input").count() > 0) {
                check.locator("input").fill("1.0");
            }
            check.getByRole(AriaRole.BUTTON).click();
            check.getByText("– right").waitFor();
        }
        page.waitForFunction("() => !Object.keys(localStorage).some(k => k.startsWith('outbox:'))");
        confirm();
        page.waitForFunction("v => document.querySelector('.floor-verb')?.innerText !== v", now);
    }

    void reading(String strength, String temperature) {
        page.getByLabel("Strength, mg/L").fill(strength);
        page.getByLabel("Temperature, °C").fill(temperature);
        button("Enter the reading").click();
    }

    @Override
    public void close() {
        playwright.close();
    }
}
