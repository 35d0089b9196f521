package orthopur.formats;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.MachineSheet;

/** What a line may name: things of the sheet by field, and the site's chemicals. */
final class NotationNames {
    private static final int FAR = 3;

    /** A thing: the field of a step in which it stands, its id, its name. */
    record Thing(String field, String id, String name) {}

    private final List<Thing> things = new ArrayList<>();
    private final Map<String, List<Thing>> byName = new LinkedHashMap<>();

    NotationNames(MachineSheet sheet, List<Chemical> chemicals) {
        sheet.parts()
                .forEach(
                        p -> {
                            add("items", p.id(), p.name());
                            p.surfaces().forEach(s -> add("items", s.id(), s.name()));
                        });
        sheet.passages().forEach(p -> add("items", p.id(), p.name()));
        sheet.energies().forEach(e -> add("energies", e.id(), e.name()));
        sheet.checks().forEach(c -> add("checks", c.id(), c.name()));
        sheet.fittings().forEach(f -> add("fittings", f.id(), f.name()));
        chemicals.forEach(c -> add("chemical", c.id(), c.name()));
        // The longest first: "housing, blade side" before "housing".
        things.sort(Comparator.comparingInt((Thing t) -> -t.name().length()));
    }

    private void add(String field, String id, String name) {
        Thing t = new Thing(field, id, name);
        things.add(t);
        byName.computeIfAbsent(name.toLowerCase(Locale.ROOT), k -> new ArrayList<>()).add(t);
    }

    /** The longest name that stands at a place of a text, of those that may stand there. */
    @Nullable Thing at(String text, int from, List<String> fields) {
        for (Thing t : things) {
            int end = from + t.name().length();
            if (fields.contains(t.field())
                    && text.regionMatches(true, from, t.name(), 0, t.name().length())
                    && (end == text.length() || !Character.isLetterOrDigit(text.charAt(end)))) {
                return t;
            }
        }
        return null;
    }

    @Nullable Thing byId(String id, List<String> fields) {
        return things.stream()
                .filter(t -> t.id().equals(id) && fields.contains(t.field()))
                .findFirst()
                .orElse(null);
    }

    /** As it is written: by name, or by its id where two things share the name. */
    String shown(String id, String field, List<String> fields) {
        Thing t = byId(id, List.of(field));
        if (t == null) {
            return "`" + id + "`";
        }
        long alike =
                byName.getOrDefault(t.name().toLowerCase(Locale.ROOT), List.of()).stream()
                        .filter(x -> fields.contains(x.field()))
                        .count();
        Thing back = at(t.name(), 0, fields);
        boolean reads =
                !t.name().contains(";") && alike == 1 && back != null && back.id().equals(id);
        return reads ? t.name() : "`" + id + "`";
    }

    List<String> nearest(String word) {
        return nearest(word, things.stream().map(Thing::name).distinct().toList());
    }

    /** Up to three that are few letters away, or begin alike. */
    static List<String> nearest(String word, List<String> known) {
        String w = word.toLowerCase(Locale.ROOT);
        return known.stream()
                .filter(
                        k -> {
                            String n = k.toLowerCase(Locale.ROOT);
                            return (w.length() > 2 && (n.startsWith(w) || n.contains(" " + w)))
                                    || apart(w, n) <= Math.min(FAR, w.length() / 2);
                        })
                .sorted(Comparator.comparingInt(k -> apart(w, k.toLowerCase(Locale.ROOT))))
                .limit(3)
                .toList();
    }

    /** Letters to change, add or leave out (Levenshtein). */
    static int apart(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int corner = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int kept = corner + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                corner = row[j];
                row[j] = Math.min(kept, Math.min(row[j], row[j - 1]) + 1);
            }
        }
        return row[b.length()];
    }
}
