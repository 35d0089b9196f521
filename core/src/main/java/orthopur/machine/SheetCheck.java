package orthopur.machine;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Show;
import orthopur.text.Text;

/**
 * Checks a sheet before any procedure is run against it: ids that stand twice or name nothing,
 * circles in what is behind what, parts that cover themselves, surfaces nobody can ever reach.
 */
public final class SheetCheck {
    /** Kinds of machines that the law on age has in mind; each is powered unless it says not. */
    private static final List<String> POWER_KINDS = List.of("slicer", "saw", "grinder", "mixer");

    private final MachineSheet sheet;
    private final List<Problem> problems = new ArrayList<>();
    private final Map<String, Integer> parts = new HashMap<>();
    private final Map<String, Integer> owners = new HashMap<>();

    private SheetCheck(MachineSheet sheet) {
        this.sheet = sheet;
    }

    /** All problems, in the order of the sheet; empty for a sound sheet. */
    public static List<Problem> check(MachineSheet sheet) {
        SheetCheck c = new SheetCheck(sheet);
        c.ids();
        c.references();
        c.circles();
        c.energies();
        c.options();
        c.passages();
        c.programs();
        c.fittings();
        c.upkeep();
        return List.copyOf(c.problems);
    }

    /**
     * What a new version of a sheet has to answer before it is saved. Sheets of before that was
     * asked are read without.
     *
     * @param lubricants ids of the products of the site
     */
    public static List<Problem> questions(MachineSheet sheet, Set<String> lubricants) {
        SheetCheck c = new SheetCheck(sheet);
        c.unpowered();
        c.endStates();
        c.names();
        c.lubricants(lubricants);
        return List.copyOf(c.problems);
    }

    /** A slicer without a motor is a mistake, unless it is turned by hand. */
    private void unpowered() {
        boolean drives = sheet.energies().stream().anyMatch(e -> e.kind().drives());
        boolean kind =
                POWER_KINDS.stream().anyMatch(sheet.family().toLowerCase(Locale.ROOT)::contains);
        if (!drives && (sheet.drive() == Drive.POWERED || sheet.drive() == null && kind)) {
            say(
                    "/energies",
                    Text.of(
                            "sheet-check.a-is-usually-powered-and-this",
                            "A {0} is usually powered, and this sheet has no power source. List what moves it, or state that its drive is by hand.",
                            sheet.family()));
        }
        if (drives && (sheet.drive() == Drive.BY_HAND || sheet.drive() == Drive.NONE)) {
            say(
                    "/drive",
                    Text.of(
                            "sheet-check.the-sheet-lists-a-power-source",
                            "The sheet lists a power source, so its drive is powered."));
        }
    }

    private void endStates() {
        for (int p = 0; p < sheet.parts().size(); p++) {
            List<Surface> surfaces = sheet.parts().get(p).surfaces();
            for (int s = 0; s < surfaces.size(); s++) {
                Surface surface = surfaces.get(s);
                if (surface.zone() == 1
                        && surface.end() != EndState.SANITIZED
                        && surface.endReason() == null) {
                    say(
                            "/parts/" + p + "/surfaces/" + s + "/endReason",
                            Text.of(
                                    "sheet-check.is-food-contact-zone-and-not",
                                    "{0} is food-contact (zone 1) and not sanitized at the end; say why.",
                                    surface.name()));
                }
            }
        }
    }

    private void names() {
        Set<String> taken = new HashSet<>();
        for (int p = 0; p < sheet.parts().size(); p++) {
            String name = sheet.parts().get(p).name();
            if (!taken.add(name.toLowerCase(Locale.ROOT))) {
                say(
                        "/parts/" + p + "/name",
                        Text.of(
                                "sheet-check.two-parts-are-called-nobody-could",
                                "Two parts are called \"{0}\"; nobody could tell them apart on the floor.",
                                name));
            }
        }
    }

    private void lubricants(Set<String> known) {
        for (int p = 0; p < sheet.parts().size(); p++) {
            List<Assembly.Lubrication> points = sheet.parts().get(p).fitting().lubrication();
            for (int i = 0; i < points.size(); i++) {
                String product = points.get(i).product();
                if (product != null && !known.contains(product)) {
                    say(
                            "/parts/" + p + "/assembly/lubrication/" + i + "/product",
                            Text.of(
                                    "sheet-check.there-is-no-product-on-this",
                                    "There is no product \"{0}\" on this site.",
                                    product));
                }
            }
        }
    }

