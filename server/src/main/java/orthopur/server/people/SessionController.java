package orthopur.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/session")
class SessionController {
    private final Accounts accounts;
    private final SignedIn signedIn;

    SessionController(Accounts accounts, SignedIn signedIn) {
        this.accounts = accounts;
        this.signedIn = signedIn;
    }

    record SignIn(String name, String password) {}

    @GetMapping
    SignedIn.Session current(@AuthenticationPrincipal @Nullable Person person) {
        return signedIn.of(person);
    }

    @PostMapping
    SignedIn.Session signIn(
            @RequestBody SignIn in, HttpServletRequest request, HttpServletResponse response) {
        Person person =
                accounts.signIn(
                        in.name() == null ? "" : in.name(),
                        in.password() == null ? "" : in.password());
        return signedIn.as(person, request, response);
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
