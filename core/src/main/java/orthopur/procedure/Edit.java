package orthopur.procedure;

import org.jspecify.annotations.Nullable;

/** A change to a procedure as data. {@code before} absent means at the end. */
public sealed interface Edit {
    record InsertBefore(@Nullable String before, Step step) implements Edit {}

    record Move(String id, @Nullable String before) implements Edit {}

    record Change(String id, Step step) implements Edit {}

    record Delete(String id) implements Edit {}
}
