package orthopur.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import orthopur.simulation.floor.FloorClient;
import orthopur.simulation.floor.SimulatedTablet;
import tools.jackson.databind.JsonNode;

/**
 * kill -9 at moments nobody chose: whatever the server has acknowledged is there afterwards, once,
 * and the chain is whole. Three times here; {@code -Dorthopur.kills=100} for the long run.
 */
class KillTest {
    private static final int KILLS = Integer.getInteger("orthopur.kills", 3);

    @Test
    void whatWasAcknowledgedIsThereAfterEveryKill() throws IOException {
        Random dice = new Random();
        Map<String, Integer> stored = new HashMap<>();
        try (RunningServer server = new RunningServer()) {
            SimulatedTablet tablet = tablet(server);
            int acknowledged = 0;
            for (int kill = 0; kill < KILLS; kill++) {
                Thread killer =
                        Thread.startVirtualThread(() -> server.killAfter(300 + dice.nextInt(1500)));
                try {
                    while (true) {
                        tablet.enter();
                        tablet.send(dice.nextInt(4) == 0);
                    }
                } catch (IOException gone) {
                    // The server is dead; what was not acknowledged waits on the tablet.
                }
                join(killer);
                server.startAgain();
                tablet.signInAgain(client(server));
                tablet.send(true);
                assertEquals(0, tablet.waiting());
                acknowledged = tablet.acknowledged().size();
                stored.clear();
                client(server)
                        .get("/api/logbook/" + tablet.round() + "/entries")
                        .forEach(
                                e ->
                                        stored.merge(
                                                e.at("/envelope/id").asString(), 1, Integer::sum));
                assertTrue(
                        stored.keySet().containsAll(tablet.acknowledged()),
                        "lost one at kill " + kill);
                assertTrue(stored.values().stream().allMatch(n -> n == 1), "doubled one");
                JsonNode chain = client(server).get("/api/logbook/integrity?anew=true");
                assertTrue(chain.get("whole").asBoolean(), chain.toString());
            }
            assertTrue(acknowledged > KILLS * 3, acknowledged + " acknowledged");
            assertEquals(acknowledged, stored.size());
        }
    }

    private static SimulatedTablet tablet(RunningServer server) throws IOException {
        return new SimulatedTablet(client(server), "qk-sl1-end-of-shift", true, 0, 1);
    }

    private static FloorClient client(RunningServer server) throws IOException {
        return new FloorClient(server.url(""), "Maren Oyelaran", "quillmere-maren");
    }

    private static void join(Thread t) {
        try {
            t.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