    /** Names of parts, counters and products in what is due, worn and wrong. */
    private void upkeep() {
        Set<String> counters = new HashSet<>();
        sheet.counters().forEach(c -> counters.add(c.id()));
        for (int k = 0; k < sheet.passages().size(); k++) {
            List<String> by = sheet.passages().get(k).closedBy();
            for (int i = 0; i < by.size(); i++) {
                known(by.get(i), "/passages/" + k + "/closedBy/" + i);
            }
        }
        for (int k = 0; k < sheet.upkeep().size(); k++) {
            Upkeep u = sheet.upkeep().get(k);
            for (int i = 0; i < u.parts().size(); i++) {
                known(u.parts().get(i), "/upkeep/" + k + "/parts/" + i);
            }
            counter(counters, u.interval(), "/upkeep/" + k + "/interval");
        }
        for (int k = 0; k < sheet.kits().size(); k++) {
            Kit kit = sheet.kits().get(k);
            for (int i = 0; i < kit.parts().size(); i++) {
                known(kit.parts().get(i), "/kits/" + k + "/parts/" + i);
            }
            if (kit.life() != null) {
                counter(counters, kit.life(), "/kits/" + k + "/life");
            }
        }
        for (int k = 0; k < sheet.symptoms().size(); k++) {
            List<Symptom.Look> looks = sheet.symptoms().get(k).looks();
            for (int i = 0; i < looks.size(); i++) {
                String part = looks.get(i).part();
                if (part != null) {
                    known(part, "/symptoms/" + k + "/looks/" + i + "/part");
                }
            }
        }
        if (sheet.neighbors().contains(sheet.code())) {
            say(
                    "/neighbors",
                    Text.of(
                            "sheet-check.cannot-be-its-own-neighbor",
                            "{0} cannot be its own neighbor.",
                            sheet.code()));
        }
    }

    private void counter(Set<String> counters, Interval interval, String at) {
        if (interval.counter() != null && !counters.contains(interval.counter())) {
            say(
                    at + "/counter",
                    Text.of(
                            "sheet-check.there-is-no-counter-on-this",
                            "There is no counter \"{0}\" on this sheet.",
                            interval.counter()));
        }
        if (interval.count() != null && interval.counter() == null) {
            say(
                    at + "/counter",
                    Text.of(
                            "sheet-check.a-count-of-needs-the-counter",
                            "A count of {0} needs the counter it is of.",
                            interval.count()));
        }
    }

    private void ids() {
        Set<String> all = new HashSet<>();
        for (int p = 0; p < sheet.parts().size(); p++) {
            Part part = sheet.parts().get(p);
            parts.putIfAbsent(part.id(), p);
            unique(all, part.id(), "/parts/" + p + "/id");
            for (int s = 0; s < part.surfaces().size(); s++) {
                Surface surface = part.surfaces().get(s);
                owners.putIfAbsent(surface.id(), p);
                unique(all, surface.id(), "/parts/" + p + "/surfaces/" + s + "/id");
            }
        }
        for (int e = 0; e < sheet.energies().size(); e++) {
            unique(all, sheet.energies().get(e).id(), "/energies/" + e + "/id");
        }
        if (owners.isEmpty()) {
            say(
                    "/parts",
                    Text.of(
                            "sheet-check.the-sheet-has-no-surface-at",
                            "The sheet has no surface at all; nothing could be judged."));
        }
    }

