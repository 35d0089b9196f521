package orthopur.server.begin;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Base64;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import orthopur.server.people.Accounts;

/**
 * The one-time link by which a supervisor is made without another's signature. It lives in memory
 * only and is void after it was used, and at the next start.
 */
@Component
class Invitation {
    private static final int BYTES = 32;

    private final boolean first;
    private @Nullable String token;

    Invitation(
            Accounts accounts,
            @Value("${orthopur.demo:false}") boolean demo,
            @Value("${orthopur.recover:false}") boolean recover) {
        first = accounts.none();
        if (!demo && (first || recover)) {
            byte[] secret = new byte[BYTES];
            new SecureRandom().nextBytes(secret);
            token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        }
    }

    /** Whether there is nobody yet; otherwise somebody is let back in. */
    boolean first() {
        return first;
    }

    /** For the link; null when there is none, or it was used. */
    synchronized @Nullable String token() {
        return token;
    }

    synchronized boolean opens(String given) {
        String own = token;
        return own != null
                && MessageDigest.isEqual(
                        own.getBytes(StandardCharsets.UTF_8),
                        given.getBytes(StandardCharsets.UTF_8));
    }

    synchronized void used() {
        token = null;
    }
}
