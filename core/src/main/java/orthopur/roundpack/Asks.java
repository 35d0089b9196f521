package orthopur.roundpack;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.Part;
import orthopur.machine.WarmUp;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.roundpack.RoundPack.Ask;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/**
 * What a step has confirmed one by one: each energy along its path with the place where it is cut,
 * who is clear of what, and which piece is at its mark. Read from the sheet, so that the words on
 * the tablet are those of the machine.
 */
final class Asks {
    private final SheetIndex sheet;
    private final Function<Action.Circulate, Map<String, Action.Flow>> flows;

    Asks(SheetIndex sheet, Function<Action.Circulate, Map<String, Action.Flow>> flows) {
        this.sheet = sheet;
        this.flows = flows;
    }

    List<Ask> of(Step step) {
        Action action = step.action();
        List<Ask> asks = new ArrayList<>();
        switch (action) {
            case Action.Isolate a -> energies(asks, a, null, Energy::isolationPoint);
            case Action.Lock a -> energies(asks, a, Ask.Kind.LOCK, e -> place(e, a));
            case Action.Relieve a -> energies(asks, a, Ask.Kind.RELIEVE, Energy::isolationPoint);
            case Action.Prove a -> energies(asks, a, Ask.Kind.PROVE, Energy::verify);
            case Action.Unlock a -> energies(asks, a, Ask.Kind.UNLOCK, Energy::isolationPoint);
            case Action.Restore a -> energies(asks, a, Ask.Kind.RESTORE, Energy::isolationPoint);
            case Action.Clear a -> {
                clear(asks, Ask.Kind.TOOLS_OUT, a.toolsOut());
                clear(asks, Ask.Kind.PEOPLE_CLEAR, a.peopleClear());
                clear(asks, Ask.Kind.GUARDS_ON, a.guardsOn());
            }
            case Action.Install a -> a.items().forEach(item -> back(asks, item));
            case Action.Circulate a ->
                    flows.apply(a)
                            .forEach(
                                    (item, flow) ->
                                            asks.add(
                                                    new Ask(
                                                            "flow:" + item,
                                                            Ask.Kind.FLOW,
                                                            item,
                                                            sheet.names(List.of(item)),
                                                            Text.plain(flow.shown()))));
            case Action.Rinse a -> repeats(asks, a);
            case Action.Record a -> warmUp(asks);
            case Action.ChaseOut a ->
                    asks.add(
                            new Ask(
                                    "chased",
                                    Ask.Kind.CHASED,
                                    "",
                                    a.volume() == null
                                            ? sheet.names(a.items())
                                            : Text.plain(a.volume().shown()),
                                    plain(a.product())));
            default -> {
                if (action.runs()) {
                    clear(asks, Ask.Kind.PEOPLE_CLEAR, true);
                    // In the keyed clean mode guards are open; the sheet says so.
                    clear(asks, Ask.Kind.GUARDS_ON, !cleanMode(action));
                }
            }
        }
        if (step.photo()) {
            asks.add(new Ask("photo", Ask.Kind.PHOTO, "", Text.plain(""), null));
        }
        return asks;
    }

    /** A rinse that is done so many times, each with so much. */
    private static void repeats(List<Ask> asks, Action.Rinse a) {
        String each = a.water().volume() == null ? null : a.water().volume().shown();
        for (int i = 1; a.times() != null && a.times() > 1 && i <= a.times(); i++) {
            Text name = Text.plain(i + " / " + a.times());
            asks.add(new Ask("time:" + i, Ask.Kind.REPEAT, "", name, plain(each)));
        }
    }

    /** Nobody warms it up at night: what comes before the first good product is handed on. */
    private void warmUp(List<Ask> asks) {
        WarmUp w = sheet.sheet().warmUp();
        if (w != null) {
            asks.add(new Ask("warm", Ask.Kind.WARM, "", w.shown(), plain(w.discard())));
        }
    }

    private static boolean cleanMode(Action action) {
        return action instanceof Action.Operate o && o.mode() == Action.Mode.CLEAN_MODE;
    }

    private static @Nullable String place(Energy e, Action.Lock a) {
        return e.tagOnly() ? a.secondMeasure() : e.isolationPoint();
    }

    private void energies(
            List<Ask> asks,
            Action action,
            Ask.@Nullable Kind kind,
            Function<Energy, @Nullable String> detail) {
        for (Energy e : sheet.sheet().energies()) {
            if (!action.energies().contains(e.id())) {
                continue;
            }
            Ask.Kind of =
                    kind == null
                            ? e.kind() == EnergyKind.CORD ? Ask.Kind.UNPLUG : Ask.Kind.ISOLATE
                            : kind == Ask.Kind.LOCK && e.tagOnly() ? Ask.Kind.TAG : kind;
            asks.add(
                    new Ask(
                            of.name().toLowerCase(java.util.Locale.ROOT) + ":" + e.id(),
                            of,
                            e.id(),
                            Text.plain(e.name()),
                            plain(detail.apply(e))));
        }
    }

    private static void clear(List<Ask> asks, Ask.Kind kind, boolean asked) {
        if (asked) {
            String id = kind.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
            asks.add(new Ask(id, kind, "", Text.plain(""), null));
        }
    }

    private void back(List<Ask> asks, String item) {
        PartAt p = sheet.partNamed(item);
        if (p == null) {
            return;
        }
        Part part = sheet.part(p);
        if (part.fitting().wearCheck() != null) {
            asks.add(
                    new Ask(
                            "wear:" + item,
                            Ask.Kind.WEAR,
                            item,
                            Text.plain(part.name()),
                            part.fitting().pair() == null
                                    ? Text.plain(part.fitting().wearCheck())
                                    : Text.of(
                                            "pack.worn-pair",
                                            "{0}; if it is worn, replace it together with {1}",
                                            part.fitting().wearCheck(),
                                            sheet.names(List.of(part.fitting().pair())))));
        }
        if (part.mark() != null) {
            asks.add(
                    new Ask(
                            "position:" + item,
                            Ask.Kind.POSITION,
                            item,
                            Text.plain(part.name()),
                            Text.plain(part.mark())));
        }
    }

    private static @Nullable Text plain(@Nullable String words) {
        return words == null ? null : Text.plain(words);
    }
}
