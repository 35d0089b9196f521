package orthopur.server.prints;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import orthopur.chemical.Chemical;
import orthopur.quantity.Show;
import orthopur.quantity.Volume;
import orthopur.server.floor.SiteEntries;
import orthopur.server.languages.Languages;
import orthopur.server.machines.Premises;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.sitestream.Shelf;
import orthopur.text.Text;

/** The label that goes onto a bucket, so that a round can say which one it used. */
@RestController
@MayUse
@RequestMapping("/api/prints")
class SolutionLabels {
    private static final int ON_A_SHEET = 6;

    private final SiteEntries site;
    private final Premises premises;
    private final Paper paper;
    private final Languages languages;

    SolutionLabels(SiteEntries site, Premises premises, Paper paper, Languages languages) {
        this.languages = languages;
        this.site = site;
        this.premises = premises;
        this.paper = paper;
    }

    /**
     * On A6, on a roll of 62 mm, or six on a sheet of A4.
     *
     * @param language in which its words are; English when empty
     */
    @GetMapping("/solutions/{label}.pdf")
    ResponseEntity<byte[]> label(
            @PathVariable String label,
            @RequestParam(defaultValue = "A6", name = "paper") String size,
            @RequestParam(defaultValue = "") String language) {
        Shelf.Solution b = Shelf.labeled(site.state(), label);
        if (b == null) {
            throw Said.notFound(
                    Text.of(
                            "solution-labels.there-is-no-solution",
                            "There is no solution with the label {0}.",
                            label));
        }
        Premises.Now now = premises.now();
        Map<String, String> texts = languages.texts(language);
        Chemical c = now.context().chemical(b.chemical());
        String address =
                ServletUriComponentsBuilder.fromCurrentContextPath()
                        .pathSegment("mixing")
                        .queryParam("label", label)
                        .build()
                        .encode()
                        .toUriString();
        Map<String, Object> on = new HashMap<>();
        Paper.Size of = Paper.Size.named(size);
        on.put("copies", Collections.nCopies(of == Paper.Size.A4 ? ON_A_SHEET : 1, 1));
        on.put("label", label);
        on.put("product", c == null ? b.chemical() : c.name());
        on.put("strength", b.mgPerL() == null ? "" : Show.number(b.mgPerL()) + " mg/L");
        on.put("vessel", vessel(now, b.vessel()));
        on.put("litres", new Volume(b.litres()).shown());
        on.put("made", time(now, b.at(), language));
        on.put("by", b.who());
        on.put("until", b.until() == null ? null : time(now, b.until(), language));
        on.put("why", b.why() == null ? null : languages.say(texts, "mixing.ends." + b.why()));
        on.put("say", words(texts));
        on.put("language", language.isEmpty() ? "en" : language);
        on.put(
                "purpose",
                b.purpose() == null ? null : texts.getOrDefault(b.purpose(), b.purpose()));
        on.put("ppe", joined(c == null ? List.of() : c.ppe(), texts));
        on.put("never", joined(c == null ? List.of() : c.neverWith(), texts));
        on.put("code", QrCode.of(address));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename("solution-" + label + ".pdf")
                                .build()
                                .toString())
                .body(paper.print("solution", of, false, on));
    }

    private static Map<String, String> words(Map<String, String> texts) {
        return Map.of(
                "made", Languages.say(texts, Text.of("solution-label.made", "Made")),
                "by", Languages.say(texts, Text.of("solution-label.by", "by")),
                "until", Languages.say(texts, Text.of("solution-label.change-by", "Change by")),
                "purpose", Languages.say(texts, Text.of("solution-label.for", "For")),
                "ppe", Languages.say(texts, Text.of("solution-label.wear", "Wear")),
                "never", Languages.say(texts, Text.of("solution-label.never-with", "Never with")),
                "first",
                        Languages.say(
                                texts,
                                Text.of(
                                        "solution-label.product-first",
                                        "The label of the product comes first.")));
    }

    private static @Nullable String joined(List<String> all, Map<String, String> texts) {
        return all.isEmpty()
                ? null
                : String.join("; ", all.stream().map(x -> texts.getOrDefault(x, x)).toList());
    }

    private static String vessel(Premises.Now now, String id) {
        return now.context().vessels().stream()
                .filter(v -> v.id().equals(id))
                .map(v -> v.name())
                .findFirst()
                .orElse(id);
    }

    private static String time(Premises.Now now, long at, String language) {
        Locale locale = language.isEmpty() ? Locale.ENGLISH : Locale.forLanguageTag(language);
        return DateTimeFormatter.ofPattern("EEE d MMM HH:mm", locale)
                .withZone(ZoneId.of(now.site().zone()))
                .format(Instant.ofEpochMilli(at));
    }
}
