package orthopur.server.supplies;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.chemical.Chemical;
import orthopur.formats.ChemicalsFormat;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;

/** Changes chemicals and vessels: signed, and kept with what stood there before. */
@Service
public class Supplies {
    private final SiteLog log;
    private final Sheets sheets;
    private final Accounts accounts;

    Supplies(SiteLog log, Sheets sheets, Accounts accounts) {
        this.log = log;
        this.sheets = sheets;
        this.accounts = accounts;
    }

    @Transactional(noRollbackFor = Said.class)
    public void chemical(String id, String document, String pin, Person person) {
        if (!ChemicalsFormat.idOf(document).equals(id)) {
            throw Said.conflict("The document is of another product than " + id + ".");
        }
        List<Chemical> before = sheets.surroundings().chemicals();
        List<Chemical> after = ChemicalsFormat.with(before, document);
        sign(person, pin);
        Chemical was = find(before, id);
        sheets.site(sheets.surroundings().site().write(), ChemicalsFormat.write(after));
        log.keep(id, was == null ? null : ChemicalsFormat.one(was), document, person.name());
    }

    @Transactional(noRollbackFor = Said.class)
    public void vessels(String list, String pin, Person person) {
        Sheets.Surroundings s = sheets.surroundings();
        String after = s.site().withVessels(list).write();
        sign(person, pin);
        sheets.site(after, ChemicalsFormat.write(s.chemicals()));
        log.keep("vessels", s.site().vesselList(), list, person.name());
    }

    /** Changes name, town, time zone and mains of the site. */
    @Transactional(noRollbackFor = Said.class)
    public void head(String document, String pin, Person person) {
        Sheets.Surroundings s = sheets.surroundings();
        String after = s.site().withHead(document).write();
        sign(person, pin);
        sheets.site(after, ChemicalsFormat.write(s.chemicals()));
        log.keep("site", s.site().write(), after, person.name());
    }

    private static @Nullable Chemical find(List<Chemical> all, String id) {
        return all.stream().filter(c -> c.id().equals(id)).findFirst().orElse(null);
    }

    private void sign(Person person, String pin) {
        if (!person.role().writes()) {
            throw Said.forbidden("Only a supervisor changes chemicals, vessels and the site.");
        }
        accounts.sign(person, pin);
    }
}
