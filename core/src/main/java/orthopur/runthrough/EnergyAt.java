package orthopur.runthrough;

/**
 * Which energy of a sheet: what {@link SheetIndex} calls it during a run, so that nothing is looked
 * up by name and no energy is taken for something else.
 *
 * @param at its place among the energies of the sheet, from 0
 */
public record EnergyAt(int at) {
    // Rules look these up at every step of every run: said out, it costs what the number alone
    // would.
    @Override
    public int hashCode() {
        return at;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof EnergyAt o && o.at == at;
    }
}
