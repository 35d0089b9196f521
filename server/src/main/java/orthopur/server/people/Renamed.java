package orthopur.server.people;

/** Somebody is called otherwise now; whoever keeps names in memory reads them anew. */
public record Renamed(long account) {}
