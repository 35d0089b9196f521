package orthopur.server.procedures;

import static orthopur.db.Tables.STEP_COMMENT;

import java.time.Clock;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** What people say of the steps of a version. */
@Service
public class Comments {
    private static final int LONGEST_COMMENT = 1_000;

    private final DSLContext db;
    private final Versions versions;
    private final Clock clock;

    Comments(DSLContext db, Versions versions, Clock clock) {
        this.db = db;
        this.versions = versions;
        this.clock = clock;
    }

    /** What somebody said of a step. */
    public record Comment(String stepId, String text, String who, long at) {}

    /** Everything that was said of the steps of a version, in order. */
    List<Comment> comments(String id, int version) {
        versions.version(id, version);
        return db.selectFrom(STEP_COMMENT)
                .where(STEP_COMMENT.PROCEDURE_ID.eq(id).and(STEP_COMMENT.VERSION.eq(version)))
                .orderBy(STEP_COMMENT.SEQ)
                .fetch(r -> new Comment(r.getStepId(), r.getText(), r.getWho(), r.getAt()));
    }

    /** Says something of a step; anybody who is signed in may. */
    @Transactional
    public void comment(String id, int version, String stepId, String text, Person person) {
        String said = text == null ? "" : text.strip();
        if (said.isEmpty() || said.length() > LONGEST_COMMENT) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "comments.a-comment-has-1-to",
                            "A comment has 1 to {0} letters.",
                            LONGEST_COMMENT));
        }
        versions.version(id, version);
        db.insertInto(STEP_COMMENT)
                .set(STEP_COMMENT.PROCEDURE_ID, id)
                .set(STEP_COMMENT.VERSION, version)
                .set(STEP_COMMENT.STEP_ID, stepId)
                .set(STEP_COMMENT.TEXT, said)
                .set(STEP_COMMENT.WHO, person.name())
                .set(STEP_COMMENT.AT, clock.millis())
                .execute();
    }
}
