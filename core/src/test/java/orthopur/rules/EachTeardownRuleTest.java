package orthopur.rules;

import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.machine.Assembly;
import orthopur.machine.Assembly.Lubrication;
import orthopur.machine.Fitting;
import orthopur.machine.Frequency;
import orthopur.machine.Handling;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;

/** Taking apart, putting together, checks and fittings. */
class EachTeardownRuleTest extends EachRule {
    @Override
    void chapter() {
        Rig plain = Rig.bench();
        rule(
                plain,
                "T3@on",
                "FIX",
                Bench.with(
                        "on",
                        new Action.Install(List.of("hopper", "spring", "seal", "guard"), null)),
                Bench.good());
        Rig own =
                plain.assembly("seal", new Assembly(List.of("guard"), null, null, null, List.of()));
        rule(
                own,
                "T3@on",
                "FIX",
                Bench.good(),
                Bench.with(
                        "on",
                        new Action.Install(List.of("spring", "hopper", "guard", "seal"), null)));

        Rig small = plain.handling("seal", new Handling(null, null, List.of(), null, null, true));
        rule(
                small,
                "T4@off-2",
                "FIX",
                Bench.good(),
                Bench.with(
                        "off-2",
                        new Action.Remove(List.of("spring", "seal"), null, "small-parts bath")));
        Rig marked = plain.mark("seal", "A to the left");
        rule(
                marked,
                "T5@off-2",
                "FIX",
                Bench.good(),
                Bench.before("off-2", "mark", new Action.Mark(List.of("seal")), Bench.good()));
        Rig wrench =
                plain.handling(
                        "spring",
                        new Handling(null, null, List.of("13 mm wrench"), null, null, false));
        rule(
                wrench,
                "T6@off-2",
                "FIX",
                Bench.good(),
                Bench.before(
                        "stop",
                        "fetch",
                        new Action.Prepare(List.of("13 mm wrench")),
                        Bench.good()));
        Rig wear =
                plain.assembly(
                        "seal",
                        new Assembly(List.of(), null, "no cut, no flat side", null, List.of()));
        Action.Inspect but =
                new Action.Inspect(
                        List.of("frame", "hopper", "drum", "flap", "spring", "shaft", "guard"));
        rule(wear, "T7@on", "FIX", Bench.with("inspect", but), Bench.good());
        Rig pair = plain.assembly("spring", new Assembly(List.of(), null, null, "seal", List.of()));
        Procedure spares =
                Bench.before(
                        "stop",
                        "fetch",
                        new Action.Prepare(List.of("spare spring, spare seal")),
                        Bench.good());
        rule(
                pair,
                "T7@new",
                "FIX",
                Bench.before("back", "new", new Action.Replace(List.of("spring")), spares),
                Bench.before("back", "new", new Action.Replace(List.of("spring", "seal")), spares));
        rule(
                plain,
                "T16@new",
                "FIX",
                Bench.before("back", "new", new Action.Replace(List.of("seal")), Bench.good()),
                Bench.before("back", "new", new Action.Replace(List.of("seal")), spares));

        Rig dry =
                plain.assembly(
                                "seal",
                                new Assembly(
                                        List.of(),
                                        null,
                                        null,
                                        null,
                                        List.of(
                                                new Lubrication(
                                                        "outer face",
                                                        true,
                                                        null,
                                                        Frequency.DAILY))))
                        .chemical(Bench.grease(Chemical.FoodGrade.INCIDENTAL));
        rule(
                dry,
                "T8@grease",
                "STOP",
                Bench.before(
                        "back",
                        "grease",
                        new Action.Lubricate(List.of("seal"), "grease"),
                        Bench.good()),
                Bench.good());
        Rig greased =
                plain.assembly(
                                "shaft",
                                new Assembly(
                                        List.of(),
                                        null,
                                        null,
                                        null,
                                        List.of(
                                                new Lubrication(
                                                        "bearing",
                                                        false,
                                                        "grease",
                                                        Frequency.WEEKLY))))
                        .chemical(Bench.grease(null));
        Procedure weekly = Bench.kind(Frequency.WEEKLY, Bench.good());
        Procedure oiled =
                Bench.before(
                        "back", "grease", new Action.Lubricate(List.of("shaft"), "grease"), weekly);
        rule(greased, "T8@end", "FIX", weekly, Bench.good());
        rule(greased, "T8@grease", "STOP", oiled, Bench.good());
        Rig film = plain.chemical(Bench.grease(Chemical.FoodGrade.INCIDENTAL));
        rule(
                film,
                "T8@film",
                "STOP",
                Bench.before("back", "film", new Action.Coat(DRUM, "grease"), Bench.good()),
                Bench.good());
        rule(plain, "T9@end", "FIX", Bench.without("measure"), Bench.good());
        Rig crosswise =
                plain.assembly(
                        "guard", new Assembly(List.of(), "crosswise", null, null, List.of()));
        rule(
                crosswise,
                "T10@on",
                "FIX",
                Bench.good(),
                Bench.with(
                        "on",
                        new Action.Install(
                                List.of("spring", "hopper", "seal", "guard"), null, "crosswise")));
        Rig wheel =
                plain.handling(
                        "seal",
                        new Handling(null, null, List.of(), Handling.Index.BY_HAND, null, false));
        rule(
                wheel,
                "T12@off-2",
                "STOP",
                Bench.before(
                        "off-2", "turn", new Action.Index(List.of("seal"), 1, false), Bench.good()),
                Bench.before(
                        "on",
                        "turn-back",
                        new Action.Index(List.of("seal"), 1, false),
                        Bench.before(
                                "off-2",
                                "turn",
                                new Action.Index(List.of("seal"), 2, false),
                                Bench.good())));
        rule(
                wheel,
                "L6@turn",
                "STOP",
                Bench.before(
                        "off-2", "turn", new Action.Index(List.of("seal"), 2, true), Bench.good()),
                Bench.before(
                        "off-2",
                        "turn",
                        new Action.Index(List.of("seal"), 2, false),
                        Bench.good()));
        Rig zero = plain.safePosition("Gauge to zero");
        rule(
                zero,
                "T13@isolate",
                "FIX",
                Bench.good(),
                Bench.before(
                        "stop",
                        "zero",
                        new Action.Operate(Action.Mode.SAFE_POSITION, List.of(), List.of()),
                        Bench.good()));
        Rig rail = plain.fitting(new Fitting("rail", "slide rail", 2));
        Procedure fitted =
                Bench.before(
                        "off-2",
                        "fit",
                        new Action.Fit(List.of("rail")),
                        Bench.before(
                                "stop",
                                "fetch",
                                new Action.Prepare(List.of("slide rail")),
                                Bench.good()));
        rule(
                rail,
                "T14@live",
                "STOP",
                fitted,
                Bench.before("on", "unfit", new Action.Unfit(List.of("rail")), fitted));
        Handling turn = new Handling(null, null, List.of(), null, "carriers", false);
        Rig carriers = plain.handling("hopper", turn).handling("guard", turn);
        rule(carriers, "T15@off-1", "STOP", Bench.good(), Bench.oneByOne());
    }
}
