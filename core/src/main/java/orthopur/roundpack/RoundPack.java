package orthopur.roundpack;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.instrument.Instrument;
import orthopur.machine.Frequency;
import orthopur.procedure.Action;
import orthopur.text.Text;

/**
 * A closed package for one round. Its hash, made over its exchange form, is in every entry of the
 * round.
 *
 * @param version version of the procedure it was compiled from
 * @param kind how deep a clean it is; null in packs from before that was kept
 * @param format by which rules its entries are folded: a round goes on as it began, whatever the
 *     program has learnt since; 0 in packs from before that was kept
 */
public record RoundPack(
        String procedure,
        int version,
        String title,
        @Nullable Frequency kind,
        String machine,
        String machineName,
        int sheetVersion,
        String ruleBook,
        List<String> ppe,
        List<PackStep> steps,
        List<Tally> parts,
        List<Instrument> instruments,
        List<Trouble> troubles,
        List<ReworkPlan> rework,
        int format) {

    /**
     * Entries say who, in which role and whether it was signed; the plan of the release is an
     * entry; contact begins with the reading at the earliest; a danger that comes in late holds the
     * machine.
     */
    public static final int FORMAT = 1;

    public RoundPack {
        ppe = List.copyOf(ppe);
        steps = List.copyOf(steps);
        parts = List.copyOf(parts);
        instruments = List.copyOf(instruments);
        // Packs of earlier rounds have none of these.
        troubles = troubles == null ? List.of() : List.copyOf(troubles);
        rework = rework == null ? List.of() : List.copyOf(rework);
    }

    /** A trouble by its title. */
    public Text title(Trouble.Kind kind) {
        return troubles.stream()
                .filter(t -> t.kind() == kind)
                .map(Trouble::title)
                .findFirst()
                .orElse(Text.plain(kind.name()));
    }

    /** A part that can be done again, by its name. */
    public String partName(String item) {
        return rework.stream()
                .filter(r -> r.item().equals(item))
                .map(ReworkPlan::name)
                .findFirst()
                .orElse(item);
    }

    /** A trouble as it was said on the floor. */
    public Text trouble(Trouble.Kind kind, @Nullable String item, String text) {
        return item == null
                ? Text.of("record.trouble", "{0}: {1}", title(kind), text)
                : Text.of(
                        "record.trouble-with", "{0} ({1}): {2}", title(kind), partName(item), text);
    }

    /**
     * A solution as a step asks for it; how much goes in is computed where the real liters are
     * known. Of strength and share one is stated.
     *
     * @param litres of finished solution, above 0 L
     * @param mgPerL strength, in mg/L
     * @param percent share of the product by volume, in percent
     * @param ph of the mixed solution; null where it is not stated
     * @param vessel what it is mixed in, as the procedure calls it
     * @param leastMgPerL,mostMgPerL what the label gives for a use beside food, such as a foot
     *     bath; null where it is for what touches food
     */
    public record Mix(
            String product,
            double litres,
            @Nullable Double mgPerL,
            @Nullable Double percent,
            @Nullable Double celsius,
            @Nullable Double ph,
            @Nullable String vessel,
            @Nullable Double leastMgPerL,
            @Nullable Double mostMgPerL) {}

    /**
     * One step as the tablet shows it.
     *
     * @param off,on pieces to tap, as "part#n"
     * @param timer what starts running when the step is done or, for contact, when the surface is
     *     wet
     * @param waitsFor step whose timer has to be over first
     * @param asks what is confirmed one by one before the step is done
     * @param hands whether hands go to the machine, so that everybody at it needs a lock of their
     *     own
     * @param things what to fetch
     * @param where parts to light in the picture
     * @param flows which way each passage is flushed, by its id
     * @param action stable name of what is done, as in stored procedures; null in packs from before
     *     that was kept
     * @param mix what is mixed for it; null where it uses no product by strength and volume
     */
    public record PackStep(
            String id,
            int number,
            String phase,
            String verb,
            Text title,
            String words,
            @Nullable String because,
            @Nullable String caution,
            double minutes,
            List<Piece> off,
            List<Piece> on,
            @Nullable Timer timer,
            @Nullable String waitsFor,
            @Nullable ReadingPlan reading,
            List<CheckPlan> checks,
            List<Ask> asks,
            boolean hands,
            List<String> things,
            List<String> where,
            Map<String, Action.Flow> flows,
            @Nullable String action,
            @Nullable Mix mix) {
        private static final Set<String> CLEAN =
                Set.of("wash", "sanitize", "circulate", "run-program");

        public PackStep {
            asks = asks == null ? List.of() : List.copyOf(asks);
            flows = flows == null ? Map.of() : flows;
        }

        /** Whether a machine is cleaner for it. */
        public boolean cleans() {
            return CLEAN.contains(act());
        }

        /** Whether it sanitizes what it works on. */
        public boolean sanitizes() {
            return reading != null || act().equals("circulate");
        }

        /** Packs from before the name was kept have the verb that was shown, which it was then. */
        private String act() {
            return action == null ? verb.toLowerCase(Locale.ROOT).replace(' ', '-') : action;
        }
    }

    /**
     * One thing to confirm.
     *
     * @param item the energy or part that it is about; empty for the round as a whole
     * @param detail where and how: the isolation point, what proves it, the mark it returns to
     */
    public record Ask(String id, Kind kind, String item, Text name, @Nullable Text detail) {
        /** What is confirmed. */
        public enum Kind {
            UNPLUG,
            ISOLATE,
            LOCK,
            TAG,
            RELIEVE,
            PROVE,
            UNLOCK,
            RESTORE,
            TOOLS_OUT,
            PEOPLE_CLEAR,
            GUARDS_ON,
            POSITION,
            WEAR,
            FLOW,
            CHASED,
            WARM,
            REPEAT,
            PHOTO;

            /** Whether it is a place on the path of an energy. */
            public boolean ofEnergy() {
                return switch (this) {
                    case UNPLUG, ISOLATE, LOCK, TAG, RELIEVE, PROVE, UNLOCK, RESTORE -> true;
                    default -> false;
                };
            }

            /** Whether it holds because locks are on or off rather than because it was said. */
            public boolean byLocks() {
                return this == LOCK || this == UNLOCK;
            }
        }
    }

    /**
     * Something that goes wrong on the floor, and what has to be done at once.
     *
     * @param now plain sentences, in the order in which they are done
     * @param about what it is about
     * @param redo step ids that are done again once it was said, where that does not depend on a
     *     part
     */
    public record Trouble(Kind kind, Text title, List<Text> now, About about, List<String> redo) {
        public Trouble {
            now = List.copyOf(now);
            redo = redo == null ? List.of() : List.copyOf(redo);
        }

        /** What went wrong. */
        public enum Kind {
            INJURY,
            CHEMICAL_CONTACT,
            MACHINE_MOVED,
            FAILED,
            SPILL,
            PART_DAMAGED,
            PART_MISSING,
            NO_HOT_WATER,
            OUT_OF_CHEMICAL,
            INTERRUPTED;

            /** Whether somebody may have been hurt, or the next one may be. */
            public boolean hurts() {
                return this == INJURY || this == CHEMICAL_CONTACT || this == MACHINE_MOVED;
            }
        }

        /** Whether a part has to be named, and whether that part is cleaned again. */
        public enum About {
            NOTHING,
            A_PART,
            A_PART_TO_REDO
        }
    }

    /**
     * What is done again when this part failed, by how far the round was.
     *
     * @param since ascending by place; the last one at or before the place holds
     */
    public record ReworkPlan(String item, String name, List<Since> since) {
        public ReworkPlan {
            since = List.copyOf(since);
        }

        /**
         * @param place number of steps done, from 1
         * @param steps ids to do again
         * @param parts that are cleaned again, with what is in front of them
         */
        public record Since(int place, List<String> steps, List<String> parts) {
            public Since {
                steps = steps == null ? List.of() : List.copyOf(steps);
                parts = parts == null ? List.of() : List.copyOf(parts);
            }
        }
    }

    /** One piece that is tapped off or back. */
    public record Piece(String key, Text name, @Nullable String destination) {}

    /** How many pieces of a part there are. */
    public record Tally(String part, String name, int count) {}

    /**
     * @param contact whether it is the wet contact of this very step, to be waited for before it is
     *     done, rather than something that runs on
     */
    public record Timer(Text name, long seconds, boolean contact) {}

    /**
     * A check with its range; without one it is looked at and confirmed.
     *
     * @param tolerance how far the gauge may be off, in the check's unit; null for exact, as a
     *     count
     */
    public record CheckPlan(
            String id,
            Text name,
            @Nullable Double least,
            @Nullable Double most,
            @Nullable String unit,
            @Nullable Double tolerance) {
        /** Whether it is measured against a range rather than looked at. */
        public boolean ranged() {
            return least != null && most != null;
        }

        /**
         * Whether all that a value can mean is in range, both ends included; without a range
         * looking is enough.
         */
        public ReadingJudge.Outcome judge(@Nullable Double value) {
            if (least == null || most == null) {
                return ReadingJudge.Outcome.IN;
            }
            if (value == null) {
                return ReadingJudge.Outcome.OUT;
            }
            double off = tolerance == null ? 0 : tolerance;
            if (value - off >= least && value + off <= most) {
                return ReadingJudge.Outcome.IN;
            }
            return value + off < least || value - off > most
                    ? ReadingJudge.Outcome.OUT
                    : ReadingJudge.Outcome.CANNOT_TELL;
        }
    }

    /**
     * What a strength and temperature reading is compared with.
     *
     * @param bands coldest first; from this temperature on, between least and most
     * @param stockMgPerL strength of the concentrate, for the amount to add
     * @param vesselLitres where the step states it
     * @param instruments ids of those that read this product; null in packs from before that was
     *     kept
     */
    public record ReadingPlan(
            String chemical,
            List<ReadingBand> bands,
            @Nullable Double stockMgPerL,
            @Nullable Double vesselLitres,
            Text planned,
            @Nullable List<String> instruments) {
        /** Whether it may be read with this one; packs from before that was kept take any. */
        public boolean takes(String instrument) {
            return instruments == null || instruments.contains(instrument);
        }
    }

    public record ReadingBand(double fromCelsius, double leastMgPerL, double mostMgPerL) {}
}
