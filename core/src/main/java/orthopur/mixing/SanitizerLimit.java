package orthopur.mixing;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Label;
import orthopur.quantity.Hardness;
import orthopur.quantity.Ph;
import orthopur.quantity.Share;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/**
 * Judges a chemical sanitizer: strength, temperature, pH, hardness and contact against the rule
 * book and the label, the stricter one counting. Sources: Food Code 2022 4-501.114 and 4-703.11(C),
 * 40 CFR 180.940(a). What is not stated is never counted as met: it is listed as missing.
 */
public final class SanitizerLimit {
    private final RuleBook book;

    public SanitizerLimit(RuleBook book) {
        this.book = book;
    }

    /**
     * What is known of a use solution.
     *
     * @param rinseAfter whether a drinking-water rinse follows; lifts the no-rinse ceiling only
     *     where the label directs it
     */
    public record Use(
            ChemicalKind kind,
            Label label,
            @Nullable Strength strength,
            @Nullable Temperature temperature,
            @Nullable Ph ph,
            @Nullable Hardness hardness,
            boolean rinseAfter) {}

    /** Enough, not enough, too strong, or not decidable. */
    public enum Verdict {
        ENOUGH,
        NOT_ENOUGH,
        TOO_STRONG,
        UNDECIDED
    }

    /**
     * @param missing what would have to be known, in plain words
     * @param refusal why nothing at all is permitted under these conditions, for instance pH above
     *     10
     * @param least weakest permitted strength at this temperature; null where none is
     * @param leastTemperature coldest permitted temperature at this strength; null where none is
     * @param leastTemperatureAtLowPh the same if the pH were brought down to the narrow column;
     *     null where that changes nothing
     */
    public record Answer(
            Verdict verdict,
            List<Text> missing,
            @Nullable Text refusal,
            @Nullable Strength least,
            @Nullable Strength ceiling,
            @Nullable Temperature leastTemperature,
            @Nullable Temperature leastTemperatureAtLowPh,
            Duration contact,
            Text row,
            String source) {}

    /** The whole judgement of one use solution. */
    public Answer judge(Use use) {
        if (!use.kind().sanitizes()) {
            throw new IllegalArgumentException(use.kind().shown() + " does not sanitize.");
        }
        List<Text> missing = missing(use);
        @Nullable Text refusal = refusal(use);
        List<Band> bands = refusal == null ? bands(use) : List.of();
        Strength least = use.temperature() == null ? null : least(bands, use.temperature());
        Strength ceiling = bands.isEmpty() ? null : bands.getFirst().most();
        Temperature coldest = use.strength() == null ? null : coldest(bands, use.strength());
        Verdict verdict;
        if (refusal != null) {
            verdict = Verdict.NOT_ENOUGH;
        } else if (use.strength() != null
                && ceiling != null
                && use.strength().compareTo(ceiling) > 0) {
            verdict = Verdict.TOO_STRONG;
        } else if (!missing.isEmpty() || use.strength() == null || use.temperature() == null) {
            verdict = Verdict.UNDECIDED;
        } else {
            boolean enough = least != null && use.strength().compareTo(least) >= 0;
            verdict = enough ? Verdict.ENOUGH : Verdict.NOT_ENOUGH;
        }
        Band row = use.temperature() == null ? null : row(bands, use.temperature());
        return new Answer(
                verdict,
                missing,
                refusal,
                least,
                ceiling,
                coldest,
                coldestAtLowPh(use, coldest),
                contact(use),
                row == null ? Text.of("limit.no-row", "no row") : row.row(),
                row == null ? defaultSource(use.kind()) : row.source());
    }

    /**
     * The permitted strengths by temperature at this pH and hardness, coldest first. Empty where
     * nothing is permitted or the label gives no strength and the book none either.
     */
    public List<Band> bands(Use use) {
        if (refusal(use) != null) {
            return List.of();
        }
        List<Band> rows =
                switch (use.kind()) {
                    case CHLORINE -> chlorine(use);
                    case IODINE ->
                            single(
                                    use,
                                    book.temperature("iodine.least-temperature"),
                                    book.strength("iodine.least-strength"),
                                    Text.of("limit.iodine", "iodine"),
                                    book.figure("iodine.least-strength").source());
                    case QUAT ->
                            single(
                                    use,
                                    book.temperature("quat.least-temperature"),
                                    null,
                                    Text.of("limit.quat", "quat, by its label"),
                                    book.figure("quat.least-temperature").source());
                    case PAA ->
                            single(
                                    use,
                                    null,
                                    null,
                                    Text.of("limit.paa", "peroxyacetic acid, by its label"),
                                    "label");
                    default -> List.<Band>of();
                };
        return rows.stream().sorted(Comparator.comparing(Band::from)).toList();
    }

