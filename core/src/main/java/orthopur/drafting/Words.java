package orthopur.drafting;

import java.util.List;
import java.util.Locale;
import orthopur.machine.Check;
import orthopur.machine.Energy;
import orthopur.machine.Fitting;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.machine.Surface;
import orthopur.machine.WarmUp;
import orthopur.procedure.Solution;
import orthopur.quantity.Show;
import orthopur.runthrough.SheetIndex;

/**
 * The sentences of a draft: one act each, the things by their names on the sheet behind a colon, so
 * that they read the same in any sentence.
 */
final class Words {
    private static final int NAMED = 6;
    private static final List<String> HOLLOW =
            List.of("sink", "bath", "tub", "tray", "bag", "bucket", "box", "crate");

    private Words() {}

    /** Names with commas in them stay apart by semicolons. */
    private static String list(List<String> names) {
        List<String> all = names.stream().map(SheetIndex::spoken).distinct().toList();
        // More than a handful is read off the picture; the first few name the place.
        return all.size() <= NAMED
                ? String.join("; ", all)
                : String.join("; ", all.subList(0, NAMED - 1))
                        + "; and "
                        + (all.size() - NAMED + 1)
                        + " more, lit in the picture";
    }

    static String parts(List<Part> parts) {
        return String.join("; ", parts.stream().map(p -> pieces(p.count(), p.name())).toList());
    }

    static String fittings(List<Fitting> fittings) {
        return String.join("; ", fittings.stream().map(f -> pieces(f.count(), f.name())).toList());
    }

    /** "10 × piston", "pusher" */
    private static String pieces(int count, String name) {
        return (count == 1 ? "" : count + " × ") + SheetIndex.spoken(name);
    }

    static String part(Part part) {
        return parts(List.of(part));
    }

    /** Pieces, for "it" and "them". */
    static String them(List<Part> parts) {
        return parts.stream().mapToInt(Part::count).sum() == 1 ? "it" : "them";
    }

    /** ". Tell whoever starts it: warm up 20 minutes, to 230 °C. Throw away the first breads" */
    static String warmUp(MachineSheet sheet) {
        WarmUp w = sheet.warmUp();
        if (w == null) {
            return "";
        }
        return ". Tell whoever starts it: warm up "
                + w.shown()
                + (w.discard() == null ? "" : ". " + w.discard());
    }

    /** "in sink 1", "on the parts cart" */
    static String place(String place) {
        String p = place.toLowerCase(Locale.ROOT);
        boolean numbered = !p.isEmpty() && Character.isDigit(p.charAt(p.length() - 1));
        return (HOLLOW.stream().anyMatch(p::contains) ? "in " : "on ")
                + (numbered ? "" : "the ")
                + SheetIndex.spoken(place);
    }

    /** What is checked, with its range. */
    static String checks(List<Check> checks) {
        return String.join(
                "; ",
                checks.stream()
                        .map(
                                c ->
                                        c.name()
                                                + (c.least() == null || c.most() == null
                                                        ? ""
                                                        : ": "
                                                                + Show.number(c.least())
                                                                + " to "
                                                                + Show.number(c.most())
                                                                + " "
                                                                + c.unit()))
                        .toList());
    }

    static String surfaces(List<Surface> surfaces) {
        return list(surfaces.stream().map(Surface::name).toList());
    }

    static String passages(List<Passage> passages) {
        return list(passages.stream().map(Passage::name).toList());
    }

    static String energies(List<Energy> energies) {
        return list(energies.stream().map(Energy::name).toList());
    }

    /** "Sudmere N at 1 %, 45 °C" */
    static String solution(String product, Solution s) {
        return product
                + (s.strength() == null ? "" : " at " + s.strength().shown())
                + (s.temperature() == null ? "" : ", " + s.temperature().shown());
    }

    /** Begins with a capital and ends with a full stop. */
    static String sentence(String text) {
        String t = text.strip();
        return Character.toUpperCase(t.charAt(0))
                + t.substring(1)
                + (t.endsWith(".") || t.endsWith("?") ? "" : ".");
    }
}
