package orthopur.e2e;

import com.microsoft.playwright.Locator;
import java.util.List;
import orthopur.bench.LargeNight;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.SheetFormat;

/**
 * How long the workbench takes from a key press to the painted ribbon, on 120 steps by 80 surfaces.
 * A benchmark, not a test: it prints and judges nothing. Run by the launcher.
 */
public final class KeyPresses {
    private static final int STEPS = 120;
    private static final int SURFACES = 80;
    private static final int WARM_UP = 60;
    private static final int KEYS = 300;

    /**
     * Notes the time of each key press, and that of the first frame after the ribbon says that it
     * speaks of what is written now. A message posted from a frame is handled once that frame is
     * painted.
     */
    private static final String WATCH =
            """
            () => {
              const ribbon = document.querySelector('.bench-left');
              window.took = [];
              let pressed = null;
              addEventListener('keydown', e => { pressed = e.timeStamp; }, true);
              new MutationObserver(() => {
                const since = pressed;
                if (ribbon.getAttribute('aria-busy') !== 'false' || since === null) return;
                pressed = null;
                requestAnimationFrame(() => {
                  const painted = new MessageChannel();
                  painted.port1.onmessage = () => window.took.push(performance.now() - since);
                  painted.port2.postMessage(null);
                });
              }).observe(ribbon, { attributes: true, attributeFilter: ['aria-busy'] });
            }
            """;

    private static final String SEND =
            """
            async text => {
              const token = document.cookie.match(/XSRF-TOKEN=([^;]*)/)[1];
              const r = await fetch('/api/files', { method: 'POST', body: text,
                headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token,
                  'X-Signature': '471148' } });
              if (!r.ok) throw new Error(await r.text());
            }
            """;

    private KeyPresses() {}

    public static void main(String[] args) {
        try (RunningServer server = new RunningServer();
                Browser b = new Browser(server).as("Ilse Varga")) {
            b.go("/procedures");
            b.page.locator(".shelf article").first().waitFor();
            b.page.evaluate(SEND, SheetFormat.write(LargeNight.sheet(SURFACES)));
            b.page.evaluate(
                    SEND,
                    ProcedureFormat.write(
                            ProcedureFormat.document(LargeNight.procedure(STEPS, SURFACES))));
            words(b);
            strength(b);
        }
        Browser.quit();
    }

    /** Words for the cleaner: nothing changes in the verdict. */
    private static void words(Browser b) {
        b.go("/procedures/large/1?step=s60&show=step");
        Locator field = b.page.getByLabel("Words for the cleaner");
        field.waitFor();
        report(b, "words", field, "wash it until it is clean ");
    }

    /** A strength: what was granted is refused and granted again, down to the end. */
    private static void strength(Browser b) {
        b.go("/procedures/large/1?step=" + sanitizing() + "&show=step");
        Locator field = b.page.getByLabel("Strength");
        field.waitFor();
        field.press("Home");
        report(b, "strength", field, "1\b");
    }

    private static String sanitizing() {
        return LargeNight.procedure(STEPS, SURFACES).steps().stream()
                .filter(s -> s.action().getClass().getSimpleName().equals("Sanitize"))
                .skip(6)
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static void report(Browser b, String what, Locator field, String typed) {
        b.page.waitForFunction(
                "() => document.querySelector('.bench-left').getAttribute('aria-busy') === 'false'");
        b.page.evaluate(WATCH);
        field.focus();
        for (int i = 0; i < WARM_UP + KEYS; i++) {
            char c = typed.charAt(i % typed.length());
            b.page.keyboard().press(c == '\b' ? "Backspace" : c == ' ' ? "Space" : "" + c);
            b.page.waitForFunction("n => window.took.length > n", i);
        }
        @SuppressWarnings("unchecked")
        List<Number> took = (List<Number>) b.page.evaluate("() => window.took");
        List<Double> sorted =
                took.stream().skip(WARM_UP).map(Number::doubleValue).sorted().toList();
        System.out.printf(
                "%s, %d steps, %d surfaces: %d keys, median %.0f ms, p95 %.0f, most %.0f%n",
                what,
                STEPS,
                SURFACES,
                sorted.size(),
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 95 / 100),
                sorted.getLast());
    }
}
