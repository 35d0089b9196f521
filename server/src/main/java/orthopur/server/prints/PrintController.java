package orthopur.server.prints;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import org.springframework.web.util.UriComponents;
import orthopur.formats.Json;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.language.Spoken;
import orthopur.formats.language.StatedLine;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.machine.Outline;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.SheetIndex;
import orthopur.server.languages.Languages;
import orthopur.server.languages.Tongue;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Heavy;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.server.procedures.OnPaper;
import orthopur.takeapart.TakeApartMap;
import orthopur.text.Text;

/** The pages as PDF. {@code paper} is A4 or letter. */
@Heavy
@RestController
@MayUse
@RequestMapping("/api/prints")
class PrintController {
    private static final Set<String> HERE_ONLY = Set.of("localhost", "127.0.0.1", "[::1]");
    private static final Pattern ID = Pattern.compile("`([^`]+)`");
    private final Sheets sheets;
    private final Premises premises;
    private final OnPaper onPaper;
    private final Paper paper;
    private final Languages languages;
    private final Clock clock;

    PrintController(
            Sheets sheets,
            Premises premises,
            OnPaper onPaper,
            Paper paper,
            Languages languages,
            Clock clock) {
        this.languages = languages;
        this.sheets = sheets;
        this.premises = premises;
        this.onPaper = onPaper;
        this.paper = paper;
        this.clock = clock;
    }

    /** Isolation points, how each is proved, and the order of making safe. */
    @GetMapping("/machines/{code}/lockout.pdf")
    ResponseEntity<byte[]> lockout(
            @PathVariable String code,
            @RequestParam(defaultValue = "A4", name = "paper") String size,
            @RequestParam(defaultValue = "", name = "in") String language) {
        MachineSheet s = sheets.newest(code);
        Tongue t = languages.tongue(language, code);
        Map<String, Object> on = head(s, t);
        on.put("energies", TakeApartMap.of(s, Configuration.fitted(s)).energies());
        on.put("safe", s.safePosition());
        return pdf(code + "-lockout", paper.print("lockout", Paper.Size.named(size), false, on, t));
    }

    /** A label for the machine: scanned with a tablet, it leads to what is to be done there. */
    @GetMapping("/machines/{code}/label.pdf")
    ResponseEntity<byte[]> label(
            @PathVariable String code,
            @RequestParam(defaultValue = "A4", name = "paper") String size,
            @RequestParam(defaultValue = "", name = "in") String language) {
        MachineSheet s = sheets.newest(code);
        UriComponents address =
                ServletUriComponentsBuilder.fromCurrentContextPath()
                        .pathSegment("floor", "at", code)
                        .build()
                        .encode();
        Tongue t = languages.tongue(language, code);
        Map<String, Object> on = head(s, t);
        on.put("address", address.toUriString());
        on.put("code", QrCode.of(address.toUriString()));
        on.put("here", HERE_ONLY.contains(String.valueOf(address.getHost())));
        return pdf(code + "-label", paper.print("label", Paper.Size.named(size), false, on, t));
    }

    /** A line of the brush chart. */
    public record Brush(String part, String surface, Text with, Text minds) {}

    /** Which brush for which bore and groove, and what each surface must not meet. */
    @GetMapping("/machines/{code}/brushes.pdf")
    ResponseEntity<byte[]> brushes(
            @PathVariable String code,
            @RequestParam(defaultValue = "A4", name = "paper") String size,
            @RequestParam(defaultValue = "", name = "in") String language) {
        MachineSheet s = sheets.newest(code);
        List<Brush> all = new ArrayList<>();
        for (Part p : Configuration.fitted(s).of(s).parts()) {
            for (Surface f : p.surfaces()) {
                List<Text> minds = new ArrayList<>();
                f.limits().forEach(l -> minds.add(Text.plain(l.shown())));
                if (f.wipe() != null) {
                    minds.add(Text.of("map.wiped", "wiped {0}", f.wipe()));
                }
                if (f.highest() != null) {
                    minds.add(Text.of("map.highest", "at most {0}", f.highest().shown()));
                }
                all.add(
                        new Brush(
                                p.name(),
                                f.name(),
                                f.brush() == null
                                        ? Text.of("print.no-brush", "not stated on the sheet")
                                        : Text.plain(f.brush()),
                                minds.isEmpty() ? Text.plain("") : Text.series(minds)));
            }
        }
        Tongue t = languages.tongue(language, code);
        Map<String, Object> on = head(s, t);
        on.put("brushes", all);
        return pdf(code + "-brushes", paper.print("brushes", Paper.Size.named(size), false, on, t));
    }

