package orthopur.night;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.Food;
import orthopur.machine.MachineSheet;
import orthopur.night.CleanJobs.Part;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;
import orthopur.night.SiteNight.Clean;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/**
 * What cleans have to do with each other: splash, floors, raw beside ready to eat, one disconnect
 * for several machines. It says so in the tasks of the night.
 */
final class Beside {
    /** The zone of what is near food no more: the room. */
    private static final int ROOM = 3;

    private final List<Clean> cleans;
    private final Map<String, List<Part>> planned;
    private final List<Job> jobs;

    /**
     * @param planned all tasks of each clean, what is over of it included
     * @param jobs what is left of the night; it is changed
     */
    Beside(List<Clean> cleans, Map<String, List<Part>> planned, List<Job> jobs) {
        this.cleans = cleans;
        this.planned = planned;
        this.jobs = jobs;
    }

    /** What comes before what, and what is not done during what. */
    void order() {
        neighbors();
        floorsFirst();
        rawFirst();
    }

    /** Nothing is hosed beside a machine that is sanitized already, or is just being so. */
    private void neighbors() {
        Map<String, Clean> byMachine = new HashMap<>();
        cleans.forEach(c -> byMachine.put(c.sheet().code(), c));
        for (Clean c : cleans) {
            for (String n : c.sheet().neighbors()) {
                Clean beside = byMachine.get(n);
                if (beside == null) {
                    continue;
                }
                List<Part> mine = planned.getOrDefault(c.procedure().id(), List.of());
                List<Part> theirs = planned.getOrDefault(beside.procedure().id(), List.of());
                beside(sprays(c, mine), fromSanitizing(beside, theirs));
            }
        }
    }

    private void beside(List<String> sprays, List<String> clean) {
        for (int i = 0; i < jobs.size(); i++) {
            Job j = jobs.get(i);
            if (!clean.isEmpty() && sprays.contains(j.id()) && j.running() == null) {
                jobs.set(i, j.alsoApartFrom(clean.stream().filter(this::open).toList()));
            }
        }
    }

    private boolean open(String id) {
        return jobs.stream().anyMatch(j -> j.id().equals(id));
    }

    private static List<String> sprays(Clean c, List<Part> parts) {
        Map<String, Step> steps = byId(c.procedure());
        return parts.stream()
                .filter(
                        p ->
                                p.steps().stream()
                                        .map(steps::get)
                                        .anyMatch(s -> s != null && s.action().sprays()))
                .map(p -> p.job().id())
                .toList();
    }

    private static List<String> fromSanitizing(Clean c, List<Part> parts) {
        Map<String, Step> steps = byId(c.procedure());
        List<String> all = new ArrayList<>();
        for (Part p : parts) {
            if (!all.isEmpty()
                    || p.steps().stream()
                            .map(steps::get)
                            .anyMatch(s -> s != null && s.action() instanceof Action.Sanitize)) {
                all.add(p.job().id());
            }
        }
        return all;
    }

    /**
     * What cuts several machines off at once: as long as one of them is locked out there, no other
     * runs. Locked out may be all of them, each with its own locks.
     */
    List<Night.Place> disconnects() {
        Map<String, Set<String>> machines = new TreeMap<>();
        for (Clean c : cleans) {
            for (Energy e : c.sheet().energies()) {
                if (e.kind() == EnergyKind.SUPPLIED && e.isolationPoint() != null) {
                    machines.computeIfAbsent(point(e), k -> new HashSet<>()).add(c.sheet().code());
                }
            }
        }
        List<Night.Place> all = new ArrayList<>();
        machines.forEach(
                (point, at) -> {
                    if (at.size() > 1) {
                        all.add(new Night.Place(Night.DISCONNECT + point, point, at.size(), 0));
                        cleans.stream()
                                .filter(c -> at.contains(c.sheet().code()))
                                .forEach(c -> lockedOut(c, point, at.size()));
                    }
                });
        return all;
    }

    /** The point alone, without the words on where it is. */
    private static String point(Energy e) {
        String words = Objects.requireNonNull(e.isolationPoint());
        return words.split(",", 2)[0].strip().toLowerCase(Locale.ROOT);
    }

