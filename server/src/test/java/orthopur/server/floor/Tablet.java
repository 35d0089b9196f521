package orthopur.server.floor;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import orthopur.round.Cleaner;
import orthopur.round.Entry;
import orthopur.round.EntryValue;
import orthopur.round.Progress;
import orthopur.round.Written;
import orthopur.roundpack.RoundPack;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A tablet in a test: it has the pack, folds what it enters, and sends it when it is told to. */
public final class Tablet {
    private static final ObjectMapper JSON = JsonMapper.builder().build();

    private final Client client;
    private final String who;
    private final Cleaner cleaner;
    private final List<ObjectNode> queue = new ArrayList<>();
    public final String round;
    public final String packHash;
    public final RoundPack pack;
    public final Progress progress;

    /** How far this tablet's clock is ahead of the right time, in milliseconds. */
    public long ahead;

    /** How it calls itself; null for by its owner. */
    public String device;

    /** What this tablet takes for now, in milliseconds of the right time. */
    public long now = System.currentTimeMillis();

    /** Starts, or goes on with, the round of a procedure. */
    public Tablet(Client client, String who, String lock, String procedure) {
        this.client = client;
        this.who = who;
        Answer a = client.post_("/api/rounds", "{\"procedure\":\"" + procedure + "\"}");
        if (a.status() != 200) {
            throw new IllegalStateException(a.detail());
        }
        round = a.body().at("/state/id").asString();
        packHash = a.body().at("/state/packHash").asString();
        try {
            pack = JSON.treeToValue(a.body().get("pack"), RoundPack.class);
        } catch (tools.jackson.core.JacksonException e) {
            throw new IllegalStateException(e);
        }
        progress = new Progress(pack);
        cleaner = new Cleaner(pack, who, lock);
    }

    /** Somebody else at a round that is handed over. */
    public Tablet(Client client, String who, Tablet round) {
        this.client = client;
        this.who = who;
        this.round = round.round;
        packHash = round.packHash;
        pack = round.pack;
        now = round.now;
        progress = new Progress(pack);
        cleaner = new Cleaner(pack, who, "18");
    }

    /** Carries on as written until this step comes next, without sending anything. */
    public Tablet until(String step) {
        while (!step.equals(progress.state().current())) {
            step();
        }
        return this;
    }

    /** Carries on to the end of the last step. */
    public Tablet toTheEnd() {
        while (progress.state().current() != null) {
            step();
        }
        return this;
    }

    /** Makes the next entry as written. */
    public void onward() {
        step();
    }

    /** Makes what a step asks for, short of being done, and hands it over to be sent. */
    public List<ObjectNode> asksOf(String step) {
        List<ObjectNode> made = new ArrayList<>();
        while (true) {
            Cleaner.Move m = cleaner.next(progress.state(), now);
            if (m.entry() instanceof Entry.StepDone || !m.entry().step().equals(step)) {
                return made;
            }
            progress.accept(m.entry(), now, who);
            made.add(sent(m.entry()));
        }
    }

    private void step() {
        Cleaner.Move m = cleaner.next(progress.state(), now);
        now += 1000 + m.waits();
        note(m.entry());
    }

    /** Knows what was entered in this round before. */
    public void goOnFrom(JsonNode entries) {
        for (JsonNode e : entries) {
            JsonNode v = e.get("envelope");
            try {
                List<EntryValue> figures =
                        List.of(JSON.treeToValue(v.get("figures"), EntryValue[].class));
                progress.accept(
                        new Written(v.get("kind").asString(), v.get("step").asString(), figures)
                                .entry(),
                        v.get("at").asLong(),
                        e.get("who").asString());
            } catch (tools.jackson.core.JacksonException x) {
                throw new IllegalStateException(x);
            }
        }
    }

    /** Writes an entry down. */
    public Tablet note(Entry e) {
        progress.accept(e, now, who);
        queue.add(sent(e));
        return this;
    }

    /** An entry as it is sent. */
    public ObjectNode sent(Entry e) {
        Written w = Written.of(e);
        ObjectNode n = JSON.createObjectNode();
        n.put("id", UUID.randomUUID().toString())
                .put("packHash", packHash)
                .put("step", w.step())
                .put("kind", w.kind())
                .put("device", device == null ? "tablet of " + who : device)
                .put("tabletTime", now + ahead);
        n.set("figures", JSON.valueToTree(w.figures()));
        return n;
    }

    /** Sends what was written down, and forgets it. */
    public JsonNode sync() {
        JsonNode answer = sync(queue);
        queue.clear();
        return answer;
    }

    /** Sends these, whatever they are. */
    public JsonNode sync(List<ObjectNode> entries) {
        ObjectNode body = JSON.createObjectNode().put("sentAt", now + ahead);
        body.putArray("entries").addAll(entries);
        Answer a = client.post_("/api/rounds/" + round + "/queue", body.toString());
        if (a.status() != 200) {
            throw new IllegalStateException(a.status() + " " + a.detail());
        }
        return a.body();
    }

    /** What was written down and not sent yet. */
    public List<ObjectNode> queue() {
        return queue;
    }

    /** Sends one entry by itself, signed. */
    public Answer send(Entry e, String pin) {
        return client.post_(
                "/api/rounds/" + round + "/entries", sent(e).put("pin", pin).toString());
    }
}
