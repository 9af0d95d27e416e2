package app.denfold.server.chasing.answers;

import app.denfold.server.chasing.answers.ToldByLink.ToldAnswer;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** For whoever holds the link of a notice. */
@RestController
class ToldByLinkController {

    private final ToldByLink told;

    ToldByLinkController(ToldByLink told) {
        this.told = told;
    }

    /** Asked for by the page once it is open, so that programs that only follow links in mails count for nothing. */
    @PostMapping("/api/told/{token}/visit")
    ToldAnswer visit(@PathVariable String token) {
        return told.open(token);
    }

    /** With one click, as mail programs do it (RFC 8058). */
    @PostMapping("/api/told/{token}/unsubscribe")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void unsubscribe(@PathVariable String token) {
        told.unsubscribe(token);
    }
}
