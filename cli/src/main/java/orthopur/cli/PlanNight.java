package orthopur.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import orthopur.formats.FormatError;
import orthopur.formats.NightFormat;
import orthopur.machine.Frequency;
import orthopur.machine.Problem;
import orthopur.night.Greedy;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.PlanCheck;
import orthopur.night.SiteNight;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.rules.lockout.OldEnough;
import orthopur.solver.Planners;
import orthopur.text.Text;

/**
 * {@code plan FILE|--demo [--seconds N] [--json]}: the plan of a night; exit 1 where something is
 * left out.
 */
final class PlanNight {
    /** The same night gives the same plan; that takes as long as it takes, but not for ever. */
    private static final double LONGEST = 600;

    private static final int NIGHT = 480;

    private static final int TANK_CELSIUS = 65;

    private final PrintStream out;
    private final PrintStream err;

    PlanNight(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    int run(List<String> args) {
        Path file = null;
        boolean demo = false;
        boolean json = false;
        double seconds = LONGEST;
        for (int i = 0; i < args.size(); i++) {
            String a = args.get(i);
            switch (a) {
                case "--json" -> json = true;
                case "--demo" -> demo = true;
                case "--seconds" -> {
                    String value = i + 1 < args.size() ? args.get(++i) : "";
                    seconds = seconds(value);
                    if (seconds <= 0) {
                        err.println(
                                "--seconds needs a number from 0.1 to 600; \""
                                        + value
                                        + "\" is none.");
                        return Main.UNREADABLE;
                    }
                }
                default -> {
                    if (a.startsWith("--") || file != null) {
                        err.println(
                                "plan knows no \""
                                        + a
                                        + "\": plan FILE|--demo [--seconds N] [--json].");
                        return Main.UNREADABLE;
                    }
                    file = Path.of(a);
                }
            }
        }
        if ((file == null) == !demo) {
            err.println("plan needs a file or --demo: plan FILE|--demo [--seconds N] [--json].");
            return Main.UNREADABLE;
        }
        try {
            Night night = file == null ? demo() : NightFormat.read(SiteFiles.read(file)).night();
            return plan(night, seconds, json);
        } catch (FormatError e) {
            return Main.unreadable(err, e);
        }
    }

    private static double seconds(String value) {
        try {
            double n = Double.parseDouble(value);
            return n >= 0.1 && n <= LONGEST ? n : -1;
        } catch (NumberFormatException e) {
            return -1;
        }
    }

    private int plan(Night night, double seconds, boolean json) {
        Plan plan = Planners.here().plan(night, seconds);
        if (json) {
            out.println(NightFormat.write(plan).strip());
        } else {
            print(night, plan);
        }
        return plan.unplaced().isEmpty() ? Main.NOTHING : Main.FINDINGS;
    }

    private void print(Night night, Plan plan) {
        Map<String, Night.Job> jobs = night.byId();
        plan.tasks()
                .forEach(
                        t ->
                                out.printf(
                                        Locale.ROOT,
                                        "%4d–%4d  %-28s %-10s %s%n",
                                        t.from(),
                                        t.to(),
                                        t.hands() ? String.join(", ", t.people()) : "by itself",
                                        t.place() == null ? "" : t.place(),
                                        Objects.requireNonNull(jobs.get(t.id())).name()));
        plan.unplaced()
                .forEach(
                        u ->
                                out.println(
                                        "left out  "
                                                + u.id()
                                                + ": "
                                                + u.reason()
                                                + ". What would help: "
                                                + u.price()
                                                + "."));
        plan.levels()
                .forEach(
                        l ->
                                out.printf(
                                        Locale.ROOT,
                                        "%-12s %6.0f  %s%n",
                                        l.aim().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                                        l.value(),
                                        l.proved()
                                                ? "nothing is better"
                                                : String.format(
                                                        Locale.ROOT,
                                                        "at least %.0f, gap %.1f %%",
                                                        l.bound(),
                                                        l.gapPercent())));
        Plan people = new Greedy().plan(night, 1);
        out.printf(
                Locale.ROOT,
                "%s in %.1f s; it ends at minute %d. As people would do it: minute %d, %d left out.%n",
                plan.status().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                plan.seconds(),
                plan.end(),
                people.end(),
                people.unplaced().size());
        PlanCheck.faults(night, plan).forEach(f -> out.println("NOT VALID: " + f));
    }

    /** A night of the demo site in which every machine has its daily clean. */
    private static Night demo() {
        Path root = Path.of(System.getProperty("orthopur.demo", "demo"));
        SiteFiles site = SiteFiles.around(root.resolve("site.json"));
        List<SiteNight.Clean> cleans = new ArrayList<>();
        Set<String> machines = new HashSet<>();
        for (Path p : procedures(root)) {
            Procedure procedure = site.procedureOf(p);
            Frequency kind = procedure.kind();
            boolean daily = kind == Frequency.DAILY || kind == Frequency.END_OF_SHIFT;
            if (daily && machines.add(procedure.sheet())) {
                var sheet = site.sheet(null, procedure.sheet());
                cleans.add(
                        new SiteNight.Clean(
                                procedure,
                                sheet,
                                true,
                                true,
                                OldEnough.concerns(sheet),
                                Step::minutes));
            }
        }
        return SiteNight.of(
                        new SiteNight.Evening(
                                NIGHT,
                                0,
                                cleans,
                                site.members(),
                                site.premises(TANK_CELSIUS),
                                new Night.Heater(400, 18 * 60 / (4.186 * 53)),
                                List.of(),
                                List.of(),
                                null))
                .night();
    }

    private static List<Path> procedures(Path root) {
        try (Stream<Path> files = Files.list(root.resolve("procedures"))) {
            return files.filter(f -> f.toString().endsWith(".json"))
                    .filter(f -> !f.toString().contains("draft"))
                    .sorted()
                    .toList();
        } catch (IOException e) {
            throw new FormatError(
                    List.of(
                            new Problem(
                                    "",
                                    Text.plain(
                                            "The procedures of the demo cannot be read: %s"
                                                    .formatted(e.getMessage())))));
        }
    }
}
