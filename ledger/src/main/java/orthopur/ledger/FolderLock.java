package orthopur.ledger;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.Map;

/**
 * One writer a folder: two servers would each write a chain of their own into one log. The system
 * lets go of the lock when the process ends, however it ends.
 */
public final class FolderLock {
    /** Folders that this process works in; held until it ends. */
    private static final Map<Path, FileLock> HELD = new HashMap<>();

    private FolderLock() {}

    /**
     * @return whether the folder is this process's own now
     * @throws IOException when there can be no lock
     */
    public static synchronized boolean take(Path data) throws IOException {
        Path folder = data.toAbsolutePath().normalize();
        if (HELD.containsKey(folder)) {
            return true;
        }
        FileChannel channel =
                FileChannel.open(
                        folder.resolve("orthopur.lock"),
                        StandardOpenOption.CREATE,
                        StandardOpenOption.WRITE);
        FileLock lock = channel.tryLock();
        if (lock == null) {
            channel.close();
            return false;
        }
        HELD.put(folder, lock);
        return true;
    }
}
