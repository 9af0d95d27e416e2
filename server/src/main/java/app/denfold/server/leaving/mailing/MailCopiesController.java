package app.denfold.server.leaving.mailing;

import app.denfold.server.access.Viewer;
import app.denfold.server.leaving.mailing.MailCopies.Letter;
import app.denfold.server.leaving.mailing.MailCopies.MailAnswer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class MailCopiesController {

    private final MailCopies mails;

    MailCopiesController(MailCopies mails) {
        this.mails = mails;
    }

    /** @param endsOn null to attach the copies @param title null where each goes by itself */
    record MailCopiesRequest(
            @NotEmpty List<@NotNull UUID> copies,

            @NotBlank(message = "is needed") @Email(message = "is no mail address") @Size(max = 254)
            String to,

            @NotNull String subject,
            @NotNull String words,
            @Nullable LocalDate endsOn,
            @Nullable String title,
            boolean evenIfReadable) {}

    record SentMail(UUID id) {}

    /** Gives copies that were looked at, by mail: attached, or as a link that needs a code and ends. */
    @PostMapping("/api/copies-out/mail")
    @ResponseStatus(HttpStatus.CREATED)
    SentMail send(Viewer viewer, @Valid @RequestBody MailCopiesRequest body) {
        Letter letter =
                new Letter(body.to(), body.subject(), body.words(), body.endsOn(), body.title(), body.evenIfReadable());
        return new SentMail(mails.send(viewer, body.copies(), letter));
    }

    /** The mails with which copies of a file's papers went, and what became of them. */
    @GetMapping("/api/files/{id}/copy-mails")
    List<MailAnswer> ofFile(Viewer viewer, @PathVariable UUID id) {
        return mails.ofFile(viewer, id);
    }

    /** Ends a link before its day. */
    @PostMapping("/api/copy-mails/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(Viewer viewer, @PathVariable UUID id) {
        mails.end(viewer, id);
    }
}
