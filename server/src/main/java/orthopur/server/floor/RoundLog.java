package orthopur.server.floor;

import static org.jooq.impl.DSL.inline;
import static orthopur.db.Tables.FLOOR_EVENT;
import static orthopur.db.Tables.PACK;
import static orthopur.db.Tables.ROUND;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import orthopur.db.tables.records.FloorEventRecord;
import orthopur.db.tables.records.RoundRecord;
import orthopur.formats.EntryEnvelope;
import orthopur.ledger.Sealed;
import orthopur.round.EntryValue;
import orthopur.round.Role;
import orthopur.roundpack.RoundPack;
import orthopur.server.custody.Custody;
import orthopur.server.platform.Memo;
import orthopur.server.platform.Said;
import orthopur.server.platform.StoredJson;
import orthopur.text.Text;
import tools.jackson.core.type.TypeReference;

/** Rounds, their packs and their entries in the database. */
@Repository
public class RoundLog {
    /** In place of a round, for entries that belong to none. */
    static final String SITE = EntryEnvelope.SITE;

    private final DSLContext db;
    private final StoredJson json;
    private final Custody custody;
    private final Memo<String, RoundPack> packs = new Memo<>(64);

    RoundLog(DSLContext db, StoredJson json, Custody custody) {
        this.custody = custody;
        this.db = db;
        this.json = json;
    }

    void open(RoundRecord round, String packHash, RoundPack pack) {
        db.insertInto(PACK)
                .set(PACK.HASH, packHash)
                .set(PACK.DOCUMENT, json.write(pack))
                .onConflictDoNothing()
                .execute();
        db.executeInsert(round);
    }

    RoundRecord newRound() {
        return db.newRecord(ROUND);
    }

    /**
     * @throws Said when there is none
     */
    public RoundRecord round(String id) {
        return db.selectFrom(ROUND)
                .where(ROUND.ID.eq(id))
                .fetchOptional()
                .orElseThrow(
                        () ->
                                Said.notFound(
                                        Text.of(
                                                "round-log.there-is-no-round",
                                                "There is no round {0}.",
                                                id)));
    }

    Optional<RoundRecord> openRound(String machine) {
        return db.selectFrom(ROUND)
                .where(ROUND.MACHINE.eq(machine).and(ROUND.CLOSED_AT.isNull()))
                .fetchOptional();
    }

    /** Rounds, newest first. */
    public List<RoundRecord> rounds(@Nullable String machine, long from, long to, int limit) {
        return db.selectFrom(ROUND)
                .where(ROUND.STARTED_AT.between(from, to))
                .and(machine == null ? org.jooq.impl.DSL.noCondition() : ROUND.MACHINE.eq(machine))
                .orderBy(ROUND.STARTED_AT.desc())
                .limit(limit)
                .fetch();
    }

    public RoundPack pack(String hash) {
        custody.vouchFor(Sealed.PACK, hash);
        String document =
                db.select(PACK.DOCUMENT)
                        .from(PACK)
                        .where(PACK.HASH.eq(hash))
                        .fetchSingle(PACK.DOCUMENT);
        return packs.of(document, d -> json.read(d, RoundPack.class));
    }

    /** The entries of a round, or of the site, in the order in which they were taken in. */
    public List<EntryEnvelope.Chained> entries(String round) {
        return db.selectFrom(FLOOR_EVENT)
                .where(
                        round.equals(SITE)
                                ? FLOOR_EVENT.ROUND_ID.isNull()
                                : FLOOR_EVENT.ROUND_ID.eq(round))
                .orderBy(FLOOR_EVENT.SEQ)
                .fetch(this::stored);
    }

    /** Entries of the site in order, behind this place: so many at most. */
    public List<EntryEnvelope.Chained> chainAfter(long seq, int limit) {
        return db.selectFrom(FLOOR_EVENT)
                .where(FLOOR_EVENT.SEQ.gt(Math.toIntExact(seq)))
                .orderBy(FLOOR_EVENT.SEQ)
                .limit(limit)
                .fetch(this::stored);
    }

    /**
     * Entries of some kinds in which a text stands as a figure, newest first.
     *
     * @param text whole, as it was entered: id of an instrument, label of a solution
     * @param since epoch milliseconds
     */
    public List<EntryEnvelope> naming(List<String> kinds, String text, long since, int limit) {
        return db
                .selectFrom(FLOOR_EVENT)
                .where(FLOOR_EVENT.KIND.in(kinds))
                .and(FLOOR_EVENT.AT.ge(since))
                .and(FLOOR_EVENT.FIGURES.contains(json.write(text)))
                .orderBy(FLOOR_EVENT.SEQ.desc())
                .limit(limit)
                .fetch(this::stored)
                .stream()
                .map(EntryEnvelope.Chained::envelope)
                .toList();
    }

    /** How many entries the log of the site holds. */
    public long count() {
        return db.fetchCount(FLOOR_EVENT);
    }

    Optional<EntryEnvelope.Chained> entry(String id) {
        return db.selectFrom(FLOOR_EVENT).where(FLOOR_EVENT.ID.eq(id)).fetchOptional(this::stored);
    }

    String lastHash() {
        return db.select(FLOOR_EVENT.HASH)
                .from(FLOOR_EVENT)
                .orderBy(FLOOR_EVENT.SEQ.desc())
                .limit(1)
                .fetchOptional(FLOOR_EVENT.HASH)
                .orElse(EntryEnvelope.GENESIS);
    }

