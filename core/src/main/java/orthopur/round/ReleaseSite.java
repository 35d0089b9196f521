package orthopur.round;

import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/**
 * One thing to find.
 *
 * @param id stable: the surface's id for a swab
 * @param least,most what passes, both included; null for a look
 * @param failAbove above this it fails; between is a caution, which is not a pass
 * @param why where the limit comes from
 */
public record ReleaseSite(
        String id,
        Kind kind,
        Text name,
        @Nullable Double least,
        @Nullable Double most,
        @Nullable Double failAbove,
        @Nullable String unit,
        Text why) {

    /** The look that every release has. */
    public static final String SIGHT = "sight";

    /** How it is looked at. */
    public enum Kind {
        /** Eyes, torch and mirror: passed or not. */
        LOOK,
        /** pH of what runs off, against that of the tap. */
        PH,
        /** An ATP swab, in the light units of the site's meter. */
        SWAB
    }

    /** Passed, failed, or in between: clean again and look why. */
    public enum Found {
        PASSED,
        CAUTION,
        FAILED
    }

    /**
     * What a finding means.
     *
     * @param value null for a look that found nothing wrong; then it passed
     */
    public Found judge(@Nullable Double value) {
        if (kind == Kind.LOOK) {
            return Found.PASSED;
        }
        if (value == null || !Double.isFinite(value)) {
            return Found.FAILED;
        }
        if (least != null && most != null && value >= least && value <= most) {
            return Found.PASSED;
        }
        return failAbove != null && value <= failAbove ? Found.CAUTION : Found.FAILED;
    }
}
