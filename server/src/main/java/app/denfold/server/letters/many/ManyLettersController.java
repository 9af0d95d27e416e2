package app.denfold.server.letters.many;

import app.denfold.server.access.Viewer;
import app.denfold.server.letters.many.ManyLetters.BatchAnswer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/letter-batches")
class ManyLettersController {

    private final ManyLetters many;

    ManyLettersController(ManyLetters many) {
        this.many = many;
    }

    record ManyLettersRequest(
            @NotEmpty List<@NotNull UUID> files,
            @NotNull UUID modelId,
            @NotNull String language,
            @NotNull LocalDate effectiveOn) {}

    record BegunLetters(UUID id) {}

    record ForAllRequest(@NotNull Map<String, String> answers) {}

    /** @param id of the job that files them */
    record FilingLetters(UUID id) {}

    /** Begins the same letter for many people. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    BegunLetters begin(Viewer viewer, @Valid @RequestBody ManyLettersRequest body) {
        return new BegunLetters(many.begin(viewer, body.files(), body.modelId(), body.language(), body.effectiveOn()));
    }

    /** All of them, and what each still lacks. */
    @GetMapping("/{id}")
    BatchAnswer of(Viewer viewer, @PathVariable UUID id) {
        return many.of(viewer, id);
    }

    /** Answers what is asked, for all of them. */
    @PutMapping("/{id}/answers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void answer(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ForAllRequest body) {
        many.answer(viewer, id, body.answers());
    }

    /** Files those that are ready, in the background. */
    @PostMapping("/{id}/filing")
    @ResponseStatus(HttpStatus.ACCEPTED)
    FilingLetters file(Viewer viewer, @PathVariable UUID id) {
        return new FilingLetters(many.file(viewer, id));
    }
}
