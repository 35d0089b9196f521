package orthopur.verdict;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Phase;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** Which phase each step belongs to; small in-between steps stay with the phase around them. */
public final class Phases {
    private Phases() {}

    /** The phase of each step, in words. */
    public static List<String> of(Procedure procedure) {
        List<String> phases = new ArrayList<>();
        Phase now = Phase.MAKE_SAFE;
        for (Step s : procedure.steps()) {
            now = of(s.action(), now);
            phases.add(now.shown());
        }
        return phases;
    }

    private static Phase of(Action action, Phase now) {
        return switch (action) {
            case Action.Prepare a -> Phase.MAKE_SAFE;
            case Action.Operate a -> Phase.MAKE_SAFE;
            case Action.Isolate a -> Phase.MAKE_SAFE;
            case Action.Lock a -> Phase.MAKE_SAFE;
            case Action.Relieve a -> Phase.MAKE_SAFE;
            case Action.Prove a -> Phase.MAKE_SAFE;
            case Action.CoolDown a -> Phase.MAKE_SAFE;
            case Action.KeepProduct a -> Phase.MAKE_SAFE;
            case Action.Mark a -> Phase.TAKE_APART;
            case Action.Sharpen a -> now == Phase.MAKE_SAFE ? Phase.TAKE_APART : now;
            case Action.Circulate a -> Phase.WASH;
            case Action.RunProgram a -> Phase.WASH;
            case Action.Replace a -> Phase.PUT_TOGETHER;
            case Action.Lubricate a -> Phase.PUT_TOGETHER;
            case Action.Coat a -> Phase.PUT_TOGETHER;
            case Action.Store a -> Phase.PUT_TOGETHER;
            case Action.ChaseOut a -> Phase.RELEASE;
            case Action.Index a -> now;
            case Action.Fit a -> now;
            case Action.Unfit a -> now;
            case Action.DrawOff a -> now;
            case Action.DryClean a -> Phase.TAKE_APART;
            case Action.Remove a -> Phase.TAKE_APART;
            case Action.Soak a -> Phase.WASH;
            case Action.Collect a -> Phase.WASH;
            case Action.Wash a -> Phase.WASH;
            case Action.Rinse a -> now == Phase.SANITIZE ? Phase.SANITIZE : Phase.WASH;
            case Action.Inspect a -> Phase.SANITIZE;
            case Action.Sanitize a -> Phase.SANITIZE;
            case Action.Dry a -> Phase.SANITIZE;
            case Action.Install a -> Phase.PUT_TOGETHER;
            case Action.Measure a -> Phase.PUT_TOGETHER;
            case Action.Clear a -> Phase.RELEASE;
            case Action.Unlock a -> Phase.RELEASE;
            case Action.Restore a -> Phase.RELEASE;
            case Action.FunctionTest a -> Phase.RELEASE;
            case Action.HoldPoint a -> Phase.RELEASE;
            case Action.Record a -> Phase.RELEASE;
            case Action.Shift a -> now == Phase.MAKE_SAFE ? Phase.TAKE_APART : now;
            case Action.Return a -> now;
            case Action.WashHands a -> now;
        };
    }
}
