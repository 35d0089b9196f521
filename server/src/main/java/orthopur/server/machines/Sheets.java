package orthopur.server.machines;

import static org.jooq.impl.DSL.max;
import static orthopur.db.Tables.SHEET;
import static orthopur.db.Tables.SITE_DOCUMENT;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import orthopur.chemical.Chemical;
import orthopur.formats.ChemicalsFormat;
import orthopur.formats.FormatError;
import orthopur.formats.SheetFormat;
import orthopur.formats.Site;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.machine.SheetCheck;
import orthopur.machine.SiteFit;
import orthopur.quantity.Show;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.runthrough.Context;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.text.Text;

/**
 * The site's machines, chemicals and water. A stored sheet version never changes, so it is cached.
 */
@Service
public class Sheets {
    private final DSLContext db;
    private final SiteBook siteBook;
    private final Clock clock;
    private final SiteLog log;
    private final ConcurrentMap<String, MachineSheet> cache = new ConcurrentHashMap<>();
    private final LastServices lastServices;
    private volatile @Nullable Surroundings surroundings;

    Sheets(DSLContext db, SiteBook siteBook, Clock clock, LastServices lastServices, SiteLog log) {
        this.log = log;
        this.lastServices = lastServices;
        this.db = db;
        this.siteBook = siteBook;
        this.clock = clock;
    }

    /**
     * Reads site, chemicals and rule book anew: one of them was changed. Within a transaction that
     * is once it holds; somebody else may read what was before until then.
     */
    public void changed() {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            surroundings = null;
            return;
        }
        TransactionSynchronizationManager.registerSynchronization(
                new TransactionSynchronization() {
                    @Override
                    public void afterCommit() {
                        surroundings = null;
                    }
                });
    }

    /** What a transaction reads may not hold in the end, so it is kept for nobody. */
    private static boolean mayNotHold() {
        return TransactionSynchronizationManager.isActualTransactionActive();
    }

    /** What every verdict on this site depends on beside sheet and procedure. */
    public record Surroundings(Site site, List<Chemical> chemicals, Context context) {
        public Set<String> chemicalIds() {
            return chemicals.stream().map(Chemical::id).collect(Collectors.toSet());
        }
    }

    /** The same for one machine: with what the log knows of its last services. */
    public Context contextOf(MachineSheet sheet) {
        Context site = surroundings().context();
        return sheet.passages().isEmpty()
                ? site
                : site.withLastFlows(lastServices.flows(sheet.code()));
    }

    /** Figures that this site has changed, with reason and name. */
    public List<String> overrides() {
        RuleBook book = surroundings().context().book();
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

    /** The newest sheet of every machine, by code. */
    public List<MachineSheet> all() {
        List<MachineSheet> all = new ArrayList<>();
        db.select(SHEET.CODE, max(SHEET.VERSION))
                .from(SHEET)
                .groupBy(SHEET.CODE)
                .orderBy(SHEET.CODE)
                // Read to its end first: each sheet takes a connection of its own.
                .fetch()
                .forEach(r -> all.add(version(r.value1(), r.value2())));
        return all;
    }

    /** Every version of every sheet, by code and version. */
    public List<MachineSheet> everyVersion() {
        return db.select(SHEET.CODE, SHEET.VERSION)
                .from(SHEET)
                .orderBy(SHEET.CODE, SHEET.VERSION)
                .fetch()
                .map(r -> version(r.value1(), r.value2()));
    }

    /**
     * @throws Said when there is no such machine
     */
    public MachineSheet newest(String code) {
        Integer version =
                db.select(max(SHEET.VERSION))
                        .from(SHEET)
                        .where(SHEET.CODE.eq(code))
                        .fetchOne(0, Integer.class);
        if (version == null) {
            throw Said.notFound(
                    Text.of(
                            "sheets.there-is-no-machine-on",
                            "There is no machine {0} on this site.",
                            code));
        }
        return version(code, version);
    }

    public MachineSheet version(String code, int version) {
        String name = code + "@" + version;
        MachineSheet known = cache.get(name);
        if (known != null) {
            return known;
        }
        String document =
                db.select(SHEET.DOCUMENT)
                        .from(SHEET)
                        .where(SHEET.CODE.eq(code).and(SHEET.VERSION.eq(version)))
                        .fetchOne(SHEET.DOCUMENT);
        if (document == null) {
            throw Said.notFound(
                    Text.of(
                            "sheets.there-is-no-version-of",
                            "There is no version {0} of the sheet of {1}.",
                            version,
                            code));
        }
        MachineSheet sheet = SheetFormat.read(document);
        if (!mayNotHold()) {
            cache.put(name, sheet);
        }
        return sheet;
    }

    /**
     * @throws FormatError with everything for which this site has nothing
     */
    public void fits(MachineSheet sheet) {
        List<Problem> problems = unfit(sheet);
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
    }

    /** What a new version has to answer, and for which surfaces this site has nothing. */
    public List<Problem> unfit(MachineSheet sheet) {
        List<Chemical> products = surroundings().chemicals();
        List<Problem> problems =
                new ArrayList<>(
                        SheetCheck.questions(
                                sheet,
                                products.stream().map(Chemical::id).collect(Collectors.toSet())));
        problems.addAll(SiteFit.check(sheet, products));
        return problems;
    }

    /**
     * Stores a sheet that somebody has signed.
     *
     * @throws Said when this version is there already; a version never changes
     */
    @Transactional
    public void add(MachineSheet sheet, Signature signed) {
        fits(sheet);
        store(sheet, signed);
    }

    /**
     * The same for one that an archive brings back: it was saved when less was asked of a sheet.
     */
    @Transactional
    public void bringBack(MachineSheet sheet, Signature signed) {
        List<Problem> problems = SiteFit.check(sheet, surroundings().chemicals());
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
        store(sheet, signed);
    }

    private void store(MachineSheet sheet, Signature signed) {
        String before =
                db.select(SHEET.DOCUMENT)
                        .from(SHEET)
                        .where(SHEET.CODE.eq(sheet.code()))
                        .orderBy(SHEET.VERSION.desc())
                        .limit(1)
                        .fetchOne(SHEET.DOCUMENT);
        int inserted =
                db.insertInto(SHEET)
                        .set(SHEET.CODE, sheet.code())
                        .set(SHEET.VERSION, sheet.version())
                        .set(SHEET.NAME, sheet.name())
                        .set(SHEET.DOCUMENT, SheetFormat.write(sheet))
                        .set(SHEET.SAVED_AT, clock.millis())
                        .onConflictDoNothing()
                        .execute();
        if (inserted == 0) {
            throw Said.conflict(
                    Text.of(
                            "sheets.version-of-the-sheet-of",
                            "Version {0} of the sheet of {1} is stored already; give a changed sheet the next version.",
                            sheet.version(),
                            sheet.code()));
        }
        log.keep("sheet " + sheet.code(), before, SheetFormat.write(sheet), signed.by().name());
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

    public Surroundings surroundings() {
        Surroundings s = mayNotHold() ? null : surroundings;
        if (s == null) {
            Site site = Site.read(get("site"));
            List<Chemical> chemicals = ChemicalsFormat.read(get("chemicals"));
            s = new Surroundings(site, chemicals, site.context(siteBook.book(), chemicals));
            if (!mayNotHold()) {
                surroundings = s;
            }
        }
        return s;
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
