package orthopur.server.people;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/**
 * How often somebody may try a secret: five times from one place, then not for ten minutes. Tries
 * from one place lock nobody out at another, so whoever guesses at a name stops neither its owner
 * nor the site. Secrets are compared one after the other and never inside a transaction: comparing
 * is slow on purpose, and the floor has to go on meanwhile.
 */
@Component
class Throttle {
    static final int FAILURES = 5;
    static final Duration LOCKED = Duration.ofMinutes(10);

    /** More places than this are not remembered at once; the oldest goes. */
    private static final int REMEMBERED = 10_000;

    private static final int PATIENCE_SECONDS = 5;

    private final PasswordEncoder encoder;
    private final Clock clock;
    private final ObjectProvider<KnownDevices> devices;
    private final Semaphore comparing = new Semaphore(1, true);

    private final Map<Place, Tries> tries =
            new LinkedHashMap<>() {
                private static final long serialVersionUID = 1L;

                @Override
                protected boolean removeEldestEntry(Map.Entry<Place, Tries> eldest) {
                    return size() > REMEMBERED;
                }
            };

    Throttle(PasswordEncoder encoder, Clock clock, ObjectProvider<KnownDevices> devices) {
        this.encoder = encoder;
        this.clock = clock;
        this.devices = devices;
    }

    private record Place(String who, String from) {}

    private record Tries(int failed, long lockedUntil) {}

    /**
     * Compares a secret.
     *
     * @param who name or account whose secret it is, whether or not there is one
     * @param hash null where there is none; that takes as long
     * @throws Said when it is wrong, or may not be tried now
     */
    void compare(String who, String secret, @Nullable String hash, Text otherwise) {
        Place place = new Place(who.strip().toLowerCase(Locale.ROOT), from());
        long now = clock.millis();
        Tries before = before(place);
        if (before.lockedUntil() > now) {
            throw locked(before.lockedUntil() - now);
        }
        if (matches(secret, hash)) {
            forget(place);
            return;
        }
        int failed = before.failed() + 1;
        if (failed >= FAILURES) {
            keep(place, new Tries(0, now + LOCKED.toMillis()));
            throw locked(LOCKED.toMillis());
        }
        keep(place, new Tries(failed, 0));
        throw new Said(
                HttpStatus.UNAUTHORIZED,
                Text.of(
                        "throttle.tries-left",
                        "{0} {1, plural, one {# try} other {# tries}} left.",
                        otherwise,
                        FAILURES - failed));
    }

    private synchronized Tries before(Place place) {
        return tries.getOrDefault(place, new Tries(0, 0));
    }

    private synchronized void keep(Place place, Tries now) {
        tries.remove(place);
        tries.put(place, now);
    }

    private synchronized void forget(Place place) {
        tries.remove(place);
    }

    private boolean matches(String secret, @Nullable String hash) {
        try {
            if (!comparing.tryAcquire(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                throw new Said(
                        HttpStatus.TOO_MANY_REQUESTS,
                        Text.of(
                                "throttle.too-many-people-sign-in",
                                "Too many people sign in at once. Try again in a moment."));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Said(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    Text.of("throttle.the-server-is-going-down", "The server is going down."));
        }
        try {
            if (hash == null) {
                encoder.encode(secret);
                return false;
            }
            return encoder.matches(secret, hash);
        } finally {
            comparing.release();
        }
    }

    /** A tablet of the site, a session, or else an address of the network. */
    private String from() {
        if (!(RequestContextHolder.getRequestAttributes()
                instanceof ServletRequestAttributes now)) {
            return "";
        }
        HttpServletRequest request = now.getRequest();
        if (request.getUserPrincipal() != null && request.getSession(false) != null) {
            return "session " + request.getSession(false).getId();
        }
        Cookie[] cookies = request.getCookies();
        for (Cookie c : cookies == null ? new Cookie[0] : cookies) {
            KnownDevices known = devices.getIfAvailable();
            if (c.getName().equals(SignedIn.TABLET) && known != null && known.knows(c.getValue())) {
                return "tablet " + c.getValue();
            }
        }
        return "address " + request.getRemoteAddr();
    }

    private static Said locked(long millis) {
        long minutes = Math.max(1, Math.ceilDiv(millis, 60_000));
        return new Said(
                HttpStatus.TOO_MANY_REQUESTS,
                Text.of(
                        "throttle.too-many-wrong-tries-from",
                        "Too many wrong tries from here. The next is in {0, plural, one {# more minute} other {# more minutes}}.",
                        minutes));
    }
}
