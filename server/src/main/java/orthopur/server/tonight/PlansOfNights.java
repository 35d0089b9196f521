package orthopur.server.tonight;

import static orthopur.db.Tables.NIGHT_PLAN;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Service;
import orthopur.formats.NightFormat.PlanDocument;
import orthopur.night.InForce;
import orthopur.night.Measured;
import orthopur.night.Moves;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.Search;
import orthopur.server.platform.StoredJson;
import orthopur.solver.Planners;

/**
 * The plans of nights. A first one is there at once; a better one is sought meanwhile. What people
 * go by stands until the night forbids it, and outlives a restart.
 */
@Service
class PlansOfNights implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(PlansOfNights.class);

    /** A plan that is not there by then is cut short, and says so. */
    static final double LONGEST = 20;

    /** Orders that are tried for the first plan: well under a second. */
    private static final int FIRST_TRIES = 150;

    private static final int KEPT = 16;

    private final DSLContext db;
    private final StoredJson json;
    private final Clock clock;
    private final Map<Night, CompletableFuture<Plan>> plans = newest();
    private final Map<Night, Plan> firsts = newest();
    private final Map<LocalDate, InForceNow> inForce = new ConcurrentHashMap<>();

    /** One night after the other: two solvers at once would each take twice as long. */
    private final ThreadPoolExecutor worker =
            new ThreadPoolExecutor(
                    1,
                    1,
                    0,
                    TimeUnit.SECONDS,
                    new ArrayBlockingQueue<>(KEPT),
                    r -> {
                        Thread t = new Thread(r, "plan-of-the-night");
                        t.setDaemon(true);
                        t.setPriority(Thread.MIN_PRIORITY);
                        return t;
                    });

    PlansOfNights(DSLContext db, StoredJson json, Clock clock) {
        this.db = db;
        this.json = json;
        this.clock = clock;
    }

    private static <T> Map<Night, T> newest() {
        return Collections.synchronizedMap(
                new LinkedHashMap<>() {
                    private static final long serialVersionUID = 1;

                    @Override
                    protected boolean removeEldestEntry(Map.Entry<Night, T> eldest) {
                        return size() > KEPT;
                    }
                });
    }

    /**
     * @param seeking whether a better one is still sought
     */
    record Known(Plan plan, boolean seeking) {}

    /**
     * The plan that people go by.
     *
     * @param moves what was otherwise in the one before it
     * @param at when it took its place, epoch milliseconds
     */
    record InForceNow(Plan plan, List<Moves.Move> moves, long at) {}

    /** What is known of the plan of a night so far. */
    Known of(Night night) {
        try {
            CompletableFuture<Plan> sought = seek(night);
            if (sought.isDone()) {
                return new Known(sought.join(), false);
            }
        } catch (RejectedExecutionException e) {
            LOG.debug("Too many nights are planned; whoever asks again finds room.");
        }
        return new Known(first(night), true);
    }

    private CompletableFuture<Plan> seek(Night night) {
        return plans.computeIfAbsent(
                night,
                n ->
                        CompletableFuture.supplyAsync(
                                        () -> Planners.here().plan(n, LONGEST), worker)
                                .exceptionally(
                                        e -> {
                                            LOG.error("The plan of a night could not be made.", e);
                                            return first(n);
                                        }));
    }

    /** The plan of a night, waited for until no better one is sought. */
    Plan sought(Night night) {
        return seek(night).join();
    }

    private Plan first(Night night) {
        return firsts.computeIfAbsent(night, PlansOfNights::made);
    }

    private static Plan made(Night night) {
        Plan p = Search.best(night, FIRST_TRIES);
        return Measured.plan(
                night,
                Plan.Status.FEASIBLE,
                p.tasks(),
                p.breaks(),
                p.unplaced().stream().map(Plan.Unplaced::id).toList(),
                List.of(),
                p.seconds());
    }

    /** The plan that people go by in a night; null where there is none yet. */
    @Nullable InForceNow inForce(LocalDate day) {
        return inForce.computeIfAbsent(day, this::stored);
    }

    private @Nullable InForceNow stored(LocalDate day) {
        return db.selectFrom(NIGHT_PLAN)
                .where(NIGHT_PLAN.NIGHT.eq(day.toString()))
                .orderBy(NIGHT_PLAN.ID.desc())
                .limit(1)
                .fetchOptional(
                        r ->
                                new InForceNow(
                                        json.read(r.getDocument(), PlanDocument.class).plan(),
                                        List.of(),
                                        r.getMadeAt()))
                .orElse(null);
    }

    /**
     * The plan that people went by when a night began; where none was made by then the first.
     *
     * @param from epoch milliseconds
     */
    @Nullable Plan asItBegan(LocalDate day, long from) {
        return db
                .selectFrom(NIGHT_PLAN)
                .where(NIGHT_PLAN.NIGHT.eq(day.toString()))
                .orderBy(NIGHT_PLAN.MADE_AT.le(from).desc(), NIGHT_PLAN.ID.desc())
                .fetch()
                .stream()
                .filter(r -> r.getMadeAt() <= from)
                .findFirst()
                .or(
                        () ->
                                db
                                        .selectFrom(NIGHT_PLAN)
                                        .where(NIGHT_PLAN.NIGHT.eq(day.toString()))
                                        .orderBy(NIGHT_PLAN.ID)
                                        .limit(1)
                                        .fetch()
                                        .stream()
                                        .findFirst())
                .map(r -> json.read(r.getDocument(), PlanDocument.class).plan())
                .orElse(null);
    }

    /**
     * The plan of the night that is on. What stands is kept where the night still allows it; else
     * the new one takes its place once it is found.
     */
    synchronized Known goBy(LocalDate day, Night night) {
        InForceNow before = inForce(day);
        if (before != null && !known(night)) {
            Plan same = InForce.still(night, before.plan());
            if (same != null) {
                plans.put(night, CompletableFuture.completedFuture(same));
            }
        }
        Known known = of(night);
        if (!known.seeking() && (before == null || differs(before.plan(), known.plan()))) {
            List<Moves.Move> moves =
                    before == null ? List.of() : Moves.between(before.plan(), known.plan());
            long now = clock.millis();
            inForce.put(
                    day,
                    new InForceNow(
                            known.plan(),
                            before != null && moves.isEmpty() ? before.moves() : moves,
                            now));
            db.insertInto(NIGHT_PLAN)
                    .set(NIGHT_PLAN.NIGHT, day.toString())
                    .set(NIGHT_PLAN.MADE_AT, now)
                    .set(NIGHT_PLAN.DOCUMENT, json.write(PlanDocument.of(known.plan())))
                    .execute();
        }
        return known;
    }

    private boolean known(Night night) {
        CompletableFuture<Plan> sought = plans.get(night);
        return sought != null && sought.isDone();
    }

    /** What is over falls out of a plan without making it another. */
    private static boolean differs(Plan before, Plan after) {
        Map<String, Plan.Placed> was = before.byId();
        return after.tasks().stream().anyMatch(t -> !Objects.equals(was.get(t.id()), t))
                || !after.unplaced().stream()
                        .map(Plan.Unplaced::id)
                        .toList()
                        .equals(before.unplaced().stream().map(Plan.Unplaced::id).toList());
    }

    @Override
    public void destroy() {
        worker.shutdownNow();
    }
}
