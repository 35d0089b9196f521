package orthopur.faults;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Passage;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Volume;

/**
 * What stays behind: a film on a part, a rest in a vessel under another spelling, a solution that
 * has stood for half a night, a passage that is filled to a part of it, a clean part laid down
 * where it is dirty.
 */
final class ResidueFaults {
    private static final double[] PARTS = {0.1, 0.25, 0.4, 0.5, 0.6, 0.75, 0.85, 0.9, 0.97};
    private static final double[] HOURS = {4.1, 5, 8};
    private static final List<String> DIRTY_PLACES =
            List.of("floor", "the floor", "Floor", "on the floor beside the machine");

    private final Reading r;
    private final Injector out;

    ResidueFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
    }

    void make() {
        Action.Wash last = null;
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            if (s.action() instanceof Action.Wash w && w.chemical() != null) {
                last = w;
            }
            if (s.action() instanceof Action.Sanitize a && a.solution().chemical() != null) {
                if (last != null) {
                    film(i, s, a, last);
                    vessel(s, a, last);
                }
                old(s, a);
                partly(s, a);
                laid(i, s, a);
            }
            if (s.action() instanceof Action.Circulate a) {
                tooLittle(s, a);
            }
        }
    }

    private static Step fresh(String id, Action action, double minutes) {
        return new Step(id, action, "", null, null, minutes, 1);
    }

    private static Edit before(Step s, Step fresh) {
        return new Edit.InsertBefore(s.id(), fresh);
    }

    /** One item is washed once more, and nobody rinses it again. */
    private void film(int place, Step s, Action.Sanitize a, Action.Wash last) {
        if (String.valueOf(last.chemical()).equals(a.solution().chemical())) {
            return;
        }
        for (String item : a.items()) {
            List<Surface> here = r.surfaces(item);
            boolean passage = r.sheet().passages().stream().anyMatch(k -> k.id().equals(item));
            boolean contact = here.stream().anyMatch(x -> x.zone() == 1);
            boolean shut =
                    here.stream().allMatch(r::wetted) && r.procedure().schools().assembledFirst();
            boolean first =
                    r.first(
                                    0,
                                    (x, y) ->
                                            y instanceof Action.Sanitize
                                                    && here.stream().anyMatch(z -> r.names(x, z)))
                            == place;
            if (contact && !passage && !shut && first) {
                Solution mixed =
                        new Solution(
                                last.chemical(),
                                last.solution().strength(),
                                last.solution().temperature(),
                                null,
                                new Volume(4),
                                null);
                out.fault(
                        "residue",
                        item + " washed once more and not rinsed",
                        List.of(
                                before(
                                        s,
                                        fresh(
                                                "zz-film",
                                                new Action.Wash(
                                                        List.of(item), mixed, last.method()),
                                                2))),
                        Set.of("C3"),
                        Set.of(s.id()));
            }
        }
    }

    /** The sink of the sanitizer is used for the detergent, under another spelling. */
    private void vessel(Step s, Action.Sanitize a, Action.Wash last) {
        String vessel = a.solution().vessel();
        if (vessel == null) {
            return;
        }
        for (String spelled :
                List.of(vessel, vessel.toUpperCase(Locale.ROOT), "  " + vessel, vessel + " ")) {
            Solution suds =
                    new Solution(
                            last.chemical(),
                            last.solution().strength(),
                            last.solution().temperature(),
                            null,
                            new Volume(10),
                            spelled);
            out.fault(
                    "residue",
                    "suds stand in \"" + spelled + "\" when the sanitizer goes in",
                    List.of(before(s, fresh("zz-suds", new Action.Wash(List.of(), suds, null), 1))),
                    Set.of("S13", "S4", "C23"),
                    Set.of(s.id(), "zz-suds"));
        }
    }

    /** The last item waits for hours while the solution stands. */
    private void old(Step s, Action.Sanitize a) {
        if (a.items().size() < 2 || a.method() == Action.Method.FLOOD) {
            return;
        }
        String vessel = a.solution().vessel() == null ? "sanitizer sink" : a.solution().vessel();
        Solution x = a.solution();
        Solution named =
                new Solution(
                        x.chemical(), x.strength(), x.temperature(), x.ph(), x.volume(), vessel);
        for (String late : a.items()) {
            for (double hours : HOURS) {
                Action.Sanitize rest =
                        new Action.Sanitize(
                                Reading.without(a.items(), late),
                                named,
                                a.method(),
                                a.contact(),
                                a.readings());
                Action.Sanitize one =
                        new Action.Sanitize(
                                List.of(late), named, a.method(), a.contact(), a.readings());
                out.fault(
                        "elapsed",
                        late + " waits " + hours + " h for the same solution",
                        List.of(
                                before(s, fresh("zz-first", rest, s.minutes())),
                                before(
                                        s,
                                        fresh(
                                                "zz-wait",
                                                new Action.HoldPoint("quality"),
                                                hours * 60)),
                                new Edit.Change(s.id(), s.with(one))),
                        Set.of("S10"),
                        Set.of(s.id()));
            }
        }
    }

    /** A passage is filled to a part of it. */
    private void partly(Step s, Action.Sanitize a) {
        double whole = volume(a.items());
        for (double part : whole > 0 ? PARTS : new double[0]) {
            Solution x = a.solution();
            Solution less =
                    new Solution(
                            x.chemical(),
                            x.strength(),
                            x.temperature(),
                            x.ph(),
                            new Volume(whole * part),
                            x.vessel());
            out.changed(
                    "volume",
                    "filled to " + part,
                    s,
                    new Action.Sanitize(a.items(), less, a.method(), a.contact(), a.readings()),
                    "C14");
        }
    }

    private void tooLittle(Step s, Action.Circulate a) {
        double whole = volume(a.items());
        for (double part : whole > 0 ? PARTS : new double[0]) {
            out.changed(
                    "volume",
                    part + " of the line goes round",
                    s,
                    new Action.Circulate(
                            a.items(),
                            a.solution().withVolume(new Volume(whole * part)),
                            a.dwell(),
                            a.velocity(),
                            a.flow(),
                            a.readings(),
                            a.purged(),
                            a.bled()),
                    "C14");
        }
    }

    private double volume(List<String> items) {
        return r.sheet().passages().stream()
                .filter(k -> items.contains(k.id()))
                .map(Passage::volume)
                .mapToDouble(Volume::litres)
                .sum();
    }

    /** Each clean part that is off the machine, laid where it gets dirty. */
    private void laid(int place, Step s, Action.Sanitize a) {
        if (place + 1 >= r.steps().size()) {
            return;
        }
        Step next = r.steps().get(place + 1);
        List<String> places = new ArrayList<>(DIRTY_PLACES);
        @Nullable String suds = soaking(place);
        if (suds != null) {
            places.add(suds);
        }
        for (String item : a.items()) {
            boolean loose =
                    r.sheet().parts().stream().anyMatch(p -> p.removable() && p.id().equals(item))
                            && r.first(
                                            0,
                                            (x, y) ->
                                                    y instanceof Action.Remove
                                                            && y.items().contains(item))
                                    >= 0
                            && r.first(
                                            place,
                                            (x, y) ->
                                                    y instanceof Action.Install
                                                            && y.items().contains(item))
                                    >= 0;
            for (String dirty : loose ? places : List.<String>of()) {
                out.fault(
                        "place",
                        item + " laid into " + dirty,
                        List.of(
                                before(
                                        next,
                                        fresh(
                                                "zz-laid",
                                                new Action.Store(List.of(item), dirty),
                                                1))),
                        Set.of("C4"),
                        Set.of("zz-laid"));
            }
        }
    }

    /** A vessel in which detergent still stands at this place. */
    private @Nullable String soaking(int place) {
        String full = null;
        for (Step s : r.steps().subList(0, place)) {
            if (s.action() instanceof Action.Soak k && k.solution().vessel() != null) {
                full = k.solution().vessel();
            } else if (full != null
                    && s.action() instanceof Action.DrawOff d
                    && d.places().contains(full)) {
                full = null;
            }
        }
        return full;
    }
}
