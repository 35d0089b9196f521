package orthopur.night;

import java.util.ArrayList;
import java.util.List;
import orthopur.night.Night.Break;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Span;

/**
 * How soon a night can be over at the best: all its work spread over everybody who is here, as if
 * anybody could do anything. No plan ends before it.
 */
public final class Earliest {
    private Earliest() {}

    /**
     * The minute before which the work of a night cannot be over, its breaks aside.
     *
     * @return from 0 to the length of the night, also where the work does not fit into it
     */
    public static int withoutBreaks(Night night) {
        return of(night, List.of(), 0);
    }

    /**
     * The same, with the breaks that {@linkplain #counts count}, and no sooner than the longest
     * chain of what waits for each other takes.
     */
    public static int end(Night night) {
        List<Break> all = new ArrayList<>();
        night.people().forEach(p -> all.addAll(p.breaks()));
        Paths paths = new Paths(night);
        int chain = night.tasks().stream().mapToInt(paths::end).max().orElse(0);
        return Math.min(night.until(), Math.max(chain, of(night, all, withoutBreaks(night))));
    }

    /**
     * Whether somebody's break belongs to their night: where the work goes on beyond the beginning
     * of the time for it. Whoever is home before that needs none.
     */
    public static boolean counts(Night night, Break b) {
        return withoutBreaks(night) > b.from();
    }

    private static int of(Night night, List<Break> breaks, int bare) {
        int work = 0;
        int first = night.until();
        int last = 0;
        for (Job j : night.tasks()) {
            if (j.running() == null) {
                work += j.hands() ? j.minutes() * j.people() : 0;
                first = Math.min(first, j.earliest());
                last = Math.max(last, j.earliest() + j.minutes());
            } else {
                last = Math.max(last, j.running().from() + j.minutes());
            }
        }
        for (Break b : breaks) {
            last = bare > b.from() ? Math.max(last, b.from() + b.minutes()) : last;
        }
        int over = over(night, night.people(), breaks, bare, work, first);
        return Math.min(night.until(), work == 0 ? last : Math.max(last, over));
    }

    /** When these people are through with so much work and their breaks, from a minute on. */
    private static int over(
            Night night, List<Person> people, List<Break> breaks, int bare, int work, int from) {
        List<List<Span>> busy = people.stream().map(p -> busy(night, p)).toList();
        int done = 0;
        int minute = from;
        while (minute < night.until() && done < work + rests(breaks, bare, from, minute)) {
            for (int i = 0; i < people.size(); i++) {
                done += here(people.get(i), busy.get(i), minute) ? 1 : 0;
            }
            minute++;
        }
        return minute;
    }

    /** Minutes of rest between two minutes at the least: as early or as late as they may be. */
    private static int rests(List<Break> breaks, int bare, int from, int to) {
        int all = 0;
        for (Break b : breaks) {
            int early = Math.clamp(b.from() + b.minutes() - from, 0, b.minutes());
            int late =
                    bare > b.from()
                            ? b.minutes()
                            : Math.clamp(to - (b.to() - b.minutes()), 0, b.minutes());
            all += Math.min(early, late);
        }
        return all;
    }

    /** When somebody is in the middle of something, and when they are not here, is no time. */
    private static List<Span> busy(Night night, Person p) {
        List<Span> all = new ArrayList<>();
        for (Job j : night.tasks()) {
            if (j.running() != null && j.running().people().contains(p.id())) {
                all.add(new Span(j.running().from(), j.running().from() + j.minutes()));
            }
        }
        return all;
    }

    private static boolean here(Person p, List<Span> busy, int minute) {
        return in(p.here(), minute) && !in(busy, minute);
    }

    private static boolean in(List<Span> spans, int minute) {
        for (Span s : spans) {
            if (s.from() <= minute && minute < s.to()) {
                return true;
            }
        }
        return false;
    }
}
