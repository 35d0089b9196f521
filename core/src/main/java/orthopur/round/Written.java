package orthopur.round;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import orthopur.roundpack.RoundPack;
import orthopur.text.Objection;
import orthopur.text.Text;

/**
 * An entry as it is written down: a kind, the step and named figures with their units. Tablets send
 * it so, and the log keeps it so.
 */
public record Written(String kind, String step, List<EntryValue> figures) {
    public Written {
        figures = List.copyOf(figures);
    }

    /** Something that is no entry at all: of an unknown kind, or without one of its figures. */
    public static final class NotAnEntry extends Objection {
        private static final long serialVersionUID = 1L;

        public NotAnEntry(Text said) {
            super(said);
        }
    }

    /** The entry written down. */
    public static Written of(Entry entry) {
        List<EntryValue> f = new ArrayList<>();
        String kind =
                switch (entry) {
                    case Entry.PieceMoved e -> {
                        f.add(EntryValue.text("piece", e.piece()));
                        yield e.off() ? "piece-off" : "piece-on";
                    }
                    case Entry.TimerStarted e -> "timer-started";
                    case Entry.ContactBroken e -> "contact-broken";
                    case Entry.ReadingTaken e -> {
                        f.add(EntryValue.text("instrument", e.instrument()));
                        f.add(EntryValue.number("strength", e.strength(), "mg/L"));
                        f.add(EntryValue.number("temperature", e.temperature(), "°C"));
                        yield "reading";
                    }
                    case Entry.SolutionUsed e -> {
                        f.add(EntryValue.text("label", e.label()));
                        f.add(EntryValue.text("chemical", e.chemical()));
                        if (e.until() != null) {
                            f.add(EntryValue.number("until", e.until(), "ms"));
                        }
                        yield "solution-used";
                    }
                    case Entry.CorrectiveAction e -> {
                        f.add(EntryValue.text("text", e.text()));
                        yield "corrective";
                    }
                    case Entry.CheckMade e -> {
                        f.add(EntryValue.text("check", e.check()));
                        if (e.value() != null) {
                            f.add(new EntryValue("value", e.value(), null, null));
                        }
                        yield "check";
                    }
                    case Entry.Confirmed e -> {
                        f.add(EntryValue.text("ask", e.ask()));
                        yield "confirmed";
                    }
                    case Entry.LockMoved e -> {
                        f.add(EntryValue.text("energy", e.energy()));
                        f.add(EntryValue.text("lock", e.lock()));
                        optional(f, "reason", e.reason());
                        yield e.on() ? "lock-on" : "lock-off";
                    }
                    case Entry.TroubleSaid e -> {
                        f.add(EntryValue.text("trouble", e.kind().name()));
                        optional(f, "item", e.item());
                        f.add(EntryValue.text("text", e.text()));
                        yield "trouble";
                    }
                    case Entry.PhotoTaken e -> {
                        f.add(EntryValue.text("sha256", e.sha256()));
                        f.add(EntryValue.text("what", e.what()));
                        yield "photo";
                    }
                    case Entry.Deviation e -> {
                        f.add(EntryValue.text("reason", e.reason()));
                        yield "deviation";
                    }
                    case Entry.StepDone e -> "step-done";
                    case Entry.RoundClosed e -> "round-closed";
                    case Entry.Proof e -> {
                        f.add(EntryValue.text("site", e.site()));
                        if (e.value() != null) {
                            f.add(new EntryValue("value", e.value(), e.unit(), null));
                        }
                        f.add(EntryValue.text("outcome", e.passed() ? "passed" : "failed"));
                        yield "proof";
                    }
                    case Entry.Released e -> {
                        if (e.until() != null) {
                            f.add(EntryValue.number("until", e.until(), "ms"));
                        }
                        optional(f, "condition", e.condition());
                        yield "released";
                    }
                    case Entry.Correction e -> {
                        f.add(EntryValue.text("entry", e.entry()));
                        f.add(EntryValue.text("text", e.text()));
                        yield "correction";
                    }
                    case Entry.SentBack e -> {
                        f.add(EntryValue.text("item", e.item()));
                        f.add(EntryValue.text("reason", e.reason()));
                        yield "sent-back";
                    }
                    case Entry.ReleasePlanned e -> {
                        f.add(EntryValue.text("second-person", e.secondPerson() ? "yes" : "no"));
                        e.sites().forEach(s -> site(f, s));
                        yield "release-plan";
                    }
                };
        return new Written(kind, entry.step(), f);
    }

