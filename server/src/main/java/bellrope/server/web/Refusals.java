package bellrope.server.web;

import bellrope.core.value.Refused;
import bellrope.format.answer.Wrong;
import bellrope.server.store.Refusal;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Every refusal as a problem detail (RFC 9457), with the places and, for a conflict, both versions. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class Refusals {
    private static final Logger LOG = LoggerFactory.getLogger(Refusals.class);

    @ExceptionHandler
    ProblemDetail refused(Refusal refusal) {
        HttpStatus status = switch (refusal.why()) {
            case NOT_THERE -> HttpStatus.NOT_FOUND;
            case WRONG -> HttpStatus.UNPROCESSABLE_CONTENT;
            case OUTDATED, IN_THE_WAY -> HttpStatus.CONFLICT;
            case TOO_LARGE -> HttpStatus.CONTENT_TOO_LARGE;
            case UNREADABLE -> HttpStatus.CONFLICT;
            case NOT_KEPT -> HttpStatus.INSUFFICIENT_STORAGE;
        };
        String title = switch (refusal.why()) {
            case NOT_THERE -> "Not there";
            case WRONG -> "Not accepted";
            case OUTDATED -> "Changed in the meantime";
            case IN_THE_WAY -> "Something is in the way";
            case TOO_LARGE -> "Too large";
            case UNREADABLE -> "Cannot be read";
            case NOT_KEPT -> "Not saved";
        };
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(status, refusal.getMessage());
        detail.setTitle(title);
        detail.setProperty("problems", refusal.problems());
        if (refusal.theirs() != null) {
            detail.setProperty("yours", ViewMaker.part(refusal.yours()));
            detail.setProperty("theirs", ViewMaker.part(refusal.theirs()));
        }
        return detail;
    }

    @ExceptionHandler
    ProblemDetail refused(Wrong wrong) {
        return refused(Refusal.wrong(wrong.problems()));
    }

    /** What a value says of itself while it is made, wherever that is. */
    @ExceptionHandler
    ProblemDetail refused(Refused refused) {
        return refused(Wrong.of(refused));
    }

    @ExceptionHandler
    ProblemDetail unreadable(HttpMessageNotReadableException e) {
        for (Throwable cause = e.getCause(); cause != null; cause = cause.getCause()) {
            if (cause instanceof Refused refused) {
                return refused(refused);
            }
        }
        LOG.debug("unreadable request", e);
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST, "The request is not the JSON that belongs here.");
        detail.setTitle("Not readable");
        detail.setProperty("problems", List.of());
        return detail;
    }

    /** One answer that needs more memory than there is must not take the others along. */
    @ExceptionHandler
    ProblemDetail tooMuch(OutOfMemoryError e) {
        LOG.error("an answer needed more memory than the server has", e);
        return refused(
                Refusal.tooLarge("The answer needs more memory than the server has left; ask for less at once."));
    }
}
