package orthopur.formats;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a step as its line: verb, things, parameters in one order, id. */
final class NotationWriter {
    private static final List<String> NAMED = List.of("items", "energies", "checks", "fittings");

    private final NotationNames names;

    NotationWriter(NotationNames names) {
        this.names = names;
    }

    String line(ObjectNode s) {
        String action = s.get("action").asString();
        List<String> fields = ActionCatalog.known(action).fields();
        StringBuilder b = new StringBuilder();
        if (s.has("when")) {
            b.append("if ").append(s.get("when").asString().replace("=", " = ")).append(": ");
        }
        String verb = s.has("mode") ? action + "/" + s.get("mode").asString() : action;
        b.append(NotationWords.verbsOf(verb).getFirst());
        List<String> named = new ArrayList<>();
        List<String> said = new ArrayList<>();
        List<String> mine = NAMED.stream().filter(fields::contains).toList();
        for (String f : mine) {
            s.path(f).forEach(i -> named.add(names.shown(i.asString(), f, mine)));
        }
        // Names have commas in them: only a semicolon keeps two of them apart for certain.
        if (!named.isEmpty()) {
            said.add(String.join("; ", named));
        }
        s.path("things").forEach(t -> said.add(NotationLine.quoted(t.asString())));
        NotationWords.TEXTS.forEach(
                (f, w) -> {
                    if (s.has(f)) {
                        said.add(w + " " + NotationLine.quoted(s.get(f).asString()));
                    }
                });
        NotationWords.LISTS.forEach(
                (f, w) ->
                        s.path(f)
                                .forEach(
                                        t ->
                                                said.add(
                                                        w
                                                                + " "
                                                                + NotationLine.quoted(
                                                                        t.asString()))));
        if (s.has("chemical")) {
            said.add(
                    "with "
                            + names.shown(
                                    s.get("chemical").asString(), "chemical", List.of("chemical")));
        }
        NotationWords.QUANTITIES.forEach(
                (f, w) -> {
                    if (s.has(f)) {
                        said.add((w.isEmpty() ? "" : w + " ") + quantity(s.get(f)));
                    }
                });
        if (s.has("ph")) {
            said.add("pH " + number(s.get("ph")));
        }
        NotationWords.COUNTS.forEach(
                (f, w) -> {
                    if (s.has(f)) {
                        int n = s.get(f).asInt();
                        said.add(n + " " + NotationWords.counted(w, n));
                    }
                });
        NotationWords.FLAGS.forEach(
                (f, w) -> {
                    if (s.has(f)) {
                        said.add(s.get(f).asBoolean() ? w : w.replaceFirst(" ", " not "));
                    }
                });
        if (s.has("method")) {
            said.add("by " + s.get("method").asString());
        }
        if (s.has("flow")) {
            said.add("flowing " + s.get("flow").asString());
        }
        if (s.has("endPoint")) {
            said.add("until " + s.get("endPoint").asString());
        }
        if (s.has("readings")) {
            List<String> all = new ArrayList<>();
            s.get("readings").forEach(r -> all.add(r.asString()));
            said.add("reading " + String.join("+", all));
        }
        if (!said.isEmpty()) {
            b.append(' ').append(String.join(", ", said));
        }
        return b.append(" #").append(s.get("id").asString()).toString();
    }

    private static String quantity(JsonNode q) {
        return q.isNumber()
                ? number(q) + " min"
                : number(q.get("value")) + " " + q.get("unit").asString();
    }

    private static String number(JsonNode n) {
        double d = n.asDouble();
        return d == Math.rint(d) && Math.abs(d) < 1e15
                ? String.valueOf((long) d)
                : String.valueOf(d);
    }
}
