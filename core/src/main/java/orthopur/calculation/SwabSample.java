package orthopur.calculation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.UnitText;
import orthopur.release.SwabRota;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/**
 * Which sites to swab: every site once in so many rounds, the riskiest first, in an order nobody
 * can foresee without the seed.
 */
final class SwabSample implements Calculation {
    @Override
    public String name() {
        return "sample";
    }

    @Override
    public List<String> keys() {
        return List.of("sites", "rounds", "risk?", "seed?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        List<String> sites =
                new ArrayList<>(
                        Arrays.stream(in.text("sites").split("[,;]"))
                                .map(String::strip)
                                .filter(s -> !s.isEmpty())
                                .distinct()
                                .toList());
        if (sites.size() == 1 && sites.getFirst().matches("[0-9]{1,3}")) {
            int many = Integer.parseInt(sites.getFirst());
            sites.clear();
            for (int i = 1; i <= many; i++) {
                sites.add("site " + i);
            }
        }
        if (sites.isEmpty() || sites.size() > 1000) {
            throw new RefusedInput(
                    "sites",
                    Text.of(
                            "calc.swab-sample.the-input-sites-names-no-site",
                            "The input sites names no site."),
                    Text.of("calc.swab-sample.to-names", "1 to 1,000 names"));
        }
        int rounds = (int) in.number("rounds", "", 1, 365);
        Map<String, Double> risk = risk(in, sites);
        long seed = in.has("seed") ? (long) in.number("seed", "", 0, 1e15) : 0;
        SwabRota rota =
                new SwabRota(
                        sites.stream()
                                .map(s -> new SwabRota.Site(s, risk.getOrDefault(s, 1.0)))
                                .toList(),
                        rounds,
                        seed);
        int perRound = rota.perRound();
        List<Text> schedule = new ArrayList<>();
        for (int r = 0; r < rounds; r++) {
            schedule.add(
                    Text.of(
                            "calc.swab-sample.round",
                            "round {0}: {1}",
                            r + 1,
                            String.join(", ", rota.of(r))));
        }
        return new Worked(this, in)
                .result(perRound, "sites")
                .also("tonight", Text.plain(String.join(", ", rota.of(0))))
                .also("schedule", schedule)
                .assume(
                        Text.of(
                                "calc.swab-sample.repeat-the-schedule-then-each-site",
                                "Repeat the schedule: then each site is seen at least every {0} rounds.",
                                rounds))
                .formula(
                        Text.of(
                                "calc.swab-sample.formula",
                                "⌈{0} sites ÷ {1} rounds⌉ = {2}",
                                sites.size(),
                                rounds,
                                perRound));
    }

    private static Map<String, Double> risk(CalcInputs in, List<String> sites) {
        Map<String, Double> risk = new HashMap<>();
        if (!in.has("risk")) {
            return risk;
        }
        Text allowed =
                Text.of(
                        "calc.swab-sample.blade-guard-with-sites-of-the",
                        "blade:3,guard:1 with sites of the list, 0 to 100");
        for (String[] pair : in.pairs("risk", ":", allowed)) {
            try {
                double v = UnitText.split("risk", pair[1]).value();
                if (!sites.contains(pair[0]) || v < 0 || v > 100) {
                    throw new RefusedInput(
                            "risk",
                            Text.of(
                                    "calc.swab-sample.does-not-fit",
                                    "\"{0}:{1}\" does not fit.",
                                    pair[0],
                                    pair[1]),
                            allowed);
                }
                risk.put(pair[0], v);
            } catch (OutOfRange e) {
                throw new RefusedInput("risk", e.said(), allowed);
            }
        }
        return risk;
    }
}
