package orthopur.browser;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.teavm.jso.JSExport;
import org.teavm.jso.JSObject;
import orthopur.calculation.CalcAnswer;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.calculation.Calculation;
import orthopur.calculation.Calculations;
import orthopur.calculation.RefusedInput;
import orthopur.rulebook.Figure;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** All calculations, by the rule book of the site. */
public final class Calculator {
    private final RuleBook book;

    private Calculator(RuleBook book) {
        this.book = book;
    }

    /**
     * @param figures those that the site has set otherwise, by id: {@code {value, why}}
     */
    @JSExport
    public static Calculator by(String version, JSObject figures) {
        RuleBook codes = PublicCodes.book();
        Map<String, Figure> set = new HashMap<>();
        new Tree(figures)
                .map(t -> t)
                .forEach(
                        (id, t) ->
                                set.put(
                                        id,
                                        codes.figure(id).with(t.number("value"), t.text("why"))));
        return new Calculator(set.isEmpty() ? codes : codes.with(version, set));
    }

    /**
     * The mixing bench by the same book.
     *
     * @param pack products, vessels, instruments and water of the site, as the server gives them
     */
    @JSExport
    public MixingTable bench(JSObject pack) {
        return new MixingTable(new Tree(pack), book);
    }

    /** Names and keys of all of them: {@code {calculations: [{name, keys}]}}. */
    @JSExport
    public static String list() {
        JsonText to = new JsonText().open();
        return to.list(
                        "calculations",
                        Calculations.all(),
                        (Calculation c) ->
                                to.open().text("name", c.name()).texts("keys", c.keys()).close())
                .close()
                .toString();
    }

    /**
     * @param inputs texts with their units, by key
     * @return the answer in the form that the server gives; its words as sentences with ids; or
     *     {@code {key, said, allowed}} of an input that is refused
     */
    @JSExport
    public String compute(String name, JSObject inputs) {
        JsonText to = new JsonText().open();
        try {
            Map<String, String> in = new Tree(inputs).map(Tree::asText);
            answer(to, Calculations.compute(name, in, book));
        } catch (RefusedInput x) {
            to.text("key", x.key());
            to.said("said", x.said()).said("allowed", x.allowed());
        }
        return to.close().toString();
    }

    private static void answer(JsonText to, CalcAnswer a) {
        to.text("name", a.name()).map("inputs", a.inputs(), to::value);
        Amount result = a.result();
        if (result != null) {
            amount(to.name("result"), result);
        }
        to.map("also", a.also(), x -> also(to, x))
                .text("verdict", a.verdict())
                .said("formula", a.formula())
                .list("assumptions", a.assumptions(), to::value);
    }

    private static void also(JsonText to, Object x) {
        switch (x) {
            case Amount amount -> amount(to, amount);
            case Text t -> to.value(t);
            case List<?> all -> to.each(all);
            default -> to.value(String.valueOf(x));
        }
    }

    private static void amount(JsonText to, Amount a) {
        to.open().number("value", a.value()).text("unit", a.unit()).close();
    }
}
