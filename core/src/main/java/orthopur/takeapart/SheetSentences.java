package orthopur.takeapart;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Assembly;
import orthopur.machine.Energy;
import orthopur.machine.Handling;
import orthopur.machine.Hazard;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.quantity.Show;
import orthopur.text.Text;

/** What a sheet says of a part, a surface, an energy, as a colleague would say it. */
final class SheetSentences {
    private final Map<String, String> names = new HashMap<>();

    SheetSentences(MachineSheet sheet) {
        for (Part p : sheet.parts()) {
            names.put(p.id(), spoken(p.name()));
            p.surfaces().forEach(s -> names.put(s.id(), spoken(s.name())));
        }
        sheet.energies().forEach(e -> names.put(e.id(), spoken(e.name())));
    }

    List<String> part(Part p) {
        List<String> say = new ArrayList<>();
        Handling h = p.moving();
        if (p.count() > 1) {
            say.add(Text.kept("kept.sheet.count", "There are {0} of it.", p.count()));
        }
        if (!p.removable() && !p.shifts()) {
            say.add(Text.kept("kept.sheet.stays", "It stays on the machine."));
        } else if (!p.removable()) {
            say.add(
                    Text.kept(
                            "kept.sheet.shifts",
                            "It does not come off; it moves aside and has to be moved back."));
        }
        if (!p.behind().isEmpty()) {
            say.add(Text.kept("kept.sheet.first-off", "First off: {0}", list(p.behind())));
        }
        add(say, p.fastening(), t -> t);
        if (h.index() != null) {
            say.add(
                    h.index() == Handling.Index.BY_HAND
                            ? Text.kept(
                                    "kept.sheet.index-by-hand",
                                    "The machine is turned by hand, under lock, to the place where each comes off.")
                            : Text.kept(
                                    "kept.sheet.index-hold-to-run",
                                    "The machine is brought to the place where each comes off by holding the button, from outside."));
        }
        if (h.people() != null && h.people() > 1) {
            say.add(Text.kept("kept.sheet.people", "It takes {0} people.", h.people()));
        }
        if (h.mass() != null) {
            say.add(
                    Text.kept(
                            "kept.sheet.weighs",
                            "It weighs {0} kg.",
                            Show.number(h.mass().kilograms())));
        }
        if (!h.tools().isEmpty()) {
            say.add(
                    Text.kept(
                            "kept.sheet.tools", "Have at hand: {0}", String.join(", ", h.tools())));
        }
        if (h.washedAside()) {
            say.add(Text.kept("kept.sheet.washed-aside", "It is washed while it is moved aside."));
        }
        if (h.oneAtATime() != null) {
            say.add(
                    Text.kept(
                            "kept.sheet.one-at-a-time",
                            "Never take off all of “{0}” at once.",
                            h.oneAtATime()));
        }
        if (p.removable()) {
            add(say, p.destination(), t -> Text.kept("kept.sheet.goes-to", "It goes to: {0}", t));
        }
        add(say, p.mark(), t -> Text.kept("kept.sheet.mark", "Its place is marked: {0}", t));
        if (!p.covers().isEmpty()) {
            say.add(
                    Text.kept(
                            "kept.sheet.covers",
                            "While it is on, nobody reaches: {0}",
                            list(p.covers())));
        }
        if (!p.hazards().isEmpty()) {
            say.add(
                    Text.kept(
                            "kept.sheet.mind",
                            "Mind: {0}",
                            p.hazards().stream()
                                    .map(Hazard::shown)
                                    .collect(Collectors.joining(", "))));
        }
        add(say, p.caution(), t -> t);
        if (p.guard()) {
            say.add(
                    Text.kept(
                            "kept.sheet.guard",
                            "It is a guard: the machine must not run without it."));
        }
        back(say, p);
        return List.copyOf(say);
    }

