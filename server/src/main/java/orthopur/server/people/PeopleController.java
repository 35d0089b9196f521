package orthopur.server.people;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import orthopur.round.Role;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;

/** Accounts of the site, for its supervisor. */
@RestController
@MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.ACCOUNTS)
@RequestMapping("/api/people")
class PeopleController {
    private final People people;
    private final Accounts accounts;

    PeopleController(People people, Accounts accounts) {
        this.accounts = accounts;
        this.people = people;
    }

    /**
     * An account.
     *
     * @param adultFrom the day of turning 18, kept only until then
     * @param sameAs the account of the same person, where this is their second one
     * @param trainedOn codes of the machines at which the person was shown the work
     */
    record PersonView(
            long id,
            String name,
            Role role,
            @Nullable LocalDate adultFrom,
            @Nullable String sameAs,
            List<String> trainedOn,
            boolean left) {}

    /**
     * A new account. Its owner chooses a PIN at the first sign-in.
     *
     * @param signature PIN of the supervisor who makes it
     */
    record NewPerson(
            String name,
            Role role,
            String password,
            @Nullable LocalDate adultFrom,
            @Nullable String sameAs,
            @Nullable List<String> trainedOn,
            String signature) {}

    /**
     * What an account is to be; a name, a password or a training that is absent stays.
     *
     * @param newPin true makes the PIN void: its owner chooses another at the next sign-in
     * @param signature PIN of the supervisor who changes it
     */
    record ChangedPerson(
            @Nullable String name,
            Role role,
            @Nullable LocalDate adultFrom,
            @Nullable String sameAs,
            @Nullable List<String> trainedOn,
            boolean left,
            @Nullable String password,
            @Nullable Boolean newPin,
            String signature) {}

    @GetMapping
    List<PersonView> all(@AuthenticationPrincipal Person person) {
        return people.all();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    PersonView create(@RequestBody NewPerson in, @AuthenticationPrincipal Person person) {
        return people.create(
                in, accounts.hash(in.password()), accounts.sign(person, in.signature()));
    }

    @PutMapping("/{id}")
    PersonView change(
            @PathVariable int id,
            @RequestBody ChangedPerson in,
            @AuthenticationPrincipal Person person) {
        return people.change(
                id,
                in,
                in.password() == null ? null : accounts.hash(in.password()),
                accounts.sign(person, in.signature()));
    }
}
