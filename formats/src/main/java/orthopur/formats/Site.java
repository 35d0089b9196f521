package orthopur.formats;

import java.util.List;
import orthopur.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.Vessel;
import orthopur.quantity.Hardness;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.roundpack.RoundPack.Instrument;
import orthopur.rulebook.RuleBook;
import orthopur.runthrough.Context;

/** What the program knows of the site as a whole. */
public record Site(
        String name,
        String town,
        String zone,
        Mains mains,
        List<Instrument> instruments,
        @Nullable List<Vessel> vessels) {

    /** What every verdict on this site depends on beside sheet and procedure. */
    public Context context(RuleBook book, List<Chemical> chemicals) {
        return new Context(book, chemicals, mains.hardness())
                .withVessels(vessels == null ? List.of() : vessels);
    }

    /** The drinking water that comes from the tap. */
    public record Mains(Temperature temperature, Hardness hardness, Ph ph) {}

    /**
     * @throws FormatError with every error by pointer
     */
    public static Site read(String text) {
        return Documents.bind("site", Json.tree(text), Site.class);
    }
}
