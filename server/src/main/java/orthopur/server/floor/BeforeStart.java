package orthopur.server.floor;

import static orthopur.db.Tables.SPARE_COUNT;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import orthopur.db.tables.records.SpareCountRecord;
import orthopur.machine.Configuration;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.roundpack.RoundPack;
import orthopur.server.people.Person;
import orthopur.server.people.Training;
import orthopur.server.platform.Said;
import orthopur.server.procedures.Procedures;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.sitestream.SiteState.Known;
import orthopur.text.Text;

/**
 * What has to be known before the first screw is turned: who may, with what on, with which spares.
 */
@Service
class BeforeStart {
    private final DSLContext db;
    private final Procedures procedures;
    private final Rounds rounds;
    private final Training training;
    private final SiteEntries entries;

    BeforeStart(
            DSLContext db,
            Procedures procedures,
            Rounds rounds,
            Training training,
            SiteEntries entries) {
        this.db = db;
        this.procedures = procedures;
        this.rounds = rounds;
        this.training = training;
        this.entries = entries;
    }

    /**
     * A wear part and how many lie in stock.
     *
     * @param looked what is looked at before the part goes on again
     * @param replaced how many this procedure puts in new
     * @param lacking whether what this procedure puts in new is not there, as far as is known
     * @param count null when nobody has counted
     * @param at epoch milliseconds
     */
    record Spare(
            String part,
            String name,
            @Nullable String looked,
            int replaced,
            @Nullable Integer count,
            @Nullable Long at,
            @Nullable String who,
            boolean lacking) {}

    /**
     * @param fitted how the machine has to be fitted, in plain words; empty when nothing is to
     *     choose
     * @param whyNot why this person may not start it; null when they may
     * @param trained who was shown the work
     * @param ppe what is worn
     * @param things what is fetched
     * @param minutes of work, as planned
     */
    record StartView(
            String procedure,
            int version,
            String machine,
            String machineName,
            String title,
            @Nullable Frequency kind,
            List<Text> fitted,
            @Nullable Text whyNot,
            List<String> trained,
            List<String> ppe,
            List<String> things,
            List<Spare> spares,
            int steps,
            double minutes,
            @Nullable String openRound) {}

    /**
     * @throws Said when the procedure is not approved
     */
    StartView view(String procedureId, Person person) {
        Procedures.Approved a = procedures.approvedVersion(procedureId);
        MachineSheet sheet = a.sheet();
        RoundPack pack = rounds.compile(a);
        Set<String> things = new LinkedHashSet<>();
        pack.steps().forEach(s -> things.addAll(s.things()));
        return new StartView(
                procedureId,
                a.version(),
                sheet.code(),
                sheet.name(),
                pack.title(),
                pack.kind(),
                Configuration.fitted(sheet).said(sheet),
                whyNot(person, a),
                training.trainedOn(sheet.code()),
                pack.ppe(),
                List.copyOf(things),
                spares(sheet, a.procedure()),
                pack.steps().size(),
                pack.steps().stream().mapToDouble(RoundPack.PackStep::minutes).sum(),
                rounds.openRound(sheet.code()).map(r -> r.getId()).orElse(null));
    }

    private @Nullable Text whyNot(Person person, Procedures.Approved a) {
        try {
            rounds.mayJoin(person, a);
            rounds.shown(person, a.sheet().code());
            return null;
        } catch (Said x) {
            return x.said();
        }
    }

    private List<Spare> spares(MachineSheet sheet, Procedure procedure) {
        Set<String> replaced = new LinkedHashSet<>();
        for (Step s : procedure.steps()) {
            if (s.action() instanceof Action.Replace r) {
                replaced.addAll(r.items());
            }
        }
        Map<String, SpareCountRecord> counted = new LinkedHashMap<>();
        db.selectFrom(SPARE_COUNT)
                .where(SPARE_COUNT.MACHINE.eq(sheet.code()))
                .orderBy(SPARE_COUNT.SEQ)
                .fetch()
                .forEach(c -> counted.put(c.getPart(), c));
        SiteState site = entries.state();
        List<Spare> all = new ArrayList<>();
        for (Part p : Configuration.fitted(sheet).of(sheet).parts()) {
            if (p.fitting().wearCheck() != null || replaced.contains(p.id())) {
                Known c = newer(counted.get(p.id()), site.spares(sheet.code(), p.id()));
                Integer count =
                        c != null && c.entry() instanceof SiteEntry.SparesCounted e
                                ? Integer.valueOf(e.count())
                                : null;
                int needed = replaced.contains(p.id()) ? p.count() : 0;
                all.add(
                        new Spare(
                                p.id(),
                                p.name(),
                                p.fitting().wearCheck(),
                                needed,
                                count,
                                c == null ? null : c.at(),
                                c == null ? null : c.who(),
                                needed > (count == null ? 0 : count)));
            }
        }
        return all;
    }

    /** Counts from before they were entries of the log stand in a table of their own. */
    private static @Nullable Known newer(@Nullable SpareCountRecord older, @Nullable Known entry) {
        if (older == null || (entry != null && entry.at() >= older.getAt())) {
            return entry;
        }
        SiteEntry counted =
                new SiteEntry.SparesCounted(older.getMachine(), older.getPart(), older.getCount());
        return new Known(counted, older.getWho(), older.getWho(), older.getAt());
    }
}
