package orthopur.takeapart;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Assembly;
import orthopur.machine.Energy;
import orthopur.machine.Handling;
import orthopur.machine.Hazard;
import orthopur.machine.Limit;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.quantity.Show;

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
            say.add("There are " + p.count() + " of it.");
        }
        if (!p.removable() && !p.shifts()) {
            say.add("It stays on the machine.");
        } else if (!p.removable()) {
            say.add("It does not come off; it moves aside and has to be moved back.");
        }
        if (!p.behind().isEmpty()) {
            say.add("First off: " + list(p.behind()) + ".");
        }
        add(say, "", p.fastening());
        if (h.index() != null) {
            say.add(
                    h.index() == Handling.Index.BY_HAND
                            ? "The machine is turned by hand, under lock, to the place where each comes off."
                            : "The machine is brought to the place where each comes off by holding the button, from outside.");
        }
        if (h.people() != null && h.people() > 1) {
            say.add("It takes " + h.people() + " people.");
        }
        if (h.mass() != null) {
            say.add("It weighs " + Show.number(h.mass().kilograms()) + " kg.");
        }
        if (!h.tools().isEmpty()) {
            say.add("Have at hand: " + String.join(", ", h.tools()) + ".");
        }
        if (h.oneAtATime() != null) {
            say.add("Never take off all of “" + h.oneAtATime() + "” at once.");
        }
        add(say, "It goes to: ", p.destination());
        add(say, "Its place is marked: ", p.mark());
        if (!p.covers().isEmpty()) {
            say.add("While it is on, nobody reaches: " + list(p.covers()) + ".");
        }
        if (!p.hazards().isEmpty()) {
            say.add(
                    "Mind: "
                            + p.hazards().stream()
                                    .map(Hazard::shown)
                                    .collect(Collectors.joining(", "))
                            + ".");
        }
        add(say, "", p.caution());
        if (p.guard()) {
            say.add("It is a guard: the machine must not run without it.");
        }
        back(say, p);
        return List.copyOf(say);
    }

    private void back(List<String> say, Part p) {
        Assembly a = p.fitting();
        if (!a.after().isEmpty()) {
            say.add("It goes on after: " + list(a.after()) + ".");
        }
        add(say, "Put back so: ", a.pattern());
        add(say, "Check for wear: ", a.wearCheck());
        if (a.pair() != null) {
            say.add("It is replaced together with: " + name(a.pair()) + ".");
        }
        for (Assembly.Lubrication l : a.lubrication()) {
            say.add(
                    l.never()
                            ? "Never lubricate: " + l.point() + "."
                            : "Lubricate " + l.frequency().shown() + ": " + l.point() + ".");
        }
    }

    String surface(Surface s) {
        StringBuilder b = new StringBuilder(s.name()).append(": ");
        b.append(
                switch (s.zone()) {
                    case 1 -> "food-contact";
                    case 2 -> "adjacent";
                    case 3 -> "the room";
                    default -> "outside";
                });
        b.append(", ").append(String.join(" and ", s.materials()));
        b.append("; ").append(s.end().shown()).append(", ").append(s.frequency().shown());
        if (s.endReason() != null) {
            b.append(", because ").append(s.endReason());
        }
        if (s.highest() != null) {
            b.append("; at most ").append(s.highest().shown());
        }
        for (Limit l : s.limits()) {
            b.append("; ").append(l.shown());
        }
        if (s.brush() != null) {
            b.append("; brush: ").append(s.brush());
        }
        if (s.wipe() != null) {
            b.append("; wiped ").append(s.wipe());
        }
        return b.append('.').toString();
    }

    List<String> energy(Energy e) {
        List<String> say = new ArrayList<>();
        say.add(
                switch (e.kind()) {
                    case CORD -> "A cord and plug.";
                    case SUPPLIED -> "It comes from a supply and has to be isolated and locked.";
                    case STORED -> "It stays stored in the machine until it is released.";
                    case HEAT -> "Heat that stays after the stop.";
                });
        if (e.keepLive()) {
            say.add("It stays on during cleaning.");
        }
        add(say, "Lock it out at: ", e.isolationPoint());
        if (e.tagOnly()) {
            say.add("Its point takes no lock: tag it and take a second measure.");
        }
        add(say, "How it is proved: ", e.verify());
        if (e.fedBy() != null) {
            say.add("It is fed by " + name(e.fedBy()) + ".");
        }
        if (e.heat() != null) {
            say.add("At the stop it has " + e.heat().start().shown() + ".");
        }
        if (!e.zone().isEmpty()) {
            say.add("It reaches: " + list(e.zone()) + ".");
        }
        return List.copyOf(say);
    }

    private static void add(List<String> say, String before, @Nullable String text) {
        if (text != null && !text.isBlank()) {
            String t = before + text.strip();
            say.add(t.matches(".*[.!?]") ? t : t + ".");
        }
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
