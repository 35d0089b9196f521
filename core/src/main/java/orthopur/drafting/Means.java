package orthopur.drafting;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Label;
import orthopur.instrument.Instrument;
import orthopur.instrument.Measures;
import orthopur.machine.SiteFit;
import orthopur.machine.Surface;
import orthopur.machine.Vessel;
import orthopur.mixing.SanitizerLimit;
import orthopur.procedure.Schools;
import orthopur.procedure.Solution;
import orthopur.quantity.Dosage;
import orthopur.quantity.Ph;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.Context;

/** Which product of the site goes onto which surface, how strong and how warm. */
final class Means {
    private static final Volume BUCKET = new Volume(10);
    private static final double USUAL_WASH = 45;
    private static final double[] WARMTH = {20, 24, 25, 30, 35, 38, 40, 43};
    private static final List<ChemicalKind> WASHERS =
            List.of(
                    ChemicalKind.NEUTRAL_DETERGENT,
                    ChemicalKind.ALKALINE_DETERGENT,
                    ChemicalKind.DEGREASER,
                    ChemicalKind.CHLORINATED_ALKALINE);

    private static final List<ChemicalKind> LISTED =
            List.of(ChemicalKind.CHLORINE, ChemicalKind.PAA);

    private final Context context;
    private final Schools schools;
    private final List<Chemical> detergents;
    private final List<Chemical> sanitizers;

    /**
     * @param organic on such a line only what its list permits may stay without a rinse
     */
    Means(Context context, Schools schools, boolean organic) {
        this.context = context;
        this.schools = schools;
        this.detergents =
                sorted(
                        context.chemicals().values().stream()
                                .filter(c -> WASHERS.contains(c.kind()))
                                .toList(),
                        Comparator.<Chemical>comparingInt(c -> c.label().contact() == null ? 0 : 1)
                                .thenComparingInt(c -> WASHERS.indexOf(c.kind())));
        this.sanitizers =
                sorted(
                        context.chemicals().values().stream()
                                .filter(c -> c.kind().sanitizes() && registered(c))
                                .filter(
                                        c ->
                                                !organic
                                                        || schools.rinseAfterSanitizer()
                                                        || LISTED.contains(c.kind()))
                                .toList(),
                        Comparator.comparing(Chemical::kind));
    }

    /** In an order that does not depend on how a map is laid out. */
    private static List<Chemical> sorted(List<Chemical> all, Comparator<Chemical> by) {
        return all.stream().sorted(by.thenComparing(Chemical::id)).toList();
    }

    private static boolean registered(Chemical c) {
        return c.registration() != null
                && c.uses().stream().anyMatch(u -> u.contains("food-contact"));
    }

    /** A solution and how long it stays wet; no time for a wash. */
    record Use(Chemical chemical, Solution solution, @Nullable Duration contact) {}

    /** The wash of a surface, or null where the site owns none that it bears. */
    @Nullable Use wash(Surface s) {
        for (Chemical c : detergents) {
            Solution x = SiteFit.excludes(s, c) == null ? washing(s, c) : null;
            if (x != null) {
                return new Use(c, x, null);
            }
        }
        return null;
    }

    /** An acid that all of these bear, as its label doses it; null where the site owns none. */
    @Nullable Use acid(List<Surface> some) {
        return sorted(
                        context.chemicals().values().stream()
                                .filter(c -> c.kind() == ChemicalKind.ACID)
                                .toList(),
                        Comparator.comparing(Chemical::id))
                .stream()
                .filter(c -> some.stream().allMatch(s -> SiteFit.excludes(s, c) == null))
                .map(c -> use(c, some))
                .flatMap(Optional::stream)
                .findFirst()
                .orElse(null);
    }

    private Optional<Use> use(Chemical c, List<Surface> some) {
        return some.isEmpty()
                ? Optional.empty()
                : Optional.ofNullable(washing(some.getFirst(), c)).map(x -> new Use(c, x, null));
    }

    private @Nullable Solution washing(Surface s, Chemical c) {
        Temperature least =
                c.label().leastTemperature() == null
                        ? context.book().temperature("wash.hand.least")
                        : c.label().leastTemperature();
        double most = 60;
        for (Temperature t : new Temperature[] {s.highest(), c.label().highestTemperature()}) {
            most = t == null ? most : Math.min(most, t.celsius());
        }
        if (most < least.celsius()) {
            return null;
        }
        double warm = Math.max(least.celsius(), Math.min(USUAL_WASH, most));
        return new Solution(c.id(), dose(c), new Temperature(warm), null, BUCKET);
    }

