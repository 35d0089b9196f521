package orthopur.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * One part, or {@code count} equal ones that share a life. The body is a part that never leaves.
 *
 * @param removable whether it comes off
 * @param shifts whether it can be moved aside (folded, tilted, raised) and must come back
 * @param behind parts that must be off or moved aside before this one can come off
 * @param covers surfaces nobody can reach while this part is mounted and not moved aside
 * @param guard whether the machine must not run without it
 * @param destination where it goes when it is off
 * @param fastening how it is held and how it comes off, as a plain sentence
 * @param mark position mark it must return to, if any
 * @param handling what it takes to move it
 * @param assembly what it takes to put it back
 * @param when the option it depends on, as "group=option"; null for always
 * @param sharpening how long it is ground and honed at most; null where it is not sharpened or the
 *     sheet does not say
 * @param doses whether detergent is fed through it into the tank by itself for as long as it is not
 *     set aside; null for a part that feeds none
 */
@RecordBuilder
public record Part(
        String id,
        String name,
        int count,
        boolean removable,
        boolean shifts,
        List<String> behind,
        List<String> covers,
        Set<Hazard> hazards,
        boolean guard,
        @Nullable String destination,
        @Nullable String fastening,
        @Nullable String caution,
        @Nullable String mark,
        @Nullable Handling handling,
        @Nullable Assembly assembly,
        @Nullable String when,
        List<Surface> surfaces,
        @Nullable Sharpening sharpening,
        @Nullable Boolean doses)
        implements PartBuilder.With {

    public Part {
        behind = List.copyOf(behind);
        covers = List.copyOf(covers);
        // In the order of the file: a plain immutable set has another order in every run.
        hazards = Collections.unmodifiableSet(new LinkedHashSet<>(hazards));
        surfaces = List.copyOf(surfaces);
    }

    /** Whether what the machine washes with goes into its tank while this is where it belongs. */
    public boolean feedsDetergent() {
        return doses != null && doses;
    }

    /** What it takes to move it; nothing special where the sheet says nothing. */
    public Handling moving() {
        return handling == null ? Handling.NONE : handling;
    }

    /** What it takes to put it back; nothing special where the sheet says nothing. */
    public Assembly fitting() {
        return assembly == null ? Assembly.NONE : assembly;
    }

    /** Without what names parts or surfaces that are not there. */
    Part among(Set<String> parts, Set<String> surfacesHere) {
        return withBehind(behind.stream().filter(parts::contains).toList())
                .withCovers(covers.stream().filter(surfacesHere::contains).toList());
    }
}
