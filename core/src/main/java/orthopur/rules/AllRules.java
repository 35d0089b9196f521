package orthopur.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orthopur.rules.chemistry.CleanerByLabel;
import orthopur.rules.chemistry.ColdOnHot;
import orthopur.rules.chemistry.ContactTime;
import orthopur.rules.chemistry.HotWaterSanitizing;
import orthopur.rules.chemistry.InstrumentsDecide;
import orthopur.rules.chemistry.MaterialBears;
import orthopur.rules.chemistry.NeverTogether;
import orthopur.rules.chemistry.OrganicList;
import orthopur.rules.chemistry.OtherUseByLabel;
import orthopur.rules.chemistry.PlannedReadings;
import orthopur.rules.chemistry.Preparation;
import orthopur.rules.chemistry.QuatOnDetergent;
import orthopur.rules.chemistry.Registered;
import orthopur.rules.chemistry.RinsePressure;
import orthopur.rules.chemistry.SanitizerStrength;
import orthopur.rules.chemistry.SolutionAge;
import orthopur.rules.chemistry.SolutionFumes;
import orthopur.rules.chemistry.StrengthCeiling;
import orthopur.rules.chemistry.ToppedUp;
import orthopur.rules.chemistry.WashTemperature;
import orthopur.rules.chemistry.WasherTemperatures;
import orthopur.rules.chemistry.WithinLimits;
import orthopur.rules.cleanchain.AllergenCleared;
import orthopur.rules.cleanchain.AssembledBeforeSanitized;
import orthopur.rules.cleanchain.AssembledWet;
import orthopur.rules.cleanchain.BrushesApart;
import orthopur.rules.cleanchain.ChasedOut;
import orthopur.rules.cleanchain.CleanPlace;
import orthopur.rules.cleanchain.CleanVessel;
import orthopur.rules.cleanchain.CoverLeftOn;
import orthopur.rules.cleanchain.DetergentFilm;
import orthopur.rules.cleanchain.DirtyAgain;
import orthopur.rules.cleanchain.DrinkingWater;
import orthopur.rules.cleanchain.EndStateReached;
import orthopur.rules.cleanchain.HandsWashed;
import orthopur.rules.cleanchain.HotFirstWater;
import orthopur.rules.cleanchain.Inspected;
import orthopur.rules.cleanchain.LineFlow;
import orthopur.rules.cleanchain.LooseSoilWetted;
import orthopur.rules.cleanchain.NeighborsCovered;
import orthopur.rules.cleanchain.NothingMoves;
import orthopur.rules.cleanchain.PassageCleaned;
import orthopur.rules.cleanchain.PassageClosed;
import orthopur.rules.cleanchain.PassageFilled;
import orthopur.rules.cleanchain.ProgramRun;
import orthopur.rules.cleanchain.RecontaminatedByHand;
import orthopur.rules.cleanchain.RightProduct;
import orthopur.rules.cleanchain.RinseEndPoint;
import orthopur.rules.cleanchain.SanitizedDirty;
import orthopur.rules.cleanchain.SharpenedBetweenCleans;
import orthopur.rules.cleanchain.SoakCollected;
import orthopur.rules.cleanchain.SoakedOff;
import orthopur.rules.cleanchain.TopToBottom;
import orthopur.rules.cleanchain.UnderTheMachine;
import orthopur.rules.cleanchain.WasherComplete;
import orthopur.rules.cleanchain.WhatReturns;
import orthopur.rules.cleanchain.WipingCloths;
import orthopur.rules.lockout.Cautioned;
import orthopur.rules.lockout.CleaningGases;
import orthopur.rules.lockout.ClearBeforeLive;
import orthopur.rules.lockout.ClearBeforeRun;
import orthopur.rules.lockout.HandsInAfterRun;
import orthopur.rules.lockout.HandsInDangerZone;
import orthopur.rules.lockout.HotToTouch;
import orthopur.rules.lockout.LiftAndCarry;
import orthopur.rules.lockout.MakeSafeOrder;
import orthopur.rules.lockout.NeverMadeSafe;
import orthopur.rules.lockout.OldEnough;
import orthopur.rules.lockout.PeopleTold;
import orthopur.rules.lockout.PersonalLocks;
import orthopur.rules.lockout.ProtectiveEquipment;
import orthopur.rules.lockout.QualifiedOnly;
import orthopur.rules.lockout.SharpParts;
import orthopur.rules.lockout.StaysOn;
import orthopur.rules.lockout.StoredEnergyInPart;
import orthopur.rules.lockout.SwitchOff;
import orthopur.rules.lockout.TagWithSecondMeasure;
import orthopur.rules.lockout.TakenUpAgain;
import orthopur.rules.record.KeptProduct;
import orthopur.rules.record.RecordedReadings;
import orthopur.rules.record.ReleasedBy;
import orthopur.rules.record.WrittenAgainst;
import orthopur.rules.teardown.AllPartsBack;
import orthopur.rules.teardown.CarriedOnFittings;
import orthopur.rules.teardown.Destination;
import orthopur.rules.teardown.FasteningPattern;
import orthopur.rules.teardown.Fetched;
import orthopur.rules.teardown.FilmDry;
import orthopur.rules.teardown.FittingsOff;
import orthopur.rules.teardown.GuardsBack;
import orthopur.rules.teardown.IndexPosition;
import orthopur.rules.teardown.InstallOrder;
import orthopur.rules.teardown.Lubricants;
import orthopur.rules.teardown.MeasuredChecks;
import orthopur.rules.teardown.MovedBack;
import orthopur.rules.teardown.OneAtATime;
import orthopur.rules.teardown.PositionMarks;
import orthopur.rules.teardown.RemovalOrder;
import orthopur.rules.teardown.SafePosition;
import orthopur.rules.teardown.TestedLive;
import orthopur.rules.teardown.WearChecked;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.RuleInfo;

