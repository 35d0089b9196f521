package orthopur.server.people;

import com.ibm.icu.text.SpoofChecker;
import java.util.Locale;
import java.util.Set;

/**
 * Whether two names could be taken for each other under an approval: as Unicode tells it, so that
 * letters of another script, or a 1 for an l, make no other person.
 */
final class LookAlike {
    private static final SpoofChecker SHAPES =
            new SpoofChecker.Builder().setChecks(SpoofChecker.CONFUSABLE).build();

    private LookAlike() {}

    static boolean of(String name, String other) {
        return shapes(name).stream().anyMatch(shapes(other)::contains);
    }

    private static Set<String> shapes(String name) {
        String plain = name.strip().replaceAll("\\s+", " ");
        String shape = SHAPES.getSkeleton(plain);
        String small = SHAPES.getSkeleton(plain.toLowerCase(Locale.ROOT));
        return shape.equals(small) ? Set.of(shape) : Set.of(shape, small);
    }
}