    private void references() {
        for (int p = 0; p < sheet.parts().size(); p++) {
            Part part = sheet.parts().get(p);
            String at = "/parts/" + p;
            for (int i = 0; i < part.behind().size(); i++) {
                String front = part.behind().get(i);
                Integer f = parts.get(front);
                if (f == null) {
                    say(
                            at + "/behind/" + i,
                            Text.of(
                                    "sheet-check.there-is-no-part-on-this",
                                    "There is no part \"{0}\" on this sheet.",
                                    front));
                } else if (f == p) {
                    say(
                            at + "/behind/" + i,
                            Text.of(
                                    "sheet-check.cannot-be-behind-itself",
                                    "{0} cannot be behind itself.",
                                    part.name()));
                } else if (!sheet.parts().get(f).removable() && !sheet.parts().get(f).shifts()) {
                    say(
                            at + "/behind/" + i,
                            Text.of(
                                    "sheet-check.is-behind-which-neither-comes-off",
                                    "{0} is behind {1}, which neither comes off nor moves aside.",
                                    part.name(),
                                    sheet.parts().get(f).name()));
                }
            }
            for (int i = 0; i < part.covers().size(); i++) {
                String covered = part.covers().get(i);
                Integer owner = owners.get(covered);
                if (owner == null) {
                    say(
                            at + "/covers/" + i,
                            Text.of(
                                    "sheet-check.there-is-no-surface-on-this",
                                    "There is no surface \"{0}\" on this sheet.",
                                    covered));
                } else if (owner == p) {
                    say(
                            at + "/covers/" + i,
                            Text.of(
                                    "sheet-check.cannot-cover-a-surface-of-its",
                                    "{0} cannot cover a surface of its own.",
                                    part.name()));
                } else if (!part.removable() && !part.shifts() && !flows(covered)) {
                    say(
                            at + "/covers/" + i,
                            Text.of(
                                    "sheet-check.covers-and-neither-comes-off-nor",
                                    "{0} covers \"{1}\" and neither comes off nor moves aside: nobody can ever reach it.",
                                    part.name(),
                                    covered));
                }
            }
            for (int s = 0; s < part.surfaces().size(); s++) {
                String above = part.surfaces().get(s).above();
                if (above != null && !owners.containsKey(above)) {
                    say(
                            at + "/surfaces/" + s + "/above",
                            Text.of(
                                    "sheet-check.there-is-no-surface-on-this",
                                    "There is no surface \"{0}\" on this sheet.",
                                    above));
                }
            }
        }
        for (int c = 0; c < sheet.checks().size(); c++) {
            Check check = sheet.checks().get(c);
            if (check.tolerance() != null
                    && check.least() != null
                    && check.most() != null
                    && check.most() - check.least() < 2 * check.tolerance()) {
                say(
                        "/checks/" + c + "/tolerance",
                        Text.of(
                                "sheet-check.a-gauge-that-may-be-off",
                                "A gauge that may be off by {0} cannot show that it is between {1} and {2}: no reading would do.",
                                Show.number(check.tolerance()),
                                Show.number(check.least()),
                                Show.number(check.most())));
            }
            for (String needed : check.needs()) {
                if (!parts.containsKey(needed)) {
                    say(
                            "/checks/" + c + "/needs",
                            Text.of(
                                    "sheet-check.there-is-no-part",
                                    "There is no part \"{0}\".",
                                    needed));
                }
            }
            if (!parts.containsKey(sheet.checks().get(c).part())) {
                say(
                        "/checks/" + c + "/part",
                        Text.of(
                                "sheet-check.there-is-no-part",
                                "There is no part \"{0}\".",
                                sheet.checks().get(c).part()));
            }
        }
        if (sheet.outline() != null) {
            for (int i = 0; i < sheet.outline().shapes().size(); i++) {
                String part = sheet.outline().shapes().get(i).part();
                if (!parts.containsKey(part)) {
                    say(
                            "/outline/shapes/" + i + "/part",
                            Text.of(
                                    "sheet-check.there-is-no-part",
                                    "There is no part \"{0}\".",
                                    part));
                }
            }
        }
    }

    private void circles() {
        Map<Integer, Integer> colour = new HashMap<>();
        for (int p = 0; p < sheet.parts().size(); p++) {
            walk(p, colour, new ArrayList<>());
        }
    }

    /** Depth-first search; a part met again while still open closes a circle. */
    private void walk(int p, Map<Integer, Integer> colour, List<Integer> way) {
        Integer seen = colour.get(p);
        if (seen != null && seen == 2) {
            return;
        }
        if (seen != null) {
            List<Integer> circle = new ArrayList<>(way.subList(way.indexOf(p), way.size()));
            circle.add(p);
            List<String> names = circle.stream().map(i -> sheet.parts().get(i).name()).toList();
            say(
                    "/parts/" + p + "/behind",
                    Text.of(
                            "sheet-check.nothing-in-this-circle-can-ever",
                            "Nothing in this circle can ever come off first: {0}.",
                            behind(names)));
            return;
        }
        colour.put(p, 1);
        way.add(p);
        for (String front : sheet.parts().get(p).behind()) {
            Integer f = parts.get(front);
            if (f != null && f != p) {
                walk(f, colour, way);
            }
        }
        way.removeLast();
        colour.put(p, 2);
    }

