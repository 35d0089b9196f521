package orthopur.server.begin;

import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import orthopur.formats.FormatError;
import orthopur.formats.Site;
import orthopur.server.machines.Premises;
import orthopur.server.people.FirstPeople;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Makes the first supervisor, and the site where there is none. */
@Service
class Begin {
    private static final String NO_CHEMICALS = "{\"chemicals\":[]}";

    private final FirstPeople people;
    private final Premises premises;

    Begin(FirstPeople people, Premises premises) {
        this.people = people;
        this.premises = premises;
    }

    /**
     * @param site needed where there is none
     * @throws Said with everything that is wrong with name, password and PIN
     * @throws FormatError with everything that is wrong with the site
     */
    void with(String name, String password, String pin, @Nullable JsonNode site, boolean first) {
        if (!first) {
            people.supervisor(name, password, pin, s -> {});
            return;
        }
        if (!(site instanceof ObjectNode described)) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "begin.say-which-site-it-is",
                            "Say which site it is: name, town, time zone and its city water."));
        }
        String document = Site.read(described.toString()).write();
        people.supervisor(name, password, pin, s -> make(document, s));
    }

    private void make(String document, Signature signed) {
        premises.site(document, NO_CHEMICALS, signed);
    }
}
