package orthopur.solution;

import java.time.Duration;
import orthopur.chemical.ChemicalKind;
import orthopur.quantity.Temperature;
import orthopur.rulebook.RuleBook;

/**
 * How strong a concentrate still is, by how long and how warm it was kept. An estimate: the first
 * readings of fresh mixes come before it.
 */
public final class Aged {
    private static final double USUAL_CELSIUS = 20;

    private Aged() {}

    /**
     * Share of its strength when delivered, above 0 to 1. Only hypochlorite fades on the shelf;
     * colder than usual counts as usual, since nobody knows how long it stood on a truck.
     *
     * @param age since it was delivered; before that counts as new
     */
    public static double left(ChemicalKind kind, Duration age, Temperature kept, RuleBook book) {
        if (kind != ChemicalKind.CHLORINE || age.isNegative()) {
            return 1;
        }
        double weeks = age.toMillis() / (7 * 86_400_000.0);
        double warmer = Math.max(0, kept.celsius() - USUAL_CELSIUS);
        double faster = Math.pow(2, warmer / book.number("stock.fade.doubles"));
        double aWeek = book.number("stock.fade.chlorine") / 100;
        return Math.pow(1 - aWeek, weeks * faster);
    }
}
