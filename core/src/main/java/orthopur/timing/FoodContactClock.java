package orthopur.timing;

import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Temperature;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/**
 * How long a zone-1 surface may be in use with time/temperature-controlled food: four hours, or
 * longer in a cold room by its temperature (Food Code 4-602.11(C) and (D)(2)).
 */
public final class FoodContactClock {
    private static final int ROWS = 4;

    private final RuleBook book;

    public FoodContactClock(RuleBook book) {
        this.book = book;
    }

    /**
     * A time spent in one room.
     *
     * @param hours how long so far, from 0
     */
    public record Spell(Temperature room, double hours) {}

    /** Hours that a room of this temperature allows; the 4-hour clock where it is too warm. */
    public double hours(Temperature room) {
        for (int row = 1; row <= ROWS; row++) {
            if (room.compareTo(book.temperature("room.row-" + row + ".highest")) <= 0) {
                return book.number("room.row-" + row + ".hours");
            }
        }
        return book.number("clock.hours");
    }

    /**
     * Hours left from the end of the last spell; negative when overdue. The warmest room since the
     * last clean governs all of the time.
     *
     * @throws OutOfRange without a spell
     */
    public double leftStrict(List<Spell> spells) {
        double used = spells.stream().mapToDouble(Spell::hours).sum();
        return hours(warmest(spells)) - used;
    }

    /** The same by shares: each spell uses up its share of its row's hours. An estimate. */
    public double leftByShare(List<Spell> spells) {
        warmest(spells);
        double share = spells.stream().mapToDouble(s -> s.hours() / hours(s.room())).sum();
        return (1 - share) * hours(spells.getLast().room());
    }

    private static Temperature warmest(List<Spell> spells) {
        return spells.stream()
                .map(Spell::room)
                .max(Temperature::compareTo)
                .orElseThrow(
                        () ->
                                new OutOfRange(
                                        "rooms",
                                        Text.of("out-of-range.nothing", "(nothing)"),
                                        Text.of(
                                                "out-of-range.at-least-one-room",
                                                "at least one room")));
    }
}
