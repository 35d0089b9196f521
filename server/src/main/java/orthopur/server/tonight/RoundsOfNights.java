package orthopur.server.tonight;

import static orthopur.db.Tables.FLOOR_EVENT;
import static orthopur.db.Tables.ROUND;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import orthopur.night.SiteNight.Round;
import orthopur.night.SiteNight.Ticked;

/** Rounds as the plan of a night looks at them: which step was done when, and by whom. */
@Service
class RoundsOfNights {
    /** A round that was begun a little before the night belongs to it. */
    private static final Duration EARLY = Duration.ofHours(1);

    /** A step at each position of a loop has the position behind this mark. */
    private static final String LOOPED = "@";

    private static final String ACCOUNT = "account:";

    private final DSLContext db;

    RoundsOfNights(DSLContext db) {
        this.db = db;
    }

    /** The rounds that were begun in a night, in their order. */
    List<Round> of(Instant from, Instant until) {
        return rounds(
                ROUND.STARTED_AT.between(
                        from.minus(EARLY).toEpochMilli(), until.toEpochMilli() - 1),
                from.toEpochMilli(),
                Integer.MAX_VALUE);
    }

    /** The newest rounds of a procedure that were handed over. */
    List<Round> newest(String procedure, int many) {
        return rounds(
                ROUND.PROCEDURE_ID.eq(procedure).and(ROUND.CLOSED_AT.isNotNull()), null, many);
    }

    /** Id of the newest round of each procedure that was handed over. */
    Map<String, String> lastHandedOver() {
        Map<String, String> all = new HashMap<>();
        db.select(ROUND.PROCEDURE_ID, ROUND.ID)
                .from(ROUND)
                .where(ROUND.CLOSED_AT.isNotNull())
                .orderBy(ROUND.CLOSED_AT)
                .forEach(r -> all.put(r.value1(), r.value2()));
        return all;
    }

    /**
     * @param from what minutes are counted from; null for the beginning of each round
     */
    private List<Round> rounds(Condition which, @Nullable Long from, int many) {
        Map<String, Made> all = new LinkedHashMap<>();
        db.select(ROUND.ID, ROUND.PROCEDURE_ID, ROUND.STARTED_AT, ROUND.CLOSED_AT)
                .from(ROUND)
                .where(which)
                .orderBy(ROUND.STARTED_AT.desc())
                .limit(many)
                .forEach(
                        r ->
                                all.put(
                                        r.value1(),
                                        new Made(
                                                r.value2(),
                                                from == null ? r.value3() : from,
                                                r.value3(),
                                                r.value4())));
        if (all.isEmpty()) {
            return List.of();
        }
        db.select(
                        FLOOR_EVENT.ROUND_ID,
                        FLOOR_EVENT.STEP_ID,
                        FLOOR_EVENT.KIND,
                        FLOOR_EVENT.AT,
                        FLOOR_EVENT.SERVER_TIME,
                        FLOOR_EVENT.WHO)
                .from(FLOOR_EVENT)
                .where(
                        FLOOR_EVENT
                                .ROUND_ID
                                .in(all.keySet())
                                .and(FLOOR_EVENT.KIND.in("step-done", "released")))
                .orderBy(FLOOR_EVENT.SEQ)
                .forEach(
                        e -> {
                            long at = e.value4() == null ? e.value5() : e.value4();
                            Made m = Objects.requireNonNull(all.get(e.value1()));
                            if (e.value3().equals("released")) {
                                m.released = at;
                            } else {
                                m.tick(e.value2(), at, e.value6());
                            }
                        });
        return all.values().stream().map(Made::round).toList().reversed();
    }

    private static final class Made {
        private final String procedure;
        private final long from;
        private final long begun;
        private final @Nullable Long closed;
        private final Map<String, Ticked> ticks = new LinkedHashMap<>();
        private @Nullable Long released;

        Made(String procedure, long from, long begun, @Nullable Long closed) {
            this.procedure = procedure;
            this.from = from;
            this.begun = begun;
            this.closed = closed;
        }

        void tick(String step, long at, String who) {
            int looped = step.indexOf(LOOPED);
            String id = looped < 0 ? step : step.substring(0, looped);
            // Done again, or at the next position, it was done then.
            ticks.remove(id);
            ticks.put(
                    id,
                    new Ticked(
                            id,
                            minute(at),
                            who.startsWith(ACCOUNT) ? who.substring(ACCOUNT.length()) : who));
        }

        private int minute(long at) {
            return (int) Math.max(0, (at - from) / 60_000);
        }

        Round round() {
            return new Round(
                    procedure,
                    minute(begun),
                    closed == null ? null : Integer.valueOf(minute(closed)),
                    released == null ? null : Integer.valueOf(minute(released)),
                    new ArrayList<>(ticks.values()));
        }
    }
}