    private static void optional(List<EntryValue> f, String name, @Nullable String text) {
        if (text != null) {
            f.add(EntryValue.text(name, text));
        }
    }

    /**
     * The entry that is written here.
     *
     * @throws NotAnEntry when the kind is unknown or one of its figures is missing
     */
    public Entry entry() {
        return switch (kind) {
            case "piece-off" -> new Entry.PieceMoved(step, text("piece"), true);
            case "piece-on" -> new Entry.PieceMoved(step, text("piece"), false);
            case "timer-started" -> new Entry.TimerStarted(step);
            case "contact-broken" -> new Entry.ContactBroken(step);
            case "reading" ->
                    new Entry.ReadingTaken(
                            step,
                            text("instrument"),
                            value("strength", "mg/L"),
                            value("temperature", "°C"));
            case "solution-used" ->
                    new Entry.SolutionUsed(step, text("label"), text("chemical"), until());
            case "corrective" -> new Entry.CorrectiveAction(step, text("text"));
            case "check" -> new Entry.CheckMade(step, text("check"), valueOrNull("value"));
            case "confirmed" -> new Entry.Confirmed(step, text("ask"));
            case "lock-on" -> new Entry.LockMoved(step, text("energy"), text("lock"), true, null);
            case "lock-off" ->
                    new Entry.LockMoved(
                            step, text("energy"), text("lock"), false, textOrNull("reason"));
            case "trouble" ->
                    new Entry.TroubleSaid(step, trouble(), textOrNull("item"), text("text"));
            case "photo" -> new Entry.PhotoTaken(step, text("sha256"), text("what"));
            case "deviation" -> new Entry.Deviation(step, text("reason"));
            case "step-done" -> new Entry.StepDone(step);
            case "round-closed" -> new Entry.RoundClosed(step);
            case "proof" ->
                    new Entry.Proof(
                            step,
                            text("site"),
                            valueOrNull("value"),
                            find("value").map(EntryValue::unit).orElse(null),
                            text("outcome").equals("passed"));
            case "released" -> {
                yield new Entry.Released(step, until(), textOrNull("condition"));
            }
            case "correction" -> new Entry.Correction(step, text("entry"), text("text"));
            case "sent-back" -> new Entry.SentBack(step, text("item"), text("reason"));
            case "release-plan" ->
                    new Entry.ReleasePlanned(step, sites(), text("second-person").equals("yes"));
            default ->
                    throw new NotAnEntry(
                            Text.of(
                                    "not-an-entry.there-is-no-entry-of-kind",
                                    "There is no entry of kind \"{0}\".",
                                    kind));
        };
    }

    /** The figures of a site, one after the other; its id begins it. */
    private static void site(List<EntryValue> f, ReleaseSite s) {
        f.add(EntryValue.text("site", s.id()));
        f.add(EntryValue.text("how", s.kind().name()));
        said(f, "name", s.name());
        number(f, "least", s.least(), s.unit());
        number(f, "most", s.most(), s.unit());
        number(f, "fail-above", s.failAbove(), s.unit());
        said(f, "why", s.why());
    }

    /** In English; where a sentence has an id, that and what stands in it. */
    private static void said(List<EntryValue> f, String name, Text said) {
        f.add(EntryValue.text(name, said.toString()));
        if (!said.id().isEmpty()) {
            f.add(EntryValue.text(name + "-id", said.id()));
            for (int i = 0; i < said.args().size(); i++) {
                Object arg = said.args().get(i);
                f.add(
                        arg instanceof Number n
                                ? new EntryValue(name + "-" + i, n.doubleValue(), null, null)
                                : EntryValue.text(name + "-" + i, arg.toString()));
            }
        }
    }

