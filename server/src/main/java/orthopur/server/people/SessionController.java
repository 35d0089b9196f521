package orthopur.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.text.Text;

@RestController
@MayUse(anybody = true)
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

    /**
     * @param secret the password, or the PIN there was
     * @param byPin which of them it is
     */
    record ChosenPin(String secret, boolean byPin, String pin) {}

    /** Chooses a PIN, or another one. */
    @PutMapping("/pin")
    SignedIn.Session choosePin(
            @RequestBody ChosenPin in,
            @AuthenticationPrincipal @Nullable Person person,
            HttpServletRequest request,
            HttpServletResponse response) {
        return signedIn.as(
                accounts.choosePin(known(person), in.secret(), in.byPin(), in.pin()),
                request,
                response);
    }

    record ChosenPassword(String old, String password) {}

    /** Chooses another password. */
    @PutMapping("/password")
    SignedIn.Session choosePassword(
            @RequestBody ChosenPassword in,
            @AuthenticationPrincipal @Nullable Person person,
            HttpServletRequest request,
            HttpServletResponse response) {
        return signedIn.as(
                accounts.choosePassword(known(person), in.old(), in.password()), request, response);
    }

    private Person known(@Nullable Person person) {
        if (person == null || !accounts.belongs(person)) {
            throw new Said(
                    HttpStatus.UNAUTHORIZED,
                    Text.of("session-controller.please-sign-in", "Please sign in."));
        }
        return person;
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
