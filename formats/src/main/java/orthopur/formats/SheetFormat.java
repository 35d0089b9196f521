package orthopur.formats;

import java.util.List;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.machine.SheetCheck;
import tools.jackson.databind.JsonNode;

/** Machine sheets as JSON. */
public final class SheetFormat {
    private SheetFormat() {}

    /**
     * Reads a sheet and checks it.
     *
     * @throws FormatError with every error by pointer
     */
    public static MachineSheet read(String text) {
        JsonNode tree = Json.tree(text);
        MachineSheet sheet = Documents.bind("sheet", tree, MachineSheet.class);
        List<Problem> problems = SheetCheck.check(sheet);
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
        return sheet;
    }

    public static String write(MachineSheet sheet) {
        return Json.write(sheet);
    }
}