/**
 * Every rule that is judged, in an order that follows from what each declares: a rule is asked
 * after those whose findings explain its own, and else by its id.
 */
public final class AllRules {
    private static final List<Rule> ALL =
            ordered(
                    List.of(
                            new MakeSafeOrder(),
                            new TagWithSecondMeasure(),
                            new StoredEnergyInPart(),
                            new HandsInAfterRun(),
                            new ClearBeforeRun(),
                            new HotToTouch(),
                            new HandsInDangerZone(),
                            new NeverMadeSafe(),
                            new PersonalLocks(),
                            new SharpParts(),
                            new LiftAndCarry(),
                            new StaysOn(),
                            new OldEnough(),
                            new ProtectiveEquipment(),
                            new Cautioned(),
                            new PeopleTold(),
                            new QualifiedOnly(),
                            new TakenUpAgain(),
                            new CleaningGases(),
                            new Fetched(Fetched.Kind.AID),
                            new RemovalOrder(),
                            new GuardsBack(),
                            new ClearBeforeLive(),
                            new SwitchOff(),
                            new AllPartsBack(),
                            new InstallOrder(),
                            new Destination(),
                            new PositionMarks(),
                            new Fetched(Fetched.Kind.TOOL),
                            new WearChecked(),
                            new Lubricants(),
                            new FilmDry(),
                            new MeasuredChecks(),
                            new TestedLive(),
                            new FasteningPattern(),
                            new IndexPosition(),
                            new SafePosition(),
                            new MovedBack(),
                            new FittingsOff(),
                            new OneAtATime(),
                            new CarriedOnFittings(),
                            new Fetched(Fetched.Kind.SPARE),
                            new NeverTogether(),
                            new QuatOnDetergent(),
                            new ToppedUp(),
                            new MaterialBears(),
                            new WithinLimits(),
                            new ColdOnHot(),
                            new Registered(),
                            new SanitizerStrength(),
                            new HotWaterSanitizing(),
                            new WasherTemperatures(),
                            new RinsePressure(),
                            new StrengthCeiling(),
                            new SolutionFumes(),
                            new ContactTime(),
                            new PlannedReadings(),
                            new InstrumentsDecide(),
                            new WashTemperature(),
                            new SolutionAge(),
                            new OrganicList(),
                            new Preparation(),
                            new CleanerByLabel(),
                            new OtherUseByLabel(),
                            new DetergentFilm(),
                            new SanitizedDirty(),
                            new CleanVessel(),
                            new WasherComplete(),
                            new ProgramRun(),
                            new AssembledBeforeSanitized(),
                            new RecontaminatedByHand(),
                            new DirtyAgain(),
                            new LooseSoilWetted(),
                            new HotFirstWater(),
                            new TopToBottom(),
                            new AssembledWet(),
                            new SharpenedBetweenCleans(),
                            new Inspected(),
                            new LineFlow(),
                            new WhatReturns(),
                            new RightProduct(),
                            new ChasedOut(),
                            new BrushesApart(),
                            new RinseEndPoint(),
                            new UnderTheMachine(),
                            new SoakCollected(),
                            new HandsWashed(),
                            new PassageCleaned(),
                            new PassageFilled(),
                            new PassageClosed(),
                            new AllergenCleared(),
                            new WipingCloths(),
                            new DrinkingWater(),
                            new NothingMoves(),
                            new NeighborsCovered(),
                            new SoakedOff(),
                            new CleanPlace(),
                            new CoverLeftOn(),
                            new EndStateReached(),
                            new RecordedReadings(),
                            new ReleasedBy(),
                            new KeptProduct(),
                            new WrittenAgainst()),
                    Comparator.comparing((Rule r) -> RuleId.valueOf(r.info().id()))
                            .thenComparing(r -> r.getClass().getName()));

    private AllRules() {}

    public static List<Rule> list() {
        return ALL;
    }

    /**
     * Roots before what follows from them.
     *
     * @param otherwise decides between rules that have nothing to do with each other
     * @throws IllegalStateException when rules explain each other in a circle
     */
    public static List<Rule> ordered(List<Rule> rules, Comparator<Rule> otherwise) {
        List<Rule> left = new ArrayList<>(rules);
        left.sort(otherwise);
        Map<String, Integer> waiting = new HashMap<>();
        rules.forEach(r -> waiting.merge(r.info().id(), 1, Integer::sum));
        List<Rule> order = new ArrayList<>();
        while (!left.isEmpty()) {
            Rule next =
                    left.stream()
                            .filter(r -> ready(r.info(), waiting))
                            .findFirst()
                            .orElseThrow(
                                    () ->
                                            new IllegalStateException(
                                                    "These rules explain each other in a circle: "
                                                            + left.stream()
                                                                    .map(r -> r.info().id())
                                                                    .toList()));
            left.remove(next);
            order.add(next);
            waiting.merge(next.info().id(), -1, Integer::sum);
        }
        return List.copyOf(order);
    }

    private static boolean ready(RuleInfo rule, Map<String, Integer> waiting) {
        return rule.follows().stream().allMatch(f -> waiting.getOrDefault(f.name(), 0) == 0);
    }
}