    /** As {@link #said(List, String, Text)} wrote it; earlier versions wrote the English alone. */
    private Text said(String name) {
        String id = textOrNull(name + "-id");
        if (id == null) {
            return Text.plain(text(name));
        }
        List<Object> args = new ArrayList<>();
        for (int i = 0; find(name + "-" + i).isPresent(); i++) {
            EntryValue arg = find(name + "-" + i).orElseThrow();
            Double number = arg.value();
            if (number == null) {
                args.add(String.valueOf(arg.text()));
            } else {
                // A count is said without a point.
                args.add(number == number.longValue() ? (Object) number.longValue() : number);
            }
        }
        return Text.said(id, text(name), args);
    }

    private static void number(
            List<EntryValue> f, String name, @Nullable Double value, @Nullable String unit) {
        if (value != null) {
            f.add(new EntryValue(name, value, unit, null));
        }
    }

    /** A plan that has lost a figure is no plan: it would ask for less. */
    private List<ReleaseSite> sites() {
        List<ReleaseSite> sites = new ArrayList<>();
        List<EntryValue> own = new ArrayList<>();
        for (EntryValue f : figures) {
            if ("second-person".equals(f.name())) {
                continue;
            }
            if ("site".equals(f.name()) && !own.isEmpty()) {
                sites.add(new Written("release-plan", step, own).site());
                own = new ArrayList<>();
            }
            if (own.isEmpty() != "site".equals(f.name())
                    || own.stream().anyMatch(x -> Objects.equals(x.name(), f.name()))) {
                throw new NotAnEntry(
                        Text.of(
                                "not-an-entry.the-entry-does-not-say-its",
                                "The entry does not say its {0}.",
                                "site"));
            }
            own.add(f);
        }
        if (own.isEmpty()) {
            throw new NotAnEntry(
                    Text.of(
                            "not-an-entry.the-entry-does-not-say-its",
                            "The entry does not say its {0}.",
                            "site"));
        }
        sites.add(new Written("release-plan", step, own).site());
        return sites;
    }

    private ReleaseSite site() {
        String how = text("how");
        ReleaseSite.Kind kind =
                Arrays.stream(ReleaseSite.Kind.values())
                        .filter(k -> k.name().equals(how))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new NotAnEntry(
                                                Text.of(
                                                        "not-an-entry.there-is-no-way-of-looking",
                                                        "There is no way of looking \"{0}\".",
                                                        how)));
        for (String limit : List.of("least", "most")) {
            if (kind != ReleaseSite.Kind.LOOK && valueOrNull(limit) == null) {
                throw new NotAnEntry(
                        Text.of(
                                "not-an-entry.the-entry-does-not-say-its-2",
                                "The entry does not say its {0}.",
                                limit));
            }
        }
        return new ReleaseSite(
                text("site"),
                kind,
                said("name"),
                valueOrNull("least"),
                valueOrNull("most"),
                valueOrNull("fail-above"),
                figures.stream()
                        .map(EntryValue::unit)
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse(null),
                said("why"));
    }

    private RoundPack.Trouble.Kind trouble() {
        String name = text("trouble");
        for (RoundPack.Trouble.Kind k : RoundPack.Trouble.Kind.values()) {
            if (k.name().equals(name)) {
                return k;
            }
        }
        throw new NotAnEntry(
                Text.of(
                        "not-an-entry.there-is-no-trouble-of-kind",
                        "There is no trouble of kind \"{0}\".",
                        name));
    }

    /** Older entries say it in seconds. */
    private @Nullable Long until() {
        EntryValue f = find("until").orElse(null);
        if (f == null || f.value() == null) {
            return null;
        }
        return Math.round(f.value() * ("s".equals(f.unit()) ? 1000 : 1));
    }

    private Figures read() {
        return new Figures(figures);
    }

    private Optional<EntryValue> find(String name) {
        return read().find(name);
    }

    private @Nullable Double valueOrNull(String name) {
        return read().numberOrNull(name);
    }

    private @Nullable String textOrNull(String name) {
        return read().textOrNull(name);
    }

    private String text(String name) {
        return read().text(name);
    }

    private double value(String name, String unit) {
        return read().value(name, unit);
    }
}
