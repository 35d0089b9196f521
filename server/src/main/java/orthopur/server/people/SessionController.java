package orthopur.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.round.Role;

@RestController
@RequestMapping("/api/session")
class SessionController {
    private final Accounts accounts;
    private final SecurityContextRepository contexts;

    SessionController(Accounts accounts, SecurityContextRepository contexts) {
        this.accounts = accounts;
        this.contexts = contexts;
    }

    record SignIn(String name, String password) {}

    /**
     * @param name null while nobody is signed in
     * @param person the one whom several accounts may stand for
     */
    record Session(@Nullable String name, @Nullable Role role, @Nullable String person) {}

    private Session session(Person person) {
        return new Session(person.name(), person.role(), accounts.personOf(person));
    }

    @GetMapping
    Session current(@AuthenticationPrincipal Person person) {
        return person == null ? new Session(null, null, null) : session(person);
    }

    @PostMapping
    Session signIn(
            @RequestBody SignIn in, HttpServletRequest request, HttpServletResponse response) {
        Person person =
                accounts.signIn(
                        in.name() == null ? "" : in.name(),
                        in.password() == null ? "" : in.password());
        // A session made before sign-in must not live on after it.
        request.getSession();
        request.changeSessionId();
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(
                UsernamePasswordAuthenticationToken.authenticated(
                        person,
                        null,
                        List.of(new SimpleGrantedAuthority("ROLE_" + person.role()))));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        return session(person);
    }

    @DeleteMapping
    ResponseEntity<Void> signOut(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
        return ResponseEntity.noContent().build();
    }
}
