package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One step as it stands in a file: flat, so that a person can read it. Which fields an action takes
 * is listed in {@link ActionCatalog}; an absent field means that the step does not state it.
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record StepDocument(
        String id,
        String action,
        @Nullable String mode,
        @Nullable List<String> items,
        @Nullable List<String> energies,
        @Nullable List<String> things,
        @Nullable List<String> checks,
        @Nullable Integer count,
        @Nullable String destination,
        @Nullable String place,
        @Nullable String chemical,
        @Nullable Quantity strength,
        @Nullable Quantity temperature,
        @Nullable Double ph,
        @Nullable Quantity volume,
        @Nullable String method,
        @Nullable String endPoint,
        @Nullable Quantity dwell,
        @Nullable Quantity contact,
        @Nullable List<String> readings,
        @Nullable Boolean toolsOut,
        @Nullable Boolean peopleClear,
        @Nullable Boolean guardsOn,
        @Nullable String who,
        @Nullable Integer locks,
        @Nullable String secondMeasure,
        @Nullable Quantity below,
        @Nullable Quantity standing,
        @Nullable Integer times,
        @Nullable Boolean powered,
        @Nullable List<String> fittings,
        @Nullable List<String> places,
        @Nullable Boolean washedOut,
        @Nullable String tool,
        @Nullable String direction,
        @Nullable Quantity velocity,
        @Nullable String flow,
        @Nullable String pattern,
        @Nullable String product,
        @Nullable List<String> purged,
        @Nullable String program,
        @Nullable Quantity finalRinse,
        @Nullable Quantity pressure,
        @Nullable List<String> complete,
        @Nullable String when,
        @Nullable Double minutes,
        @Nullable Integer people,
        @Nullable String words,
        @Nullable String because,
        @Nullable String caution) {}
