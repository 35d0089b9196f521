package orthopur.release;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Which sites are swabbed in which round: each once in so many rounds, the riskiest first, in an
 * order nobody can foresee without the seed.
 */
public final class SwabRota {
    private final List<String> order;
    private final int rounds;

    /** A site and how much is at stake there; more is riskier. */
    public record Site(String name, double risk) {}

    /**
     * @param rounds within which each site is seen once, from 1
     * @param seed that mixes sites of equal risk
     */
    public SwabRota(List<Site> sites, int rounds, long seed) {
        List<Integer> mixed = new ArrayList<>();
        for (int i = 0; i < sites.size(); i++) {
            mixed.add(i);
        }
        mixed.sort(
                Comparator.comparingDouble((Integer i) -> -sites.get(i).risk())
                        .thenComparingLong(i -> scattered(seed + i)));
        this.order = mixed.stream().map(i -> sites.get(i).name()).toList();
        this.rounds = rounds;
    }

    /** SplitMix64; the library's dice fall otherwise in a browser. */
    private static long scattered(long n) {
        long z = n * 0x9E3779B97F4A7C15L;
        z = (z ^ (z >>> 30)) * 0xBF58476D1CE4E5B9L;
        z = (z ^ (z >>> 27)) * 0x94D049BB133111EBL;
        return z ^ (z >>> 31);
    }

    /** How many are swabbed in a round. */
    public int perRound() {
        return (order.size() + rounds - 1) / rounds;
    }

    /**
     * The sites of one round. Once all have had their turn the places left go to the riskiest
     * again.
     *
     * @param round counted from 0; it begins anew after the last
     */
    public List<String> of(long round) {
        int first = (int) Math.floorMod(round, (long) rounds) * perRound();
        List<String> sites = new ArrayList<>();
        for (int k = 0; k < perRound(); k++) {
            sites.add(order.get((first + k) % order.size()));
        }
        return sites.stream().distinct().toList();
    }
}
