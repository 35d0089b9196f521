package orthopur.server.supplies;

import static orthopur.db.Tables.SITE_CHANGE;

import java.time.Clock;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.Nullable;
import orthopur.chemical.Chemical;
import orthopur.formats.ChemicalsFormat;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;

/** Changes chemicals and vessels: signed, and kept with what stood there before. */
@Service
public class Supplies {
    private final DSLContext db;
    private final Sheets sheets;
    private final Accounts accounts;
    private final Clock clock;

    Supplies(DSLContext db, Sheets sheets, Accounts accounts, Clock clock) {
        this.db = db;
        this.sheets = sheets;
        this.accounts = accounts;
        this.clock = clock;
    }

    /**
     * One change.
     *
     * @param what the product's id, or "vessels"
     */
    public record SupplyChange(String what, String who, long at) {}

    /** Every change there ever was, newest first. */
    public List<SupplyChange> changes() {
        return db.selectFrom(SITE_CHANGE)
                .orderBy(SITE_CHANGE.SEQ.desc())
                .fetch(r -> new SupplyChange(r.getWhat(), r.getWho(), r.getAt()));
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
        keep(id, was == null ? null : ChemicalsFormat.one(was), document, person);
    }

    @Transactional(noRollbackFor = Said.class)
    public void vessels(String list, String pin, Person person) {
        Sheets.Surroundings s = sheets.surroundings();
        String after = s.site().withVessels(list).write();
        sign(person, pin);
        sheets.site(after, ChemicalsFormat.write(s.chemicals()));
        keep("vessels", s.site().vesselList(), list, person);
    }

    private static @Nullable Chemical find(List<Chemical> all, String id) {
        return all.stream().filter(c -> c.id().equals(id)).findFirst().orElse(null);
    }

    private void sign(Person person, String pin) {
        if (!person.role().writes()) {
            throw Said.forbidden("Only a supervisor changes chemicals and vessels.");
        }
        accounts.sign(person, pin);
    }

    private void keep(String what, @Nullable String before, String after, Person person) {
        db.insertInto(SITE_CHANGE)
                .set(SITE_CHANGE.WHAT, what)
                .set(SITE_CHANGE.BEFORE, before)
                .set(SITE_CHANGE.AFTER, after)
                .set(SITE_CHANGE.WHO, person.name())
                .set(SITE_CHANGE.AT, clock.millis())
                .execute();
    }
}
