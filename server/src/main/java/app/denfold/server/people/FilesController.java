package app.denfold.server.people;

import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class FilesController {

    private final PersonFiles files;
    private final FileHead head;

    FilesController(PersonFiles files, FileHead head) {
        this.files = files;
        this.head = head;
    }

    record FoundFile(
            UUID id,
            String number,
            String kind,
            String name,
            @Nullable LocalDate birthDate,
            @Nullable String team) {
        static FoundFile of(PersonFile f) {
            return new FoundFile(f.id(), f.number(), f.kind(), f.name(), f.birthDate(), f.team());
        }
    }

    record NewFile(@Valid @NotNull PersonDetails person, boolean evenIfLike) {}

    record ChangedFile(int version, @Valid @NotNull PersonDetails person) {}

    /** @param startsOn first day on which anything is asked of it as one of the new kind */
    record BecomeRequest(
            int version,
            @NotNull String kind,
            @NotNull(message = "is needed") LocalDate startsOn) {}

    @GetMapping("/api/kinds")
    List<FileHead.KindAnswer> kinds(Viewer viewer) {
        return head.kinds(viewer);
    }

    @GetMapping("/api/files/found")
    List<FoundFile> find(Viewer viewer, @RequestParam String text, @RequestParam(defaultValue = "8") int most) {
        return files.find(viewer, text, "", most).stream().map(FoundFile::of).toList();
    }

    @PostMapping("/api/files")
    @ResponseStatus(HttpStatus.CREATED)
    FileHead.FileAnswer open(Viewer viewer, @Valid @RequestBody NewFile body) {
        return head.open(viewer, body.person(), body.evenIfLike());
    }

    @GetMapping("/api/files/{id}")
    FileHead.FileAnswer file(Viewer viewer, @PathVariable UUID id) {
        return head.show(viewer, id);
    }

    /** Of what kind the file is; this is no look into it. */
    @GetMapping("/api/files/{id}/kind")
    FileHead.KindAnswer kind(Viewer viewer, @PathVariable UUID id) {
        return head.kindOf(viewer, id);
    }

    @PutMapping("/api/files/{id}")
    FileHead.FileAnswer change(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ChangedFile body) {
        return head.change(viewer, id, body.version(), body.person());
    }

    /** Makes it a file of another kind, with all its papers. */
    @PostMapping("/api/files/{id}/kind")
    FileHead.FileAnswer become(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody BecomeRequest body) {
        return head.become(viewer, id, body.version(), body.kind(), body.startsOn());
    }
}
