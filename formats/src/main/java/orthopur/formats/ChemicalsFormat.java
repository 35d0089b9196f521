package orthopur.formats;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.machine.Problem;

/** The site's chemicals as JSON: {@code {"chemicals": […]}}. */
public final class ChemicalsFormat {
    private ChemicalsFormat() {}

    private record Book(List<Chemical> chemicals) {}

    /**
     * @throws FormatError with every error by pointer
     */
    public static List<Chemical> read(String text) {
        JsonNode tree = Json.tree(text);
        List<Chemical> all = Documents.bind("chemicals", tree, Book.class).chemicals();
        List<Problem> problems = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < all.size(); i++) {
            if (!ids.add(all.get(i).id())) {
                problems.add(
                        new Problem(
                                "/chemicals/" + i + "/id",
                                "The id \"" + all.get(i).id() + "\" stands twice."));
            }
        }
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
        return all;
    }

    public static String write(List<Chemical> chemicals) {
        return Json.write(new Book(chemicals));
    }
}
