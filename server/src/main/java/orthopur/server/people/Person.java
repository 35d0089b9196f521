package orthopur.server.people;

import java.io.Serializable;
import orthopur.round.Role;

/** Someone who is signed in. */
public record Person(long id, String name, Role role) implements Serializable {}
