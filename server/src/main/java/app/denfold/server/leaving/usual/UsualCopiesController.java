package app.denfold.server.leaving.usual;

import app.denfold.server.access.Viewer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class UsualCopiesController {

    private final UsualCopies usual;

    UsualCopiesController(UsualCopies usual) {
        this.usual = usual;
    }

    /** What readers of each kind usually get. */
    @GetMapping("/api/usual-copies")
    List<UsualCopies.Usual> all() {
        return usual.all();
    }

    @PutMapping("/api/set-up/usual-copies")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(Viewer viewer, @RequestBody @NotNull List<UsualCopies.@Valid @NotNull Usual> body) {
        usual.change(viewer, body);
    }
}