    /**
     * A step on paper.
     *
     * @param lit shapes of the machine's outline where it is done
     */
    public record PrintedStep(
            int number,
            String phase,
            boolean first,
            String verb,
            String words,
            @Nullable String because,
            @Nullable String caution,
            String figures,
            @Nullable Text option,
            List<Shape> lit,
            @Nullable Other other) {}

    /**
     * A step once more, in the crew's language.
     *
     * @param words what to do; that nobody has put it into this language where it is so
     * @param option with which way of fitting alone it is done
     */
    public record Other(
            @Nullable String verb,
            String words,
            @Nullable String option,
            @Nullable String caution,
            @Nullable String because) {
        static Other of(Tongue t, Step s, @Nullable Text option) {
            String words = t.known(s.words());
            return new Other(
                    t.told(s.action().verb()),
                    words != null
                            ? words
                            : t.say(
                                    "print.cards.not-translated",
                                    "(nobody has put these words into this language yet)"),
                    option == null
                            ? null
                            : t.say("print.only-with", "only with {0}", t.piece(option)),
                    t.known(s.caution()),
                    t.known(s.because()));
        }
    }

    /** With which way of fitting alone a step is done, or null. */
    private static @Nullable Text optionOf(Step s, MachineSheet sheet) {
        if (s.when() == null) {
            return null;
        }
        int at = Math.max(0, s.when().indexOf('='));
        Map<String, String> choice = Map.of(s.when().substring(0, at), s.when().substring(at + 1));
        return new Configuration(choice)
                .said(sheet).stream().findFirst().orElse(Text.plain(s.when()));
    }

    private static Text stateOf(OnPaper.Printed printed) {
        return switch (printed.state()) {
            case "APPROVED" -> Text.of("print.approved", "approved");
            case "RETIRED" -> Text.of("print.retired", "retired");
            default -> Text.of("print.draft", "draft");
        };
    }

    /** A shape of the outline, lit or not. */
    public record Shape(String path, boolean lit) {}

    /**
     * One page of a procedure.
     *
     * @param with code of a second language for the cards; none when empty
     * @param language of all but the cards, which have theirs beside the English
     * @param what cards (one step a card), wall (all steps on few pages), whole (with verdict,
     *     approval and sources) or round (blank, for a night on which the server does not answer)
     */
    @GetMapping("/procedures/{id}/{version}/{what}.pdf")
    ResponseEntity<byte[]> procedure(
            @PathVariable String id,
            @PathVariable int version,
            @PathVariable String what,
            @RequestParam(defaultValue = "A4", name = "paper") String size,
            @RequestParam(defaultValue = "") String with,
            @RequestParam(defaultValue = "", name = "in") String language) {
        if (!Set.of("cards", "wall", "whole", "round").contains(what)) {
            throw Said.notFound(
                    Text.of(
                            "print-controller.there-is-no-print-cards",
                            "There is no print \"{0}\": cards, wall, whole or round.",
                            what));
        }
        OnPaper.Printed printed = onPaper.printed(id, version);
        MachineSheet sheet = printed.sheet();
        Procedure p = printed.procedure();
        Tongue t = languages.tongue(what.equals("cards") ? "" : language, sheet.code(), id);
        Map<String, Object> on = head(sheet, t);
        on.put("procedure", p);
        on.put("version", version);
        on.put("kind", p.kind().shown());
        on.put("state", t.piece(stateOf(printed)));
        on.put("approvedBy", printed.approvedBy());
        on.put("approvedAt", printed.approvedAt() == null ? null : at(printed.approvedAt(), t));
        on.put("reason", printed.reason());
        on.put("verdict", printed.verdict());
        on.put("findings", printed.verdict().findings());
        on.put("overrides", printed.overrides());
        on.put(
                "steps",
                steps(
                        printed,
                        t,
                        reader(t.code(), sheet, id),
                        with.isEmpty() ? null : languages.tongue(with, sheet.code(), id)));
        on.put("with", with);
        on.put("outline", sheet.outline());
        on.put("energies", TakeApartMap.of(sheet, Configuration.fitted(sheet)).energies());
        return pdf(
                id + "-" + version + "-" + what,
                paper.print(what, Paper.Size.named(size), what.equals("cards"), on, t));
    }

