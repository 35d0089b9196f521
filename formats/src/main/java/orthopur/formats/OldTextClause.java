package orthopur.formats;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.MachineSheet;
import orthopur.machine.Vessel;
import orthopur.quantity.Show;
import orthopur.text.Text;

/** One clause of an old text: a verb at its beginning, and nothing in it that is not understood. */
final class OldTextClause {
    private static final Pattern WORD = Pattern.compile("[^\\s,:()\"“”]+");
    private static final Pattern FIGURE =
            Pattern.compile("(?:>=|≥)?([0-9]+(?:[.,][0-9]+)?)\\s*(%|[°º]\\s?[cf]|[a-z/]+)");
    private static final Pattern RANGE =
            Pattern.compile(
                    "[0-9]+(?:[.,][0-9]+)?(?:\\s*[°º%]?[a-z]?\\s*(?:-|–|to)|\\s+a)\\s*"
                            + "[0-9]+(?:[.,][0-9]+)?\\s*(%|[°º]\\s?[cf]|[a-z/]+)");
    private static final Pattern RATIO = Pattern.compile("[0-9]+\\s*:\\s*[0-9]+");
    private static final Set<String> ON_PARTS =
            Set.of("Remove", "Move aside", "Install", "Soak", "Lubricate", "Inspect");
    private static final Set<String> ON_ENERGY = Set.of("Stop", "Isolate", "Lock");
    private static final Text MORE = Text.of("old-text.more", "More is in it than one step.");
    private static final Set<String> ALONE = Set.of("Wash hands", "Record");

    /** What the machine and the site have names for. */
    static final class Known {
        private final MachineSheet sheet;
        private final NotationNames names;
        private final List<Thing> things = new ArrayList<>();
        private final Set<String> machine = new LinkedHashSet<>();

        Known(MachineSheet sheet, List<Chemical> chemicals, List<Vessel> vessels) {
            this.sheet = sheet;
            this.names = new NotationNames(sheet, chemicals);
            sheet.parts()
                    .forEach(
                            p -> {
                                add("part", p.id(), p.name());
                                p.surfaces().forEach(s -> add("surface", s.id(), s.name()));
                            });
            sheet.passages().forEach(p -> add("surface", p.id(), p.name()));
            sheet.energies().forEach(e -> add("energy", e.id(), e.name()));
            chemicals.forEach(c -> add("chemical", c.id(), c.name()));
            vessels.forEach(v -> add("vessel", v.name(), v.name()));
            things.sort((a, b) -> b.words().size() - a.words().size());
            machine.addAll(List.of("machine", "unit", "equipment", "maquina", "equipo"));
            machine.addAll(words(sheet.family()));
            machine.addAll(words(sheet.code()));
        }

        private void add(String kind, String id, String name) {
            things.add(new Thing(kind, id, words(name)));
        }
    }

    private record Thing(String kind, String id, List<String> words) {}

    private final Known known;
    private final String text;
    private final List<String> words;
    private final String plain;
    private final List<Integer> starts = new ArrayList<>();

    private @Nullable String verb;
    private final List<String> items = new ArrayList<>();
    private final List<String> energies = new ArrayList<>();
    private @Nullable String chemical;
    private @Nullable String place;
    private @Nullable String method;
    private @Nullable String destination;
    private final Map<String, String> figures = new java.util.LinkedHashMap<>();
    private final List<Text> missing = new ArrayList<>();
    private final Set<String> twice = new LinkedHashSet<>();

    OldTextClause(Known known, String text) {
        this.known = known;
        this.text = text;
        this.plain = plain(text);
        this.words = new ArrayList<>();
        Matcher m = WORD.matcher(plain);
        while (m.find()) {
            words.add(m.group());
            starts.add(m.start());
        }
    }

    OldText.Reading read(int line) {
        Text why = understand();
        if (why != null) {
            return new OldText.Reading(line, text, null, List.of(), why);
        }
        return new OldText.Reading(line, text, notation(), missing(), null);
    }

