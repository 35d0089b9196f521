package orthopur.server.floor;

import static orthopur.db.Tables.FLOOR_EVENT;
import static orthopur.db.Tables.PACK;
import static orthopur.db.Tables.ROUND;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import orthopur.db.tables.records.FloorEventRecord;
import orthopur.db.tables.records.RoundRecord;
import orthopur.roundpack.RoundPack;
import orthopur.server.floor.EntryEnvelope.EntryValue;
import orthopur.server.platform.Said;

/** Rounds, their packs and their entries in the database. */
@Repository
public class RoundLog {
    /** What the first entry of a site is chained to. */
    static final String GENESIS = "0".repeat(64);

    private final DSLContext db;
    private final ObjectMapper json;

    RoundLog(DSLContext db, ObjectMapper json) {
        this.db = db;
        this.json = json;
    }

    /** A stored entry. */
    public record Stored(long seq, EntryEnvelope envelope, String hash) {}

    void open(RoundRecord round, String packHash, RoundPack pack) {
        db.insertInto(PACK)
                .set(PACK.HASH, packHash)
                .set(PACK.DOCUMENT, write(pack))
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
                .orElseThrow(() -> Said.notFound("There is no round " + id + "."));
    }

    Optional<RoundRecord> openRound(String machine) {
        return db.selectFrom(ROUND)
                .where(ROUND.MACHINE.eq(machine).and(ROUND.CLOSED_AT.isNull()))
                .fetchOptional();
    }

    /** Rounds, newest first. */
    public List<RoundRecord> rounds(String machine, long from, long to, int limit) {
        return db.selectFrom(ROUND)
                .where(ROUND.STARTED_AT.between(from, to))
                .and(machine == null ? org.jooq.impl.DSL.noCondition() : ROUND.MACHINE.eq(machine))
                .orderBy(ROUND.STARTED_AT.desc())
                .limit(limit)
                .fetch();
    }

    public RoundPack pack(String hash) {
        String document =
                db.select(PACK.DOCUMENT)
                        .from(PACK)
                        .where(PACK.HASH.eq(hash))
                        .fetchSingle(PACK.DOCUMENT);
        try {
            return json.readValue(document, RoundPack.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("The pack " + hash + " cannot be read.", e);
        }
    }

    /** The entries of a round in the order in which they were taken in. */
    public List<Stored> entries(String round) {
        return db.selectFrom(FLOOR_EVENT)
                .where(FLOOR_EVENT.ROUND_ID.eq(round))
                .orderBy(FLOOR_EVENT.SEQ)
                .fetch(this::stored);
    }

    /** Every entry of the site in order, for checking the chain. */
    public java.util.stream.Stream<Stored> chain() {
        return db.selectFrom(FLOOR_EVENT).orderBy(FLOOR_EVENT.SEQ).fetchStream().map(this::stored);
    }

    Optional<Stored> entry(String id) {
        return db.selectFrom(FLOOR_EVENT).where(FLOOR_EVENT.ID.eq(id)).fetchOptional(this::stored);
    }

    String lastHash() {
        return db.select(FLOOR_EVENT.HASH)
                .from(FLOOR_EVENT)
                .orderBy(FLOOR_EVENT.SEQ.desc())
                .limit(1)
                .fetchOptional(FLOOR_EVENT.HASH)
                .orElse(GENESIS);
    }

    void append(EntryEnvelope e) {
        db.insertInto(FLOOR_EVENT)
                .set(FLOOR_EVENT.ID, e.id())
                .set(FLOOR_EVENT.ROUND_ID, e.round())
                .set(FLOOR_EVENT.PACK_HASH, e.packHash())
                .set(FLOOR_EVENT.STEP_ID, e.step())
                .set(FLOOR_EVENT.KIND, e.kind())
                .set(FLOOR_EVENT.FIGURES, write(e.figures()))
                .set(FLOOR_EVENT.WHO, e.who())
                .set(FLOOR_EVENT.DEVICE, e.device())
                .set(FLOOR_EVENT.TABLET_TIME, e.tabletTime())
                .set(FLOOR_EVENT.SERVER_TIME, e.serverTime())
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

    private Stored stored(FloorEventRecord r) {
        try {
            List<EntryValue> figures =
                    json.readValue(r.getFigures(), new TypeReference<List<EntryValue>>() {});
            return new Stored(
                    r.getSeq(),
                    new EntryEnvelope(
                            r.getId(),
                            r.getRoundId(),
                            r.getPackHash(),
                            r.getStepId(),
                            r.getKind(),
                            figures,
                            r.getWho(),
                            r.getDevice(),
                            r.getTabletTime(),
                            r.getServerTime(),
                            r.getPrevHash()),
                    r.getHash());
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("Entry " + r.getSeq() + " cannot be read.", e);
        }
    }

    private String write(Object value) {
        try {
            return json.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
