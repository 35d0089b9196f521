package orthopur.server.instruments;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import orthopur.formats.TextDocument;
import orthopur.instrument.Instrument;
import orthopur.server.floor.SiteEntries;
import orthopur.server.machines.Premises;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.simulation.instruments.Meter;
import orthopur.sitestream.Register;
import orthopur.sitestream.SiteState;
import orthopur.text.Text;

/**
 * Instruments: the stand-ins that answer in the demo only, and what one that proved wrong has
 * decided. What the stand-ins are held to is a demo world, near the value that the caller expects,
 * and now and then not.
 */
@RestController
@MayUse
@RequestMapping("/api/instruments")
class InstrumentsController {
    /** One time in so many what is measured is not as it should be. */
    private static final int ODD = 8;

    /** How those of the demo site misbehave that do; the others are as good as they say. */
    private static final Map<String, Meter.Condition> MISBEHAVE =
            Map.of(
                    "probe-2", new Meter.Condition(0.01, 60, 90, 70, 0.01),
                    "surface-1", new Meter.Condition(0.03, 120, 90, 60, 0),
                    "ph-pen-2", new Meter.Condition(0, 20, 30, 80, 0.05),
                    "conductivity-1", new Meter.Condition(0, 100, 365, 2, 0),
                    "gauge-1", new Meter.Condition(0, 40, 90, 90, 0, 2, 0),
                    "iodine-kit", new Meter.Condition(0, 0, 90, 100, 0, 0, 0.3));

    private final boolean demo;
    private final Premises premises;
    private final SiteEntries site;
    private final LookBack lookBack;
    private final Clock clock;
    private final Map<String, Standing> own = new LinkedHashMap<>();
    private final Map<Instrument, Meter> standIns = new HashMap<>();
    private final Random world = new Random(20_261_125);

    private record Standing(Text name, Meter.Kind kind, Meter meter) {}

    InstrumentsController(
            @Value("${orthopur.demo:false}") boolean demo,
            Premises premises,
            SiteEntries site,
            LookBack lookBack,
            Clock clock) {
        this.demo = demo;
        this.premises = premises;
        this.site = site;
        this.lookBack = lookBack;
        this.clock = clock;
        if (!demo) {
            // A made-up figure has no place in the record of a real site.
            return;
        }
        // Meters that nobody has entered in the register, as they lie in every drawer.
        add(
                "atp-old",
                Text.of("instruments.atp-old", "ATP meter, old"),
                Meter.Kind.ATP,
                new Meter.Condition(0, 400, 365, 2, 0.2));
        add(
                "probe-t",
                Text.of("instruments.probe", "Probe thermometer"),
                Meter.Kind.THERMOMETER,
                Meter.Condition.GOOD);
        add(
                "oven-t",
                Text.of("instruments.oven-drifting", "Oven thermometer, drifting"),
                Meter.Kind.THERMOMETER,
                new Meter.Condition(0.03, 120, 90, 60, 0));
    }

    private void add(String id, Text name, Meter.Kind kind, Meter.Condition c) {
        own.put(id, new Standing(name, kind, new Meter(kind, c, id.hashCode())));
    }

    private Meter standIn(Instrument i) {
        return standIns.computeIfAbsent(
                i,
                x ->
                        Meter.standIn(
                                x,
                                MISBEHAVE.getOrDefault(x.id(), Meter.Condition.GOOD),
                                x.id().hashCode()));
    }

    /**
     * @param due whether nothing should be decided by it before it is checked
     */
    record MeterView(String id, TextDocument name, Meter.Kind kind, String unit, boolean due) {}

    /**
     * @param value null when it shows none; {@code says} tells why
     */
    record MeterReading(@Nullable Double value, String unit, TextDocument says) {}

