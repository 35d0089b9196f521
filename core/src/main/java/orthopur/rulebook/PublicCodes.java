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
                    "first-water.highest",
                    "solution.life",
                    "material.stainless.chlorine",
                    "kept.warmest",
                    "touch.limit");

    private PublicCodes() {}

    /** The book as it ships. */
    public static RuleBook book() {
        return new RuleBook(
                "public-codes-1",
                List.of(
                        // Chlorine: strength rows, each with its least temperature by pH column.
                        f(
                                "chlorine.row-1.least-strength",
                                "Chlorine, first row from",
                                25,
                                "mg/L",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-1.least-temperature.ph-10",
                                "Chlorine, first row at pH up to 10, from",
                                49,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-1.least-temperature.ph-8",
                                "Chlorine, first row at pH up to 8, from",
                                49,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-2.least-strength",
                                "Chlorine, second row from",
                                50,
                                "mg/L",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-2.least-temperature.ph-10",
                                "Chlorine, second row at pH up to 10, from",
                                38,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-2.least-temperature.ph-8",
                                "Chlorine, second row at pH up to 8, from",
                                24,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-3.least-strength",
                                "Chlorine, third row from",
                                100,
                                "mg/L",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-3.least-temperature.ph-10",
                                "Chlorine, third row at pH up to 10, from",
                                13,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.row-3.least-temperature.ph-8",
                                "Chlorine, third row at pH up to 8, from",
                                13,
                                "°C",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.ph.wide",
                                "Chlorine, upper pH of the wide column",
                                10,
                                "pH",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.ph.narrow",
                                "Chlorine, upper pH of the narrow column",
                                8,
                                "pH",
                                FC_114 + "(A)"),
                        f(
                                "chlorine.ceiling",
                                "Chlorine, most without a rinse",
                                200,
                                "mg/L",
                                CFR_940),
                        f(
                                "chlorine.contact",
                                "Chlorine, least wet contact",
                                10,
                                "s",
                                FC_703 + "(1)"),
                        f(
                                "chlorine.contact.short",
                                "Chlorine, wet contact in the second row",
                                7,
                                "s",
                                FC_703 + "(2)"),
                        f("iodine.least-strength", "Iodine, least", 12.5, "mg/L", FC_114 + "(B)"),
                        f("iodine.ceiling", "Iodine, most without a rinse", 25, "mg/L", CFR_940),
                        f(
                                "iodine.least-temperature",
                                "Iodine, least temperature",
                                20,
                                "°C",
                                FC_114 + "(B)"),
                        f(
                                "iodine.ph",
                                "Iodine, highest pH unless the label says otherwise",
                                5,
                                "pH",
                                FC_114 + "(B)"),
                        f(
                                "quat.least-temperature",
                                "Quat, least temperature",
                                24,
                                "°C",
                                FC_114 + "(C)"),
                        f(
                                "quat.hardness",
                                "Quat, hardest water unless the label says otherwise",
                                500,
                                "mg/L",
                                FC_114 + "(C)"),
                        f(
                                "quat.ceiling",
                                "Quat, most without a rinse unless the label says less",
                                400,
                                "mg/L",
                                CFR_940),
                        f(
                                "paa.ceiling",
                                "Peroxyacetic acid, most without a rinse",
                                500,
                                "mg/L",
                                CFR_940),
                        f(
                                "contact.other",
                                "Other chemical sanitizers, least wet contact",
                                30,
                                "s",
                                FC_703 + "(3)"),
                        f(
                                "hot-water.hand.least-temperature",
                                "Hot water by hand, least",
                                77,
                                "°C",
                                "Food Code 2022, 4-501.111"),
                        f(
                                "hot-water.hand.contact",
                                "Hot water by hand, least time",
                                30,
                                "s",
                                "Food Code 2022, 4-703.11(A)"),
                        f(
                                "hot-water.ware-surface",
                                "Surface of ware in a hot-water machine, least",
                                71,
                                "°C",
                                "Food Code 2022, 4-703.11(B)"),
                        f(
                                "washer.rack-single.tank",
                                "Washer, stationary rack of one temperature: tank, least",
                                74,
                                "°C",
                                FC_WASHER + "10(A)(1)"),
                        f(
                                "washer.rack-dual.tank",
                                "Washer, stationary rack of two temperatures: tank, least",
                                66,
                                "°C",
                                FC_WASHER + "10(A)(2)"),
                        f(
                                "washer.conveyor-single.tank",
                                "Washer, conveyor of one tank: tank, least",
                                71,
                                "°C",
                                FC_WASHER + "10(A)(3)"),
                        f(
                                "washer.conveyor-multi.tank",
                                "Washer, conveyor of several tanks: tank, least",
                                66,
                                "°C",
                                FC_WASHER + "10(A)(4)"),
                        f(
                                "washer.chemical.tank",
                                "Washer that sanitizes by chemical: water, least",
                                49,
                                "°C",
                                FC_WASHER + "10(B)"),
                        f(
                                "washer.rinse.least",
                                "Washer, final rinse, least",
                                82,
                                "°C",
                                FC_WASHER + "12(A)(2)"),
                        f(
                                "washer.rinse.rack-single",
                                "Washer, stationary rack of one temperature: final rinse, least",
                                74,
                                "°C",
                                FC_WASHER + "12(A)(1)"),
                        f(
                                "washer.rinse.most",
                                "Washer, final rinse, most",
                                90,
                                "°C",
                                FC_WASHER + "12(A)"),
                        f(
                                "washer.rinse.pressure.least",
                                "Washer, flow pressure of the final rinse, least",
                                35,
                                "kPa",
                                FC_WASHER + "13"),
                        f(
                                "washer.rinse.pressure.most",
                                "Washer, flow pressure of the final rinse, most",
                                200,
                                "kPa",
                                FC_WASHER + "13"),
                        f(
                                "shock.glass",
                                "Hot glass bears water colder by, most",
                                50,
                                "K",
                                "default of this program"),
                        f(
                                "shock.pan",
                                "A hot pan of cast iron or enamel bears water colder by, most",
                                120,
                                "K",
                                "default of this program"),
                        f("clock.hours", "In use with controlled food, most", 4, "h", FC_602_C),
                        f("room.row-1.highest", "Cold room, first row, up to", 5, "°C", FC_602_D),
                        f("room.row-1.hours", "Cold room, first row, hours", 24, "h", FC_602_D),
                        f(
                                "room.row-2.highest",
                                "Cold room, second row, up to",
                                7.2,
                                "°C",
                                FC_602_D),
                        f("room.row-2.hours", "Cold room, second row, hours", 20, "h", FC_602_D),
                        f("room.row-3.highest", "Cold room, third row, up to", 10, "°C", FC_602_D),
                        f("room.row-3.hours", "Cold room, third row, hours", 16, "h", FC_602_D),
                        f(
                                "room.row-4.highest",
                                "Cold room, fourth row, up to",
                                12.8,
                                "°C",
                                FC_602_D),
                        f("room.row-4.hours", "Cold room, fourth row, hours", 10, "h", FC_602_D),
                        f(
                                "lift.load-constant",
                                "Heaviest lift under the best conditions",
                                23,
                                "kg",
                                "NIOSH lifting equation, DHHS 94-110"),
                        f(
                                "chase-out.factor",
                                "First product thrown away, times the passage's volume",
                                1.5,
                                "ratio",
                                "default of this program"),
                        f(
                                "line.cleaner",
                                "Cleaner to make, times the line's volume",
                                1.5,
                                "ratio",
                                "default of this program"),
                        f(
                                "line.turbulent",
                                "Turbulent flow from this Reynolds number",
                                4000,
                                "ratio",
                                "fluid mechanics of pipes"),
                        f(
                                "instrument.uncertainty",
                                "Uncertainty of one strength reading, unless it is known better",
                                10,
                                "%",
                                "default of this program"),
                        f(
                                "hot-water.meant",
                                "Water without a product from here on is meant to sanitize",
                                60,
                                "°C",
                                "default of this program"),
                        f(
                                "wash.hand.least",
                                "Washing by hand, least unless the label says otherwise",
                                43,
                                "°C",
                                "Food Code 2022, 4-501.19"),
                        f(
                                "first-water.highest",
                                "First water on protein or starch, most",
                                43,
                                "°C",
                                "food chemistry: protein sets near 60 °C"),
                        f(
                                "rinse.ph.from-tap",
                                "pH of the last rinse away from that of the tap, most",
                                0.5,
                                "pH",
                                "default of this program; a paper reads to half a step"),
                        f(
                                "swab.every-rounds",
                                "Each swab site is seen once in so many rounds, most",
                                7,
                                "rounds",
                                "default of this program"),
                        f(
                                "atp.pass",
                                "ATP swab that passes, most, until a site has a history of its own",
                                30,
                                "RLU",
                                "default of this program; light units differ from meter to meter"),
                        f(
                                "atp.fail",
                                "ATP swab above which it fails, until a site has a history of its own",
                                60,
                                "RLU",
                                "default of this program; light units differ from meter to meter"),
                        f(
                                "solution.life",
                                "A mixed solution is used for, unless the label says otherwise",
                                4,
                                "h",
                                "default of this program"),
                        f(
                                "material.stainless.chlorine",
                                "Chlorine on stainless steel, most",
                                200,
                                "mg/L",
                                "material table"),
                        f(
                                "line.velocity",
                                "Flow that scours a line, from",
                                1.5,
                                "m/s",
                                "trade practice for cleaning in place"),
                        f(
                                "age.power-driven",
                                "Age from which a slicer, saw, grinder or mixer is touched",
                                18,
                                "years",
                                "29 CFR 570.61, .62, .65"),
                        f(
                                "kept.warmest",
                                "Kept product, warmest",
                                5,
                                "°C",
                                "Food Code 2022, 3-501.16(A)(2)"),
                        f(
                                "touch.limit",
                                "Hottest a bare hand may touch",
                                49,
                                "°C",
                                "ISO 13732-1")));
    }

    private static Figure f(String id, String title, double value, String unit, String source) {
        return new Figure(id, title, value, unit, source, LOWER_IS_STRICTER.contains(id));
    }
}
