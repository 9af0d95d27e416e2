package app.denfold.server.comments;

import app.denfold.server.access.Viewer;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CommentsController {

    private final Comments comments;

    CommentsController(Comments comments) {
        this.comments = comments;
    }

    record CommentRequest(@NotNull String words, Set<UUID> mentioned) {

        CommentRequest {
            mentioned = mentioned == null ? Set.of() : Set.copyOf(mentioned);
        }
    }

    @GetMapping("/api/documents/{id}/comments")
    List<Comments.CommentAnswer> of(Viewer viewer, @PathVariable UUID id) {
        return comments.of(viewer, id);
    }

    @PostMapping("/api/documents/{id}/comments")
    @ResponseStatus(HttpStatus.CREATED)
    List<Comments.CommentAnswer> say(Viewer viewer, @PathVariable UUID id, @RequestBody CommentRequest body) {
        comments.say(viewer, id, body.words(), body.mentioned());
        return comments.of(viewer, id);
    }

    @PostMapping("/api/documents/{id}/comments/seen")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void seen(Viewer viewer, @PathVariable UUID id) {
        comments.seen(viewer, id);
    }

    @DeleteMapping("/api/comments/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Viewer viewer, @PathVariable UUID id) {
        comments.remove(viewer, id);
    }
}
