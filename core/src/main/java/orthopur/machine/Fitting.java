package orthopur.machine;

/** A rail, hose, adapter or cap that is on only for cleaning; counted like a part. */
public record Fitting(String id, String name, int count) {}
