package orthopur.simulation.floor;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import orthopur.formats.EntryEnvelope;
import orthopur.round.Cleaner;
import orthopur.round.Entry;
import orthopur.round.Progress;
import orthopur.round.Refused;
import orthopur.round.Written;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.Trouble;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * One tablet in a round. The one that leads carries the steps out; the others at the same machine
 * write down what they see. Each remembers what the server has acknowledged.
 */
public final class SimulatedTablet {
    private static final int AT_ONCE = 25;

    private FloorClient client;
    private final boolean leads;
    private final Random dice;
    private final long ahead;
    private final Set<String> acknowledged = new HashSet<>();
    private final List<ObjectNode> queue = new ArrayList<>();
    private String round;
    private String packHash;
    private RoundPack pack;
    private Progress progress;
    private Cleaner cleaner;

    /**
     * @param leads whether it does the steps
     * @param ahead how wrong its clock is, in milliseconds
     */
    public SimulatedTablet(
            FloorClient client, String procedure, boolean leads, long ahead, long seed)
            throws IOException {
        this.client = client;
        this.leads = leads;
        this.ahead = ahead;
        this.dice = new Random(seed);
        begin(procedure);
    }

    private void begin(String procedure) throws IOException {
        JsonNode view =
                client.post(
                        "/api/rounds",
                        FloorClient.JSON.createObjectNode().put("procedure", procedure).toString());
        round = view.at("/state/id").asString();
        packHash = view.at("/state/packHash").asString();
        pack = FloorClient.JSON.treeToValue(view.get("pack"), RoundPack.class);
        progress = new Progress(pack);
        cleaner = new Cleaner(pack, client.actor(), "17");
        for (JsonNode stored : client.get("/api/logbook/" + round + "/entries")) {
            EntryEnvelope e =
                    FloorClient.JSON.treeToValue(stored.get("envelope"), EntryEnvelope.class);
            progress.accept(e.entry(), e.made(), e.actor());
        }
    }

    /**
     * Carries the round on until this step comes next, and sends what that takes.
     *
     * @throws IOException when it did not arrive
     * @throws IllegalArgumentException when this round has no such step
     */
    public void until(String step) throws IOException {
        if (pack.steps().stream().noneMatch(s -> s.id().equals(step))) {
            throw new IllegalArgumentException(
                    "The round of " + pack.title() + " has no step \"" + step + "\".");
        }
        while (!step.equals(progress.state().current())) {
            enter();
        }
        sendBy(AT_ONCE);
    }

    public String round() {
        return round;
    }

    /** Ids that the server has said it has. */
    public Set<String> acknowledged() {
        return acknowledged;
    }

    /** Goes on with another session: the server was started anew. */
    public void signInAgain(FloorClient again) {
        client = again;
    }

    /** How many entries wait on this tablet. */
    public int waiting() {
        return queue.size();
    }

    /** A step of the round, for what belongs to none in particular. */
    String anyStep() {
        return pack.steps().getFirst().id();
    }

    /** Writes the next entry down. */
    public void enter() {
        note(leads ? step() : seen());
    }

    /** Writes an entry of its own making down. */
    void note(Entry e) {
        Written w = Written.of(e);
        ObjectNode n = FloorClient.JSON.createObjectNode();
        n.put("id", UUID.randomUUID().toString())
                .put("packHash", packHash)
                .put("step", w.step())
                .put("kind", w.kind())
                .put("device", "simulated")
                .put("tabletTime", System.currentTimeMillis() + ahead);
        n.set("figures", FloorClient.JSON.valueToTree(w.figures()));
        queue.add(n);
    }

    private Entry seen() {
        String step = pack.steps().get(dice.nextInt(pack.steps().size())).id();
        return new Entry.TroubleSaid(step, Trouble.Kind.INTERRUPTED, null, "called to the door");
    }

    /**
     * As written; where a soak or contact has to be waited for, it is done otherwise and says so.
     */
    private Entry step() {
        long now = System.currentTimeMillis();
        Cleaner.Move m = cleaner.next(progress.state(), now);
        Entry e = m == null || m.entry() instanceof Entry.RoundClosed ? seen() : m.entry();
        if (m != null && m.waits() > 0 && !progress.state().deviated().contains(e.step())) {
            e = new Entry.Deviation(e.step(), "simulated: not waited for");
        }
        try {
            progress.accept(e, now, client.actor());
        } catch (Refused x) {
            return seen();
        }
        return e;
    }

    /**
     * Sends what was written down.
     *
     * @param twice as a tablet does whose first answer got lost
     * @throws IOException when it did not arrive; everything is kept and sent again
     */
    public void send(boolean twice) throws IOException {
        deliver(queue, twice);
        queue.clear();
    }

    /** Sends what was written down as the real tablet does: so many at once. */
    void sendBy(int atOnce) throws IOException {
        while (!queue.isEmpty()) {
            List<ObjectNode> some = queue.subList(0, Math.min(atOnce, queue.size()));
            deliver(some, false);
            some.clear();
        }
    }

    private void deliver(List<ObjectNode> entries, boolean twice) throws IOException {
        if (entries.isEmpty()) {
            return;
        }
        ObjectNode body =
                FloorClient.JSON
                        .createObjectNode()
                        .put("sentAt", System.currentTimeMillis() + ahead);
        body.putArray("entries").addAll(entries);
        for (int i = 0; i < (twice ? 2 : 1); i++) {
            JsonNode answer = client.post("/api/rounds/" + round + "/queue", body.toString());
            answer.get("fates")
                    .forEach(
                            f -> {
                                if (!f.get("fate").asString().equals("REFUSED")) {
                                    acknowledged.add(f.get("id").asString());
                                }
                            });
        }
    }
}
