package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.night.SiteNight;
import tools.jackson.databind.JsonNode;

/** The people of a site's file, as a night takes them. */
public final class Crew {
    private Crew() {}

    /** A first password and PIN stand there as well; they are no concern of a plan. */
    @JsonIgnoreProperties(ignoreUnknown = true)
    private record Line(
            String name, String role, @Nullable Integer adultInDays, List<String> trainedOn) {}

    /**
     * @throws FormatError when it is no list of people
     */
    public static List<SiteNight.Member> read(String text) {
        JsonNode all = Json.tree(text).path("people");
        return all.valueStream()
                .map(p -> Documents.bind(p, Line.class))
                .map(
                        p ->
                                new SiteNight.Member(
                                        p.name()
                                                .toLowerCase(Locale.ROOT)
                                                .replaceAll("[^a-z]+", "-"),
                                        p.name(),
                                        Set.copyOf(p.trainedOn()),
                                        p.adultInDays() == null,
                                        p.role().equals("CREW"),
                                        p.role().equals("QA") || p.role().equals("SUPERVISOR")))
                .toList();
    }
}
