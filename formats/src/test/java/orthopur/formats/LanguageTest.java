package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import tools.jackson.databind.JsonNode;

/** A Spanish round has no English in it: every text of every demo round is translated. */
class LanguageTest {
    private static final Path SPANISH =
            Path.of("..", "server", "src", "main", "resources", "languages", "es.json");

    private static final List<String> PROCEDURES =
            List.of(
                    "qk-sl1-end-of-shift",
                    "qk-sl1-oiling",
                    "qk-sl1-sharpening",
                    "qk-sw1-daily",
                    "qk-ov1-daily",
                    "qk-ov1-weekly",
                    "qk-fl1-daily",
                    "qk-ds1-daily",
                    "qk-tl1-line-clean");

    /** Words that no Spanish sentence of this trade has. */
    private static final Pattern ENGLISH =
            Pattern.compile(
                    "\\b(the|and|of|with|from|into|until|blade|wash|rinse|water|remove|hands|clean|"
                            + "put|take|hold|every|both|then|before|after|sink|guard|start|done|wipe)\\b",
                    Pattern.CASE_INSENSITIVE);

    private static Set<String> texts(RoundPack p) {
        Set<String> all = new TreeSet<>();
        all.add(p.title());
        for (PackStep s : p.steps()) {
            add(all, s.phase(), s.verb(), s.title(), s.words(), s.because(), s.caution());
            Stream.concat(s.off().stream(), s.on().stream())
                    .forEach(x -> add(all, x.name(), x.destination()));
            s.asks().forEach(a -> add(all, a.name(), a.detail()));
            s.checks().forEach(c -> add(all, c.name()));
            all.addAll(s.things());
            if (s.timer() != null) {
                all.add(s.timer().name());
            }
        }
        p.troubles()
                .forEach(
                        t -> {
                            all.add(t.title());
                            all.addAll(t.now());
                        });
        p.rework().forEach(r -> all.add(r.name()));
        p.instruments().forEach(i -> all.add(i.name()));
        return all;
    }

    private static void add(Set<String> all, String... texts) {
        Arrays.stream(texts).filter(t -> t != null && !t.isBlank()).forEach(all::add);
    }

    /** As the tablet looks it up: whole, without its number, or name by name. */
    private static boolean known(JsonNode spanish, String english) {
        if (english.isEmpty()) {
            return false;
        }
        String rest = english.substring(1);
        String first = english.substring(0, 1);
        if (spanish.has(english)
                || spanish.has(first.toUpperCase(Locale.ROOT) + rest)
                || spanish.has(first.toLowerCase(Locale.ROOT) + rest)) {
            return true;
        }
        Matcher numbered = Pattern.compile("(.*\\D) \\d+").matcher(english);
        if (numbered.matches() && known(spanish, numbered.group(1))) {
            return true;
        }
        Matcher running =
                Pattern.compile("(.*) (soaking|circulating|cooling|drying)(?:, (.*))?")
                        .matcher(english);
        if (running.matches()) {
            return known(spanish, running.group(1))
                    && known(spanish, running.group(2))
                    && (running.group(3) == null || known(spanish, running.group(3)));
        }
        Matcher more = Pattern.compile("(.*) and \\d+ more").matcher(english);
        return more.matches() ? known(spanish, more.group(1)) : list(spanish, english);
    }

    private static boolean list(JsonNode spanish, String english) {
        for (String joint : List.of(", ", " and ")) {
            for (int at = english.indexOf(joint); at > 0; at = english.indexOf(joint, at + 1)) {
                if (known(spanish, english.substring(0, at))
                        && known(spanish, english.substring(at + joint.length()))) {
                    return true;
                }
            }
        }
        return false;
    }

    private static JsonNode spanish() throws IOException {
        return Json.tree(Files.readString(SPANISH)).get("texts");
    }

    @Test
    void everyTextOfEveryRoundIsTranslated() throws IOException {
        JsonNode spanish = spanish();
        Set<String> missing = new TreeSet<>();
        for (String name : PROCEDURES) {
            var p = DemoSite.procedure(name);
            RoundPack pack =
                    PackCompiler.compile(
                            p,
                            1,
                            DemoSite.sheet(p.sheet()),
                            DemoSite.CONTEXT,
                            DemoSite.SITE.instruments());
            texts(pack).stream().filter(t -> !known(spanish, t)).forEach(missing::add);
        }
        assertEquals("", String.join("\n", missing), missing.size() + " texts lack Spanish");
    }

    @Test
    void noEnglishWordIsLeftInTheSpanish() throws IOException {
        List<String> english = new ArrayList<>();
        spanish()
                .properties()
                .forEach(
                        e -> {
                            if (ENGLISH.matcher(e.getValue().asString()).find()) {
                                english.add(e.getValue().asString());
                            }
                        });
        assertEquals(List.of(), english);
        assertTrue(spanish().size() > 500);
    }

    /** What is filled in stays where it is: {0} and {1} are in both. */
    @Test
    void placesToFillAreTheSame() throws IOException {
        spanish()
                .properties()
                .forEach(
                        e -> {
                            for (String place : List.of("{0}", "{1}", "{2}", "{3}")) {
                                assertEquals(
                                        e.getKey().contains(place),
                                        e.getValue().asString().contains(place),
                                        e.getKey());
                            }
                        });
    }
}
