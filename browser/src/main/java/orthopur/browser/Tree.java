package orthopur.browser;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;
import org.teavm.jso.core.JSArrayReader;
import orthopur.text.Text;

/**
 * A value of JSON, read by name. What is absent and what is null are one; an absent list or map is
 * empty, since the core's files leave empty ones out.
 */
final class Tree {
    private final JSObject value;

    Tree(JSObject value) {
        this.value = value;
    }

    @Nullable Tree at(String name) {
        return has(value, name) ? new Tree(get(value, name)) : null;
    }

    Tree need(String name) {
        Tree t = at(name);
        if (t == null) {
            throw new IllegalArgumentException("There is no \"" + name + "\".");
        }
        return t;
    }

    String text(String name) {
        return need(name).asText();
    }

    @Nullable String textOrNull(String name) {
        Tree t = at(name);
        return t == null ? null : t.asText();
    }

    String asText() {
        return string(value);
    }

    /** A sentence; where an older page kept its English alone, that. */
    Text said(String name) {
        return need(name).asSaid();
    }

    private Text asSaid() {
        return kind(value).equals("string")
                ? Text.plain(asText())
                : Text.said(
                        Objects.requireNonNullElse(textOrNull("id"), ""),
                        text("english"),
                        list("args", Tree::asArgument));
    }

    private Object asArgument() {
        return switch (kind(value)) {
            case "string" -> asText();
            case "number" -> number(value);
            case "list" -> items(Tree::asArgument);
            default -> asSaid();
        };
    }

    double number(String name) {
        return number(need(name).value);
    }

    @Nullable Double numberOrNull(String name) {
        Tree t = at(name);
        return t == null ? null : Double.valueOf(number(t.value));
    }

    long whole(String name) {
        return (long) number(name);
    }

    int count(String name) {
        return (int) number(name);
    }

    boolean flag(String name) {
        Tree t = at(name);
        return t != null && bool(t.value);
    }

    <T> List<T> list(String name, Function<Tree, T> each) {
        Tree t = at(name);
        return t == null ? List.of() : t.items(each);
    }

    <T> List<T> items(Function<Tree, T> each) {
        JSArrayReader<JSObject> items = items(value);
        List<T> all = new ArrayList<>(items.getLength());
        for (int i = 0; i < items.getLength(); i++) {
            all.add(each.apply(new Tree(items.get(i))));
        }
        return all;
    }

    List<String> texts(String name) {
        return list(name, Tree::asText);
    }

    <T> Map<String, T> map(String name, Function<Tree, T> each) {
        Tree t = at(name);
        return t == null ? Map.of() : t.map(each);
    }

    <T> Map<String, T> map(Function<Tree, T> each) {
        Map<String, T> all = new LinkedHashMap<>();
        for (String key : keys(value)) {
            all.put(key, each.apply(new Tree(get(value, key))));
        }
        return all;
    }

    static double asNumber(Tree t) {
        return number(t.value);
    }

    @JSBody(
            params = {"o", "name"},
            script = "return o[name] !== undefined && o[name] !== null;")
    private static native boolean has(JSObject o, String name);

    @JSBody(
            params = {"o", "name"},
            script = "return o[name];")
    private static native JSObject get(JSObject o, String name);

    @JSBody(params = "o", script = "return Array.isArray(o) ? 'list' : typeof o;")
    private static native String kind(JSObject o);

    @JSBody(params = "o", script = "return String(o);")
    private static native String string(JSObject o);

    @JSBody(params = "o", script = "return typeof o === 'number' ? o : NaN;")
    private static native double number(JSObject o);

    @JSBody(params = "o", script = "return o === true;")
    private static native boolean bool(JSObject o);

    @JSBody(params = "o", script = "return o;")
    private static native JSArrayReader<JSObject> items(JSObject o);

    @JSBody(params = "o", script = "return Object.keys(o);")
    private static native String[] keys(JSObject o);
}
