package orthopur.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Reads one line of the notation from left to right; nothing is guessed. */
final class NotationLine {
    private static final Pattern ID = Pattern.compile("\\s#([a-z0-9][a-z0-9-]{0,39})\\s*$");
    private static final Pattern WHEN =
            Pattern.compile("if\\s+([a-z0-9-]+)\\s*=\\s*([a-z0-9-]+)\\s*:\\s*");
    private static final Pattern IN_LOOP = Pattern.compile("in loop\\s+([a-z0-9][a-z0-9-]{0,39})");
    private static final String NUMBER = "([-+]?[0-9]+(?:[.,][0-9]+)?(?:[eE][-+]?[0-9]+)?)";
    private static final Pattern QUANTITY =
            Pattern.compile(NUMBER + "\\s*([°A-Za-z%][A-Za-z/]*(?: oz)?)");
    private static final Pattern QUOTED = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"");
    private static final Pattern BARE = Pattern.compile("[^,;#\"`]+");
    static final String TAKES = "takes";
    static final String PEOPLE = "people";
    static final String LOOP = "in loop";
    static final String PHOTO = "photo";
    static final String AS_FOUND = "as found";

    private final NotationNames names;
    private final String line;
    private final int number;
    private final List<Notation.Slip> slips;
    private final ObjectNode step = Json.shared().createObjectNode();
    private int at;
    private int end;
    private ActionTable.@Nullable ActionInfo action;

    NotationLine(NotationNames names, String line, int number, List<Notation.Slip> slips) {
        this.names = names;
        this.line = line;
        this.number = number;
        this.slips = slips;
    }

    /** The action of the verb, once that is read. */
    private ActionTable.ActionInfo action() {
        return Objects.requireNonNull(action);
    }

    /** The step as far as it was understood; null where its verb was not. */
    @Nullable ObjectNode read() {
        end = line.length();
        Matcher id = ID.matcher(line);
        if (id.find()) {
            step.put("id", id.group(1));
            end = id.start();
        }
        skip();
        Matcher when = WHEN.matcher(line).region(at, end);
        if (when.lookingAt()) {
            step.put("when", when.group(1) + "=" + when.group(2));
            at = when.end();
        }
        if (!verb()) {
            return null;
        }
        while (skip() < end) {
            boolean read =
                    ofEveryStep()
                            || texts()
                            || chemical()
                            || quantities()
                            || counts()
                            || flags()
                            || words()
                            || things();
            if (!read) {
                unknown();
            }
        }
        return step;
    }

    private int skip() {
        while (at < end && " \t,;".indexOf(line.charAt(at)) >= 0) {
            at++;
        }
        if (line.startsWith("and ", at)) {
            at += 4;
            return skip();
        }
        return at;
    }

    private boolean verb() {
        String found = null;
        String name = null;
        for (Map.Entry<String, List<String>> e : ActionTable.verbsByAction().entrySet()) {
            for (String v : e.getValue()) {
                if (here(v) && (found == null || v.length() > found.length())) {
                    found = v;
                    name = e.getKey();
                }
            }
        }
        if (found == null || name == null) {
            String word = word();
            slip(
                    at,
                    word,
                    Text.of("notation.verb", "No step begins with \"{0}\".", word),
                    NotationNames.nearest(
                            word,
                            ActionTable.verbsByAction().values().stream()
                                    .flatMap(List::stream)
                                    .toList()));
            return false;
        }
        at += found.length();
        if (at < end && line.charAt(at) == ':') {
            at++;
        }
        int slash = name.indexOf('/');
        action = ActionTable.named(slash < 0 ? name : name.substring(0, slash));
        step.put("action", action().name());
        if (slash > 0) {
            step.put("mode", name.substring(slash + 1));
        }
        return true;
    }

    /** Whether a word stands here, whole. */
    private boolean here(String word) {
        int after = at + word.length();
        return line.regionMatches(true, at, word, 0, word.length())
                && after <= end
                && (after == end
                        || !Character.isLetterOrDigit(word.charAt(word.length() - 1))
                        || !Character.isLetterOrDigit(line.charAt(after)));
    }

    /** What any step may say: the loop it belongs to, a photo, the condition as found. */
    private boolean ofEveryStep() {
        Matcher loop = IN_LOOP.matcher(line).region(at, end);
        if (loop.lookingAt()) {
            step.put("loop", loop.group(1));
            at = loop.end();
            return true;
        }
        for (Map.Entry<String, String> flag :
                Map.of(PHOTO, "photo", AS_FOUND, "asFound").entrySet()) {
            if (here(flag.getKey())) {
                step.put(flag.getValue(), true);
                at += flag.getKey().length();
                return true;
            }
        }
        return false;
    }

    /** Fields of a kind that the action takes, those of everybody's steps left out. */
    private List<StatedField> fields(StatedField.Kind... kinds) {
        List<StatedField.Kind> any = List.of(kinds);
        return action().fields().stream().filter(f -> any.contains(f.kind())).toList();
    }

    private boolean texts() {
        for (StatedField f : fields(StatedField.Kind.TEXT, StatedField.Kind.TEXTS)) {
            boolean several = f.kind() == StatedField.Kind.TEXTS;
            if (f.word().isEmpty() || !several && step.has(f.name()) || !here(f.word())) {
                continue;
            }
            int before = at;
            at += f.word().length();
            String text = text();
            if (text == null) {
                at = before;
                return false;
            }
            if (several) {
                list(f.name()).add(text);
            } else {
                step.put(f.name(), text);
            }
            return true;
        }
        return false;
    }

    /** A text in quotes, or as far as the next comma. */
    private @Nullable String text() {
        while (at < end && line.charAt(at) == ' ') {
            at++;
        }
        Matcher quoted = QUOTED.matcher(line).region(at, end);
        if (quoted.lookingAt()) {
            at = quoted.end();
            return quoted.group(1).replaceAll("\\\\(.)", "$1");
        }
        Matcher bare = BARE.matcher(line).region(at, end);
        if (!bare.lookingAt()) {
            return null;
        }
        String all = bare.group();
        int stop = all.length();
        for (String word : List.of(" with ", " at ", " for ", " wet ", " by ", " until ")) {
            int i = all.indexOf(word);
            stop = i > 0 ? Math.min(stop, i) : stop;
        }
        at += stop;
        return all.substring(0, stop).strip();
    }

    private ArrayNode list(String field) {
        return step.has(field) ? (ArrayNode) step.get(field) : step.putArray(field);
    }

    private boolean chemical() {
        if (fields(StatedField.Kind.CHEMICAL).isEmpty() || !here("with")) {
            return false;
        }
        at += 4;
        skip();
        NotationNames.Thing c = name(List.of("chemical"));
        if (c == null) {
            unknown();
        } else {
            step.put("chemical", c.id());
        }
        return true;
    }

    private boolean quantities() {
        int before = at;
        if (here(TAKES) && !step.has("minutes")) {
            at += TAKES.length();
            skip();
            Matcher q = QUANTITY.matcher(line).region(at, end);
            if (q.lookingAt() && q.group(2).equals("min")) {
                step.put("minutes", number(q.group(1)));
                at = q.end();
                return true;
            }
            at = before;
        }
        for (StatedField f : fields(StatedField.Kind.QUANTITY)) {
            if (step.has(f.name())) {
                continue;
            }
            if (!f.word().isEmpty()) {
                if (!here(f.word())) {
                    continue;
                }
                at += f.word().length();
                skip();
            }
            Matcher q = QUANTITY.matcher(line).region(at, end);
            if (q.lookingAt() && (!f.word().isEmpty() || f.units().contains(q.group(2)))) {
                step.putObject(f.name()).put("value", number(q.group(1))).put("unit", q.group(2));
                at = q.end();
                return true;
            }
            at = before;
        }
        for (StatedField f : fields(StatedField.Kind.NUMBER)) {
            Matcher n = Pattern.compile(f.word() + "\\s*" + NUMBER).matcher(line).region(at, end);
            if (n.lookingAt()) {
                step.put(f.name(), number(n.group(1)));
                at = n.end();
                return true;
            }
        }
        return false;
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    private boolean counts() {
        for (StatedField f : fields(StatedField.Kind.COUNT)) {
            if (count(f.name(), f.word())) {
                return true;
            }
        }
        return count("people", PEOPLE);
    }

    private boolean count(String field, String word) {
        Matcher n =
                Pattern.compile("([0-9]{1,4})\\s+(?:" + word + "|" + counted(word, 1) + ")\\b")
                        .matcher(line)
                        .region(at, end);
        if (n.lookingAt()) {
            step.put(field, Integer.parseInt(n.group(1)));
            at = n.end();
            return true;
        }
        return false;
    }

    /** The word behind a number: one person, two people. */
    static String counted(String word, int n) {
        if (n != 1 || !word.endsWith("s")) {
            return n == 1 && word.equals(PEOPLE) ? "person" : word;
        }
        return word.substring(0, word.length() - 1);
    }

    private boolean flags() {
        for (StatedField f : fields(StatedField.Kind.FLAG)) {
            String not = f.word().replaceFirst(" ", " not ");
            boolean off = not.contains(" ") && here(not);
            if (off || here(f.word())) {
                step.put(f.name(), !off);
                at += off ? not.length() : f.word().length();
                return true;
            }
        }
        return false;
    }

    /** How it is brought on, when it is over, what is read, what is fetched. */
    private boolean words() {
        for (StatedField f : fields(StatedField.Kind.CHOICE)) {
            if (!f.word().isEmpty() && here(f.word())) {
                return chosen(f.word(), f.name(), f.choices());
            }
        }
        for (StatedField f : fields(StatedField.Kind.CHOICES)) {
            if (here(f.word())) {
                at += f.word().length();
                skip();
                while (chosenFrom(f.name(), f.choices())) {
                    at += at < end && line.charAt(at) == '+' ? 1 : 0;
                }
                return true;
            }
        }
        for (StatedField f : fields(StatedField.Kind.TEXTS)) {
            String text = f.word().isEmpty() ? text() : null;
            if (text != null && !text.isBlank()) {
                list(f.name()).add(text);
                return true;
            }
        }
        return false;
    }

    private boolean chosen(String word, String field, List<String> known) {
        int before = at;
        at += word.length();
        skip();
        for (String k : known) {
            if (here(k) || here(k.replace('-', ' '))) {
                step.put(field, k);
                at += k.length();
                return true;
            }
        }
        String wrong = word();
        slip(
                at,
                wrong,
                Text.of(
                        "notation.choice",
                        "\"{0}\" is not one of {1}.",
                        wrong,
                        String.join(", ", known)),
                NotationNames.nearest(wrong, known));
        at = Math.max(before + 1, at + wrong.length());
        return true;
    }

    private boolean chosenFrom(String field, List<String> known) {
        for (String k : known) {
            if (here(k)) {
                list(field).add(k);
                at += k.length();
                return true;
            }
        }
        return false;
    }

    private boolean things() {
        NotationNames.Thing t =
                name(fields(StatedField.Kind.NAMES).stream().map(StatedField::name).toList());
        if (t != null) {
            list(t.field()).add(t.id());
        }
        return t != null;
    }

    private NotationNames.@Nullable Thing name(List<String> fields) {
        if (at < end && line.charAt(at) == '`') {
            int close = line.indexOf('`', at + 1);
            NotationNames.Thing t =
                    close < 0 ? null : names.byId(line.substring(at + 1, close), fields);
            at = t == null ? at : close + 1;
            return t;
        }
        NotationNames.Thing t = names.at(line, at, fields);
        at += t == null ? 0 : t.name().length();
        return t;
    }

    private String word() {
        Matcher w = Pattern.compile("\"[^\"]*\"|[^\\s,;:]+").matcher(line).region(at, end);
        return w.lookingAt() ? w.group() : line.substring(at, Math.min(end, at + 1));
    }

    private void unknown() {
        String word = word();
        slip(
                at,
                word,
                Text.of("notation.word", "\"{0}\" is not understood here.", word.replace("\"", "")),
                names.nearest(word.toLowerCase(Locale.ROOT)));
        at += Math.max(1, word.length());
    }

    private void slip(int place, String word, Text said, List<String> nearest) {
        slips.add(new Notation.Slip(number, place + 1, word, said, nearest));
    }

    static String quoted(String text) {
        return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
    }

    /** Texts in quotes, or between commas. */
    static List<String> texts(String value) {
        List<String> all = new ArrayList<>();
        int at = 0;
        while (at < value.length()) {
            Matcher quoted = QUOTED.matcher(value).region(at, value.length());
            Matcher bare = Pattern.compile("[^,\"]+").matcher(value).region(at, value.length());
            if (quoted.lookingAt()) {
                all.add(quoted.group(1).replaceAll("\\\\(.)", "$1"));
                at = quoted.end();
            } else if (bare.lookingAt()) {
                if (!bare.group().isBlank()) {
                    all.add(bare.group().strip());
                }
                at = bare.end();
            } else {
                at++;
            }
        }
        return all;
    }
}
