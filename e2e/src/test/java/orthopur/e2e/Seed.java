package orthopur.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import orthopur.simulation.floor.FloorClient;
import orthopur.simulation.floor.SimulatedTablet;

/**
 * Brings the site to where a journey begins, through the same doors as everybody, without clicks.
 */
final class Seed {
    private Seed() {}

    /**
     * Carries a round on until a step comes next; begins it where none is open. Waits are written
     * down as not kept.
     *
     * @return the address of the round on the floor
     */
    static String round(RunningServer server, String who, String procedure, String step) {
        try {
            SimulatedTablet tablet =
                    new SimulatedTablet(client(server, who), procedure, true, 0, 1);
            tablet.until(step);
            return "/floor/" + tablet.round();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Brings in a procedure of the demo under another name; it becomes a draft. */
    static void copy(RunningServer server, String procedure, String id, String title) {
        try {
            String document =
                    Files.readString(Path.of("..", "demo", "procedures", procedure + ".json"));
            String other =
                    document.replaceFirst(
                                    "\"id\" : \"" + procedure + "\"", "\"id\" : \"" + id + "\"")
                            .replaceFirst(
                                    "\"title\" : \"[^\"]*\"", "\"title\" : \"" + title + "\"");
            client(server, "Ilse Varga").post("/api/files", other);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static FloorClient client(RunningServer server, String who) throws IOException {
        return new FloorClient(server.url(""), who, Browser.password(who));
    }
}