    /**
     * The procedure as a Word document that can be edited; the one in the program is the valid one.
     */
    @GetMapping("/procedures/{id}/{version}/procedure.docx")
    ResponseEntity<byte[]> word(
            @PathVariable String id,
            @PathVariable int version,
            @RequestParam(defaultValue = "", name = "in") String language) {
        OnPaper.Printed printed = onPaper.printed(id, version);
        Tongue t = languages.tongue(language, printed.sheet().code(), id);
        String state =
                printed.approvedAt() == null
                        ? t.piece(stateOf(printed))
                        : t.say(
                                "print.word.approved-by",
                                "approved by {0}, {1}",
                                printed.approvedBy(),
                                at(printed.approvedAt(), t));
        byte[] document =
                new ProcedureInWord(
                                premises.now().site().name(),
                                printed.sheet(),
                                printed.procedure(),
                                t.say("print.word.version", "version {0}, {1}", version, state),
                                t)
                        .write(steps(printed, t, reader(t.code(), printed.sheet(), id), null));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(ProcedureInWord.TYPE))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"" + id + "-" + version + ".docx\"")
                .body(document);
    }

    /**
     * @param in the language of the page; null for English, in which figures stand in line notation
     * @param other a second one, beside it
     */
    private List<PrintedStep> steps(
            OnPaper.Printed printed, Tongue t, @Nullable Reader in, @Nullable Tongue other) {
        Procedure p = printed.procedure();
        MachineSheet sheet = printed.sheet();
        SheetIndex index = new SheetIndex(sheet);
        Map<String, String> names = names(sheet);
        List<PrintedStep> all = new ArrayList<>();
        String before = "";
        for (int i = 0; i < p.steps().size(); i++) {
            Step s = p.steps().get(i);
            Text option = optionOf(s, sheet);
            String phase = printed.verdict().ribbon().steps().get(i).phase();
            all.add(
                    new PrintedStep(
                            i + 1,
                            phase,
                            !phase.equals(before),
                            s.action().verb(),
                            s.words().isBlank()
                                    ? t.say("print.no-words", "(no words yet)")
                                    : s.words(),
                            s.because(),
                            s.caution(),
                            in == null
                                    ? named(printed.lines().get(i), index)
                                    : figures(s, in, index, names),
                            option,
                            shapes(s, sheet.outline(), index),
                            other == null ? null : Other.of(other, s, option)));
            before = phase;
        }
        return all;
    }

    /**
     * Who reads another language than English.
     *
     * @param to the word before a place
     */
    private record Reader(Spoken spoken, String to) {
        String told(String english) {
            return english.equals(StatedLine.TO) ? to : spoken.say(english);
        }
    }

    private @Nullable Reader reader(String language, MachineSheet sheet, String procedure) {
        return language.isEmpty() || language.equals("en")
                ? null
                : new Reader(
                        languages.spoken(language, sheet.code(), procedure),
                        languages.say(languages.texts(language), "ribbon.words.to"));
    }

    private static String figures(Step s, Reader in, SheetIndex index, Map<String, String> names) {
        return StatedLine.of(
                Json.tree(Json.write(ProcedureFormat.document(s))),
                in::told,
                id -> SheetIndex.spoken(in.told(names.getOrDefault(id, index.nameOf(id)))));
    }

    /** What a step names beside parts and surfaces, by its id. */
    private Map<String, String> names(MachineSheet sheet) {
        Map<String, String> names = new HashMap<>();
        sheet.checks().forEach(c -> names.put(c.id(), c.name()));
        sheet.fittings().forEach(f -> names.put(f.id(), f.name()));
        sheet.programs().forEach(x -> names.put(x.id(), x.name()));
        premises.now().chemicals().forEach(c -> names.put(c.id(), c.name()));
        return names;
    }

    /**
     * On paper a part goes by its name, not by the id that tells it from another in a typed line.
     */
    private static String named(String line, SheetIndex index) {
        return ID.matcher(line)
                .replaceAll(
                        m -> {
                            PartAt part = index.partNamed(m.group(1));
                            return Matcher.quoteReplacement(
                                    part == null ? m.group(1) : index.part(part).name());
                        });
    }

    private static List<Shape> shapes(Step s, @Nullable Outline outline, SheetIndex index) {
        if (outline == null) {
            return List.of();
        }
        Set<String> lit = new java.util.HashSet<>();
        for (String item : s.action().items()) {
            PartAt whole = index.partMeant(item);
            if (whole != null) {
                lit.add(index.part(whole).id());
            }
        }
        return outline.shapes().stream()
                .map(x -> new Shape(x.path(), lit.contains(x.part())))
                .toList();
    }

    private Map<String, Object> head(MachineSheet s, Tongue t) {
        Map<String, Object> on = new HashMap<>();
        on.put("sheet", s);
        on.put("site", premises.now().site().name());
        on.put("printed", at(clock.millis(), t));
        return on;
    }

    private String at(long millis, Tongue t) {
        ZoneId zone = ZoneId.of(premises.now().site().zone());
        return DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.of(t.code()))
                .format(Instant.ofEpochMilli(millis).atZone(zone));
    }

    private static ResponseEntity<byte[]> pdf(String name, byte[] content) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + name + ".pdf\"")
                .body(content);
    }
}
