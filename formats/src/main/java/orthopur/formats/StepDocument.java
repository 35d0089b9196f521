package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;

/**
 * One step as it stands in a file: flat, so that a person can read it. Which fields an action takes
 * is listed in {@link ActionCatalog}; an absent field means that the step does not state it.
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record StepDocument(
        String id,
        String action,
        String mode,
        List<String> items,
        List<String> energies,
        List<String> things,
        List<String> checks,
        Integer count,
        String destination,
        String place,
        String chemical,
        Quantity strength,
        Quantity temperature,
        Double ph,
        Quantity volume,
        String method,
        String endPoint,
        Quantity dwell,
        Quantity contact,
        List<String> readings,
        Boolean toolsOut,
        Boolean peopleClear,
        Boolean guardsOn,
        String who,
        Double minutes,
        Integer people,
        String words,
        String because,
        String caution) {}
