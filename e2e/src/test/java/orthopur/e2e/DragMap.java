package orthopur.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;

/**
 * How long the mixing bench takes from a move of the pointer to the painted map. A benchmark, not a
 * test: it prints and judges nothing. Run by the launcher.
 */
public final class DragMap {
    private static final int WARM_UP = 40;
    private static final int MOVES = 300;

    /**
     * Notes the time of each move, and that of the first frame after the map has changed. A message
     * posted from a frame is handled once that frame is painted.
     */
    private static final String WATCH =
            """
            () => {
              const map = document.querySelector('.ground');
              window.took = [];
              let moved = null;
              addEventListener('pointermove', e => { if (e.buttons) moved = e.timeStamp; }, true);
              new MutationObserver(() => {
                const since = moved;
                if (since === null) return;
                moved = null;
                requestAnimationFrame(() => {
                  const painted = new MessageChannel();
                  painted.port1.onmessage = () => window.took.push(performance.now() - since);
                  painted.port2.postMessage(null);
                });
              }).observe(map, { subtree: true, attributes: true, childList: true, characterData: true });
            }
            """;

    private DragMap() {}

    public static void main(String[] args) {
        try (RunningServer server = new RunningServer();
                Browser b = new Browser(server).as("Ilse Varga")) {
            b.go("/mixing?litres=40&t=24&ph=7.4");
            Locator map = b.page.locator(".ground");
            map.waitFor();
            b.page.evaluate(WATCH);
            BoundingBox box = map.boundingBox();
            double x = box.x + box.width * 0.3;
            double y = box.y + box.height * 0.5;
            b.page.mouse().move(x, y);
            b.page.mouse().down();
            int seen = 0;
            for (int i = 0; i < WARM_UP + MOVES; i++) {
                // Round and round the permitted ground, its corners included.
                double turn = i * Math.PI / 30;
                b.page.mouse()
                        .move(
                                x + box.width * 0.25 * (1 + Math.sin(turn)),
                                y + box.height * 0.3 * Math.cos(turn));
                b.page.waitForFunction(
                        "n => window.took.length > n || (window.waited = (window.waited || 0) + 1) % 30 === 0",
                        seen);
                seen = ((Number) b.page.evaluate("() => window.took.length")).intValue();
            }
            b.page.mouse().up();
            @SuppressWarnings("unchecked")
            List<Number> took = (List<Number>) b.page.evaluate("() => window.took");
            List<Double> sorted =
                    took.stream().skip(WARM_UP).map(Number::doubleValue).sorted().toList();
            System.out.printf(
                    "drag to painted map: %d moves, median %.0f ms, p95 %.0f, most %.0f%n",
                    sorted.size(),
                    sorted.get(sorted.size() / 2),
                    sorted.get(sorted.size() * 95 / 100),
                    sorted.getLast());
        }
        Browser.quit();
    }
}
