package orthopur.formats;

import java.time.Duration;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.due.SiteDays;
import orthopur.instrument.Instrument;
import orthopur.machine.Cart;
import orthopur.machine.Frequency;
import orthopur.machine.Problem;
import orthopur.machine.Regime;
import orthopur.machine.Vessel;
import orthopur.night.CleanJobs;
import orthopur.quantity.Hardness;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.rulebook.RuleBook;
import orthopur.runthrough.Context;
import orthopur.text.Text;
import tools.jackson.databind.node.ObjectNode;

/** What the program knows of the site as a whole. */
public record Site(
        String name,
        String town,
        String zone,
        Mains mains,
        List<Instrument> instruments,
        @Nullable List<Vessel> vessels,
        @Nullable Ways ways,
        @Nullable Hours hours,
        @Nullable List<Cart> carts,
        @Nullable List<SharedTool> tools,
        @Nullable Duration walk) {
    private static final Duration LONGEST_WALK = Duration.ofMinutes(15);

    public Site {
        // A site on its first day owns none.
        instruments = Objects.requireNonNullElse(instruments, List.of());
    }

    /** As the site has said, or as a site that has said nothing. */
    public Ways habits() {
        return ways == null ? Ways.COMMON : ways;
    }

    /**
     * How this site does things where practitioners differ and the rules leave the choice.
     *
     * @param regime of a new machine's sheet
     * @param rinseAfterSanitizer,assembledFirst the schools that a new draft follows
     * @param language of a tablet on which nobody has chosen another
     * @param temperatures the unit of the site's thermometers, {@code °C} or {@code °F}
     * @param secondPersonFrom the lightest kind of round that somebody else has to release; a site
     *     may ask for it earlier than at end of shift, not later (R2)
     * @param keepYears for how many years records are kept, from 2 (R5)
     * @param stillUsedDays for how long an approved version that no longer passes may be used once
     *     that was signed for; null for 14
     */
    public record Ways(
            Regime regime,
            boolean rinseAfterSanitizer,
            boolean assembledFirst,
            String language,
            String temperatures,
            Frequency secondPersonFrom,
            int keepYears,
            @Nullable Integer stillUsedDays) {
        static final Ways COMMON =
                new Ways(Regime.RETAIL, false, false, "en", "°C", Frequency.END_OF_SHIFT, 2, null);

        /** Days for which a version that no longer passes may be used, once signed for. */
        public int graceDays() {
            return stillUsedDays == null ? 14 : stillUsedDays;
        }

        /** Whether somebody else than the one who cleaned has to release such a round (R2). */
        public boolean secondPerson(@Nullable Frequency kind) {
            return kind == null || kind == Frequency.EVENT || kind.compareTo(secondPersonFrom) >= 0;
        }
    }

    /**
     * When this site works.
     *
     * @param dayBegins HH:MM; what is done before belongs to the day before
     * @param shifts,meals hours of production, and meal periods
     */
    public record Hours(@Nullable String dayBegins, List<Period> shifts, List<Period> meals) {
        public Hours {
            shifts = Objects.requireNonNullElse(shifts, List.of());
            meals = Objects.requireNonNullElse(meals, List.of());
        }
    }

    /**
     * A time of each day.
     *
     * @param from,to HH:MM; an end before its beginning is on the next day
     */
    public record Period(String name, String from, String to) {}

    /** The days of this site as its people count them; from midnight where it has not said. */
    public SiteDays days() {
        Hours h = hours == null ? new Hours(null, List.of(), List.of()) : hours;
        return new SiteDays(
                java.time.ZoneId.of(zone),
                h.dayBegins() == null ? LocalTime.MIDNIGHT : LocalTime.parse(h.dayBegins()),
                periods(h.shifts()),
                periods(h.meals()));
    }

    private static List<SiteDays.Hours> periods(List<Period> all) {
        return all.stream()
                .map(
                        p ->
                                new SiteDays.Hours(
                                        p.name(),
                                        LocalTime.parse(p.from()),
                                        LocalTime.parse(p.to())))
                .toList();
    }

    /**
     * A tool that machines share, for instance the ladder.
     *
     * @param name as procedures call it
     * @param count how many there are, from 1; null for one
     */
    public record SharedTool(String id, String name, @Nullable Integer count) {}

    /** What a night of this site goes by beside its machines and people. */
    public CleanJobs.Premises premises(double hotCelsius) {
        List<CleanJobs.Shared> shared = new ArrayList<>();
        if (carts != null) {
            carts.forEach(
                    c ->
                            shared.add(
                                    new CleanJobs.Shared(
                                            c.id(),
                                            c.name(),
                                            Objects.requireNonNullElse(c.count(), 1))));
        }
        if (tools != null) {
            tools.forEach(
                    t ->
                            shared.add(
                                    new CleanJobs.Shared(
                                            t.id(),
                                            t.name(),
                                            Objects.requireNonNullElse(t.count(), 1))));
        }
        return new CleanJobs.Premises(
                vessels == null ? List.of() : vessels,
                hotCelsius,
                mains.temperature().celsius(),
                shared,
                walk == null ? 0 : walk.toSeconds() / 60.0);
    }

    /** What every verdict on this site depends on beside sheet and procedure. */
    public Context context(RuleBook book, List<Chemical> chemicals) {
        return new Context(book, chemicals, mains.hardness())
                .withVessels(vessels == null ? List.of() : vessels)
                .withTap(
                        new Context.Tap(
                                mains.ph(),
                                mains.temperature(),
                                !Boolean.FALSE.equals(mains.drinkable()),
                                mains.tested()))
                .withInstruments(instruments)
                .withCarts(carts == null ? List.of() : carts);
    }

    /**
     * The drinking water that comes from the tap.
     *
     * @param drinkable false where it is no drinking water; null for drinking water
     * @param tested when it was last found to be free of E. coli; null where there is no record
     */
    public record Mains(
            Temperature temperature,
            Hardness hardness,
            Ph ph,
            @Nullable Boolean drinkable,
            @Nullable String tested) {}

    /**
     * @throws FormatError with every error by pointer
     */
    public static Site read(String text) {
        Site site = Documents.bind("site", Json.tree(text), Site.class);
        List<Problem> problems = new ArrayList<>();
        Set<String> names = new HashSet<>();
        List<Vessel> all = site.vessels() == null ? List.of() : site.vessels();
        for (int i = 0; i < all.size(); i++) {
            if (!names.add(all.get(i).name().strip().toLowerCase(Locale.ROOT))) {
                problems.add(
                        new Problem(
                                "/vessels/" + i + "/name",
                                Text.of(
                                        "site.another-vessel-is-called-already",
                                        "Another vessel is called \"{0}\" already.",
                                        all.get(i).name())));
            }
        }
        List<Cart> carts = site.carts() == null ? List.of() : site.carts();
        for (int i = 0; i < carts.size(); i++) {
            if (!names.add(carts.get(i).name().strip().toLowerCase(Locale.ROOT))) {
                problems.add(
                        new Problem(
                                "/carts/" + i + "/name",
                                Text.of(
                                        "site.another-vessel-or-cart-is-called",
                                        "Another vessel or cart is called \"{0}\" already.",
                                        carts.get(i).name())));
            }
        }
        List<SharedTool> tools = site.tools() == null ? List.of() : site.tools();
        for (int i = 0; i < tools.size(); i++) {
            if (!names.add(tools.get(i).name().strip().toLowerCase(Locale.ROOT))) {
                problems.add(
                        new Problem(
                                "/tools/" + i + "/name",
                                Text.of(
                                        "site.another-thing-is-called",
                                        "Another vessel, cart or tool is called \"{0}\" already.",
                                        tools.get(i).name())));
            }
        }
        if (site.walk() != null && site.walk().compareTo(LONGEST_WALK) > 0) {
            problems.add(
                    new Problem(
                            "/walk",
                            Text.of(
                                    "site.the-walk-takes-minutes-allowed-are",
                                    "The walk to a machine takes {0} minutes; allowed are 0 to {1}.",
                                    site.walk().toMinutes(),
                                    LONGEST_WALK.toMinutes())));
        }
        if (!java.time.ZoneId.getAvailableZoneIds().contains(site.zone())) {
            problems.add(
                    new Problem(
                            "/zone",
                            Text.of(
                                    "site.there-is-no-time-zone-for",
                                    "There is no time zone \"{0}\"; for instance Europe/London.",
                                    site.zone())));
        }
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
        return site;
    }

    /**
     * The same site with another name, town, time zone, mains or other ways.
     *
     * @param head a JSON object of what is another
     * @throws FormatError with every error by pointer
     */
    public Site withHead(String head) {
        ObjectNode tree = (ObjectNode) Json.tree(Json.write(this));
        tools.jackson.databind.JsonNode other = Json.tree(head);
        for (String field : List.of("name", "town", "zone", "mains", "ways", "hours")) {
            if (other.has(field)) {
                tree.set(field, other.get(field));
            }
        }
        return read(tree.toString());
    }

    /**
     * The same site with other vessels.
     *
     * @param list a JSON list of them
     * @throws FormatError with every error by pointer
     */
    public Site withVessels(String list) {
        ObjectNode tree = (ObjectNode) Json.tree(Json.write(this));
        tree.set("vessels", Json.tree(list));
        return read(tree.toString());
    }

    public String write() {
        return Json.write(this);
    }

    /** The vessels alone, as a JSON list. */
    public String vesselList() {
        return Json.write(vessels == null ? List.of() : vessels);
    }
}
