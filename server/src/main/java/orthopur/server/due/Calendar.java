package orthopur.server.due;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import orthopur.due.DueList;
import orthopur.due.Task;

/** What falls due as an iCalendar: an event a task and day, without a time of day. */
final class Calendar {
    private Calendar() {}

    /**
     * @param made when it was made; the same past gives the same events, by which a calendar knows
     *     them again
     */
    static String of(List<DueList.Ahead> all, Instant made) {
        net.fortuna.ical4j.model.Calendar calendar = new net.fortuna.ical4j.model.Calendar();
        calendar.add(new ProdId("-//Orthopur//due//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        for (DueList.Ahead a : all) {
            Task t = a.task();
            String machine = t.machine() == null ? "" : t.machine() + ": ";
            VEvent event = new VEvent(a.day(), machine + t.name());
            event.add(
                    new Uid(
                            UUID.nameUUIDFromBytes(
                                                    (a.day() + t.id())
                                                            .getBytes(
                                                                    java.nio.charset
                                                                            .StandardCharsets
                                                                            .UTF_8))
                                            .toString()
                                    + "@orthopur.invalid"));
            event.replace(new DtStamp(made));
            if (!a.takes().isEmpty()) {
                event.add(
                        new Description(
                                "Takes along: "
                                        + String.join(
                                                ", ",
                                                a.takes().stream().map(Task::name).toList())));
            }
            calendar.add(event);
        }
        return calendar.toString();
    }
}
