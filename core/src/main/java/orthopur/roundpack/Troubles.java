package orthopur.roundpack;

import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.roundpack.RoundPack.Trouble;
import orthopur.roundpack.RoundPack.Trouble.About;
import orthopur.roundpack.RoundPack.Trouble.Kind;

/**
 * What can go wrong in a round and what is done at once: people first, then the machine, then the
 * record. First aid is what any first-aid course says; the site's own plan stands above it.
 */
final class Troubles {
    private Troubles() {}

    static List<Trouble> of(Procedure procedure) {
        List<String> safe =
                procedure.steps().stream().filter(Troubles::makesSafe).map(Step::id).toList();
        return List.of(
                about(
                        Kind.INJURY,
                        "Somebody is hurt",
                        About.NOTHING,
                        "Stop. Keep everybody away from the machine.",
                        "Press on a bleeding wound. Do not free a trapped hand by running the machine.",
                        "Call the emergency number, then the supervisor.",
                        "What blood has touched is cleaned again: say it under \"A part failed\"."),
                about(
                        Kind.CHEMICAL_CONTACT,
                        "Chemical on skin or in the eyes",
                        About.NOTHING,
                        "Rinse with running water at once, for 15 minutes; hold the eyelids open.",
                        "Take off what is soaked. Do not rub and do not neutralize.",
                        "Call the emergency number with the label in your hand, then the supervisor."),
                new Trouble(
                        Kind.MACHINE_MOVED,
                        "The machine moved or is live",
                        List.of(
                                "Hands out. Everybody steps back.",
                                "Stop it and cut its energies again, from the first step on.",
                                "Nobody goes on before it was tried and stayed dead."),
                        About.NOTHING,
                        safe),
                about(
                        Kind.FAILED,
                        "A part failed: not clean, or dirty again",
                        About.A_PART_TO_REDO,
                        "Put it down where it touches nothing clean.",
                        "The steps for it, and for what it has touched since, are done again."),
                about(
                        Kind.SPILL,
                        "Something was spilled or splashed on a part",
                        About.A_PART_TO_REDO,
                        "Stop the spill; keep acid away from chlorine.",
                        "The part that was hit is done again, with what it has touched since."),
                about(
                        Kind.PART_DAMAGED,
                        "A part is damaged",
                        About.A_PART,
                        "Do not fit it. Look for the piece that broke off before you go on.",
                        "Fetch its spare, or tell the supervisor: it is not released without an answer."),
                about(
                        Kind.PART_MISSING,
                        "A part is missing",
                        About.A_PART,
                        "Look in the sink, the bath, the drain and under the machine.",
                        "Do not start the machine. Tell the supervisor: it may be in the product."),
                about(
                        Kind.NO_HOT_WATER,
                        "No hot water",
                        About.NOTHING,
                        "Do not wash colder than the step says.",
                        "Go on with steps that need none, or wait; tell the supervisor."),
                about(
                        Kind.OUT_OF_CHEMICAL,
                        "Out of a chemical",
                        About.NOTHING,
                        "Take no other product instead: its strength and time are not those of the step.",
                        "Tell the supervisor."),
                about(
                        Kind.INTERRUPTED,
                        "The round is interrupted",
                        About.NOTHING,
                        "Leave the locks on. Cover what is sanitized.",
                        "Soaks and timers run on; say when you are back."));
    }

    private static Trouble about(Kind kind, String title, About about, String... now) {
        return new Trouble(kind, title, List.of(now), about, List.of());
    }

    private static boolean makesSafe(Step s) {
        return switch (s.action()) {
            case Action.Operate o -> o.mode() == Action.Mode.STOP;
            case Action.Isolate o -> true;
            case Action.Lock o -> true;
            case Action.Relieve o -> true;
            case Action.Prove o -> true;
            default -> false;
        };
    }
}
