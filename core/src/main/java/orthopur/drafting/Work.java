package orthopur.drafting;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Check;
import orthopur.machine.EndState;
import orthopur.machine.Energy;
import orthopur.machine.EnergyStage;
import orthopur.machine.Handling;
import orthopur.machine.MachineSheet;
import orthopur.machine.OptionGroup;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.machine.Program;
import orthopur.machine.Surface;
import orthopur.quantity.Mass;
import orthopur.runthrough.Context;
import orthopur.text.Text;

/**
 * What a draft is about: the parts and energies in its scope, what is due on them, and what the
 * site has for it.
 */
final class Work {
    final MachineSheet sheet;
    final Drafter.Request request;
    final Context context;
    final Means means;
    final List<Part> parts;
    final List<Energy> energies;
    final TakeApart apart;
    final List<Surface> treated = new ArrayList<>();

    /** Due, and behind what never opens: only what flows through reaches them. */
    final List<Surface> enclosed = new ArrayList<>();

    /** Due, and scale that a program of the machine takes off with acid. */
    final List<Surface> scale;

    final Map<String, Surface> surfaces = new LinkedHashMap<>();
    final int people;

    Work(MachineSheet sheet, Drafter.Request request, Context context) {
        this.sheet = sheet;
        this.request = request;
        this.context = context;
        this.means = new Means(context, request.schools(), sheet.organic());
        this.parts = sheet.parts().stream().filter(p -> inScope(p.when())).toList();
        this.energies =
                sheet.energies().stream().filter(e -> inScope(e.when()) && !e.keepLive()).toList();
        parts.forEach(p -> p.surfaces().forEach(s -> surfaces.put(s.id(), s)));
        List<Surface> due = new ArrayList<>();
        parts.forEach(
                p ->
                        p.surfaces().stream()
                                .filter(s -> s.frequency().dueIn(request.kind()))
                                .forEach(due::add));
        if (due.isEmpty()) {
            throw new DraftRefused(
                    List.of(
                            Text.of(
                                    "draft-refused.nothing-due",
                                    "Nothing on the sheet of {0} is due {1}.",
                                    sheet.code(),
                                    request.kind().shown())));
        }
        this.scale = due.stream().filter(s -> s.limed() && byProgram(sheet, s)).toList();
        due.removeAll(scale);
        this.apart = new TakeApart(parts, due);
        Set<String> off = new HashSet<>(partIds(apart.inOrder()));
        // What is moved is cleaned with the rest: a hand that puts it back would soil the others.
        parts.forEach(
                p ->
                        p.surfaces().stream()
                                .filter(s -> due.contains(s) || off.contains(p.id()))
                                .filter(s -> !scale.contains(s))
                                .forEach(s -> (enclosed(s) ? enclosed : treated).add(s)));
        this.people = apart.inOrder().stream().mapToInt(this::crew).max().orElse(1);
    }

    private boolean inScope(@Nullable String condition) {
        if (condition == null) {
            return true;
        }
        int at = condition.indexOf('=');
        String group = condition.substring(0, at);
        List<String> fitted =
                sheet.optionGroups().stream()
                        .filter(g -> g.id().equals(group))
                        .map(OptionGroup::fitted)
                        .toList();
        return request.scope().getOrDefault(group, fitted).contains(condition.substring(at + 1));
    }

    List<Energy> having(EnergyStage stage) {
        return energies.stream().filter(e -> e.kind().path(people).contains(stage)).toList();
    }

    int crew(Part p) {
        Mass mass = p.moving().mass();
        Mass most = new Mass(context.book().number("lift.load-constant"));
        int told = p.moving().people() == null ? 1 : p.moving().people();
        return Math.max(told, mass != null && mass.compareTo(most) > 0 ? 2 : 1);
    }

    private static boolean byProgram(MachineSheet sheet, Surface s) {
        return sheet.programs().stream()
                .anyMatch(
                        p -> p.purpose() == Program.Purpose.DESCALE && p.cleans().contains(s.id()));
    }

    /** Whether nothing is due that a hand has to reach. */
    boolean onlyProgram() {
        return treated.isEmpty() && enclosed.isEmpty() && !scale.isEmpty();
    }

    private boolean enclosed(Surface s) {
        return parts.stream()
                .anyMatch(p -> p.covers().contains(s.id()) && !p.removable() && !p.shifts());
    }

    List<Passage> passages() {
        List<Surface> all = new ArrayList<>(treated);
        all.addAll(enclosed);
        return passages(all);
    }

    List<Passage> passages(List<Surface> some) {
        Set<String> due = new HashSet<>();
        some.forEach(s -> due.add(s.id()));
        return sheet.passages().stream()
                .filter(p -> surfaces.keySet().containsAll(p.surfaces()))
                .filter(p -> p.surfaces().stream().anyMatch(due::contains))
                .toList();
    }

    /** Parts that stay on and pass by hand, a length or a place at a time. */
    List<Part> passing() {
        return parts.stream()
                .filter(
                        p ->
                                !p.removable()
                                        && p.count() > 1
                                        && p.moving().index() == Handling.Index.BY_HAND
                                        && p.surfaces().stream().anyMatch(treated::contains))
                .toList();
    }

    /** Checks of what is there, made with power on or without. */
    List<Check> checks(boolean powered) {
        return sheet.checks().stream()
                .filter(c -> parts.stream().anyMatch(p -> p.id().equals(c.part())))
                .filter(c -> c.state().contains(Check.State.POWER) == powered)
                .toList();
    }

    @Nullable Surface surface(String id) {
        return Stream.concat(treated.stream(), enclosed.stream())
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElse(null);
    }

    static boolean sanitized(Surface s) {
        return s.end() == EndState.SANITIZED;
    }

    /** Passages that stand full of sanitizer, and are chased out. */
    List<Passage> filled() {
        List<Passage> byHand =
                request.schools().assembledFirst()
                        ? passages()
                        : passages(enclosed.stream().filter(Work::sanitized).toList());
        return passages().stream().filter(p -> p.onlyMoved() || byHand.contains(p)).toList();
    }

    /** Passages through which nothing runs unless what moves it is on. */
    List<Passage> pumped() {
        return passages().stream().filter(Passage::onlyMoved).toList();
    }

    /** Those that a hand fills. */
    List<Passage> poured(List<Passage> some) {
        return some.stream().filter(p -> !p.onlyMoved()).toList();
    }

    /** Whole parts where all of their surfaces are meant, else the surfaces. */
    List<String> items(List<Surface> some) {
        Set<String> ids = new HashSet<>();
        some.forEach(s -> ids.add(s.id()));
        List<String> items = new ArrayList<>();
        for (Part p : parts) {
            List<String> own = p.surfaces().stream().map(Surface::id).toList();
            if (!own.isEmpty() && ids.containsAll(own)) {
                items.add(p.id());
            } else {
                own.stream().filter(ids::contains).forEach(items::add);
            }
        }
        return items;
    }

    static List<String> partIds(List<Part> some) {
        return some.stream().map(Part::id).toList();
    }
}
