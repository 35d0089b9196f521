package orthopur.server.supplies;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.chemical.Chemical;
import orthopur.formats.ChemicalsFormat;
import orthopur.server.machines.Premises;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.text.Text;

/** Changes chemicals and vessels: signed, and kept with what stood there before. */
@Service
public class Supplies {
    private final SiteLog log;
    private final Premises premises;

    Supplies(SiteLog log, Premises premises) {
        this.log = log;
        this.premises = premises;
    }

    @Transactional(noRollbackFor = Said.class)
    public void chemical(String id, String document, Signature signed) {
        if (!ChemicalsFormat.idOf(document).equals(id)) {
            throw Said.conflict(
                    Text.of(
                            "supplies.the-document-is-of-another",
                            "The document is of another product than {0}.",
                            id));
        }
        List<Chemical> before = premises.now().chemicals();
        List<Chemical> after = ChemicalsFormat.with(before, document);
        Chemical was = find(before, id);
        premises.site(premises.now().site().write(), ChemicalsFormat.write(after), signed);
        log.keep(id, was == null ? null : ChemicalsFormat.one(was), document, signed.by().name());
    }

    @Transactional(noRollbackFor = Said.class)
    public void vessels(String list, Signature signed) {
        Premises.Now s = premises.now();
        String after = s.site().withVessels(list).write();
        premises.site(after, ChemicalsFormat.write(s.chemicals()), signed);
        log.keep("vessels", s.site().vesselList(), list, signed.by().name());
    }

    /** Changes name, town, time zone and mains of the site. */
    @Transactional(noRollbackFor = Said.class)
    public void head(String document, Signature signed) {
        Premises.Now s = premises.now();
        String after = s.site().withHead(document).write();
        premises.site(after, ChemicalsFormat.write(s.chemicals()), signed);
        log.keep("site", s.site().write(), after, signed.by().name());
    }

    private static @Nullable Chemical find(List<Chemical> all, String id) {
        return all.stream().filter(c -> c.id().equals(id)).findFirst().orElse(null);
    }
}
