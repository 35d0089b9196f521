package orthopur.server.people;

import java.util.function.Consumer;
import org.springframework.stereotype.Service;

/** Makes a supervisor for whoever runs the server, where nobody is there who could sign for it. */
@Service
public class FirstPeople {
    private final People people;

    FirstPeople(People people) {
        this.people = people;
    }

    /**
     * @param with what is done under their signature, in the same transaction
     * @throws orthopur.server.platform.Said with everything that is wrong
     */
    public void supervisor(String name, String password, String pin, Consumer<Signature> with) {
        people.supervisor(name, password, pin, with);
    }
}
