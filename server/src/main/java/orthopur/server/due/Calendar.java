package orthopur.server.due;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.jspecify.annotations.Nullable;
import orthopur.due.DueList;
import orthopur.due.Task;

/** Things with a day or a time as an iCalendar. */
public final class Calendar {
    private Calendar() {}

    /**
     * One of them.
     *
     * @param key by which a calendar knows it again: the same thing has the same
     * @param day on which it is, without a time of day; null where it has one
     * @param from,until when it is; null where it is of a whole day
     * @param more what else is to be said; empty for nothing
     */
    public record Event(
            String key,
            String name,
            @Nullable LocalDate day,
            @Nullable Instant from,
            @Nullable Instant until,
            String more) {}

    /**
     * @param made when it was made; the same past gives the same events
     */
    public static String of(List<Event> all, Instant made) {
        net.fortuna.ical4j.model.Calendar calendar = new net.fortuna.ical4j.model.Calendar();
        calendar.add(new ProdId("-//Orthopur//due//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        for (Event e : all) {
            VEvent event =
                    e.from() != null && e.until() != null
                            ? new VEvent(e.from(), e.until(), e.name())
                            : new VEvent(Objects.requireNonNull(e.day()), e.name());
            event.add(
                    new Uid(
                            UUID.nameUUIDFromBytes(e.key().getBytes(StandardCharsets.UTF_8))
                                    + "@orthopur.invalid"));
            event.replace(new DtStamp(made));
            if (!e.more().isEmpty()) {
                event.add(new Description(e.more()));
            }
            calendar.add(event);
        }
        return calendar.toString();
    }

    /** What falls due, an event a task and day. */
    static Event of(DueList.Ahead a) {
        Task t = a.task();
        String machine = t.machine() == null ? "" : t.machine() + ": ";
        return new Event(
                a.day() + t.id(),
                machine + t.name(),
                a.day(),
                null,
                null,
                a.takes().isEmpty()
                        ? ""
                        : "Takes along: "
                                + String.join(", ", a.takes().stream().map(Task::name).toList()));
    }
}
