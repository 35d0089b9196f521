package orthopur.formats;

import java.util.List;
import orthopur.quantity.Hardness;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.roundpack.RoundPack.Instrument;

/** What the program knows of the site as a whole. */
public record Site(
        String name, String town, String zone, Mains mains, List<Instrument> instruments) {
    /** The drinking water that comes from the tap. */
    public record Mains(Temperature temperature, Hardness hardness, Ph ph) {}

    /**
     * @throws FormatError with every error by pointer
     */
    public static Site read(String text) {
        return Documents.bind("site", Json.tree(text), Site.class);
    }
}
