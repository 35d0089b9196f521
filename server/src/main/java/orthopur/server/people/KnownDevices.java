package orthopur.server.people;

/** Which devices are the site's own. */
public interface KnownDevices {
    /** Whether this is the secret of one of them. */
    boolean knows(String token);
}
