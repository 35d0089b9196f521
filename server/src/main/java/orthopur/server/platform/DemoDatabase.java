package orthopur.server.platform;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** The database of the demo site as the build made it: copied at a start instead of made anew. */
public final class DemoDatabase {
    private static final String MADE = "/demo/orthopur.db";
    private static final String WITH_ITS_PAST = "/demo/nights/orthopur.db";

    private DemoDatabase() {}

    /**
     * Puts it in place, whole or not at all. Where the build made none, the site is filled in after
     * the start.
     *
     * @param database the file, which must not be there yet
     */
    public static void copyTo(Path database) throws IOException {
        copy(MADE, database);
    }

    /**
     * The same with ninety nights behind it.
     *
     * @return false where the build made none
     */
    public static boolean copyWithItsPastTo(Path database) throws IOException {
        return copy(WITH_ITS_PAST, database);
    }

    private static boolean copy(String which, Path database) throws IOException {
        try (InputStream made = DemoDatabase.class.getResourceAsStream(which)) {
            if (made == null) {
                return false;
            }
            Path half = database.resolveSibling("orthopur.db.half");
            Files.copy(made, half, StandardCopyOption.REPLACE_EXISTING);
            Files.move(half, database, StandardCopyOption.ATOMIC_MOVE);
            return true;
        }
    }
}
