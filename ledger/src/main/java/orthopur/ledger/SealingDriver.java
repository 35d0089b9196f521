package orthopur.ledger;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Properties;
import org.jspecify.annotations.Nullable;
import org.sqlite.JDBC;

/** The driver of SQLite, whose connections can write to tables that the ledger seals. */
public final class SealingDriver extends JDBC {
    @Override
    public @Nullable Connection connect(String url, Properties info) throws SQLException {
        Connection db = super.connect(url, info);
        if (db != null) {
            Fingerprint.teach(db);
        }
        return db;
    }
}