    /** Null where all of it was, else why not. */
    private @Nullable Text understand() {
        for (String w : words) {
            if (OldTextWords.BINDS.contains(w)) {
                return Text.of(
                        "old-text.binds",
                        "\"{0}\" makes it a rule, a choice or a condition; a step is one thing that is done.",
                        w);
            }
        }
        int at = 0;
        while (at < words.size() && OldTextWords.BEFORE_VERB.contains(words.get(at))) {
            at++;
        }
        at = verb(at);
        if (verb == null) {
            return Text.of("old-text.no-verb", "It does not begin with one thing that is done.");
        }
        while (at < words.size()) {
            int next = next(at);
            if (next == at) {
                return Text.of(
                        "old-text.unknown",
                        "\"{0}\" is not on the sheet or not understood.",
                        words.get(at));
            }
            at = next;
        }
        return sense();
    }

    private int verb(int at) {
        int longest = 0;
        for (Map.Entry<String, String> e : OldTextWords.VERBS.entrySet()) {
            List<String> spoken = List.of(e.getKey().split(" "));
            boolean here =
                    at + spoken.size() <= words.size()
                            && words.subList(at, at + spoken.size()).equals(spoken);
            if (here && spoken.size() > longest) {
                longest = spoken.size();
                verb = e.getValue();
            }
        }
        return at + longest;
    }

    private int next(int at) {
        int to = destination(at);
        if (to > at) {
            return to;
        }
        to = figure(at);
        if (to > at) {
            return to;
        }
        to = thing(at);
        if (to > at) {
            return to;
        }
        String w = words.get(at);
        boolean machine = known.machine.contains(w);
        if (machine && (ON_ENERGY.contains(verb) || preceded(at, "from"))) {
            return at + 1;
        }
        if (OldTextWords.SOME_PRODUCT.contains(w)
                || OldTextWords.SOME_WARMTH.contains(w)
                || OldTextWords.FILL.contains(w)) {
            return at + 1;
        }
        if (OldTextWords.TOOLS.containsKey(w)
                && Set.of("Wash", "Rinse", "Sanitize").contains(verb)) {
            method = OldTextWords.TOOLS.get(w);
            return at + 1;
        }
        return at;
    }

    private boolean preceded(int at, String word) {
        int i = at - 1;
        while (i >= 0 && Set.of("the", "la", "el").contains(words.get(i))) {
            i--;
        }
        return i >= 0 && (words.get(i).equals(word) || words.get(i).equals("de"));
    }

    /** "and place in the sink": where a part that comes off goes, to the end of the clause. */
    private int destination(int at) {
        if (!"Remove".equals(verb) || items.isEmpty()) {
            return at;
        }
        int i = at;
        if (words.get(i).equals("and") && i + 1 < words.size()) {
            i++;
        }
        boolean puts = Set.of("place", "put", "lay", "hang").contains(words.get(i));
        boolean brings = words.get(i).equals("to") && i == at;
        if (!puts && !brings) {
            return at;
        }
        i++;
        while (i < words.size()
                && Set.of("it", "them", "in", "on", "into", "onto", "the", "a", "to")
                        .contains(words.get(i))) {
            i++;
        }
        if (i >= words.size() || words.size() - i > 5) {
            return at;
        }
        destination = text.substring(Math.min(text.length(), starts.get(i))).strip();
        return words.size();
    }

