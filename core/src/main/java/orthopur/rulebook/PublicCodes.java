package orthopur.rulebook;

import java.util.List;
import java.util.Set;

/** The default rule book, from public codes. The one home of these figures. */
public final class PublicCodes {
    private static final String FC_114 = "Food Code 2022, 4-501.114";
    private static final String FC_703 = "Food Code 2022, 4-703.11(C)";
    private static final String CFR_940 = "40 CFR 180.940(a)";

    private static final String FC_WASHER = "Food Code 2022, 4-501.1";
    private static final String FC_602_C = "Food Code 2022, 4-602.11(C)";
    private static final String FC_602_D = "Food Code 2022, 4-602.11(D)(2)";

    /** Ceilings, longest times, highest temperatures: a site tightens these by going down. */
    private static final Set<String> LOWER_IS_STRICTER =
            Set.of(
                    "chlorine.ph.wide",
                    "rinse.ph.from-tap",
                    "swab.every-rounds",
                    "atp.pass",
                    "atp.fail",
                    "chlorine.ph.narrow",
                    "chlorine.ceiling",
                    "iodine.ceiling",
                    "iodine.ph",
                    "quat.hardness",
                    "quat.ceiling",
                    "paa.ceiling",
                    "washer.rinse.most",
                    "washer.rinse.pressure.most",
                    "shock.glass",
                    "shock.pan",
                    "clock.hours",
                    "room.row-1.highest",
                    "room.row-1.hours",
                    "room.row-2.highest",
                    "room.row-2.hours",
                    "room.row-3.highest",
                    "room.row-3.hours",
                    "room.row-4.highest",
                    "room.row-4.hours",
                    "lift.load-constant",
                    "first-water.warm",
                    "first-water.highest",
                    "solution.life",
                    "rest.proved-again",
                    "instrument.check-every",
                    "material.stainless.chlorine",
                    "kept.warmest",
                    "touch.limit",
                    "touch.spray",
                    "air.cleaning.most",
                    "air.co2.most");

    private PublicCodes() {}