    /** The least wet contact: the book's, or the label's where that is longer. */
    public Duration contact(Use use) {
        Duration code =
                use.kind() == ChemicalKind.CHLORINE
                        ? book.duration(
                                shortContact(use) ? "chlorine.contact.short" : "chlorine.contact")
                        : book.duration("contact.other");
        Duration label = use.label().contact();
        return label != null && label.compareTo(code) > 0 ? label : code;
    }

    private List<Band> chlorine(Use use) {
        String column = column(use.ph());
        List<Band> rows = new ArrayList<>();
        for (int i = 1; i <= 3; i++) {
            String id = "chlorine.row-" + i;
            Strength least =
                    stronger(book.strength(id + ".least-strength"), labelLeast(use.label()));
            Temperature from =
                    warmer(book.temperature(id + ".least-temperature." + column), use.label());
            Text row =
                    Text.of(
                            "limit.chlorine-row",
                            "chlorine row from {0}",
                            book.strength(id + ".least-strength").shown());
            rows.add(
                    new Band(
                            from,
                            least,
                            most(use),
                            row,
                            book.figure(id + ".least-strength").source()));
        }
        return rows;
    }

    private List<Band> single(
            Use use,
            @Nullable Temperature from,
            @Nullable Strength least,
            Text row,
            String source) {
        Strength byLabel = labelLeast(use.label());
        Temperature labelTemperature = use.label().leastTemperature();
        Temperature coldest = from == null ? labelTemperature : warmer(from, use.label());
        Strength weakest = least == null ? byLabel : stronger(least, byLabel);
        if (weakest == null || coldest == null) {
            return List.of();
        }
        return List.of(new Band(coldest, weakest, most(use), row, source));
    }

    private Strength most(Use use) {
        Strength code =
                book.strength(
                        switch (use.kind()) {
                            case CHLORINE -> "chlorine.ceiling";
                            case IODINE -> "iodine.ceiling";
                            case QUAT -> "quat.ceiling";
                            default -> "paa.ceiling";
                        });
        Strength label = use.label().most() instanceof Strength s ? s : null;
        if (label == null) {
            return code;
        }
        if (use.label().rinseDirected() && use.rinseAfter()) {
            return label;
        }
        return label.compareTo(code) < 0 ? label : code;
    }

    private List<Text> missing(Use use) {
        List<Text> missing = new ArrayList<>();
        if (use.strength() == null) {
            missing.add(Text.of("limit.missing-strength", "the strength in mg/L"));
        }
        if (use.temperature() == null) {
            missing.add(Text.of("limit.missing-temperature", "the temperature"));
        }
        boolean needsPh = use.kind() == ChemicalKind.CHLORINE || use.kind() == ChemicalKind.IODINE;
        if (needsPh && use.ph() == null) {
            missing.add(Text.of("limit.missing-ph", "the pH"));
        }
        if (use.kind() == ChemicalKind.QUAT && use.hardness() == null) {
            missing.add(Text.of("limit.missing-hardness", "the hardness of the water"));
        }
        boolean byLabel = use.kind() == ChemicalKind.QUAT || use.kind() == ChemicalKind.PAA;
        if (byLabel && labelLeast(use.label()) == null) {
            missing.add(Text.of("limit.missing-label-strength", "the strength its label asks for"));
        }
        if (use.kind() == ChemicalKind.PAA && use.label().leastTemperature() == null) {
            missing.add(
                    Text.of(
                            "limit.missing-label-temperature",
                            "the temperature its label asks for"));
        }
        return missing;
    }

