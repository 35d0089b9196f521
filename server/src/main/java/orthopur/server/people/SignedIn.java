package orthopur.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;
import orthopur.round.Role;
import orthopur.server.platform.SiteClock;

/** Opens the session of somebody who has proven who they are. */
@Component
public class SignedIn {
    /** The cookie by which an enrolled tablet is known. */
    public static final String TABLET = "orthopur-tablet";

    private final Accounts accounts;
    private final SecurityContextRepository contexts;
    private final SiteClock clock;

    SignedIn(Accounts accounts, SecurityContextRepository contexts, SiteClock clock) {
        this.clock = clock;
        this.accounts = accounts;
        this.contexts = contexts;
    }

    /**
     * @param name null while nobody is signed in
     * @param person the one whom several accounts may stand for
     * @param choosePin whether a PIN has to be chosen before anything can be signed
     * @param clockAhead milliseconds by which the site's clock is ahead of the true time; 0 but in
     *     the demo
     */
    public record Session(
            @Nullable String name,
            @Nullable Role role,
            @Nullable String person,
            boolean choosePin,
            long clockAhead) {}

    /** What is said of who is signed in. */
    public Session of(@Nullable Person person) {
        return person == null || !accounts.belongs(person)
                ? new Session(null, null, null, false, clock.aheadMillis())
                : new Session(
                        person.name(),
                        person.role(),
                        accounts.personOf(person),
                        accounts.hasToChoosePin(person),
                        clock.aheadMillis());
    }

    /** From now on this session is theirs. */
    public Session as(Person person, HttpServletRequest request, HttpServletResponse response) {
        // A session made before sign-in must not live on after it.
        HttpSession before = request.getSession(false);
        if (before != null) {
            before.invalidate();
        }
        request.getSession(true);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(
                UsernamePasswordAuthenticationToken.authenticated(
                        person,
                        null,
                        List.of(new SimpleGrantedAuthority("ROLE_" + person.role()))));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        return of(person);
    }
}
