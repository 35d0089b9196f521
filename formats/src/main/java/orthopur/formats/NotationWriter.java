package orthopur.formats;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a step as its line: verb, things, parameters in one order, id. */
final class NotationWriter {
    private final NotationNames names;

    NotationWriter(NotationNames names) {
        this.names = names;
    }

    String line(ObjectNode s) {
        String action = s.get("action").asString();
        List<StatedField> fields = ActionTable.known(action).fields();
        StringBuilder b = new StringBuilder();
        if (s.has("when")) {
            b.append("if ").append(s.get("when").asString().replace("=", " = ")).append(": ");
        }
        String verb = s.has("mode") ? action + "/" + s.get("mode").asString() : action;
        b.append(ActionTable.verbsByAction().getOrDefault(verb, List.of(verb)).getFirst());
        List<String> named = new ArrayList<>();
        List<String> said = new ArrayList<>();
        List<String> mine =
                fields.stream().filter(StatedField::names).map(StatedField::name).toList();
        for (String f : mine) {
            s.path(f).forEach(i -> named.add(names.shown(i.asString(), f, mine)));
        }
        // Names have commas in them: only a semicolon keeps two of them apart for certain.
        if (!named.isEmpty()) {
            said.add(String.join("; ", named));
        }
        for (StatedField.Kind kind : ORDER) {
            for (StatedField f : fields) {
                JsonNode v = s.get(f.name());
                if (f.kind() == kind && v != null) {
                    say(f, v, said);
                }
            }
        }
        if (s.has("minutes")) {
            said.add(NotationLine.TAKES + " " + number(s.get("minutes")) + " min");
        }
        if (s.has("people")) {
            said.add(counted(NotationLine.PEOPLE, s.get("people").asInt()));
        }
        if (s.has("loop")) {
            said.add(NotationLine.LOOP + " " + s.get("loop").asString());
        }
        if (s.path("photo").asBoolean(false)) {
            said.add(NotationLine.PHOTO);
        }
        if (s.path("asFound").asBoolean(false)) {
            said.add(NotationLine.AS_FOUND);
        }
        if (!said.isEmpty()) {
            b.append(' ').append(String.join(", ", said));
        }
        return b.append(" #").append(s.get("id").asString()).toString();
    }

    /** In the order in which a person would say it; what is chosen comes last. */
    private static final List<StatedField.Kind> ORDER =
            List.of(
                    StatedField.Kind.TEXTS,
                    StatedField.Kind.TEXT,
                    StatedField.Kind.CHEMICAL,
                    StatedField.Kind.QUANTITY,
                    StatedField.Kind.NUMBER,
                    StatedField.Kind.COUNT,
                    StatedField.Kind.FLAG,
                    StatedField.Kind.CHOICE,
                    StatedField.Kind.CHOICES);

    private void say(StatedField f, JsonNode v, List<String> said) {
        String word = f.word().isEmpty() ? "" : f.word() + " ";
        switch (f.kind()) {
            case NAMES -> {}
            case TEXT -> said.add(word + NotationLine.quoted(v.asString()));
            case TEXTS -> v.forEach(t -> said.add(word + NotationLine.quoted(t.asString())));
            case CHEMICAL ->
                    said.add(word + names.shown(v.asString(), f.name(), List.of(f.name())));
            case QUANTITY ->
                    said.add(word + number(v.get("value")) + " " + v.get("unit").asString());
            case NUMBER -> said.add(word + number(v));
            case COUNT -> said.add(counted(f.word(), v.asInt()));
            case FLAG -> said.add(v.asBoolean() ? f.word() : f.word().replaceFirst(" ", " not "));
            case CHOICE -> {
                if (!word.isEmpty()) {
                    said.add(word + v.asString());
                }
            }
            case CHOICES ->
                    said.add(
                            word
                                    + String.join(
                                            "+", v.valueStream().map(JsonNode::asString).toList()));
        }
    }

    private static String counted(String word, int n) {
        return n + " " + NotationLine.counted(word, n);
    }

    private static String number(JsonNode n) {
        double d = n.asDouble();
        return d == Math.rint(d) && Math.abs(d) < 1e15
                ? String.valueOf((long) d)
                : String.valueOf(d);
    }
}
