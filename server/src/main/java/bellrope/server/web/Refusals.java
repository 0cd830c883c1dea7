package bellrope.server.web;

import bellrope.server.store.Refusal;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Every refusal as a problem detail (RFC 9457), with the places and, for a conflict, both versions. */
@RestControllerAdvice
class Refusals {
    private static final Logger LOG = LoggerFactory.getLogger(Refusals.class);

    @ExceptionHandler
    ProblemDetail refused(Refusal refusal) {
        HttpStatus status = switch (refusal.why()) {
            case NOT_THERE -> HttpStatus.NOT_FOUND;
            case WRONG -> HttpStatus.UNPROCESSABLE_CONTENT;
            case OUTDATED, IN_THE_WAY -> HttpStatus.CONFLICT;
            case TOO_LARGE -> HttpStatus.CONTENT_TOO_LARGE;
        };
        String title = switch (refusal.why()) {
            case NOT_THERE -> "Not there";
            case WRONG -> "Not accepted";
            case OUTDATED -> "Changed meanwhile";
            case IN_THE_WAY -> "Something is in the way";
            case TOO_LARGE -> "Too large";
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
    ProblemDetail unreadable(HttpMessageNotReadableException e) {
        LOG.debug("unreadable request", e);
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST, "The request is not the JSON that belongs here.");
        detail.setTitle("Not readable");
        detail.setProperty("problems", List.of());
        return detail;
    }
}
