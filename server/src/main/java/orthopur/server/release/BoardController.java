package orthopur.server.release;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.round.Role;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.Said;
import orthopur.text.Text;

@RestController
@MayUse
@RequestMapping("/api/board")
class BoardController {
    private final Board board;

    BoardController(Board board) {
        this.board = board;
    }

    /**
     * @param kind "in-use" or "dirty"
     */
    record Use(String kind, @Nullable String note) {}

    /** Where every machine stands now. */
    @GetMapping
    List<Board.Machine> all() {
        return board.machines();
    }

    @MayUse(
            value = {Role.SUPERVISOR, Role.CREW, Role.QA},
            otherwise = Otherwise.READS_ONLY)
    @PostMapping("/{code}")
    List<Board.Machine> use(
            @PathVariable String code,
            @RequestBody Use in,
            @AuthenticationPrincipal Person person) {
        String note = in.note() == null ? "" : in.note().strip();
        if (note.length() > 500) {
            throw Said.conflict(
                    Text.of(
                            "board-controller.the-note-has-characters-allowed",
                            "The note has {0} characters; allowed are 500.",
                            note.length()));
        }
        board.use(code, in.kind(), note, person);
        return board.machines();
    }
}