    void append(EntryEnvelope e) {
        db.insertInto(FLOOR_EVENT)
                .set(FLOOR_EVENT.ID, e.id())
                .set(FLOOR_EVENT.ROUND_ID, e.round().equals(SITE) ? null : e.round())
                .set(FLOOR_EVENT.PACK_HASH, e.packHash())
                .set(FLOOR_EVENT.STEP_ID, e.step())
                .set(FLOOR_EVENT.KIND, e.kind())
                .set(FLOOR_EVENT.FIGURES, json.write(e.figures()))
                .set(FLOOR_EVENT.WHO, e.who())
                .set(FLOOR_EVENT.DEVICE, e.device())
                .set(FLOOR_EVENT.TABLET_TIME, e.tabletTime())
                .set(FLOOR_EVENT.SERVER_TIME, e.serverTime())
                .set(FLOOR_EVENT.AT, e.at())
                .set(FLOOR_EVENT.PERSON, e.person())
                .set(FLOOR_EVENT.ROLE, e.role() == null ? null : e.role().name())
                .set(FLOOR_EVENT.SIGNED, e.signed())
                .set(FLOOR_EVENT.PREV_HASH, e.prevHash())
                .set(FLOOR_EVENT.HASH, e.hash())
                .execute();
    }

    void close(String round, String who, long at) {
        db.update(ROUND)
                .set(ROUND.CLOSED_BY, who)
                .set(ROUND.CLOSED_AT, at)
                .where(ROUND.ID.eq(round))
                .execute();
    }

    /** Id of the round of a machine that was handed over last; null where none was. */
    @Nullable String newestClosed(String machine) {
        return db.select(ROUND.ID)
                .from(ROUND)
                .where(ROUND.MACHINE.eq(machine).and(ROUND.CLOSED_AT.isNotNull()))
                .orderBy(ROUND.CLOSED_AT.desc())
                .limit(1)
                .fetchOne(ROUND.ID);
    }

    /**
     * ATP values of each site of a machine in order of time, without those of one round.
     *
     * @return by the site's id
     */
    public Map<String, List<Double>> swabs(String machine, String without) {
        Map<String, List<Double>> values = new HashMap<>();
        db.select(FLOOR_EVENT.FIGURES)
                .from(FLOOR_EVENT)
                .join(ROUND)
                .on(ROUND.ID.eq(FLOOR_EVENT.ROUND_ID))
                .where(ROUND.MACHINE.eq(machine))
                .and(ROUND.ID.ne(without))
                // Said in the text of the query, so that the index of proofs is used.
                .and(FLOOR_EVENT.KIND.eq(inline("proof")))
                .orderBy(FLOOR_EVENT.SEQ)
                .fetch(FLOOR_EVENT.FIGURES)
                .forEach(text -> swab(values, figures(text)));
        return values;
    }

    private static void swab(Map<String, List<Double>> values, List<EntryValue> figures) {
        String site = null;
        Double value = null;
        for (EntryValue f : figures) {
            site = f.name().equals("site") ? f.text() : site;
            value = f.name().equals("value") ? f.value() : value;
        }
        if (site != null && value != null) {
            values.computeIfAbsent(site, k -> new ArrayList<>()).add(value);
        }
    }

    /** How many rounds of a procedure were handed over before this one. */
    public long before(RoundRecord round) {
        return db.fetchCount(
                ROUND,
                ROUND.PROCEDURE_ID
                        .eq(round.getProcedureId())
                        .and(ROUND.STARTED_AT.lt(round.getStartedAt())));
    }

    /** Handed back to those who clean: it is open again. */
    void reopen(String round) {
        db.update(ROUND)
                .setNull(ROUND.CLOSED_BY)
                .setNull(ROUND.CLOSED_AT)
                .where(ROUND.ID.eq(round))
                .execute();
    }

    /** The newest round of each machine. */
    public List<RoundRecord> newest() {
        var later = ROUND.as("later");
        return db.selectFrom(ROUND)
                .whereNotExists(
                        org.jooq
                                .impl
                                .DSL
                                .selectOne()
                                .from(later)
                                .where(
                                        later.MACHINE
                                                .eq(ROUND.MACHINE)
                                                .and(later.STARTED_AT.gt(ROUND.STARTED_AT))))
                .orderBy(ROUND.MACHINE)
                .fetch();
    }

    /** Packs of the closed rounds of a machine, newest first. */
    List<String> packsOf(String machine, int limit) {
        return db.select(ROUND.PACK_HASH)
                .from(ROUND)
                .where(ROUND.MACHINE.eq(machine).and(ROUND.CLOSED_AT.isNotNull()))
                .orderBy(ROUND.STARTED_AT.desc())
                .limit(limit)
                .fetch(ROUND.PACK_HASH);
    }

    private EntryEnvelope.Chained stored(FloorEventRecord r) {
        return new EntryEnvelope.Chained(
                r.getSeq(),
                new EntryEnvelope(
                        r.getId(),
                        r.getRoundId() == null ? SITE : r.getRoundId(),
                        r.getPackHash(),
                        r.getStepId(),
                        r.getKind(),
                        figures(r.getFigures()),
                        r.getWho(),
                        r.getDevice(),
                        r.getTabletTime(),
                        r.getServerTime(),
                        r.getAt(),
                        r.getPerson(),
                        r.getRole() == null ? null : Role.valueOf(r.getRole()),
                        r.getSigned(),
                        r.getPrevHash()),
                r.getHash());
    }

    private List<EntryValue> figures(String text) {
        return json.read(text, new TypeReference<List<EntryValue>>() {});
    }
}
