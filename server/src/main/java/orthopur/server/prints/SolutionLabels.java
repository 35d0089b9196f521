package orthopur.server.prints;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
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

    private static final Map<String, String> ENDS =
            Map.of(
                    "label", "its label allows no longer",
                    "habit", "no solution is used longer here",
                    "fades", "it is too weak by then",
                    "cools", "it is too cold by then");

    private final SiteEntries site;
    private final Premises premises;
    private final Paper paper;

    SolutionLabels(SiteEntries site, Premises premises, Paper paper) {
        this.site = site;
        this.premises = premises;
        this.paper = paper;
    }

    /** On A6, on a roll of 62 mm, or six on a sheet of A4. */
    @GetMapping("/solutions/{label}.pdf")
    ResponseEntity<byte[]> label(
            @PathVariable String label,
            @RequestParam(defaultValue = "A6", name = "paper") String size) {
        Shelf.Solution b = Shelf.labeled(site.state(), label);
        if (b == null) {
            throw Said.notFound(
                    Text.of(
                            "solution-labels.there-is-no-solution",
                            "There is no solution with the label {0}.",
                            label));
        }
        Premises.Now now = premises.now();
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
        on.put("made", time(now, b.at()));
        on.put("by", b.who());
        on.put("until", b.until() == null ? null : time(now, b.until()));
        on.put("why", b.why() == null ? null : ENDS.get(b.why()));
        on.put("purpose", b.purpose());
        on.put("ppe", joined(c == null ? List.of() : c.ppe()));
        on.put("never", joined(c == null ? List.of() : c.neverWith()));
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

    private static @Nullable String joined(List<String> all) {
        return all.isEmpty() ? null : String.join("; ", all);
    }

    private static String vessel(Premises.Now now, String id) {
        return now.context().vessels().stream()
                .filter(v -> v.id().equals(id))
                .map(v -> v.name())
                .findFirst()
                .orElse(id);
    }

    private static String time(Premises.Now now, long at) {
        return DateTimeFormatter.ofPattern("EEE d MMM HH:mm", java.util.Locale.ENGLISH)
                .withZone(ZoneId.of(now.site().zone()))
                .format(Instant.ofEpochMilli(at));
    }
}
