package orthopur.runthrough;

/**
 * Which part of a sheet: what {@link SheetIndex} calls it during a run, so that nothing is looked
 * up by name and no part is taken for something else.
 *
 * @param at its place among the parts of the sheet, from 0
 */
public record PartAt(int at) {
    // Rules look these up at every step of every run: said out, it costs what the number alone
    // would.
    @Override
    public int hashCode() {
        return at;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof PartAt o && o.at == at;
    }
}
