package app.denfold.server.chasing.answers;

import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.answers.KeepMailAnswers.WrittenBack;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class AnswersController {

    private final KeepMailAnswers answers;

    AnswersController(KeepMailAnswers answers) {
        this.answers = answers;
    }

    @GetMapping("/api/files/{id}/mail-answers")
    List<WrittenBack> ofFile(Viewer viewer, @PathVariable UUID id) {
        return answers.ofFile(viewer, id);
    }

    @PostMapping("/api/mail-answers/{id}/seen")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void seen(Viewer viewer, @PathVariable UUID id) {
        answers.seen(viewer, id);
    }
}
