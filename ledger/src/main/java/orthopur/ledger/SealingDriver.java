package orthopur.ledger;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Properties;
import org.jspecify.annotations.Nullable;
import org.sqlite.JDBC;

/** The driver of SQLite, whose connections can write to tables that the ledger seals. */
public final class SealingDriver extends JDBC {
    static {
        try {
            DriverManager.registerDriver(new SealingDriver());
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public @Nullable Connection connect(String url, Properties info) throws SQLException {
        Connection db = super.connect(url, info);
        if (db != null) {
            Fingerprint.teach(db);
        }
        return db;
    }
}
