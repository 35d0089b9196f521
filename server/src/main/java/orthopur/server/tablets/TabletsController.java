package orthopur.server.tablets;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import orthopur.round.Role;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.people.SignedIn;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.Said;
import orthopur.text.Text;

@RestController
@MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.TABLETS)
@RequestMapping("/api/tablets")
class TabletsController {
    private static final Duration KEPT = Duration.ofDays(5 * 365);

    private final Tablets tablets;
    private final Accounts accounts;
    private final SignedIn signedIn;

    TabletsController(Tablets tablets, Accounts accounts, SignedIn signedIn) {
        this.tablets = tablets;
        this.accounts = accounts;
        this.signedIn = signedIn;
    }

    /**
     * @param signature PIN of the supervisor who enrols it
     */
    record NewCode(@Nullable String name, @Nullable String signature) {}

    record GivenCode(@Nullable String code) {}

    record Withdrawn(@Nullable String signature) {}

    /**
     * @param account whose PIN it is
     */
    record ByPin(long account, @Nullable String pin) {}

    /**
     * This device, as the server knows it.
     *
     * @param name null while it is not enrolled
     * @param people who may sign in here by PIN; nobody while it is not enrolled
     */
    record ThisTablet(@Nullable String name, List<Accounts.AtTheMachine> people) {}

    @GetMapping
    List<Tablets.Tablet> all(@AuthenticationPrincipal Person person) {
        return tablets.all();
    }

    @PostMapping("/codes")
    Tablets.Code code(@RequestBody NewCode in, @AuthenticationPrincipal Person person) {
        return tablets.code(in.name(), accounts.sign(person, in.signature()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(
            @PathVariable int id,
            @RequestBody Withdrawn in,
            @AuthenticationPrincipal Person person) {
        tablets.withdraw(id, accounts.sign(person, in.signature()));
    }

    @MayUse(anybody = true)
    @GetMapping("/this")
    ThisTablet here(@CookieValue(name = SignedIn.TABLET, required = false) @Nullable String token) {
        return tablets.of(token)
                .map(t -> new ThisTablet(t.name(), accounts.onTheFloor()))
                .orElse(new ThisTablet(null, List.of()));
    }

    @MayUse(anybody = true)
    @PostMapping("/enrol")
    ThisTablet enrol(
            @RequestBody GivenCode in, HttpServletRequest request, HttpServletResponse response) {
        Tablets.Enrolled e = tablets.enrol(in.code());
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(SignedIn.TABLET, e.token())
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Strict")
                        .path("/")
                        .maxAge(KEPT)
                        .build()
                        .toString());
        return new ThisTablet(e.tablet().name(), accounts.onTheFloor());
    }

    /** Another person goes on here: by name and PIN, on the site's own tablets only. */
    @MayUse(anybody = true)
    @PostMapping("/session")
    SignedIn.Session byPin(
            @RequestBody ByPin in,
            @CookieValue(name = SignedIn.TABLET, required = false) @Nullable String token,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (tablets.of(token).isEmpty()) {
            throw Said.forbidden(
                    Text.of(
                            "tablets-controller.this-tablet-is-not-one",
                            "This tablet is not one of the site's; sign in with name and password."));
        }
        return signedIn.as(accounts.byPin(in.account(), in.pin()), request, response);
    }
}
