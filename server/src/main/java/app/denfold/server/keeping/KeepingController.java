package app.denfold.server.keeping;

import app.denfold.server.access.Viewer;
import app.denfold.server.keeping.HoldFiles.KeepingHoldAnswer;
import app.denfold.server.keeping.Keeping.DestroyedAnswer;
import app.denfold.server.keeping.Keeping.KeepingAnswer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class KeepingController {

    private final Keeping keeping;
    private final HoldFiles holds;

    KeepingController(Keeping keeping, HoldFiles holds) {
        this.keeping = keeping;
        this.holds = holds;
    }

    @GetMapping("/api/keeping")
    KeepingAnswer all(Viewer viewer) {
        return keeping.answer(viewer);
    }

    record KeepingRequest(int changes, @NotNull KeepingPeriods rules) {}

    @PutMapping("/api/keeping")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(Viewer viewer, @Valid @RequestBody KeepingRequest body) {
        keeping.change(viewer, body.changes(), body.rules());
    }

    /** @param due how many files could leave at once */
    record KeepingEffectAnswer(int due) {}

    @PostMapping("/api/keeping/effect")
    KeepingEffectAnswer effect(Viewer viewer, @RequestBody KeepingPeriods rules) {
        return new KeepingEffectAnswer(keeping.effect(viewer, rules));
    }

    record DestructionRequest(@NotNull List<UUID> files) {}

    /** @param certificate under which they will be told once they are destroyed */
    record DestructionAnswer(UUID certificate) {}

    @PostMapping("/api/keeping/destruction")
    @ResponseStatus(HttpStatus.ACCEPTED)
    DestructionAnswer destroy(Viewer viewer, @Valid @RequestBody DestructionRequest body) {
        return new DestructionAnswer(keeping.destroy(viewer, body.files()));
    }

    @GetMapping("/api/keeping/certificates/{id}")
    List<DestroyedAnswer> certificate(Viewer viewer, @PathVariable UUID id) {
        return keeping.certificate(viewer, id);
    }

    /** @param hold null while the rules of keeping decide */
    record HoldOfFileAnswer(@Nullable KeepingHoldAnswer hold) {}

    @GetMapping("/api/files/{id}/keeping-hold")
    HoldOfFileAnswer hold(Viewer viewer, @PathVariable UUID id) {
        return new HoldOfFileAnswer(holds.of(viewer, id).orElse(null));
    }

    record KeepingHoldRequest(
            @Nullable String reason, @Nullable LocalDate until) {}

    @PutMapping("/api/files/{id}/keeping-hold")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void holdIt(Viewer viewer, @PathVariable UUID id, @RequestBody KeepingHoldRequest body) {
        holds.hold(viewer, id, body.reason(), body.until());
    }

    @DeleteMapping("/api/files/{id}/keeping-hold")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void release(Viewer viewer, @PathVariable UUID id) {
        holds.release(viewer, id);
    }
}