    private @Nullable Text refusal(Use use) {
        Ph ph = use.ph();
        Ph byLabel = use.label().highestPh();
        if (use.kind() == ChemicalKind.CHLORINE && ph != null) {
            double most = book.number("chlorine.ph.wide");
            if (byLabel != null && byLabel.value() < most) {
                most = byLabel.value();
            }
            if (ph.value() > most) {
                return Text.of(
                        "limit.chlorine-ph",
                        "chlorine is not permitted above pH {0}",
                        Show.number(most));
            }
        }
        if (use.kind() == ChemicalKind.IODINE && ph != null) {
            double most = byLabel != null ? byLabel.value() : book.number("iodine.ph");
            if (ph.value() > most) {
                return Text.of(
                        "limit.iodine-ph",
                        "iodine is not permitted above pH {0}",
                        Show.number(most));
            }
        }
        Hardness water = use.hardness();
        if (use.kind() == ChemicalKind.QUAT && water != null) {
            Hardness label = use.label().hardestWater();
            double most = label != null ? label.mgPerL() : book.hardness("quat.hardness").mgPerL();
            if (water.mgPerL() > most) {
                return Text.of(
                        "limit.quat-hardness",
                        "this quat is not permitted in water harder than {0} mg/L",
                        Show.number(most));
            }
        }
        return null;
    }

    private @Nullable Temperature coldestAtLowPh(Use use, @Nullable Temperature now) {
        if (use.kind() != ChemicalKind.CHLORINE || use.ph() == null || use.strength() == null) {
            return null;
        }
        double narrow = book.number("chlorine.ph.narrow");
        if (use.ph().value() <= narrow) {
            return null;
        }
        Use lower =
                new Use(
                        use.kind(),
                        use.label(),
                        use.strength(),
                        use.temperature(),
                        new Ph(narrow),
                        use.hardness(),
                        use.rinseAfter());
        Temperature coldest = coldest(bands(lower), use.strength());
        return coldest == null || coldest.equals(now) ? null : coldest;
    }

    private boolean shortContact(Use use) {
        Strength s = use.strength();
        if (s == null
                || use.temperature() == null
                || use.ph() == null
                || s.compareTo(book.strength("chlorine.row-2.least-strength")) < 0
                || s.compareTo(book.strength("chlorine.row-3.least-strength")) >= 0
                || use.ph().value() > book.number("chlorine.ph.wide")) {
            return false;
        }
        return use.temperature()
                .atLeast(book.temperature("chlorine.row-2.least-temperature." + column(use.ph())));
    }

    /** Without a pH the wide column: it never asks for less than the narrow one. */
    private String column(@Nullable Ph ph) {
        boolean narrow = ph != null && ph.value() <= book.number("chlorine.ph.narrow");
        return narrow ? "ph-8" : "ph-10";
    }

    /** The weakest strength that is enough at this temperature, or null where none is. */
    public static @Nullable Strength least(List<Band> bands, Temperature at) {
        Band row = row(bands, at);
        return row == null ? null : row.least();
    }

    private static @Nullable Band row(List<Band> bands, Temperature at) {
        Band best = null;
        for (Band b : bands) {
            if (at.atLeast(b.from()) && (best == null || b.least().compareTo(best.least()) < 0)) {
                best = b;
            }
        }
        return best;
    }

    private static @Nullable Temperature coldest(List<Band> bands, Strength strength) {
        return bands.stream()
                .filter(b -> strength.compareTo(b.least()) >= 0)
                .map(Band::from)
                .min(Comparator.naturalOrder())
                .orElse(null);
    }

    private static @Nullable Strength labelLeast(Label label) {
        return label.least() instanceof Strength s ? s : null;
    }

    private static Strength stronger(Strength a, @Nullable Strength b) {
        return b != null && b.compareTo(a) > 0 ? b : a;
    }

    private static Temperature warmer(Temperature a, Label label) {
        Temperature b = label.leastTemperature();
        return b != null && b.compareTo(a) > 0 ? b : a;
    }

    private String defaultSource(ChemicalKind kind) {
        return switch (kind) {
            case CHLORINE -> book.figure("chlorine.row-1.least-strength").source();
            case IODINE -> book.figure("iodine.least-strength").source();
            case QUAT -> book.figure("quat.least-temperature").source();
            default -> "label";
        };
    }

    /** Whether a dosage is one that {@link #judge} can compare: an active strength, not a share. */
    public static @Nullable Strength active(orthopur.quantity.@Nullable Dosage dosage) {
        return switch (dosage) {
            case Strength s -> s;
            case Share ignored -> null;
            case null -> null;
        };
    }
}
