package orthopur.server.instruments;

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
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.simulation.instruments.Meter;
import orthopur.text.Text;

/**
 * Meters by name, in the demo only. They are stand-ins: what they are held to is a demo world, near
 * the value that the caller expects, and now and then not.
 */
@RestController
@MayUse
@RequestMapping("/api/instruments")
class InstrumentsController {
    /** One time in so many what is measured is not as it should be. */
    private static final int ODD = 8;

    private final Map<String, Standing> meters = new LinkedHashMap<>();
    private final Random world = new Random(20_261_125);

    private record Standing(String name, Meter.Kind kind, Meter meter) {}

    InstrumentsController(@Value("${orthopur.demo:false}") boolean demo) {
        if (!demo) {
            // A made-up figure has no place in the record of a real site.
            return;
        }
        add("ph-pen-1", "pH pen 1", Meter.Kind.PH_PEN, new Meter.Condition(0, 20, 30, 80, 0));
        add("atp-1", "ATP meter 1", Meter.Kind.ATP, new Meter.Condition(0, 100, 365, 90, 0));
        add("atp-old", "ATP meter, old", Meter.Kind.ATP, new Meter.Condition(0, 400, 365, 2, 0.2));
        add(
                "probe-2",
                "Chlorine probe 2",
                Meter.Kind.COLORIMETER,
                new Meter.Condition(0.01, 60, 90, 70, 0.01));
        add("probe-t", "Probe thermometer", Meter.Kind.THERMOMETER, Meter.Condition.GOOD);
        add(
                "oven-t",
                "Oven thermometer, drifting",
                Meter.Kind.THERMOMETER,
                new Meter.Condition(0.03, 120, 90, 60, 0));
    }

    private void add(String id, String name, Meter.Kind kind, Meter.Condition c) {
        meters.put(id, new Standing(name, kind, new Meter(kind, c, id.hashCode())));
    }

    /**
     * @param due whether it should have been calibrated by now
     */
    record MeterView(String id, String name, Meter.Kind kind, String unit, boolean due) {}

    /**
     * @param value null when it shows none; {@code says} tells why
     */
    record MeterReading(@Nullable Double value, String unit, String says) {}

    @GetMapping
    synchronized List<MeterView> all() {
        return meters.entrySet().stream()
                .map(
                        e ->
                                new MeterView(
                                        e.getKey(),
                                        e.getValue().name(),
                                        e.getValue().kind(),
                                        e.getValue().kind().unit(),
                                        e.getValue().meter().condition().due()))
                .toList();
    }

    /**
     * Holds a meter to something.
     *
     * @param near what it should be there; one time in eight the demo world is off by half
     */
    @PostMapping("/{id}/readings")
    synchronized MeterReading read(@PathVariable String id, @RequestParam double near) {
        Standing s = meters.get(id);
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
        boolean odd = world.nextInt(ODD) == 0;
        double truth = odd ? s.kind() == Meter.Kind.ATP ? near * 12 : near * 0.5 : near;
        String due = s.meter().condition().due() ? " Its calibration is overdue." : "";
        return switch (s.meter().read(truth)) {
            case Meter.Answer.Shown a ->
                    new MeterReading(a.value(), a.unit(), s.name() + " shows it." + due);
            case Meter.Answer.Beyond b ->
                    new MeterReading(
                            null,
                            s.kind().unit(),
                            "%s shows \"beyond range\": it reads %s.%s"
                                    .formatted(s.name(), b.range(), due));
            case Meter.Answer.Dark d ->
                    new MeterReading(
                            null, s.kind().unit(), s.name() + " stays dark: its battery is flat.");
        };
    }
}
