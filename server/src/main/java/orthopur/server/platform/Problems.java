package orthopur.server.platform;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.sqlite.SQLiteException;
import orthopur.calculation.RefusedInput;
import orthopur.drafting.DraftRefused;
import orthopur.formats.FormatError;
import orthopur.formats.ProblemDocument;
import orthopur.formats.TextDocument;
import orthopur.machine.Problem;
import orthopur.quantity.OutOfRange;
import orthopur.round.Refused;
import orthopur.round.Written;
import orthopur.text.Text;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.exc.MismatchedInputException;

/** Every error as problem+json: a plain sentence, and pointers to the fields it concerns. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class Problems {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
    private static final Set<Class<?>> WHOLE =
            Set.of(int.class, Integer.class, long.class, Long.class);

    @ExceptionHandler
    ProblemDetail format(FormatError e) {
        ProblemDetail p = problem(HttpStatus.UNPROCESSABLE_ENTITY, "This cannot be read", e.said());
        p.setProperty("errors", ProblemDocument.of(e.problems()));
        return p;
    }

    @ExceptionHandler
    ProblemDetail drafting(DraftRefused e) {
        ProblemDetail p =
                problem(HttpStatus.UNPROCESSABLE_ENTITY, "No procedure can be drafted", e.said());
        p.setProperty(
                "errors",
                ProblemDocument.of(e.reasons().stream().map(r -> new Problem("", r)).toList()));
        return p;
    }

    @ExceptionHandler
    ProblemDetail range(OutOfRange e) {
        ProblemDetail p = problem(HttpStatus.UNPROCESSABLE_ENTITY, "Out of range", e.said());
        p.setProperty(
                "errors", ProblemDocument.of(List.of(new Problem("/" + e.quantity(), e.said()))));
        return p;
    }

    @ExceptionHandler
    ProblemDetail calculation(RefusedInput e) {
        ProblemDetail p = problem(HttpStatus.UNPROCESSABLE_ENTITY, "Input refused", e.said());
        p.setProperty("error", new CalcError(e.key(), e.getMessage(), e.allowed().toString()));
        return p;
    }

    /** What a refused calculation says, the same as on the command line. */
    record CalcError(String key, String message, String allowed) {}

    @ExceptionHandler
    ProblemDetail refused(Refused e) {
        boolean who = e.why() == Refused.Why.NOT_YOURS || e.why() == Refused.Why.DID_THE_WORK;
        return problem(who ? HttpStatus.FORBIDDEN : HttpStatus.CONFLICT, "Not entered", e.said());
    }

    @ExceptionHandler
    ProblemDetail noEntry(Written.NotAnEntry e) {
        return problem(HttpStatus.CONFLICT, "Not entered", e.said());
    }

    @ExceptionHandler
    ProblemDetail said(Said e) {
        return problem(e.status(), e.status().getReasonPhrase(), e.said());
    }

    @ExceptionHandler
    ProblemDetail unreadable(HttpMessageNotReadableException e) {
        if (e.getMostSpecificCause() instanceof MismatchedInputException m
                && !m.getPath().isEmpty()) {
            return mismatched(m);
        }
        return problem(
                HttpStatus.BAD_REQUEST,
                "This cannot be read",
                Text.of(
                        "problems.no-json",
                        "The request is not complete JSON of the expected form, or a number in it is not a number."));
    }

    /** The database did not take it; the transaction is undone as a whole. */
    @ExceptionHandler({
        org.springframework.dao.DataAccessException.class,
        org.jooq.exception.DataAccessException.class,
        TransactionException.class
    })
    ProblemDetail notWritten(Exception e) {
        Throwable first =
                e instanceof TransactionSystemException t && t.getApplicationException() != null
                        ? t.getApplicationException()
                        : e;
        Text why = null;
        for (Throwable t = first; t != null; t = t.getCause()) {
            if (t instanceof SQLiteException s) {
                why =
                        // The low byte is the kind; what stands above it says where.
                        switch (s.getResultCode().code & 0xff) {
                            case 13 -> Text.of("problems.disk-full", "The server's disk is full.");
                            case 3, 8, 14 ->
                                    Text.of(
                                            "problems.no-folder",
                                            "The server's data folder cannot be written.");
                            case 19 ->
                                    Text.of(
                                            "problems.against",
                                            "This goes against what the data has to hold to.");
                            case 5, 6 ->
                                    Text.of(
                                            "problems.held",
                                            "The server's data is held by another program.");
                            default -> Text.of("problems.disk-failed", "The server's disk failed.");
                        };
            }
        }
        if (why == null) {
            LOG.error("The database refused", e);
            return problem(
                    HttpStatus.INTERNAL_SERVER_ERROR,
                    "Not written",
                    Text.of(
                            "problems.not-written",
                            "The server could not write or read this. Nothing was changed."));
        }
        LOG.error("{} {}", why, first.getMessage());
        return problem(
                HttpStatus.SERVICE_UNAVAILABLE,
                "Not written",
                Text.of(
                        "problems.nothing-changed",
                        "{0} Nothing was changed. Tell the supervisor; what a tablet has, it keeps.",
                        why));
    }

    private static ProblemDetail mismatched(MismatchedInputException m) {
        StringBuilder field = new StringBuilder();
        for (JacksonException.Reference r : m.getPath()) {
            field.append('/')
                    .append(r.getPropertyName() == null ? r.getIndex() : r.getPropertyName());
        }
        Text says =
                Text.of(
                        "problems.expected",
                        "{0}: {1} is expected.",
                        field.substring(1),
                        expected(m));
        ProblemDetail p = problem(HttpStatus.BAD_REQUEST, "This cannot be read", says);
        p.setProperty("errors", ProblemDocument.of(List.of(new Problem(field.toString(), says))));
        return p;
    }

    private static Text expected(MismatchedInputException m) {
        Class<?> type = m.getTargetType() == null ? Object.class : m.getTargetType();
        if (type.isEnum()) {
            return Text.of(
                    "problems.one-of",
                    "one of {0}",
                    Arrays.stream(type.getEnumConstants())
                            .map(Object::toString)
                            .collect(Collectors.joining(", ")));
        }
        if (WHOLE.contains(type)) {
            return Text.of("problems.whole", "a whole number");
        }
        if (type == double.class || type == Double.class) {
            return Text.of("problems.number", "a number");
        }
        if (type == boolean.class || type == Boolean.class) {
            return Text.of("problems.flag", "true or false");
        }
        return type == String.class
                ? Text.of("problems.text", "a text")
                : Text.of("problems.other", "another form");
    }

    private static ProblemDetail problem(HttpStatus status, String title, Text said) {
        ProblemDetail p = problem(status, title, said.sentence());
        p.setProperty("said", TextDocument.of(said));
        return p;
    }

    private static ProblemDetail problem(HttpStatus status, String title, @Nullable String detail) {
        ProblemDetail p = ProblemDetail.forStatusAndDetail(status, detail);
        p.setTitle(title);
        p.setProperty(Numbered.NAME, Numbered.now());
        return p;
    }
}
