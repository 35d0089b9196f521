package orthopur.calculation;

import java.util.ArrayList;
import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;
import orthopur.timing.FoodContactClock;
import orthopur.timing.FoodContactClock.Spell;

/** When the next clean is due: the 4-hour clock or the table of room temperatures. */
final class CleanInterval implements Calculation {
    private static final int DAY = 24 * 60;
    private static final Text ROOMS =
            Text.of("calc.clean-interval.c-c-in-order", "4C@08:00,6C@18:00, in order");

    @Override
    public String name() {
        return "interval";
    }

    @Override
    public List<String> keys() {
        return List.of("uses", "rooms", "school?");
    }

    private record Room(Temperature temperature, int minute) {}

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        String school =
                in.has("school") ? in.choice("school", "strict", "share", "clock") : "strict";
        int first = in.clock("uses", in.text("uses").split("[,;-]")[0]);
        List<Room> rooms = rooms(in, first);
        FoodContactClock clock = new FoodContactClock(book);
        List<Spell> spells = new ArrayList<>();
        int from = first;
        for (int i = 0; i < rooms.size(); i++) {
            int until = i + 1 < rooms.size() ? rooms.get(i + 1).minute() : from;
            until = Math.max(until, from);
            if (i + 1 == rooms.size() || until > from) {
                spells.add(new Spell(rooms.get(i).temperature(), (until - from) / 60.0));
            }
            from = until;
        }
        double used = spells.stream().mapToDouble(Spell::hours).sum();
        double left =
                switch (school) {
                    case "share" -> clock.leftByShare(spells);
                    case "clock" -> book.number("clock.hours") - used;
                    default -> clock.leftStrict(spells);
                };
        int due = Math.floorMod((int) Math.floor(from + left * 60 + 1e-6), DAY);
        Worked w =
                new Worked(this, in)
                        .result(left, "h")
                        .also("total", used + left, "h")
                        .also("due", Text.plain("%02d:%02d".formatted(due / 60, due % 60)))
                        .verdict(left >= 0 ? "in" : "out")
                        .assume(
                                switch (school) {
                                    case "share" ->
                                            Text.of(
                                                    "calc.clean-interval.by-shares",
                                                    "Estimate by shares: each room uses up its part of its own hours. The code does not say so.");
                                    case "clock" ->
                                            Text.of(
                                                    "calc.clean-interval.by-the-clock",
                                                    "The 4-hour clock, whatever the room.");
                                    default ->
                                            Text.of(
                                                    "calc.clean-interval.by-the-warmest",
                                                    "The warmest room since the last clean governs all of it.");
                                })
                        .assume(
                                Text.of(
                                        "calc.clean-interval.from-the-last-room-change-on",
                                        "From the last room change on. Raw whole produce has no such clock."));
        return w.formula(
                Text.of(
                        "calc.clean-interval.formula",
                        "{0} h used since the first use; {1} h left by {2}",
                        used,
                        left,
                        school));
    }

    private static List<Room> rooms(CalcInputs in, int first) {
        List<Room> rooms = new ArrayList<>();
        for (String[] pair : in.pairs("rooms", "@", ROOMS)) {
            int minute = in.clock("rooms", pair[1]);
            int after = rooms.isEmpty() ? first : rooms.getLast().minute();
            while (!rooms.isEmpty() && minute <= after) {
                minute += DAY;
            }
            if (!rooms.isEmpty() && minute - after >= DAY) {
                throw new RefusedInput(
                        "rooms",
                        Text.of(
                                "calc.clean-interval.the-rooms-are-not-in-order",
                                "The rooms are not in order of time."),
                        ROOMS);
            }
            if (rooms.isEmpty() && minute > first) {
                throw new RefusedInput(
                        "rooms",
                        Text.of(
                                "calc.clean-interval.no-room-is-given-for-the",
                                "No room is given for the time of the first use."),
                        ROOMS);
            }
            try {
                UnitText.Parsed p = UnitText.split("rooms", pair[0]);
                rooms.add(new Room(UnitText.temperature(p.value(), p.unit()), minute));
            } catch (OutOfRange e) {
                throw new RefusedInput("rooms", e.said(), ROOMS);
            }
        }
        return rooms;
    }
}
