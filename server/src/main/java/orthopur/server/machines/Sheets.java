package orthopur.server.machines;

import static org.jooq.impl.DSL.max;
import static orthopur.db.Tables.SHEET;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.chemical.Chemical;
import orthopur.formats.FormatError;
import orthopur.formats.SheetFormat;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.machine.SheetCheck;
import orthopur.machine.SiteFit;
import orthopur.server.people.Signature;
import orthopur.server.platform.Memo;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.text.Text;

/** The sheets of the site's machines. A stored version never changes, so it is cached. */
@Service
public class Sheets {
    private final DSLContext db;
    private final Premises premises;
    private final Clock clock;
    private final SiteLog log;
    private final ConcurrentMap<String, MachineSheet> cache = new ConcurrentHashMap<>();
    private final Memo<String, MachineSheet> read = new Memo<>(64);

    Sheets(DSLContext db, Premises premises, Clock clock, SiteLog log) {
        this.db = db;
        this.premises = premises;
        this.clock = clock;
        this.log = log;
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
        MachineSheet sheet = read.of(document, SheetFormat::read);
        if (!Premises.mayNotHold()) {
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
        List<Chemical> products = premises.now().chemicals();
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
        List<Problem> problems = SiteFit.check(sheet, premises.now().chemicals());
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
}
