package orthopur.server.instruments;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import orthopur.formats.EntryEnvelope;
import orthopur.round.EntryValue;
import orthopur.round.State;
import orthopur.server.floor.Replay;
import orthopur.server.floor.RoundLog;
import orthopur.server.floor.Rounds;
import orthopur.server.people.Accounts;

/** What was decided by one instrument. */
@Component
class LookBack {
    /** More than a person goes through; the newest come first. */
    private static final int MOST = 500;

    private static final List<String> READINGS = List.of("reading", "solution-read");

    private final RoundLog log;
    private final Rounds rounds;
    private final Accounts accounts;

    LookBack(RoundLog log, Rounds rounds, Accounts accounts) {
        this.accounts = accounts;
        this.log = log;
        this.rounds = rounds;
    }

    /**
     * One reading.
     *
     * @param round null for a reading of a solution at the bench
     * @param label of that solution; null for a reading in a round
     * @param at epoch milliseconds
     * @param status of the round now
     */
    record DoubtedReading(
            @Nullable String round,
            @Nullable String machine,
            @Nullable String title,
            @Nullable String label,
            double value,
            String unit,
            String who,
            long at,
            State.@Nullable Status status) {}

    /**
     * @param since epoch milliseconds; 0 for ever
     * @param more whether there are older ones beside
     */
    record Doubted(long since, List<DoubtedReading> readings, boolean more) {}

    Doubted by(String instrument, @Nullable Long since) {
        long from = since == null ? 0 : since;
        List<DoubtedReading> all = new ArrayList<>();
        List<EntryEnvelope> found = log.naming(READINGS, instrument, from, MOST + 1);
        Map<Long, String> names = accounts.names();
        for (EntryEnvelope kept : found.subList(0, Math.min(MOST, found.size()))) {
            EntryEnvelope e = kept.named(names);
            EntryValue strength = figure(e, "strength");
            if (strength == null || strength.value() == null) {
                continue;
            }
            boolean atTheBench = e.round().equals(EntryEnvelope.SITE);
            Replay round = atTheBench ? null : rounds.load(e.round());
            EntryValue label = figure(e, "label");
            all.add(
                    new DoubtedReading(
                            round == null ? null : e.round(),
                            round == null ? null : round.round().getMachine(),
                            round == null ? null : round.round().getTitle(),
                            label == null ? null : label.text(),
                            strength.value(),
                            String.valueOf(strength.unit()),
                            e.who(),
                            e.made(),
                            round == null ? null : round.progress().status()));
        }
        return new Doubted(from, all, found.size() > MOST);
    }

    private static @Nullable EntryValue figure(EntryEnvelope e, String name) {
        return e.figures().stream().filter(f -> f.name().equals(name)).findFirst().orElse(null);
    }
}