    private void back(List<String> say, Part p) {
        Assembly a = p.fitting();
        if (!a.after().isEmpty()) {
            say.add(Text.kept("kept.sheet.after", "It goes on after: {0}", list(a.after())));
        }
        add(say, a.pattern(), t -> Text.kept("kept.sheet.pattern", "Put back so: {0}", t));
        add(say, a.wearCheck(), t -> Text.kept("kept.sheet.wear", "Check for wear: {0}", t));
        if (a.pair() != null) {
            say.add(
                    Text.kept(
                            "kept.sheet.pair",
                            "It is replaced together with: {0}",
                            name(a.pair())));
        }
        for (Assembly.Lubrication l : a.lubrication()) {
            say.add(
                    l.never()
                            ? Text.kept(
                                    "kept.sheet.never-lubricate", "Never lubricate: {0}", l.point())
                            : Text.kept(
                                    "kept.sheet.lubricate",
                                    "Lubricate {0}: {1}",
                                    l.frequency().shown(),
                                    l.point()));
        }
    }

    String surface(Surface s) {
        List<String> say = new ArrayList<>();
        say.add(Text.kept("kept.named", "{0}: {1}", s.name(), zone(s.zone())));
        say.add(String.join(" and ", s.materials()));
        say.add(s.end().shown() + ", " + s.frequency().shown());
        if (s.endReason() != null) {
            say.add(s.endReason());
        }
        if (s.highest() != null) {
            say.add(Text.kept("kept.sheet.highest", "at most {0}", s.highest().shown()));
        }
        s.limits().forEach(l -> say.add(l.shown()));
        if (s.brush() != null) {
            say.add(Text.kept("kept.sheet.brush", "brush: {0}", s.brush()));
        }
        if (s.wipe() != null) {
            say.add(Text.kept("kept.sheet.wiped", "wiped {0}", s.wipe()));
        }
        return String.join("; ", say);
    }

    private static String zone(int zone) {
        return switch (zone) {
            case 1 -> Text.kept("kept.sheet.zone-1", "food-contact");
            case 2 -> Text.kept("kept.sheet.zone-2", "adjacent");
            case 3 -> Text.kept("kept.sheet.zone-3", "processing area");
            default -> Text.kept("kept.sheet.zone-4", "outside");
        };
    }

    List<String> energy(Energy e) {
        List<String> say = new ArrayList<>();
        say.add(
                switch (e.kind()) {
                    case CORD -> Text.kept("kept.sheet.cord", "A cord and plug.");
                    case SUPPLIED ->
                            Text.kept(
                                    "kept.sheet.supplied",
                                    "It comes from a supply and has to be isolated and locked.");
                    case STORED ->
                            Text.kept(
                                    "kept.sheet.stored",
                                    "It stays stored in the machine until it is released.");
                    case HEAT -> Text.kept("kept.sheet.heat", "Heat that stays after the stop.");
                });
        if (e.keepLive()) {
            say.add(Text.kept("kept.sheet.keep-live", "It stays on during cleaning."));
        }
        add(
                say,
                e.isolationPoint(),
                t -> Text.kept("kept.sheet.lock-point", "Lock it out at: {0}", t));
        if (e.tagOnly()) {
            say.add(
                    Text.kept(
                            "kept.sheet.tag-only",
                            "Its point takes no lock: tag it and take a second measure."));
        }
        add(say, e.verify(), t -> Text.kept("kept.sheet.verify", "Verify zero energy: {0}", t));
        if (e.fedBy() != null) {
            say.add(Text.kept("kept.sheet.fed-by", "It is fed by: {0}", name(e.fedBy())));
        }
        if (e.heat() != null) {
            say.add(
                    Text.kept(
                            "kept.sheet.heat-start",
                            "At the stop it has {0}.",
                            e.heat().start().shown()));
        }
        if (!e.zone().isEmpty()) {
            say.add(Text.kept("kept.sheet.reaches", "It reaches: {0}", list(e.zone())));
        }
        return List.copyOf(say);
    }

    /** A text of the sheet, alone or in a sentence that says what it is. */
    private static void add(
            List<String> say, @Nullable String text, UnaryOperator<String> sentence) {
        if (text == null || text.isBlank()) {
            return;
        }
        // Texts of sheets stand as they were written, so that their translation is found.
        say.add(sentence.apply(text.strip()));
    }

    private String list(List<String> ids) {
        return ids.stream().map(this::name).collect(Collectors.joining(", "));
    }

    private String name(String id) {
        return names.getOrDefault(id, id);
    }

    private static String spoken(String name) {
        boolean word =
                name.length() > 1
                        && Character.isUpperCase(name.charAt(0))
                        && Character.isLowerCase(name.charAt(1));
        return word ? Character.toLowerCase(name.charAt(0)) + name.substring(1) : name;
    }
}
