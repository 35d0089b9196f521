package orthopur.formats;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.Label;
import orthopur.machine.Problem;
import orthopur.quantity.Dosage;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The site's chemicals as JSON: {@code {"chemicals": […]}}. */
public final class ChemicalsFormat {
    private ChemicalsFormat() {}

    private record Book(@Nullable List<Chemical> chemicals) {}

    /**
     * @throws FormatError with every error by pointer
     */
    public static List<Chemical> read(String text) {
        JsonNode tree = Json.tree(text);
        List<Chemical> listed = Documents.bind("chemicals", tree, Book.class).chemicals();
        // A site on its first day owns none.
        List<Chemical> all = listed == null ? List.of() : listed;
        List<Problem> problems = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        Set<String> names = new HashSet<>();
        for (int i = 0; i < all.size(); i++) {
            String at = "/chemicals/" + i;
            Chemical c = all.get(i);
            if (!ids.add(c.id())) {
                problems.add(
                        new Problem(
                                at + "/id",
                                Text.of(
                                        "chemicals-format.the-id-stands-twice",
                                        "The id \"{0}\" stands twice.",
                                        c.id())));
            }
            // Two cans of one name cannot be told apart on the shelf, whatever their ids are.
            if (!names.add(c.name().strip().toLowerCase(Locale.ROOT))) {
                problems.add(
                        new Problem(
                                at + "/name",
                                Text.of(
                                        "chemicals-format.another-product-is-called-already",
                                        "Another product is called \"{0}\" already.",
                                        c.name())));
            }
            label(c, at + "/label", problems);
        }
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
        return all;
    }

    private static void label(Chemical c, String at, List<Problem> problems) {
        Label l = c.label();
        Dosage weakest = l.least();
        Dosage strongest = l.most();
        boolean turned =
                switch (weakest) {
                    case Strength least when strongest instanceof Strength most ->
                            least.mgPerL() > most.mgPerL();
                    case Share least when strongest instanceof Share most ->
                            least.percent() > most.percent();
                    case null, default -> false;
                };
        if (turned && weakest != null && strongest != null) {
            problems.add(
                    new Problem(
                            at + "/most",
                            Text.of(
                                    "chemicals-format.the-strongest-use-solution-is-weaker",
                                    "The strongest use solution, {0}, is weaker than the weakest, {1}.",
                                    strongest.shown(),
                                    weakest.shown())));
        }
        if (l.leastTemperature() != null
                && l.highestTemperature() != null
                && l.leastTemperature().compareTo(l.highestTemperature()) > 0) {
            problems.add(
                    new Problem(
                            at + "/highestTemperature",
                            Text.of(
                                    "chemicals-format.the-highest-temperature-is-below-the",
                                    "The highest temperature, {0}, is below the least, {1}.",
                                    l.highestTemperature().shown(),
                                    l.leastTemperature().shown())));
        }
    }

    /**
     * The list with one product, given as its own document, in place of the one of the same id or
     * behind the others.
     *
     * @throws FormatError with every error by a pointer into that document
     */
    public static List<Chemical> with(List<Chemical> all, String product) {
        JsonNode tree = Json.tree(product);
        String id = idOf(product);
        List<Chemical> others = all.stream().filter(c -> !c.id().equals(id)).toList();
        ObjectNode whole = (ObjectNode) Json.tree(write(others));
        whole.withArray("chemicals").add(tree);
        String at = "/chemicals/" + others.size();
        try {
            List<Chemical> read = new ArrayList<>(read(whole.toString()));
            Chemical changed = read.removeLast();
            int place = all.stream().map(Chemical::id).toList().indexOf(id);
            read.add(place < 0 ? read.size() : place, changed);
            return List.copyOf(read);
        } catch (FormatError e) {
            throw new FormatError(
                    e.problems().stream()
                            .map(
                                    p ->
                                            new Problem(
                                                    p.pointer().startsWith(at)
                                                            ? p.pointer().substring(at.length())
                                                            : p.pointer(),
                                                    p.said()))
                            .toList());
        }
    }

    /** The id that a product's document gives, or nothing. */
    public static String idOf(String product) {
        return Json.tree(product).path("id").asString();
    }

    /** One product as a document of its own. */
    public static String one(Chemical chemical) {
        return Json.write(chemical);
    }

    public static String write(List<Chemical> chemicals) {
        return Json.write(new Book(chemicals));
    }
}