    /** "A behind B behind C". */
    private static Text behind(List<String> names) {
        Text all = Text.plain(names.getLast());
        for (String name : names.reversed().subList(1, names.size())) {
            all = Text.of("sheet-check.behind", "{0} behind {1}", name, all);
        }
        return all;
    }

    private void energies() {
        Set<String> known = new HashSet<>();
        sheet.energies().forEach(e -> known.add(e.id()));
        for (int e = 0; e < sheet.energies().size(); e++) {
            Energy energy = sheet.energies().get(e);
            String at = "/energies/" + e;
            for (int i = 0; i < energy.zone().size(); i++) {
                if (!parts.containsKey(energy.zone().get(i))) {
                    say(
                            at + "/zone/" + i,
                            Text.of(
                                    "sheet-check.there-is-no-part-on-this",
                                    "There is no part \"{0}\" on this sheet.",
                                    energy.zone().get(i)));
                }
            }
            if (energy.holder() != null && !parts.containsKey(energy.holder())) {
                say(
                        at + "/holder",
                        Text.of(
                                "sheet-check.there-is-no-part-on-this",
                                "There is no part \"{0}\" on this sheet.",
                                energy.holder()));
            }
            if (energy.fedBy() != null && !known.contains(energy.fedBy())) {
                say(
                        at + "/fedBy",
                        Text.of(
                                "sheet-check.there-is-no-energy-on-this",
                                "There is no energy \"{0}\" on this sheet.",
                                energy.fedBy()));
            }
        }
    }

    /**
     * A condition that no option fulfils would take its part out of every judgement, unseen; so
     * each has to name an option of this sheet.
     */
    private void options() {
        Set<String> known = new HashSet<>();
        for (int g = 0; g < sheet.optionGroups().size(); g++) {
            OptionGroup group = sheet.optionGroups().get(g);
            group.options().forEach(o -> known.add(group.id() + "=" + o.id()));
            if (!known.contains(group.id() + "=" + group.fitted())) {
                say(
                        "/optionGroups/" + g + "/fitted",
                        Text.of(
                                "sheet-check.is-no-option-of",
                                "\"{0}\" is no option of {1}.",
                                group.fitted(),
                                group.name()));
            }
        }
        for (int p = 0; p < sheet.parts().size(); p++) {
            Part part = sheet.parts().get(p);
            condition(known, part.when(), "/parts/" + p + "/when");
            for (int i = 0; i < part.fitting().after().size(); i++) {
                known(part.fitting().after().get(i), "/parts/" + p + "/assembly/after/" + i);
            }
            if (part.fitting().pair() != null) {
                known(part.fitting().pair(), "/parts/" + p + "/assembly/pair");
            }
        }
        for (int e = 0; e < sheet.energies().size(); e++) {
            condition(known, sheet.energies().get(e).when(), "/energies/" + e + "/when");
        }
    }

    private void condition(Set<String> known, @Nullable String when, String pointer) {
        if (when != null && !known.contains(when)) {
            say(
                    pointer,
                    Text.of(
                            "sheet-check.the-sheet-has-no-option-it",
                            "The sheet has no option \"{0}\"; it would never be there.",
                            when));
        }
    }

    /** What runs through a passage reaches its walls, whatever is mounted around them. */
    private boolean flows(String surface) {
        return sheet.passages().stream().anyMatch(q -> q.surfaces().contains(surface));
    }

    private void known(String part, String pointer) {
        if (!parts.containsKey(part)) {
            say(
                    pointer,
                    Text.of(
                            "sheet-check.there-is-no-part-on-this",
                            "There is no part \"{0}\" on this sheet.",
                            part));
        }
    }

