package orthopur.server.platform;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import orthopur.calculation.RefusedInput;
import orthopur.drafting.DraftRefused;
import orthopur.formats.FormatError;
import orthopur.machine.Problem;
import orthopur.quantity.OutOfRange;
import orthopur.roundpack.Refused;
import orthopur.roundpack.Written;

/** Every error as problem+json: a plain sentence, and pointers to the fields it concerns. */
@RestControllerAdvice
class Problems {
    @ExceptionHandler
    ProblemDetail format(FormatError e) {
        ProblemDetail p =
                problem(HttpStatus.UNPROCESSABLE_ENTITY, "This cannot be read", e.getMessage());
        p.setProperty("errors", e.problems());
        return p;
    }

    @ExceptionHandler
    ProblemDetail drafting(DraftRefused e) {
        ProblemDetail p =
                problem(
                        HttpStatus.UNPROCESSABLE_ENTITY,
                        "No procedure can be drafted",
                        e.getMessage());
        p.setProperty("errors", e.reasons().stream().map(r -> new Problem("", r)).toList());
        return p;
    }

    @ExceptionHandler
    ProblemDetail range(OutOfRange e) {
        ProblemDetail p = problem(HttpStatus.UNPROCESSABLE_ENTITY, "Out of range", e.getMessage());
        p.setProperty("errors", List.of(new Problem("/" + e.quantity(), e.getMessage())));
        return p;
    }

    @ExceptionHandler
    ProblemDetail calculation(RefusedInput e) {
        ProblemDetail p = problem(HttpStatus.UNPROCESSABLE_ENTITY, "Input refused", e.getMessage());
        p.setProperty("error", new CalcError(e.key(), e.getMessage(), e.allowed()));
        return p;
    }

    /** What a refused calculation says, the same as on the command line. */
    record CalcError(String key, String message, String allowed) {}

    @ExceptionHandler
    ProblemDetail refused(Refused e) {
        return problem(HttpStatus.CONFLICT, "Not entered", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail noEntry(Written.NotAnEntry e) {
        return problem(HttpStatus.CONFLICT, "Not entered", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail said(Said e) {
        return problem(e.status(), e.status().getReasonPhrase(), e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail unreadable(HttpMessageNotReadableException e) {
        return problem(
                HttpStatus.BAD_REQUEST,
                "This cannot be read",
                "The request is not complete JSON of the expected form, or a number in it is not a number.");
    }

    private static ProblemDetail problem(HttpStatus status, String title, String detail) {
        ProblemDetail p = ProblemDetail.forStatusAndDetail(status, detail);
        p.setTitle(title);
        return p;
    }
}