    private static Dosage dose(Chemical c) {
        if (c.label().least() instanceof Share low) {
            double high = c.label().most() instanceof Share h ? h.percent() : low.percent() * 2;
            return new Share(Math.min(high, Math.max(low.percent(), 1)));
        }
        return c.label().least() != null ? c.label().least() : new Share(1);
    }

    /** The sanitizer of a surface, or null where the site owns none that it bears. */
    @Nullable Use sanitizer(Surface s) {
        for (Chemical c : sanitizers) {
            Use use = SiteFit.excludes(s, c) == null ? sanitizing(s, c) : null;
            if (use != null) {
                return use;
            }
        }
        return null;
    }

    private @Nullable Use sanitizing(Surface s, Chemical c) {
        if (s.use() != null) {
            return besideFood(c, c.label().other(s.use()));
        }
        SanitizerLimit limit = new SanitizerLimit(context.book());
        Ph ph = new Ph(c.kind() == ChemicalKind.IODINE ? 4.5 : 7.5);
        for (double warm : WARMTH) {
            Temperature t = new Temperature(warm);
            boolean bears =
                    (s.highest() == null || t.compareTo(s.highest()) <= 0)
                            && (c.label().highestTemperature() == null
                                    || t.compareTo(c.label().highestTemperature()) <= 0)
                            && (c.label().leastTemperature() == null
                                    || t.atLeast(c.label().leastTemperature()));
            for (Strength strength : bears ? strengths(c) : List.<Strength>of()) {
                SanitizerLimit.Use use =
                        new SanitizerLimit.Use(
                                c.kind(),
                                c.label(),
                                strength,
                                t,
                                ph,
                                context.hardness(),
                                schools.rinseAfterSanitizer());
                if (limit.judge(use).verdict() == SanitizerLimit.Verdict.ENOUGH) {
                    return new Use(
                            c, new Solution(c.id(), strength, t, ph, BUCKET), limit.contact(use));
                }
            }
        }
        return null;
    }

    /** As the label directs for what touches no food, in the middle of what it allows. */
    private static @Nullable Use besideFood(Chemical c, Label.@Nullable OtherUse on) {
        if (on == null) {
            return null;
        }
        Dosage dose =
                on.least() instanceof Strength low && on.most() instanceof Strength high
                        ? new Strength((low.mgPerL() + high.mgPerL()) / 2)
                        : on.least();
        return new Use(
                c,
                new Solution(c.id(), dose, new Temperature(25), null, BUCKET),
                on.contact() == null ? Duration.ofSeconds(60) : on.contact());
    }

    /** From the middle of what the label allows outwards: there a reading may err both ways. */
    private static List<Strength> strengths(Chemical c) {
        if (!(c.label().least() instanceof Strength low)) {
            return c.label().most() instanceof Strength only
                    ? List.of(new Strength(Math.min(100, only.mgPerL())))
                    : List.of();
        }
        double high = c.label().most() instanceof Strength h ? h.mgPerL() : low.mgPerL() * 2;
        double middle = (low.mgPerL() + high) / 2;
        double round = middle > 50 ? Math.round(middle / 5) * 5 : middle;
        return List.of(new Strength(round), new Strength(high), low);
    }

    /** Surfaces that get the same, in the order in which they are named. */
    static <K> Map<K, List<Surface>> grouped(
            List<Surface> surfaces, java.util.function.Function<Surface, K> by) {
        Map<K, List<Surface>> groups = new LinkedHashMap<>();
        surfaces.forEach(s -> groups.computeIfAbsent(by.apply(s), k -> new ArrayList<>()).add(s));
        return groups;
    }

    Volume made() {
        return BUCKET;
    }

    /** Of so much what can be carried in it: three quarters of what goes in to the brim. */
    static Volume inside(Vessel v, Volume wanted) {
        return new Volume(Math.min(wanted.litres(), Math.floor(v.brim().litres() * 3 / 4)));
    }

    /** What reads its strength, its pH and its temperature; something finer before a strip. */
    List<String> read(Chemical c) {
        List<Instrument> all = context.instruments();
        if (all == null) {
            return List.of();
        }
        return Stream.of(
                        all.stream()
                                .filter(i -> i.readsStrength() && i.reads(c.kind()))
                                .sorted(Comparator.comparing(i -> !i.steps().isEmpty())),
                        all.stream().filter(i -> i.measures() == Measures.PH),
                        all.stream().filter(i -> i.measures() == Measures.TEMPERATURE))
                .flatMap(some -> some.findFirst().stream())
                .map(Instrument::name)
                .toList();
    }
}
