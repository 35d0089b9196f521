package orthopur.roundpack;

import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.roundpack.RoundPack.Trouble;
import orthopur.roundpack.RoundPack.Trouble.About;
import orthopur.roundpack.RoundPack.Trouble.Kind;
import orthopur.text.Text;

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
                        Text.of("troubles.somebody-is-hurt", "Somebody is hurt"),
                        About.NOTHING,
                        Text.of(
                                "troubles.stop-keep-everybody-away-from-the",
                                "Stop. Keep everybody away from the machine."),
                        Text.of(
                                "troubles.press-on-a-bleeding-wound-do",
                                "Press on a bleeding wound. Do not free a trapped hand by running the machine."),
                        Text.of(
                                "troubles.call-the-emergency-number-then-the",
                                "Call the emergency number, then the supervisor."),
                        Text.of(
                                "troubles.what-blood-has-touched-is-cleaned",
                                "What blood has touched is cleaned again: say it under \"A part failed\".")),
                about(
                        Kind.CHEMICAL_CONTACT,
                        Text.of(
                                "troubles.chemical-on-skin-or-in-the",
                                "Chemical on skin or in the eyes"),
                        About.NOTHING,
                        Text.of(
                                "troubles.rinse-with-running-water-at-once",
                                "Rinse with running water at once, for 15 minutes; hold the eyelids open."),
                        Text.of(
                                "troubles.take-off-what-is-soaked-do",
                                "Take off what is soaked. Do not rub and do not neutralize."),
                        Text.of(
                                "troubles.call-the-emergency-number-with-the",
                                "Call the emergency number with the label in your hand, then the supervisor.")),
                new Trouble(
                        Kind.MACHINE_MOVED,
                        Text.of(
                                "troubles.the-machine-moved-or-is-live",
                                "The machine moved or is live"),
                        List.of(
                                Text.of(
                                        "troubles.hands-out-everybody-steps-back",
                                        "Hands out. Everybody steps back."),
                                Text.of(
                                        "troubles.stop-it-and-cut-its-energies",
                                        "Stop it and cut its energies again, from the first step on."),
                                Text.of(
                                        "troubles.nobody-goes-on-before-it-was",
                                        "Nobody goes on before it was tried and stayed dead.")),
                        About.NOTHING,
                        safe),
                about(
                        Kind.FAILED,
                        Text.of(
                                "troubles.a-part-failed-not-clean-or",
                                "A part failed: not clean, or dirty again"),
                        About.A_PART_TO_REDO,
                        Text.of(
                                "troubles.put-it-down-where-it-touches",
                                "Put it down where it touches nothing clean."),
                        Text.of(
                                "troubles.the-steps-for-it-and-for",
                                "The steps for it, and for what it has touched since, are done again.")),
                about(
                        Kind.SPILL,
                        Text.of(
                                "troubles.something-was-spilled-or-splashed-on",
                                "Something was spilled or splashed on a part"),
                        About.A_PART_TO_REDO,
                        Text.of(
                                "troubles.stop-the-spill-keep-acid-away",
                                "Stop the spill; keep acid away from chlorine."),
                        Text.of(
                                "troubles.the-part-that-was-hit-is",
                                "The part that was hit is done again, with what it has touched since.")),
                about(
                        Kind.PART_DAMAGED,
                        Text.of("troubles.a-part-is-damaged", "A part is damaged"),
                        About.A_PART,
                        Text.of(
                                "troubles.do-not-fit-it-look-for",
                                "Do not fit it. Look for the piece that broke off before you go on."),
                        Text.of(
                                "troubles.fetch-its-spare-or-tell-the",
                                "Fetch its spare, or tell the supervisor: it is not released without an answer.")),
                about(
                        Kind.PART_MISSING,
                        Text.of("troubles.a-part-is-missing", "A part is missing"),
                        About.A_PART,
                        Text.of(
                                "troubles.look-in-the-sink-the-bath",
                                "Look in the sink, the bath, the drain and under the machine."),
                        Text.of(
                                "troubles.do-not-start-the-machine-tell",
                                "Do not start the machine. Tell the supervisor: it may be in the product.")),
                about(
                        Kind.NO_HOT_WATER,
                        Text.of("troubles.no-hot-water", "No hot water"),
                        About.NOTHING,
                        Text.of(
                                "troubles.do-not-wash-colder-than-the",
                                "Do not wash colder than the step says."),
                        Text.of(
                                "troubles.go-on-with-steps-that-need",
                                "Go on with steps that need none, or wait; tell the supervisor.")),
                about(
                        Kind.OUT_OF_CHEMICAL,
                        Text.of("troubles.out-of-a-chemical", "Out of a chemical"),
                        About.NOTHING,
                        Text.of(
                                "troubles.take-no-other-product-instead-its",
                                "Take no other product instead: its strength and time are not those of the step."),
                        Text.of("troubles.tell-the-supervisor", "Tell the supervisor.")),
                about(
                        Kind.INTERRUPTED,
                        Text.of("troubles.the-round-is-interrupted", "The round is interrupted"),
                        About.NOTHING,
                        Text.of(
                                "troubles.leave-the-locks-on-cover-what",
                                "Leave the locks on. Cover what is sanitized."),
                        Text.of(
                                "troubles.soaks-and-timers-run-on-say",
                                "Soaks and timers run on; say when you are back.")));
    }

    private static Trouble about(Kind kind, Text title, About about, Text... now) {
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