    /** The book as it ships. */
    public static RuleBook book() {
        return new RuleBook(
                "public-codes-1",
                List.of(
                        // Gases: blown for cleaning, or let into the room.
                        f(
                                "air.cleaning.most",
                                "Compressed air for cleaning, at the nozzle: at most",
                                207,
                                "kPa",
                                "29 CFR 1910.242(b)"),
                        f(
                                "air.co2.most",
                                "Carbon dioxide in the air over a shift: at most",
                                5000,
                                "ppm",
                                "29 CFR 1910.1000, table Z-1"),
                        // Chlorine: strength rows, each with its least temperature by pH column.
                        f(
                                "chlorine.row-1.least-strength",
                                "Chlorine 25–49 mg/L: strength, at least",
                                25,
                                "mg/L",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-1.least-temperature.ph-10",
                                "Chlorine 25–49 mg/L, pH 10 or less: temperature, at least",
                                49,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-1.least-temperature.ph-8",
                                "Chlorine 25–49 mg/L, pH 8 or less: temperature, at least",
                                49,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-2.least-strength",
                                "Chlorine 50–99 mg/L: strength, at least",
                                50,
                                "mg/L",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-2.least-temperature.ph-10",
                                "Chlorine 50–99 mg/L, pH 10 or less: temperature, at least",
                                38,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-2.least-temperature.ph-8",
                                "Chlorine 50–99 mg/L, pH 8 or less: temperature, at least",
                                24,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-3.least-strength",
                                "Chlorine 100 mg/L or more: strength, at least",
                                100,
                                "mg/L",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-3.least-temperature.ph-10",
                                "Chlorine 100 mg/L or more, pH 10 or less: temperature, at least",
                                13,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-3.least-temperature.ph-8",
                                "Chlorine 100 mg/L or more, pH 8 or less: temperature, at least",
                                13,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.ph.wide",
                                "Chlorine: highest pH of the solution",
                                10,
                                "pH",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.ph.least",
                                "Chlorine: least pH of the solution; below it gives off gas",
                                6,
                                "pH",
                                "default of this program"),
                        f(
                                "chlorine.ph.narrow",
                                "Chlorine: pH up to which the lower temperatures hold",
                                8,
                                "pH",
                                FC_114 + "(A)"),
                        f("chlorine.ceiling", "Chlorine: no-rinse ceiling", 200, "mg/L", CFR_940),
                        f(
                                "chlorine.contact",
                                "Chlorine: contact time (wet), at least",
                                10,
                                "s",
                                FC_703 + "(1)"),
                        f(
                                "chlorine.contact.short",
                                "Chlorine 50 mg/L or more, warm enough: contact time (wet), at least",
                                7,
                                "s",
                                FC_703 + "(2)"),
                        f(
                                "iodine.least-strength",
                                "Iodine: strength, at least",
                                12.5,
                                "mg/L",
                                FC_114 + "(B)"),
                        f("iodine.ceiling", "Iodine: no-rinse ceiling", 25, "mg/L", CFR_940),
                        f(
                                "iodine.least-temperature",
                                "Iodine: temperature, at least",
                                20,
                                "°C",
                                FC_114 + "(B)"),
                        f(
                                "iodine.ph",
                                "Iodine: highest pH unless the label allows more",
                                5,
                                "pH",
                                FC_114 + "(B)"),
                        f(
                                "quat.least-temperature",
                                "Quat: temperature, at least",
                                24,
                                "°C",
                                FC_114 + "(C)"),
                        f(
                                "quat.hardness",
                                "Quat: hardest water unless the label allows more",
                                500,
                                "mg/L",
                                FC_114 + "(C)"),
                        f(
                                "quat.ceiling",
                                "Quat: no-rinse ceiling unless the label says less",
                                400,
                                "mg/L",
                                CFR_940),
                        f(
                                "paa.ceiling",
                                "Peroxyacetic acid: no-rinse ceiling",
                                500,
                                "mg/L",
                                CFR_940),
                        f(
                                "contact.other",
                                "Other chemical sanitizers: contact time (wet), at least",
                                30,
                                "s",
                                FC_703 + "(3)"),
                        f(
                                "hot-water.hand.least-temperature",
                                "Hot-water sanitizing by hand: temperature, at least",
                                77,
                                "°C",
                                "Food Code 2022, 4-501.111"),
                        f(
                                "hot-water.hand.contact",
                                "Hot-water sanitizing by hand: time, at least",
                                30,
                                "s",
                                "Food Code 2022, 4-703.11(A)"),
                        f(
                                "hot-water.ware-surface",
                                "Dish machine, hot water: temperature of the ware surface, at least",
                                71,
                                "°C",
                                "Food Code 2022, 4-703.11(B)"),
                        f(
                                "washer.rack-single.tank",
                                "Dish machine, stationary rack, single temperature: wash tank, at least",
                                74,
                                "°C",
                                FC_WASHER + "10(A)(1)"),
                        f(
                                "washer.rack-dual.tank",
                                "Dish machine, stationary rack, dual temperature: wash tank, at least",
                                66,
                                "°C",
                                FC_WASHER + "10(A)(2)"),
                        f(
                                "washer.conveyor-single.tank",
                                "Dish machine, conveyor, single tank: wash tank, at least",
                                71,
                                "°C",
                                FC_WASHER + "10(A)(3)"),
                        f(
                                "washer.conveyor-multi.tank",
                                "Dish machine, conveyor, multiple tanks: wash tank, at least",
                                66,
                                "°C",
                                FC_WASHER + "10(A)(4)"),
                        f(
                                "washer.chemical.tank",
                                "Dish machine, chemical sanitizing: wash water, at least",
                                49,
                                "°C",
                                FC_WASHER + "10(B)"),
                        f(
                                "washer.rinse.least",
                                "Dish machine: final rinse, at least",
                                82,
                                "°C",
                                FC_WASHER + "12(A)(2)"),
                        f(
                                "washer.rinse.rack-single",
                                "Dish machine, stationary rack, single temperature: final rinse, at least",
                                74,
                                "°C",
                                FC_WASHER + "12(A)(1)"),
                        f(
                                "washer.rinse.most",
                                "Dish machine: final rinse, at most",
                                90,
                                "°C",
                                FC_WASHER + "12(A)"),
                        f(
                                "washer.rinse.pressure.least",
                                "Dish machine: flow pressure of the final rinse, at least",
                                35,
                                "kPa",
                                FC_WASHER + "13"),
                        f(
                                "washer.rinse.pressure.most",
                                "Dish machine: flow pressure of the final rinse, at most",
                                200,
                                "kPa",
                                FC_WASHER + "13"),
                        f(
                                "shock.glass",
                                "Hot glass: difference to the water, at most",
                                50,
                                "K",
                                "default of this program"),
                        f(
                                "shock.pan",
                                "Hot pan of cast iron or enamel: difference to the water, at most",
                                120,
                                "K",
                                "default of this program"),
                        f(
                                "clock.hours",
                                "TCS food: hours in use until cleaned, at most",
                                4,
                                "h",
                                FC_602_C),
                        f(
                                "room.row-1.highest",
                                "Cold room, coldest row: room temperature, at most",
                                5,
                                "°C",
                                FC_602_D),
                        f(
                                "room.row-1.hours",
                                "Cold room, coldest row: hours until cleaned, at most",
                                24,
                                "h",
                                FC_602_D),
                        f(
                                "room.row-2.highest",
                                "Cold room, second row: room temperature, at most",
                                7.2,
                                "°C",
                                FC_602_D),
                        f(
                                "room.row-2.hours",
                                "Cold room, second row: hours until cleaned, at most",
                                20,
                                "h",
                                FC_602_D),
                        f(
                                "room.row-3.highest",
                                "Cold room, third row: room temperature, at most",
                                10,
                                "°C",
                                FC_602_D),
                        f(
                                "room.row-3.hours",
                                "Cold room, third row: hours until cleaned, at most",
                                16,
                                "h",
                                FC_602_D),
                        f(
                                "room.row-4.highest",
                                "Cold room, warmest row: room temperature, at most",
                                12.8,
                                "°C",
                                FC_602_D),
                        f(
                                "room.row-4.hours",
                                "Cold room, warmest row: hours until cleaned, at most",
                                10,
                                "h",
                                FC_602_D),
                        f(
                                "lift.load-constant",
                                "Lift under the best conditions, at most",
                                23,
                                "kg",
                                "NIOSH lifting equation, DHHS 94-110"),
                        f(
                                "chase-out.factor",
                                "Product flush: times the volume of the passage, at least",
                                1.5,
                                "ratio",
                                "default of this program"),
                        f(
                                "line.cleaner",
                                "Line cleaner to mix: times the volume of the line",
                                1.5,
                                "ratio",
                                "default of this program"),
                        f(
                                "line.turbulent",
                                "Turbulent flow: Reynolds number, at least",
                                4000,
                                "ratio",
                                "fluid mechanics of pipes"),
                        f(
                                "instrument.uncertainty",
                                "Strength reading: uncertainty unless it is known better",
                                10,
                                "%",
                                "default of this program"),
                        f(
                                "hot-water.meant",
                                "Plain water counts as hot-water sanitizing from",
                                60,
                                "°C",
                                "default of this program"),
                        f(
                                "wash.hand.least",
                                "Washing by hand: temperature, at least, unless the label says otherwise",
                                43,
                                "°C",
                                "Food Code 2022, 4-501.19"),
                        f(
                                "first-water.warm",
                                "First rinse on protein or starch: cooler than this is better",
                                49,
                                "°C",
                                "food chemistry: protein begins to set"),
                        f(
                                "first-water.highest",
                                "First rinse on protein or starch: temperature, at most",
                                60,
                                "°C",
                                "food chemistry: protein sets near 60 °C"),
                        f(
                                "rinse.ph.from-tap",
                                "Last rinse: pH away from city water, at most",
                                0.5,
                                "pH",
                                "default of this program; a paper reads to half a step"),
                        f(
                                "swab.every-rounds",
                                "Swab sites: each is swabbed once in so many rounds, at most",
                                7,
                                "rounds",
                                "default of this program"),
                        f(
                                "atp.pass",
                                "ATP swab: passes up to, until the site has its own history",
                                30,
                                "RLU",
                                "default of this program; light units differ from meter to meter"),
                        f(
                                "atp.fail",
                                "ATP swab: fails above, until the site has its own history",
                                60,
                                "RLU",
                                "default of this program; light units differ from meter to meter"),
                        f(
                                "solution.life",
                                "Mixed solution: discard after, unless the label says otherwise",
                                4,
                                "h",
                                "default of this program"),
                        f(
                                "stand.days",
                                "A clean machine stands unused: cleaned again before use after",
                                1,
                                "d",
                                "default of this program, for wet areas; a sheet may say more"),
                        f(
                                "line.days",
                                "Product lines: cleaned at least every",
                                14,
                                "d",
                                "default of this program; the maker's interval comes first"),
                        f(
                                "line.acid-days",
                                "Product lines that are cleaned with alkali: an acid at least every",
                                92,
                                "d",
                                "default of this program, each quarter; the maker's interval comes first"),
                        f(
                                "training.days",
                                "Training at the machines: gone through again every",
                                365,
                                "d",
                                "default of this program; lockout is gone through yearly, 29 CFR 1910.147(c)(6)"),
                        f(
                                "stock.fade.chlorine",
                                "Hypochlorite concentrate kept at 20 °C: loses in a week",
                                1,
                                "%",
                                "default of this program; the supplier's figure comes first"),
                        f(
                                "stock.fade.doubles",
                                "Hypochlorite concentrate: fades twice as fast for every",
                                10,
                                "K",
                                "default of this program; the supplier's figure comes first"),
                        f(
                                "instrument.check-every",
                                "Instruments with a display: checked at two points every",
                                30,
                                "d",
                                "default of this program; 21 CFR 117.165(b)(4)"),
                        f(
                                "rest.proved-again",
                                "Work that rested so long: each energy is verified again before hands go in",
                                4,
                                "h",
                                "default of this program; 29 CFR 1910.147(f)(4)"),
                        f(
                                "material.stainless.chlorine",
                                "Chlorine on stainless steel, at most",
                                200,
                                "mg/L",
                                "material table"),
                        f(
                                "line.velocity",
                                "Line cleaning: flow velocity, at least",
                                1.5,
                                "m/s",
                                "trade practice for cleaning in place"),
                        f(
                                "age.power-driven",
                                "Age restriction for slicer, saw, grinder and mixer",
                                18,
                                "years",
                                "29 CFR 570.61, .62, .65"),
                        f(
                                "kept.warmest",
                                "Carryover (kept product): temperature, at most",
                                5,
                                "°C",
                                "Food Code 2022, 3-501.16(A)(2)"),
                        f(
                                "dry.air.least",
                                "Drying in the air: counts from",
                                5,
                                "min",
                                "default of this program"),
                        f(
                                "wet.least",
                                "Sanitizer by spray or cloth: for each surface at least",
                                0.02,
                                "L",
                                "default of this program"),
                        f(
                                "touch.limit",
                                "Touch limit: surface temperature for a bare hand, at most",
                                49,
                                "°C",
                                "ISO 13732-1"),
                        f(
                                "touch.spray",
                                "Water out of a hose or pitcher: hotter than this takes goggles and an apron",
                                60,
                                "°C",
                                "CPSC 5098: burns within five seconds")));
    }

    private static Figure f(String id, String title, double value, String unit, String source) {
        return new Figure(id, title, value, unit, source, LOWER_IS_STRICTER.contains(id));
    }
}
