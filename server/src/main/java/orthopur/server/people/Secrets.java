package orthopur.server.people;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/** What a password and a PIN have to be. */
final class Secrets {
    private static final int LEAST_PASSWORD = 8;

    /** What is longer is cut off unseen by the hash. */
    static final int MOST_PASSWORD = 72;

    private static final int PIN_DIGITS = 6;

    private Secrets() {}

    static void password(@Nullable String password, List<Text> wrong) {
        int letters = password == null ? 0 : password.length();
        if (letters < LEAST_PASSWORD || bytes(password) > MOST_PASSWORD) {
            wrong.add(
                    Text.of(
                            "accounts.password-letters",
                            "The password has {0} letters at least, and {1} at most; letters with marks count for two or more.",
                            LEAST_PASSWORD,
                            MOST_PASSWORD));
        }
    }

    static int bytes(@Nullable String secret) {
        return secret == null ? 0 : secret.getBytes(StandardCharsets.UTF_8).length;
    }

    static void pin(@Nullable String pin, List<Text> wrong) {
        if (pin == null || !pin.matches("[0-9]{" + PIN_DIGITS + "}")) {
            wrong.add(Text.of("accounts.the-pin-has-six-digits", "The PIN has six digits."));
        } else if (simple(pin)) {
            wrong.add(
                    Text.of(
                            "accounts.this-pin-is-guessed-first-not",
                            "This PIN is guessed first: not all digits alike, and not one after the other."));
        }
    }

    private static boolean simple(String pin) {
        int step = pin.charAt(1) - pin.charAt(0);
        for (int i = 1; i < pin.length(); i++) {
            if (pin.charAt(i) - pin.charAt(i - 1) != step) {
                return false;
            }
        }
        return Math.abs(step) <= 1;
    }
}