    private int figure(int at) {
        String rest = plain.substring(starts.get(at));
        Matcher range = RANGE.matcher(rest);
        if (range.lookingAt() && unit(range.group(1)) != null) {
            missing.add(
                    Text.of(
                            "old-text.one-figure",
                            "one figure instead of {0}",
                            range.group().strip()));
            return past(at, range.end());
        }
        Matcher ratio = RATIO.matcher(rest);
        if (ratio.lookingAt()) {
            missing.add(
                    Text.of(
                            "old-text.strength-of-ratio",
                            "the strength that {0} gives",
                            ratio.group()));
            return past(at, ratio.end());
        }
        Matcher f = FIGURE.matcher(rest);
        if (!f.lookingAt()) {
            return at;
        }
        String unit = unit(f.group(2));
        int end = f.end();
        if (unit == null) {
            Matcher two =
                    Pattern.compile("([0-9]+(?:[.,][0-9]+)?)\\s*((?:deg|degrees|grados) [cf])\\b")
                            .matcher(rest);
            if (!two.lookingAt()) {
                return at;
            }
            unit = unit(two.group(2));
            end = two.end();
        }
        if (unit == null) {
            return at;
        }
        double number = Double.parseDouble(f.group(1).replace(',', '.'));
        boolean planned = !Set.of("Sanitize", "Soak", "Dry").contains(verb);
        if (unit.equals("h") || (unit.equals("s") && planned)) {
            // Planned time stands in minutes.
            number = unit.equals("h") ? number * 60 : Math.round(number / 6) / 10.0;
            unit = "min";
        }
        String value = Show.number(number) + " " + unit;
        String kind =
                switch (unit) {
                    case "mg/L", "%" -> "strength";
                    case "°C", "°F" -> "temperature";
                    case "L", "mL", "gal" -> "volume";
                    default -> "time";
                };
        if (twice.contains(kind) || figures.put(kind, value) != null) {
            // Two figures of one kind: neither is taken.
            twice.add(kind);
            figures.remove(kind);
        }
        return past(at, end);
    }

    private static @Nullable String unit(String written) {
        return OldTextWords.UNITS.get(written.strip().replaceAll("\\s+", " "));
    }

    /** The first word that begins behind so many letters. */
    private int past(int at, int letters) {
        int end = starts.get(at) + letters;
        int i = at;
        while (i < words.size() && starts.get(i) < end) {
            i++;
        }
        return i;
    }

    /** The longest name that stands here; none where two different ones would fit. */
    private int thing(int at) {
        for (boolean exact : new boolean[] {true, false}) {
            Thing best = null;
            boolean two = false;
            for (Thing t : known.things) {
                if (!here(t, at, exact)
                        || (best != null && best.words().size() > t.words().size())) {
                    continue;
                }
                boolean meant = best == null || rank(t) < rank(best);
                two = best != null && rank(t) == rank(best);
                best = meant ? t : best;
            }
            if (best != null) {
                return !two && take(best) ? at + best.words().size() : at;
            }
        }
        return at;
    }

    /** A part and its only surface often share a name: the part is meant. */
    private static int rank(Thing t) {
        return t.kind().equals("surface") ? 1 : 0;
    }

    private boolean here(Thing t, int at, boolean exact) {
        if (at + t.words().size() > words.size()) {
            return false;
        }
        for (int i = 0; i < t.words().size(); i++) {
            String said = words.get(at + i);
            String name = t.words().get(i);
            if (!(same(said, name) || (!exact && misspelt(said, name)))) {
                return false;
            }
        }
        return true;
    }

    private static boolean same(String a, String b) {
        return a.equals(b) || a.equals(b + "s") || b.equals(a + "s") || a.equals(b + "es");
    }

    /** One slip in a word of six letters, two in one of nine. */
    private static boolean misspelt(String a, String b) {
        int letters = Math.min(a.length(), b.length());
        return letters >= 6 && NotationNames.apart(a, b) <= (letters >= 9 ? 2 : 1);
    }

    private boolean take(Thing t) {
        return switch (t.kind()) {
            case "part", "surface" -> !ON_ENERGY.contains(verb) && items.add(t.id());
            case "energy" -> ON_ENERGY.contains(verb) && energies.add(t.id());
            case "chemical" -> chemical == null && (chemical = t.id()) != null;
            default -> place == null && (place = t.id()) != null;
        };
    }

