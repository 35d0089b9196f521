package orthopur.server.platform;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * The last things that were made, each kept by all that it was made from: the same gives the same,
 * so nothing has to be forgotten when something changes, nor within a transaction that does not
 * hold in the end.
 *
 * @param <F> what it is made from, compared by value
 * @param <T> what is made; shared by everybody, so it never changes
 */
public final class Memo<F, T> {
    private final int most;
    private final Map<F, T> kept;

    /**
     * @param most how many are kept; then the one that nobody asked for longest goes
     */
    public Memo(int most) {
        this.most = most;
        this.kept =
                new LinkedHashMap<>(16, 0.75f, true) {
                    @Override
                    protected boolean removeEldestEntry(Map.Entry<F, T> eldest) {
                        return size() > Memo.this.most;
                    }
                };
    }

    /** The one that is known, or a new one. Two who ask at once may both make it. */
    public T of(F from, Function<F, T> make) {
        synchronized (kept) {
            T known = kept.get(from);
            if (known != null) {
                return known;
            }
        }
        T made = make.apply(from);
        synchronized (kept) {
            kept.put(from, made);
        }
        return made;
    }
}
