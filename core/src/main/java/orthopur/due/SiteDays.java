package orthopur.due;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The days of a site, as its people count them.
 *
 * @param zone in which its clocks run; a day with a change of the clock has 23 or 25 hours
 * @param begins when a day of the site begins: what is done at two in the night belongs to the day
 *     before
 * @param shifts hours of production; none where they are not told
 * @param meals meal periods; none where there are none
 */
public record SiteDays(ZoneId zone, LocalTime begins, List<Hours> shifts, List<Hours> meals) {
    public SiteDays {
        shifts = List.copyOf(shifts);
        meals = List.copyOf(meals);
    }

    /**
     * Hours of each day; one that ends before it begins goes over midnight.
     *
     * @param name as people call them
     */
    public record Hours(String name, LocalTime from, LocalTime to) {}

    /** One time that such hours came. */
    record Came(String name, Instant from, Instant to) {}

    /** The day of the site to which a moment belongs. */
    public LocalDate dayOf(Instant at) {
        ZonedDateTime there = at.atZone(zone);
        return there.toLocalTime().isBefore(begins)
                ? there.toLocalDate().minusDays(1)
                : there.toLocalDate();
    }

    /** When a day of the site begins; in a gap of the clock, right after it. */
    public Instant begin(LocalDate day) {
        return at(day, begins);
    }

    Instant at(LocalDate day, LocalTime time) {
        return ZonedDateTime.of(day, time, zone).toInstant();
    }

    /** The first of such hours that end after a moment; null where there are none. */
    @Nullable Came firstEndingAfter(List<Hours> hours, Instant moment) {
        Came first = null;
        LocalDate day = moment.atZone(zone).toLocalDate().minusDays(1);
        for (int i = 0; i < 4; i++, day = day.plusDays(1)) {
            for (Hours h : hours) {
                Came c = on(h, day);
                if (c.to().isAfter(moment) && (first == null || c.to().isBefore(first.to()))) {
                    first = c;
                }
            }
        }
        return first;
    }

    /** When the next of such hours begin, at or after a moment; null where there are none. */
    @Nullable Instant nextBeginning(List<Hours> hours, Instant moment) {
        Instant first = null;
        LocalDate day = moment.atZone(zone).toLocalDate().minusDays(1);
        for (int i = 0; i < 4; i++, day = day.plusDays(1)) {
            for (Hours h : hours) {
                Instant from = on(h, day).from();
                if (!from.isBefore(moment) && (first == null || from.isBefore(first))) {
                    first = from;
                }
            }
        }
        return first;
    }

    private Came on(Hours h, LocalDate day) {
        boolean over = !h.to().isAfter(h.from());
        return new Came(h.name(), at(day, h.from()), at(over ? day.plusDays(1) : day, h.to()));
    }
}
