package orthopur.server.machines;

import static orthopur.db.Tables.SITE_DOCUMENT;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import orthopur.chemical.Chemical;
import orthopur.formats.ChemicalsFormat;
import orthopur.formats.Site;
import orthopur.machine.MachineSheet;
import orthopur.quantity.Show;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.runthrough.Context;
import orthopur.server.people.Signature;
import orthopur.server.platform.Memo;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** The site as verdicts need it: its own document, its chemicals, its rule book. */
@Service
public class Premises {
    private final DSLContext db;
    private final SiteBook siteBook;
    private final Clock clock;
    private final LastServices lastServices;
    private volatile @Nullable Now kept;
    private final Memo<Documents, Now> made = new Memo<>(4);

    Premises(DSLContext db, SiteBook siteBook, Clock clock, LastServices lastServices) {
        this.db = db;
        this.siteBook = siteBook;
        this.clock = clock;
        this.lastServices = lastServices;
    }

    /**
     * Reads site, chemicals and rule book anew: one of them was changed. Within a transaction that
     * is once it holds; somebody else may read what was before until then.
     */
    public void changed() {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            kept = null;
            return;
        }
        TransactionSynchronizationManager.registerSynchronization(
                new TransactionSynchronization() {
                    @Override
                    public void afterCommit() {
                        kept = null;
                    }
                });
    }

    /** What a transaction reads may not hold in the end, so it is kept for nobody. */
    static boolean mayNotHold() {
        return TransactionSynchronizationManager.isActualTransactionActive();
    }

    /** What every verdict on this site depends on beside sheet and procedure. */
    public record Now(Site site, List<Chemical> chemicals, Context context) {
        public Set<String> chemicalIds() {
            return chemicals.stream().map(Chemical::id).collect(Collectors.toSet());
        }
    }

    /** The same for one machine: with what the log knows of its last services. */
    public Context contextOf(MachineSheet sheet) {
        Context site = now().context();
        return sheet.passages().isEmpty()
                ? site
                : site.withLastFlows(lastServices.flows(sheet.code()));
    }

    /** Figures that this site has changed, with reason and name. */
    public List<String> overrides() {
        RuleBook book = now().context().book();
        RuleBook shipped = PublicCodes.book();
        Map<String, SiteBook.Change> last = new TreeMap<>();
        siteBook.changes().forEach(c -> last.put(c.figure(), c));
        List<String> all = new ArrayList<>();
        last.forEach(
                (id, c) -> {
                    if (book.number(id) != shipped.number(id)) {
                        all.add(
                                "%s %s %s instead of %s (%s, %s)"
                                        .formatted(
                                                book.figure(id).title(),
                                                Show.number(book.number(id)),
                                                book.figure(id).unit(),
                                                Show.number(shipped.number(id)),
                                                c.reason(),
                                                c.who()));
                    }
                });
        return all;
    }

    /** Stores the site's own documents, checked and signed by somebody. */
    @Transactional
    public void site(String site, String chemicals, Signature signed) {
        Objects.requireNonNull(signed);
        Site.read(site);
        ChemicalsFormat.read(chemicals);
        put("site", site);
        put("chemicals", chemicals);
        changed();
    }

    private void put(String kind, String document) {
        db.insertInto(SITE_DOCUMENT)
                .set(SITE_DOCUMENT.KIND, kind)
                .set(SITE_DOCUMENT.DOCUMENT, document)
                .set(SITE_DOCUMENT.SAVED_AT, clock.millis())
                .onConflict(SITE_DOCUMENT.KIND)
                .doUpdate()
                .set(SITE_DOCUMENT.DOCUMENT, document)
                .set(SITE_DOCUMENT.SAVED_AT, clock.millis())
                .execute();
    }

    /** As they stand; kept until one of them is changed. */
    public Now now() {
        Now s = mayNotHold() ? null : kept;
        if (s == null) {
            s =
                    made.of(
                            new Documents(get("site"), get("chemicals"), siteBook.changes()),
                            this::read);
            if (!mayNotHold()) {
                kept = s;
            }
        }
        return s;
    }

    /** All that a {@link Now} is made from. */
    private record Documents(String site, String chemicals, List<SiteBook.Change> figures) {}

    private Now read(Documents from) {
        Site site = Site.read(from.site());
        List<Chemical> chemicals = ChemicalsFormat.read(from.chemicals());
        return new Now(site, chemicals, site.context(SiteBook.book(from.figures()), chemicals));
    }

    private String get(String kind) {
        String document =
                db.select(SITE_DOCUMENT.DOCUMENT)
                        .from(SITE_DOCUMENT)
                        .where(SITE_DOCUMENT.KIND.eq(kind))
                        .fetchOne(SITE_DOCUMENT.DOCUMENT);
        if (document == null) {
            throw Said.notFound(
                    Text.of("sheets.the-site-has-no-yet", "The site has no {0} yet.", kind));
        }
        return document;
    }
}
