package orthopur.cli;

import java.io.PrintStream;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthopur.calculation.CalcAnswer;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.calculation.Calculation;
import orthopur.calculation.Calculations;
import orthopur.calculation.RefusedInput;
import orthopur.formats.CalcDocument;
import orthopur.formats.Json;
import orthopur.quantity.Show;
import orthopur.rulebook.PublicCodes;
import orthopur.text.Text;

/** {@code calc NAME key=value… [--json]}: exit 0, or 2 for an input that is refused. */
final class Calc {
    private final PrintStream out;
    private final PrintStream err;

    Calc(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    private record Refusal(Detail error) {
        record Detail(String key, String message, String allowed) {}
    }

    int run(List<String> args) {
        boolean json = args.contains("--json");
        List<String> rest = args.stream().filter(a -> !a.equals("--json")).toList();
        if (rest.isEmpty()) {
            err.println("calc needs a name:");
            for (Calculation c : Calculations.all()) {
                err.println("  " + c.name() + " " + String.join(" ", c.keys()));
            }
            return Main.UNREADABLE;
        }
        Map<String, String> inputs = new LinkedHashMap<>();
        try {
            for (String pair : rest.subList(1, rest.size())) {
                int at = pair.indexOf('=');
                if (at < 1) {
                    throw new RefusedInput(
                            pair,
                            Text.plain("\"%s\" is not key=value.".formatted(pair)),
                            Text.plain("key=value"));
                }
                inputs.put(pair.substring(0, at), pair.substring(at + 1));
            }
            CalcAnswer a = Calculations.compute(rest.getFirst(), inputs, PublicCodes.book());
            if (json) {
                out.print(Json.write(CalcDocument.of(a)));
            } else {
                print(a);
            }
            return Main.NOTHING;
        } catch (RefusedInput e) {
            if (json) {
                out.print(
                        Json.write(
                                new Refusal(
                                        new Refusal.Detail(
                                                e.key(), e.getMessage(), e.allowed().toString()))));
            } else {
                err.println(e.getMessage());
            }
            return Main.UNREADABLE;
        }
    }

    private void print(CalcAnswer a) {
        if (a.result() != null) {
            out.println(shown(a.result()));
        }
        if (a.verdict() != null) {
            out.println("verdict: " + a.verdict());
        }
        a.also().forEach((k, v) -> out.println(k + ": " + (v instanceof Amount x ? shown(x) : v)));
        out.println(a.formula());
        a.assumptions().forEach(s -> out.println("– " + s));
    }

    private static String shown(Amount a) {
        return Show.number(a.value()) + " " + a.unit();
    }
}
