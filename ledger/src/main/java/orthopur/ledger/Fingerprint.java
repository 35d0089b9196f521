package orthopur.ledger;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.HexFormat;
import org.jspecify.annotations.Nullable;
import org.sqlite.Function;

/**
 * SHA-256 over values as the database stores them. Each goes in with its type and its length, so
 * that no two rows have the same one because a value ended a letter later.
 */
public final class Fingerprint {
    /** What SQL calls it by. */
    static final String NAME = "fingerprint";

    private static final int INTEGER = 1;
    private static final int REAL = 2;
    private static final int TEXT = 3;
    private static final int BLOB = 4;

    private Fingerprint() {}

    /**
     * Of the values of a row, in order.
     *
     * @param values what JDBC reads from SQLite: whole numbers, real ones, text, bytes, null
     */
    static String of(@Nullable Object... values) {
        MessageDigest d = sha256();
        for (Object v : values) {
            switch (v) {
                case null -> d.update((byte) 'n');
                case Integer i ->
                        typed(d, 'i', Integer.toString(i).getBytes(StandardCharsets.UTF_8));
                case Long l -> typed(d, 'i', Long.toString(l).getBytes(StandardCharsets.UTF_8));
                case Double r ->
                        typed(d, 'r', ByteBuffer.allocate(Double.BYTES).putDouble(r).array());
                case byte[] b -> typed(d, 'b', b);
                default -> typed(d, 't', v.toString().getBytes(StandardCharsets.UTF_8));
            }
        }
        return HexFormat.of().formatHex(d.digest());
    }

    /** Of bytes alone, as photos are named. */
    static String ofBytes(byte[] bytes) {
        return HexFormat.of().formatHex(sha256().digest(bytes));
    }

    private static void typed(MessageDigest d, char type, byte[] bytes) {
        d.update((byte) type);
        d.update(ByteBuffer.allocate(Integer.BYTES).putInt(bytes.length).array());
        d.update(bytes);
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Gives a connection the function that the triggers of the ledger call. */
    public static void teach(Connection db) throws SQLException {
        Function.create(db, NAME, new OverArguments(), -1, Function.FLAG_DETERMINISTIC);
    }

    private static final class OverArguments extends Function {
        @Override
        protected void xFunc() throws SQLException {
            @Nullable Object[] values = new @Nullable Object[args()];
            for (int i = 0; i < values.length; i++) {
                values[i] =
                        switch (value_type(i)) {
                            case INTEGER -> (Object) value_long(i);
                            case REAL -> (Object) value_double(i);
                            case TEXT -> value_text(i);
                            case BLOB -> value_blob(i);
                            default -> null;
                        };
            }
            result(of(values));
        }
    }
}
