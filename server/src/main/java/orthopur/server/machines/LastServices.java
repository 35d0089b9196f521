package orthopur.server.machines;

import java.util.Map;
import orthopur.procedure.Action;

/** What the log knows of earlier services; the floor answers. */
public interface LastServices {
    /** Which way each passage of the machine was flushed last, by the passage's id. */
    Map<String, Action.Flow> flows(String machine);
}