    @GetMapping
    synchronized List<MeterView> all() {
        List<MeterView> all = new ArrayList<>();
        if (!demo) {
            return all;
        }
        Premises.Now now = premises.now();
        SiteState state = site.state();
        Duration every = days(now);
        for (Instrument i : now.site().instruments()) {
            Register.Standing standing = Register.of(i, state, every, clock.millis()).standing();
            all.add(
                    new MeterView(
                            i.id(),
                            TextDocument.of(Text.plain(i.name())),
                            Meter.Kind.of(i),
                            standIn(i).unit(),
                            standing != Register.Standing.GOOD));
        }
        own.forEach(
                (id, m) ->
                        all.add(
                                new MeterView(
                                        id,
                                        TextDocument.of(m.name()),
                                        m.kind(),
                                        m.kind().unit(),
                                        m.meter().condition().due())));
        return all;
    }

    private static Duration days(Premises.Now now) {
        return Duration.ofDays(Math.round(now.context().book().number("instrument.check-every")));
    }

    /**
     * Holds a meter to something.
     *
     * @param near what it should be there; one time in eight the demo world is off by half
     * @param standard whether it is a standard, which is what it says
     */
    @PostMapping("/{id}/readings")
    synchronized MeterReading read(
            @PathVariable String id,
            @RequestParam double near,
            @RequestParam(defaultValue = "false") boolean standard) {
        Standing s = standing(id);
        if (s == null) {
            throw Said.notFound(
                    Text.of(
                            "instruments-controller.there-is-no-instrument",
                            "There is no instrument {0}.",
                            id));
        }
        if (!(near >= -50 && near <= 10_000)) {
            throw Said.conflict(
                    Text.of(
                            "instruments-controller.near-is-a-number-from",
                            "near is a number from -50 to 10,000."));
        }
        boolean odd = !standard && world.nextInt(ODD) == 0;
        double truth = odd ? s.kind() == Meter.Kind.ATP ? near * 12 : near * 0.5 : near;
        String unit = s.meter().unit();
        boolean due = s.meter().condition().due();
        return switch (s.meter().read(truth)) {
            case Meter.Answer.Shown a ->
                    new MeterReading(
                            a.value(),
                            a.unit(),
                            says(Text.of("meter.shows", "{0} shows it.", s.name()), due));
            case Meter.Answer.Beyond b ->
                    new MeterReading(
                            null,
                            unit,
                            says(
                                    Text.of(
                                            "meter.beyond",
                                            "{0} shows \"beyond range\": it reads {1}.",
                                            s.name(),
                                            b.range()),
                                    due));
            case Meter.Answer.Dark d ->
                    new MeterReading(
                            null,
                            unit,
                            says(
                                    Text.of(
                                            "meter.dark",
                                            "{0} stays dark: its battery is flat.",
                                            s.name()),
                                    false));
        };
    }

    private static TextDocument says(Text shown, boolean due) {
        return TextDocument.of(
                due ? Text.of("meter.due", "{0} Its calibration is overdue.", shown) : shown);
    }

    private @Nullable Standing standing(String id) {
        if (!demo) {
            return null;
        }
        for (Instrument i : premises.now().site().instruments()) {
            if (i.id().equals(id)) {
                return new Standing(Text.plain(i.name()), Meter.Kind.of(i), standIn(i));
            }
        }
        return own.get(id);
    }

    /**
     * What an instrument that proved wrong has decided: every reading since its last good check,
     * and how each round stands in which it was taken.
     *
     * @param since epoch milliseconds; by itself since its last good check
     */
    @GetMapping("/{id}/look-back")
    LookBack.Doubted lookBack(@PathVariable String id, @RequestParam @Nullable Long since) {
        Premises.Now now = premises.now();
        Instrument instrument =
                now.site().instruments().stream()
                        .filter(i -> i.id().equals(id))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                Text.of(
                                                        "instruments-controller.there-is-no-instrument",
                                                        "There is no instrument {0}.",
                                                        id)));
        Register.Entry e = Register.of(instrument, site.state(), days(now), clock.millis());
        Long from = since == null ? e.doubtedSince() : since;
        return lookBack.by(id, from == null ? e.goodAt() : from);
    }
}
