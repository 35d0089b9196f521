package orthopur.server.platform;

import com.zaxxer.hikari.SQLExceptionOverride;
import java.sql.SQLException;
import org.sqlite.SQLiteException;

/**
 * Throws away a connection on which SQLite has given a transaction up by itself, as it does when
 * the disk is full: the driver goes on as if one were open, and everything after it would fail
 * until the next start.
 */
public final class BrokenConnections implements SQLExceptionOverride {
    @java.lang.Override
    public Override adjudicate(SQLException e) {
        if (!(e instanceof SQLiteException s)) {
            return Override.CONTINUE_EVICT;
        }
        return switch (s.getResultCode().code & 0xff) {
            // NOMEM, READONLY, IOERR, CORRUPT, FULL, CANTOPEN
            case 7, 8, 10, 11, 13, 14 -> Override.MUST_EVICT;
            case 1 ->
                    String.valueOf(s.getMessage()).contains("no transaction is active")
                            ? Override.MUST_EVICT
                            : Override.CONTINUE_EVICT;
            default -> Override.CONTINUE_EVICT;
        };
    }
}
