package orthopur.browser;

import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSBody;
import orthopur.text.Text;

/** JSON as it is written, from its beginning to its end. What is null is left out. */
final class JsonText {
    private final StringBuilder text = new StringBuilder();

    @Override
    public String toString() {
        return text.toString();
    }

    JsonText open() {
        between();
        text.append('{');
        return this;
    }

    JsonText close() {
        text.append('}');
        return this;
    }

    /** A comma, unless this is the first of its kind. */
    private void between() {
        char last = text.isEmpty() ? '{' : text.charAt(text.length() - 1);
        if (last != '{' && last != '[' && last != ':') {
            text.append(',');
        }
    }

    JsonText name(String name) {
        between();
        text.append(quoted(name)).append(':');
        return this;
    }

    void value(String value) {
        between();
        text.append(quoted(value));
    }

    void value(long value) {
        between();
        text.append(value);
    }

    JsonText text(String name, @Nullable String value) {
        if (value != null) {
            name(name).value(value);
        }
        return this;
    }

    /** A sentence by its id and arguments, and in English. */
    JsonText said(String name, Text value) {
        name(name).value(value);
        return this;
    }

    void value(Text value) {
        open().text("id", value.id()).text("english", value.toString());
        list("args", value.args(), this::argument).close();
    }

    /** Sentences, words and numbers. */
    void each(List<?> all) {
        between();
        text.append('[');
        all.forEach(this::argument);
        text.append(']');
    }

    JsonText each(String name, List<?> all) {
        name(name).each(all);
        return this;
    }

    private void argument(Object arg) {
        switch (arg) {
            case Text t -> value(t);
            case List<?> all -> each(all);
            case Number n -> {
                between();
                text.append(shortest(n.doubleValue()));
            }
            default -> value(arg.toString());
        }
    }

    /** JSON knows no infinity and no NaN: such a figure is left out. */
    JsonText number(String name, @Nullable Double value) {
        if (value != null && Double.isFinite(value)) {
            name(name);
            text.append(shortest(value));
        }
        return this;
    }

    JsonText whole(String name, @Nullable Long value) {
        if (value != null) {
            name(name).value(value.longValue());
        }
        return this;
    }

    JsonText flag(String name, boolean value) {
        name(name);
        text.append(value);
        return this;
    }

    <T> JsonText list(String name, List<T> all, Consumer<T> each) {
        name(name);
        text.append('[');
        all.forEach(each);
        text.append(']');
        return this;
    }

    JsonText texts(String name, List<String> all) {
        return list(name, all, this::value);
    }

    void values(List<String> all) {
        between();
        text.append('[');
        all.forEach(this::value);
        text.append(']');
    }

    <T> JsonText map(String name, Map<String, T> all, Consumer<T> each) {
        name(name);
        values(all, each);
        return this;
    }

    <T> void values(Map<String, T> all, Consumer<T> each) {
        open();
        all.forEach(
                (key, value) -> {
                    name(key);
                    each.accept(value);
                });
        close();
    }

    @JSBody(params = "s", script = "return JSON.stringify(s);")
    private static native String quoted(String s);

    @JSBody(params = "d", script = "return String(d);")
    private static native String shortest(double d);
}