    /** Whether what was understood makes one step. */
    private @Nullable Text sense() {
        if (ALONE.contains(verb)) {
            return items.isEmpty() && figures.isEmpty() ? null : MORE;
        }
        if (ON_ENERGY.contains(verb)) {
            return energy();
        }
        if (items.isEmpty()) {
            return Text.of(
                    "old-text.no-part",
                    "It does not name a part or surface of {0}.",
                    known.sheet.code());
        }
        if ("Remove".equals(verb) && place != null && destination == null) {
            destination = place;
            place = null;
        }
        boolean chemicalFits =
                Set.of("Wash", "Soak", "Sanitize", "Lubricate").contains(verb) || chemical == null;
        return chemicalFits
                ? null
                : Text.of("old-text.no-product", "A product does not belong to that.");
    }

    /** "Unplug the machine" where one energy alone can be meant. */
    private @Nullable Text energy() {
        if (!items.isEmpty() || chemical != null || !figures.isEmpty()) {
            return MORE;
        }
        if (energies.isEmpty()) {
            List<Energy> meant =
                    known.sheet.energies().stream()
                            .filter(
                                    e ->
                                            e.kind() == EnergyKind.CORD
                                                    || (!"Isolate".equals(verb)
                                                            && e.kind() == EnergyKind.SUPPLIED))
                            .toList();
            if (meant.size() != 1) {
                return Text.of(
                        "old-text.which-energy",
                        "It does not say which energy; the sheet has {0} that could be meant.",
                        meant.size());
            }
            energies.add(meant.getFirst().id());
        }
        return null;
    }

    private String notation() {
        List<String> said = new ArrayList<>();
        List<String> fields = List.of("items", "energies", "checks", "fittings");
        items.forEach(i -> said.add(known.names.shown(i, "items", fields)));
        energies.forEach(e -> said.add(known.names.shown(e, "energies", fields)));
        StringBuilder b = new StringBuilder(verb).append(' ').append(String.join("; ", said));
        if (chemical != null) {
            b.append(", with ")
                    .append(known.names.shown(chemical, "chemical", List.of("chemical")));
        }
        figures.forEach((kind, value) -> b.append(", ").append(word(kind)).append(value));
        if (place != null) {
            b.append(", in \"").append(place).append('"');
        }
        if (method != null) {
            b.append(", ").append(method);
        }
        if (destination != null) {
            b.append(", -> \"").append(destination.replace("\"", "")).append('"');
        }
        return b.toString().strip();
    }

    private String word(String kind) {
        return switch (kind) {
            case "temperature" -> "at ";
            case "time" ->
                    switch (verb == null ? "" : verb) {
                        case "Sanitize" -> "wet ";
                        case "Soak", "Dry" -> "for ";
                        default -> "takes ";
                    };
            default -> "";
        };
    }

    private List<Text> missing() {
        List<Text> all = new ArrayList<>(missing);
        twice.forEach(
                kind -> all.add(Text.of("old-text.of-several", "which {0} of several", kind)));
        for (OldTextWords.Need need :
                OldTextWords.NEEDS.getOrDefault(verb == null ? "" : verb, List.of())) {
            boolean has =
                    switch (need) {
                        case PRODUCT -> chemical != null;
                        case STRENGTH -> figures.containsKey("strength");
                        case TEMPERATURE -> figures.containsKey("temperature");
                        case VOLUME -> figures.containsKey("volume");
                        case TIME, WET -> figures.containsKey("time");
                        case VESSEL -> place != null;
                        case DESTINATION -> destination != null;
                        case METHOD -> method != null;
                        case END, READING -> false;
                    };
            if (!has) {
                all.add(need.text());
            }
        }
        return List.copyOf(all);
    }

    private static List<String> words(String name) {
        List<String> all = new ArrayList<>();
        Matcher m = WORD.matcher(plain(name));
        while (m.find()) {
            all.add(m.group());
        }
        return all;
    }

    /** Lower case and without accents, letter for letter. */
    private static String plain(String s) {
        StringBuilder b = new StringBuilder();
        for (char c : s.toCharArray()) {
            String d = Normalizer.normalize(String.valueOf(c), Normalizer.Form.NFD);
            b.append(c == '°' || c == 'º' ? c : Character.toLowerCase(d.charAt(0)));
        }
        return b.toString();
    }
}
