package orthopur.release;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

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
        List<Site> mixed = new ArrayList<>(sites);
        Collections.shuffle(mixed, new Random(seed));
        mixed.sort(Comparator.comparingDouble((Site s) -> -s.risk()));
        this.order = mixed.stream().map(Site::name).toList();
        this.rounds = rounds;
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