    private void lockedOut(Clean c, String point, int machines) {
        Set<String> energies = new HashSet<>();
        c.sheet().energies().stream()
                .filter(e -> e.isolationPoint() != null && point(e).equals(point))
                .forEach(e -> energies.add(e.id()));
        String place = Night.DISCONNECT + point;
        Map<String, Step> steps = byId(c.procedure());
        String since = null;
        for (Part p : planned.getOrDefault(c.procedure().id(), List.of())) {
            boolean restored = false;
            boolean runs = p.steps().isEmpty() && !p.job().hands();
            for (String id : p.steps()) {
                Action a = Objects.requireNonNull(steps.get(id)).action();
                boolean here = a.energies().stream().anyMatch(energies::contains);
                since = here && a instanceof Action.Isolate ? p.job().id() : since;
                restored |= here && a instanceof Action.Restore;
                runs |=
                        a.runs()
                                || a instanceof Action.RunProgram
                                || a instanceof Action.FunctionTest;
            }
            int at = indexOf(p.job().id());
            Job j = at < 0 ? null : jobs.get(at);
            if (j != null && runs) {
                List<String> places = new ArrayList<>(j.places());
                places.addAll(Collections.nCopies(since == null ? machines : machines - 1, place));
                j = j.withPlaces(places);
            }
            if (j != null && restored && since != null) {
                List<Night.Keep> keeps = new ArrayList<>(j.keeps());
                keeps.add(new Night.Keep(place, since));
                j = j.withKeeps(keeps);
            }
            if (j != null) {
                jobs.set(at, j);
            }
            since = restored ? null : since;
        }
    }

    /** What is kept by more than there are places for is so; nothing else fits beside it. */
    Night.Place asTaken(Night.Place place) {
        int taken = 0;
        for (Job j : jobs) {
            for (Night.Keep k : j.keeps()) {
                int since = k.since() == null ? -1 : indexOf(k.since());
                boolean has = since < 0 || jobs.get(since).running() != null;
                taken += has && k.place().equals(place.id()) ? 1 : 0;
            }
        }
        return taken <= place.slots()
                ? place
                : new Night.Place(place.id(), place.name(), taken, place.changeover());
    }

    /**
     * Floors, walls and drains come before sanitizing: what the broom and the water throw up lies
     * on whatever was sanitized before. An area that no machine stands in is the whole site.
     */
    private void floorsFirst() {
        Set<String> rooms = new HashSet<>();
        cleans.stream().filter(c -> !area(c.sheet())).forEach(c -> rooms.add(c.sheet().room()));
        for (Clean floors : cleans) {
            String last = area(floors.sheet()) ? lastThatSoils(floors) : null;
            if (last != null) {
                String room = floors.sheet().room();
                cleans.stream()
                        .filter(c -> !area(c.sheet()))
                        .filter(c -> !rooms.contains(room) || room.equals(c.sheet().room()))
                        .map(
                                c ->
                                        fromSanitizing(
                                                c,
                                                planned.getOrDefault(
                                                        c.procedure().id(), List.of())))
                        .forEach(tasks -> after(last, tasks));
            }
        }
    }

    /** What is raw is washed down before what is ready to eat beside it is sanitized. */
    private void rawFirst() {
        for (Clean raw : cleans) {
            String last = raw.sheet().food() == Food.RAW ? lastThatSoils(raw) : null;
            if (last == null) {
                continue;
            }
            for (Clean c : cleans) {
                boolean beside =
                        c.sheet().room().equals(raw.sheet().room())
                                || c.sheet().neighbors().contains(raw.sheet().code())
                                || raw.sheet().neighbors().contains(c.sheet().code());
                if (beside && c.sheet().food() == Food.READY_TO_EAT) {
                    after(
                            last,
                            fromSanitizing(c, planned.getOrDefault(c.procedure().id(), List.of())));
                }
            }
        }
    }

    /** Whether nothing of it touches food or what does: floors, walls, drains. */
    private static boolean area(MachineSheet sheet) {
        return sheet.parts().stream()
                .flatMap(p -> p.surfaces().stream())
                .allMatch(s -> s.zone() >= ROOM);
    }

    private @Nullable String lastThatSoils(Clean floors) {
        Map<String, Step> steps = byId(floors.procedure());
        String last = null;
        for (Part p : planned.getOrDefault(floors.procedure().id(), List.of())) {
            boolean soils =
                    p.steps().stream()
                            .map(steps::get)
                            .filter(Objects::nonNull)
                            .map(Step::action)
                            .anyMatch(
                                    a ->
                                            a instanceof Action.DryClean
                                                    || a instanceof Action.Wash
                                                    || a instanceof Action.Rinse);
            last = soils && open(p.job().id()) ? p.job().id() : last;
        }
        return last;
    }

    /** The first of some tasks waits for another, where it has not begun. */
    private void after(String floors, List<String> tasks) {
        int first = tasks.isEmpty() ? -1 : indexOf(tasks.getFirst());
        if (first >= 0 && jobs.get(first).running() == null) {
            jobs.set(first, jobs.get(first).alsoAfter(After.ifThere(floors)));
        }
    }

    private static Map<String, Step> byId(Procedure p) {
        Map<String, Step> all = new HashMap<>();
        p.steps().forEach(s -> all.put(s.id(), s));
        return all;
    }

    private int indexOf(String job) {
        for (int i = 0; i < jobs.size(); i++) {
            if (jobs.get(i).id().equals(job)) {
                return i;
            }
        }
        return -1;
    }
}
