package orthopur.bench.site;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import orthopur.formats.EntryEnvelope;
import orthopur.ledger.Database;
import orthopur.round.Actor;
import orthopur.round.Cleaner;
import orthopur.round.Entry;
import orthopur.round.Progress;
import orthopur.round.Role;
import orthopur.round.Written;
import orthopur.roundpack.RoundPack;
import tools.jackson.databind.ObjectMapper;

/**
 * Fills the log of a site with rounds that were carried out as written, night after night, as the
 * server would have written them: in one chain, and each round in the ledger.
 */
final class Years {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final long NIGHT = 24 * 3_600_000L;
    private static final int BATCH = 500;

    private final Connection db;
    private final String who;
    private final Actor actor;
    private String before = EntryEnvelope.GENESIS;
    private long entries;

    /** One procedure, carried out once. */
    private record Template(
            String hash,
            String machine,
            String procedure,
            int version,
            String title,
            List<Written> written,
            List<Long> after) {}

    private Years(Connection db) throws SQLException {
        this.db = db;
        long account = number("SELECT id FROM account WHERE name = 'Tobiah Renn'");
        who = EntryEnvelope.account(account);
        actor = new Actor(who, Long.toString(account), Role.CREW, true);
    }

    /**
     * @param file of a site in which a round of each machine was started
     * @param least so many entries at least
     * @return how many there are then
     */
    static long fill(Path file, long least) throws SQLException {
        try (Connection db = Database.writing(file);
                Statement s = db.createStatement()) {
            s.execute("PRAGMA synchronous = OFF");
            db.setAutoCommit(false);
            Years years = new Years(db);
            years.goOn(least);
            db.commit();
            return years.entries;
        }
    }

    private long number(String query) throws SQLException {
        try (Statement s = db.createStatement();
                ResultSet r = s.executeQuery(query)) {
            return r.next() ? r.getLong(1) : 0;
        }
    }

    private void goOn(long least) throws SQLException {
        entries = number("SELECT count(*) FROM floor_event");
        try (Statement s = db.createStatement();
                ResultSet r =
                        s.executeQuery("SELECT hash FROM floor_event ORDER BY seq DESC LIMIT 1")) {
            before = r.next() ? r.getString(1) : before;
        }
        List<Template> templates = templates();
        long each = Math.max(1, templates.stream().mapToLong(t -> t.written().size()).sum());
        long nights = (least - entries) / each + 1;
        long from = System.currentTimeMillis() - (nights + 2) * NIGHT;
        try (PreparedStatement round =
                        db.prepareStatement(
                                "INSERT INTO round (id, pack_hash, machine, procedure_id, version, title, started_by, started_at,"
                                        + " closed_by, closed_at) VALUES (?, ?, ?, ?, ?, ?, 'Tobiah Renn', ?, 'Tobiah Renn', ?)");
                PreparedStatement entry =
                        db.prepareStatement(
                                "INSERT INTO floor_event (id, round_id, pack_hash, step_id, kind, figures, who, device, tablet_time,"
                                        + " server_time, at, person, role, signed, prev_hash, hash)"
                                        + " VALUES (?, ?, ?, ?, ?, ?, ?, 'tablet 1', ?, ?, ?, ?, 'CREW', ?, ?, ?)")) {
            for (long night = 0; night < nights; night++) {
                for (Template t : templates) {
                    write(t, from + night * NIGHT, round, entry);
                }
                if (night % BATCH == 0) {
                    db.commit();
                }
            }
        }
    }

    private List<Template> templates() throws SQLException {
        List<Template> all = new ArrayList<>();
        try (Statement s = db.createStatement();
                ResultSet r =
                        s.executeQuery(
                                "SELECT r.pack_hash, r.machine, r.procedure_id, r.version, r.title, p.document FROM round r"
                                        + " JOIN pack p ON p.hash = r.pack_hash WHERE r.closed_at IS NULL ORDER BY r.machine")) {
            while (r.next()) {
                RoundPack pack = JSON.readValue(r.getString(6), RoundPack.class);
                List<Written> written = new ArrayList<>();
                List<Long> after = new ArrayList<>();
                Progress p = new Progress(pack);
                Cleaner cleaner = new Cleaner(pack, actor, "17");
                long now = NIGHT;
                Cleaner.Move m = cleaner.next(p.state(), now);
                while (m != null) {
                    now += 1_000 + m.waits();
                    Entry e = m.entry();
                    p.accept(e, now, actor);
                    written.add(Written.of(e));
                    after.add(now - NIGHT);
                    m = cleaner.next(p.state(), now);
                }
                all.add(
                        new Template(
                                r.getString(1),
                                r.getString(2),
                                r.getString(3),
                                r.getInt(4),
                                r.getString(5),
                                written,
                                after));
            }
        }
        return all;
    }

    private void write(Template t, long at, PreparedStatement round, PreparedStatement entry)
            throws SQLException {
        String id = UUID.randomUUID().toString();
        round.setString(1, id);
        round.setString(2, t.hash());
        round.setString(3, t.machine());
        round.setString(4, t.procedure());
        round.setInt(5, t.version());
        round.setString(6, t.title());
        round.setLong(7, at);
        round.setLong(8, at + t.after().getLast());
        round.execute();
        for (int i = 0; i < t.written().size(); i++) {
            Written w = t.written().get(i);
            long made = at + t.after().get(i);
            EntryEnvelope e =
                    new EntryEnvelope(
                            UUID.randomUUID().toString(),
                            id,
                            t.hash(),
                            w.step(),
                            w.kind(),
                            w.figures(),
                            who,
                            "tablet 1",
                            made,
                            made,
                            made,
                            actor.person(),
                            Role.CREW,
                            Progress.signed(w.entry()),
                            before);
            before = e.hash();
            entry.setString(1, e.id());
            entry.setString(2, id);
            entry.setString(3, e.packHash());
            entry.setString(4, e.step());
            entry.setString(5, e.kind());
            entry.setString(6, JSON.writeValueAsString(e.figures()));
            entry.setString(7, who);
            entry.setLong(8, made);
            entry.setLong(9, made);
            entry.setLong(10, made);
            entry.setString(11, actor.person());
            entry.setBoolean(12, Boolean.TRUE.equals(e.signed()));
            entry.setString(13, e.prevHash());
            entry.setString(14, before);
            entry.addBatch();
            entries++;
        }
        entry.executeBatch();
    }
}
