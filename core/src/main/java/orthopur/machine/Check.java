package orthopur.machine;

import orthopur.Nullable;

/** A check after assembly; with a range where it is measured. */
public record Check(
        String id,
        String name,
        String part,
        @Nullable Double least,
        @Nullable Double most,
        @Nullable String unit) {}
