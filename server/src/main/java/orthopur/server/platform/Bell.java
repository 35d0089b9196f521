package orthopur.server.platform;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells screens that are open that something changed on the floor. It carries no data: whoever
 * hears it reads anew what they may read.
 */
@Component
public class Bell {
    private final List<SseEmitter> listening = new CopyOnWriteArrayList<>();

    /** A new listener; it stays until the screen is closed. */
    public SseEmitter listen() {
        SseEmitter e = new SseEmitter(0L);
        listening.add(e);
        e.onCompletion(() -> listening.remove(e));
        e.onError(x -> listening.remove(e));
        say(e, "ready", "");
        return e;
    }

    /** Something changed: a round by its id, or a machine by its code. */
    public void ring(String what) {
        // Never on the caller's thread: a tablet that reads slowly must not hold up the log.
        listening.forEach(e -> Thread.startVirtualThread(() -> say(e, "changed", what)));
    }

    /** So that a lost connection is noticed on both sides. */
    @Scheduled(fixedRate = 15_000)
    void beat() {
        listening.forEach(e -> Thread.startVirtualThread(() -> say(e, "beat", "")));
    }

    private void say(SseEmitter e, String event, String what) {
        try {
            e.send(SseEmitter.event().name(event).data(what));
        } catch (IOException | IllegalStateException gone) {
            listening.remove(e);
        }
    }
}
