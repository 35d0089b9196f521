package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** Fields that a sheet may leave out. */
final class Lists {
    private Lists() {}

    static <T> List<T> orNone(@Nullable List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }
}
