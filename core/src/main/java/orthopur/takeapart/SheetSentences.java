package orthopur.takeapart;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
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
    private final MachineSheet sheet;
    private final Map<String, String> names = new HashMap<>();

    SheetSentences(MachineSheet sheet) {
        this.sheet = sheet;
        for (Part p : sheet.parts()) {
            names.put(p.id(), spoken(p.name()));
            p.surfaces().forEach(s -> names.put(s.id(), spoken(s.name())));
        }
        sheet.energies().forEach(e -> names.put(e.id(), spoken(e.name())));
    }

    List<Text> part(Part p) {
        List<Text> say = new ArrayList<>();
        Handling h = p.moving();
        if (p.count() > 1) {
            say.add(Text.of("map.count", "There are {0} of it.", p.count()));
        }
        if (!p.removable() && !p.shifts()) {
            say.add(Text.of("map.stays", "It stays on the machine."));
        } else if (!p.removable()) {
            say.add(
                    Text.of(
                            "map.shifts",
                            "It does not come off; it moves aside and has to be moved back."));
        }
        if (!p.behind().isEmpty()) {
            say.add(Text.of("map.first-off", "First off: {0}", list(p.behind())));
        }
        add(say, p.fastening(), Text::plain);
        if (h.index() != null) {
            say.add(
                    h.index() == Handling.Index.BY_HAND
                            ? Text.of(
                                    "map.index-by-hand",
                                    "The machine is turned by hand, under lock, to the place where each comes off.")
                            : Text.of(
                                    "map.index-hold-to-run",
                                    "The machine is brought to the place where each comes off by holding the button, from outside."));
        }
        if (h.people() != null && h.people() > 1) {
            say.add(Text.of("map.people", "It takes {0} people.", h.people()));
        }
        if (h.mass() != null) {
            say.add(Text.of("map.weighs", "It weighs {0} kg.", Show.number(h.mass().kilograms())));
        }
        if (!h.tools().isEmpty()) {
            say.add(Text.of("map.tools", "Have at hand: {0}", h.tools()));
        }
        if (h.washedAside()) {
            say.add(Text.of("map.washed-aside", "It is washed while it is moved aside."));
        }
        if (h.oneAtATime() != null) {
            say.add(
                    Text.of(
                            "map.one-at-a-time",
                            "Never all off at once: {0}",
                            sheet.parts().stream()
                                    .filter(o -> h.oneAtATime().equals(o.moving().oneAtATime()))
                                    .map(o -> spoken(o.name()))
                                    .toList()));
        }
        if (p.removable()) {
            add(say, p.destination(), t -> Text.of("map.goes-to", "It goes to: {0}", t));
        }
        add(say, p.mark(), t -> Text.of("map.mark", "Its place is marked: {0}", t));
        if (!p.covers().isEmpty()) {
            say.add(Text.of("map.covers", "While it is on, nobody reaches: {0}", list(p.covers())));
        }
        if (!p.hazards().isEmpty()) {
            say.add(
                    Text.of(
                            "map.mind",
                            "Mind: {0}",
                            p.hazards().stream().map(Hazard::shown).toList()));
        }
        add(say, p.caution(), Text::plain);
        if (p.guard()) {
            say.add(Text.of("map.guard", "It is a guard: the machine must not run without it."));
        }
        back(say, p);
        return List.copyOf(say);
    }

    private void back(List<Text> say, Part p) {
        Assembly a = p.fitting();
        if (!a.after().isEmpty()) {
            say.add(Text.of("map.after", "It goes on after: {0}", list(a.after())));
        }
        add(say, a.pattern(), t -> Text.of("map.pattern", "Put back so: {0}", t));
        add(say, a.wearCheck(), t -> Text.of("map.wear", "Check for wear: {0}", t));
        if (a.pair() != null) {
            say.add(Text.of("map.pair", "It is replaced together with: {0}", name(a.pair())));
        }
        for (Assembly.Lubrication l : a.lubrication()) {
            say.add(
                    l.never()
                            ? Text.of("map.never-lubricate", "Never lubricate: {0}", l.point())
                            : Text.of(
                                    "map.lubricate",
                                    "Lubricate {0}: {1}",
                                    l.frequency().shown(),
                                    l.point()));
        }
    }

    Text surface(Surface s) {
        List<Text> say = new ArrayList<>();
        say.add(Text.of("map.named", "{0}: {1}", s.name(), zone(s.zone())));
        say.add(Text.of("map.materials", "{0}", s.materials()));
        say.add(Text.of("map.end", "{0}, {1}", s.end().shown(), s.frequency().shown()));
        if (s.endReason() != null) {
            say.add(Text.plain(s.endReason()));
        }
        if (s.highest() != null) {
            say.add(Text.of("map.highest", "at most {0}", s.highest().shown()));
        }
        s.limits().forEach(l -> say.add(Text.plain(l.shown())));
        if (s.brush() != null) {
            say.add(Text.of("map.brush", "brush: {0}", s.brush()));
        }
        if (s.wipe() != null) {
            say.add(Text.of("map.wiped", "wiped {0}", s.wipe()));
        }
        return Text.series(say);
    }

    private static Text zone(int zone) {
        return switch (zone) {
            case 1 -> Text.of("map.zone-1", "food-contact");
            case 2 -> Text.of("map.zone-2", "adjacent");
            case 3 -> Text.of("map.zone-3", "processing area");
            default -> Text.of("map.zone-4", "outside");
        };
    }

    List<Text> energy(Energy e) {
        List<Text> say = new ArrayList<>();
        say.add(
                switch (e.kind()) {
                    case CORD -> Text.of("map.cord", "A cord and plug.");
                    case SUPPLIED ->
                            Text.of(
                                    "map.supplied",
                                    "It comes from a supply and has to be isolated and locked.");
                    case STORED ->
                            Text.of(
                                    "map.stored",
                                    "It stays stored in the machine until it is released.");
                    case HEAT -> Text.of("map.heat", "Heat that stays after the stop.");
                });
        if (e.keepLive()) {
            say.add(Text.of("map.keep-live", "It stays on during cleaning."));
        }
        add(say, e.isolationPoint(), t -> Text.of("map.lock-point", "Lock it out at: {0}", t));
        if (e.tagOnly()) {
            say.add(
                    Text.of(
                            "map.tag-only",
                            "Its point takes no lock: tag it and take a second measure."));
        }
        add(say, e.verify(), t -> Text.of("map.verify", "Verify zero energy: {0}", t));
        if (e.fedBy() != null) {
            say.add(Text.of("map.fed-by", "It is fed by: {0}", name(e.fedBy())));
        }
        if (e.heat() != null) {
            say.add(Text.of("map.heat-start", "At the stop it has {0}.", e.heat().start().shown()));
        }
        if (!e.zone().isEmpty()) {
            say.add(Text.of("map.reaches", "It reaches: {0}", list(e.zone())));
        }
        return List.copyOf(say);
    }

    /** A text of the sheet, alone or in a sentence that says what it is. */
    private static void add(
            List<Text> say, @Nullable String text, Function<String, Text> sentence) {
        if (text == null || text.isBlank()) {
            return;
        }
        // Texts of sheets stand as they were written, so that their translation is found.
        say.add(sentence.apply(text.strip()));
    }

    private List<String> list(List<String> ids) {
        return ids.stream().map(this::name).toList();
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
