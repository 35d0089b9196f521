package orthopur.server.floor;

import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import orthopur.round.Entry;
import orthopur.round.Written;
import orthopur.server.people.Person;

/**
 * Rounds of the demo's past, entered by the door of every other round. Only that nobody is asked
 * for a PIN: those who sign are not there. It is not there either once the demo is made.
 */
@Component
@ConditionalOnProperty("orthopur.demo-past")
public class PlayedRounds {
    private final Rounds rounds;

    PlayedRounds(Rounds rounds) {
        this.rounds = rounds;
    }

    /** Starts a round, or hands back the one that is open at its machine. */
    public Replay start(String procedure, Person person) {
        return rounds.start(procedure, null, person);
    }

    /** A round as it stands. */
    public Replay as(String round) {
        return rounds.load(round);
    }

    /** Id of the first reading of a round, or of its first entry. */
    public String anEntryOf(String round) {
        return rounds.entriesOf(round).stream()
                .filter(e -> e.kind().equals("reading"))
                .findFirst()
                .or(() -> rounds.entriesOf(round).stream().findFirst())
                .orElseThrow()
                .id();
    }

    /**
     * Enters it now.
     *
     * @param device on which it is made
     * @throws RuntimeException when it does not fit
     */
    public Replay enter(String round, Entry entry, String device, Person person, long now) {
        Replay r = rounds.load(round);
        Written w = Written.of(entry);
        Intake.Sent sent =
                new Intake.Sent(
                        UUID.randomUUID().toString(),
                        r.round().getPackHash(),
                        w.step(),
                        w.kind(),
                        w.figures(),
                        device,
                        now);
        return rounds.played(round, sent, person);
    }
}
