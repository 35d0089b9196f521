package orthopur.runthrough;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import orthopur.Nullable;
import orthopur.chemical.Chemical;
import orthopur.quantity.Hardness;
import orthopur.quantity.Strength;
import orthopur.rulebook.RuleBook;

/**
 * What a verdict depends on beside the procedure and the sheet. Given explicitly, so that the same
 * input always gives the same verdict.
 */
public final class Context {
    private final RuleBook book;
    private final Map<String, Chemical> chemicals;
    private final @Nullable Hardness hardness;

    /**
     * @param hardness of the mains; null where it was never measured
     */
    public Context(RuleBook book, List<Chemical> chemicals, @Nullable Hardness hardness) {
        this.book = book;
        this.chemicals =
                chemicals.stream()
                        .collect(Collectors.toUnmodifiableMap(Chemical::id, Function.identity()));
        this.hardness = hardness;
    }

    public RuleBook book() {
        return book;
    }

    public Map<String, Chemical> chemicals() {
        return chemicals;
    }

    public @Nullable Chemical chemical(@Nullable String id) {
        return id == null ? null : chemicals.get(id);
    }

    public @Nullable Hardness hardness() {
        return hardness;
    }

    /** Strength of a product's concentrate, where the sheet of the product gives one. */
    public @Nullable Strength stockOf(Chemical chemical) {
        return chemical.stock() == null ? null : chemical.stock().strength();
    }
}
