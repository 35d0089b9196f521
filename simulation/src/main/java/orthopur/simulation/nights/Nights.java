package orthopur.simulation.nights;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.night.Night;
import orthopur.night.Night.After;
import orthopur.night.Night.Break;
import orthopur.night.Night.Heater;
import orthopur.night.Night.Job;
import orthopur.night.Night.Keep;
import orthopur.night.Night.Person;
import orthopur.night.Night.Place;
import orthopur.night.Night.Span;
import orthopur.text.Text;

/** Nights that nobody has worked, from a seed: the same seed gives the same night. */
public final class Nights {
    private static final int NIGHT = 480;

    private final Random random;
    private final List<Job> jobs = new ArrayList<>();

    private Nights(long seed) {
        this.random = new Random(seed);
    }

    /**
     * A night.
     *
     * @param machines that are cleaned in it, from 1
     * @param people who are there, from 1
     */
    public static Night of(long seed, int machines, int people) {
        return new Nights(seed).night(machines, people);
    }

    private Night night(int machines, int people) {
        List<Person> all = new ArrayList<>();
        for (int i = 0; i < people; i++) {
            int late = i > 0 && random.nextInt(4) == 0 ? 60 : 0;
            all.add(
                    new Person(
                            "p" + i,
                            "person " + i,
                            List.of(new Span(late, NIGHT)),
                            List.of(new Break(150, 330, 30)),
                            null,
                            i == 0 || random.nextInt(5) > 0,
                            i % 3 == 0 ? Set.of("release") : Set.of()));
        }
        int size = Math.max(1, machines / 12);
        List<Place> places =
                List.of(
                        new Place("sink", "three-bay sink", 3 * size, 0),
                        new Place("bath", "small-parts bath", 2 * size, 0),
                        new Place("cart", "cart", 8 * size, 0),
                        new Place("wash-down", "wash-down area", size, 10));
        for (int m = 0; m < machines; m++) {
            clean("m" + m);
        }
        return new Night(NIGHT, all, places, new Heater(400.0 * size, 4.9 * size), jobs);
    }

    /** Make safe and take apart, soak or cool, clean, put together, released by somebody else. */
    private void clean(String machine) {
        int wanted = 330 + random.nextInt(150);
        boolean must = random.nextInt(3) > 0;
        boolean heavy = random.nextInt(4) == 0;
        boolean adults = random.nextInt(4) == 0;
        String soak = random.nextInt(2) == 0 ? "caustic" : "detergent";
        add(
                machine,
                "apart",
                8 + random.nextInt(15),
                true,
                heavy ? 2 : 1,
                List.of(),
                null,
                List.of(),
                0,
                null,
                adults,
                must);
        add(
                machine,
                "soak",
                15 + random.nextInt(30),
                false,
                0,
                List.of("sink"),
                soak,
                List.of(new After(machine + "/apart", 0, null)),
                20 + random.nextInt(50),
                null,
                false,
                must);
        add(
                machine,
                "wash",
                12 + random.nextInt(25),
                true,
                1,
                List.of(random.nextInt(3) == 0 ? "wash-down" : "bath"),
                null,
                List.of(new After(machine + "/soak", 0, null)),
                random.nextInt(40),
                null,
                adults,
                must);
        add(
                machine,
                "together",
                6 + random.nextInt(15),
                true,
                heavy ? 2 : 1,
                List.of(),
                null,
                List.of(new After(machine + "/wash", 10, 120)),
                0,
                null,
                adults,
                must);
        // A cart from the first part to the last, and a plug in one hand.
        jobs.add(jobs.removeLast().withKeeps(List.of(new Keep("cart", machine + "/apart"))));
        if (!heavy && random.nextInt(3) == 0) {
            jobs.replaceAll(
                    j ->
                            j.id().equals(machine + "/wash") || j.id().equals(machine + "/together")
                                    ? j.withSameAs(List.of(machine + "/apart"))
                                    : j);
        }
        jobs.add(
                new Job(
                        machine + "/release",
                        Text.plain("release " + machine),
                        machine,
                        5,
                        true,
                        1,
                        List.of(),
                        null,
                        List.of(new After(machine + "/together", 0, null)),
                        0,
                        wanted,
                        0,
                        must,
                        null,
                        false,
                        "release",
                        List.of(machine + "/together", machine + "/wash"),
                        List.of(),
                        null,
                        null,
                        List.of(),
                        List.of()));
    }

    private void add(
            String machine,
            String what,
            int minutes,
            boolean hands,
            int people,
            List<String> places,
            @Nullable String content,
            List<After> after,
            double hot,
            @Nullable Integer wanted,
            boolean adults,
            boolean must) {
        jobs.add(
                new Job(
                        machine + "/" + what,
                        Text.plain(what + " " + machine),
                        machine,
                        minutes,
                        hands,
                        people,
                        places,
                        content,
                        after,
                        0,
                        wanted,
                        hot,
                        must,
                        null,
                        adults,
                        null,
                        List.of(),
                        List.of(),
                        null,
                        null,
                        List.of(),
                        List.of()));
    }
}
