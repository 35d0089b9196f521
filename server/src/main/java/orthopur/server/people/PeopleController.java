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
import orthopur.server.platform.Said;

/** Accounts of the site, for its supervisor. */
@RestController
@RequestMapping("/api/people")
class PeopleController {
    private final People people;

    PeopleController(People people) {
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
     * A new account.
     *
     * @param signature PIN of the supervisor who makes it
     */
    record NewPerson(
            String name,
            Role role,
            String password,
            String pin,
            @Nullable LocalDate adultFrom,
            @Nullable String sameAs,
            @Nullable List<String> trainedOn,
            String signature) {}

    /**
     * What an account is to be; a name, a secret or a training that is absent stays.
     *
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
            @Nullable String pin,
            String signature) {}

    @GetMapping
    List<PersonView> all(@AuthenticationPrincipal Person person) {
        supervisor(person);
        return people.all();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    PersonView create(@RequestBody NewPerson in, @AuthenticationPrincipal Person person) {
        supervisor(person);
        return people.create(in, person);
    }

    @PutMapping("/{id}")
    PersonView change(
            @PathVariable int id,
            @RequestBody ChangedPerson in,
            @AuthenticationPrincipal Person person) {
        supervisor(person);
        return people.change(id, in, person);
    }

    private static void supervisor(Person person) {
        if (!person.role().writes()) {
            throw Said.forbidden("Only a supervisor sees and changes accounts.");
        }
    }
}
