package orthopur.round;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import orthopur.round.Refused.Why;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Piece;
import orthopur.roundpack.RoundPack.Tally;
import orthopur.text.Text;

/** Which pieces are off the machine: each is tapped by itself, off and on again. */
final class Pieces {
    private final RoundPack pack;
    private final Course course;
    private final Set<String> off;

    Pieces(RoundPack pack, Course course, State s) {
        this.pack = pack;
        this.course = course;
        this.off = new LinkedHashSet<>(s.off());
    }

    List<String> off() {
        return List.copyOf(off);
    }

    void move(PackStep step, Entry.PieceMoved e) {
        if (Stream.concat(step.off().stream(), step.on().stream())
                .noneMatch(p -> p.key().equals(e.piece()))) {
            throw noSuchPiece(step, e.piece());
        }
        if (e.off()) {
            off.add(e.piece());
        } else {
            off.remove(e.piece());
        }
    }

    private Refused noSuchPiece(PackStep step, String key) {
        for (Tally t : pack.parts()) {
            if (t.part().equals(part(key))) {
                return new Refused(Why.TOO_MANY, step.number(), key, t.count(), t.name());
            }
        }
        return new Refused(Why.NO_PIECE, key);
    }

    private static String part(String pieceKey) {
        int n = pieceKey.indexOf('#');
        return n < 0 ? pieceKey : pieceKey.substring(0, n);
    }

    /** What is tapped at a step as it is done now. */
    List<Piece> at(PackStep step) {
        return step.off().isEmpty()
                ? step.on()
                : step.off().stream()
                        .filter(p -> concerned(step, p) || off.contains(p.key()))
                        .toList();
    }

    /** Whether this turn of the step concerns the piece. */
    boolean concerned(PackStep step, Piece piece) {
        return course.concerned(step, part(piece.key()));
    }

    void tapped(PackStep step) {
        List<Text> left = new ArrayList<>();
        for (Piece p : step.off()) {
            if (!off.contains(p.key()) && concerned(step, p)) {
                left.add(p.name());
            }
        }
        for (Piece p : step.on()) {
            if (off.contains(p.key())) {
                left.add(p.name());
            }
        }
        if (!left.isEmpty()) {
            throw new Refused(Why.NOT_TAPPED, left);
        }
    }

    /** Nothing is left off the machine, and nothing that was fitted to clean it is left in. */
    void allBack() {
        if (off.isEmpty()) {
            return;
        }
        List<Text> fitted = names(true);
        throw fitted.isEmpty()
                ? new Refused(Why.STILL_OFF, names(false))
                : new Refused(Why.STILL_FITTED, fitted);
    }

    private List<Text> names(boolean fittings) {
        return pack.steps().stream()
                .flatMap(s -> s.off().stream())
                .filter(
                        p ->
                                off.contains(p.key())
                                        && p.key().startsWith(PackCompiler.FITTING) == fittings)
                .map(Piece::name)
                .distinct()
                .toList();
    }
}