    private void passages() {
        Set<String> ids = new HashSet<>(parts.keySet());
        ids.addAll(owners.keySet());
        for (int k = 0; k < sheet.passages().size(); k++) {
            Passage passage = sheet.passages().get(k);
            unique(ids, passage.id(), "/passages/" + k + "/id");
            if (passage.volume().litres() <= 0) {
                say(
                        "/passages/" + k + "/volume",
                        Text.of(
                                "sheet-check.holds-l-it-holds-more",
                                "{0} holds 0 L; it holds more.",
                                passage.name()));
            }
            for (int i = 0; i < passage.surfaces().size(); i++) {
                if (!owners.containsKey(passage.surfaces().get(i))) {
                    say(
                            "/passages/" + k + "/surfaces/" + i,
                            Text.of(
                                    "sheet-check.there-is-no-surface-on-this",
                                    "There is no surface \"{0}\" on this sheet.",
                                    passage.surfaces().get(i)));
                }
            }
        }
    }

    private void programs() {
        Set<String> energies = new HashSet<>();
        sheet.energies().forEach(e -> energies.add(e.id()));
        for (int k = 0; k < sheet.programs().size(); k++) {
            Program program = sheet.programs().get(k);
            String at = "/programs/" + k;
            for (int i = 0; i < program.cleans().size(); i++) {
                if (!owners.containsKey(program.cleans().get(i))) {
                    say(
                            at + "/cleans/" + i,
                            Text.of(
                                    "sheet-check.there-is-no-surface-on-this",
                                    "There is no surface \"{0}\" on this sheet.",
                                    program.cleans().get(i)));
                }
            }
            for (int i = 0; i < program.needs().size(); i++) {
                known(program.needs().get(i), at + "/needs/" + i);
            }
            for (int i = 0; i < program.energies().size(); i++) {
                if (!energies.contains(program.energies().get(i))) {
                    say(
                            at + "/energies/" + i,
                            Text.of(
                                    "sheet-check.there-is-no-energy-on-this",
                                    "There is no energy \"{0}\" on this sheet.",
                                    program.energies().get(i)));
                }
            }
            for (int i = 0; i < program.off().size(); i++) {
                if (!energies.contains(program.off().get(i))) {
                    say(
                            at + "/off/" + i,
                            Text.of(
                                    "sheet-check.there-is-no-energy-on-this",
                                    "There is no energy \"{0}\" on this sheet.",
                                    program.off().get(i)));
                }
            }
            for (int i = 0; i < program.aside().size(); i++) {
                known(program.aside().get(i), at + "/aside/" + i);
            }
        }
    }

    /** A name that nothing has would let its rule sleep. */
    private void fittings() {
        Set<String> fitted = new HashSet<>();
        for (int f = 0; f < sheet.fittings().size(); f++) {
            fitted.add(sheet.fittings().get(f).id());
            String replaces = sheet.fittings().get(f).replaces();
            if (replaces != null) {
                known(replaces, "/fittings/" + f + "/replaces");
            }
            List<String> serves = sheet.fittings().get(f).serves();
            for (int i = 0; i < serves.size(); i++) {
                String item = serves.get(i);
                boolean there =
                        parts.containsKey(item)
                                || owners.containsKey(item)
                                || sheet.passages().stream().anyMatch(k -> k.id().equals(item));
                if (!there) {
                    say(
                            "/fittings/" + f + "/serves/" + i,
                            Text.of(
                                    "sheet-check.there-is-no-part-surface-or",
                                    "There is no part, surface or passage \"{0}\" on this sheet.",
                                    item));
                }
            }
        }
        for (int p = 0; p < sheet.parts().size(); p++) {
            List<String> on = sheet.parts().get(p).moving().fittings();
            for (int i = 0; i < on.size(); i++) {
                if (!fitted.contains(on.get(i))) {
                    say(
                            "/parts/" + p + "/handling/fittings/" + i,
                            Text.of(
                                    "sheet-check.there-is-no-fitting-on-this",
                                    "There is no fitting \"{0}\" on this sheet.",
                                    on.get(i)));
                }
            }
        }
    }

    private void unique(Set<String> all, String id, String pointer) {
        if (!all.add(id)) {
            say(
                    pointer,
                    Text.of(
                            "sheet-check.the-id-stands-twice-on-this",
                            "The id \"{0}\" stands twice on this sheet.",
                            id));
        }
    }

    private void say(String pointer, Text said) {
        problems.add(new Problem(pointer, said));
    }
}
