package orthopur.server.people;

import java.io.Serializable;
import orthopur.round.Role;

/**
 * Someone who is signed in.
 *
 * @param epoch of the account when they did; it goes on when role, name, password or PIN change
 */
public record Person(long id, String name, Role role, int epoch) implements Serializable {}
