package app.denfold.server.letters.models;

import app.denfold.server.access.Viewer;
import app.denfold.server.letters.KnownNames;
import app.denfold.server.letters.KnownNames.Name;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.letters.models.Models.ModelAnswer;
import app.denfold.server.letters.models.Models.ModelDetails;
import app.denfold.server.letters.models.Models.TriedAnswer;
import app.denfold.server.letters.models.Models.VersionChanges;
import app.denfold.server.letters.models.Models.VersionDetails;
import app.denfold.server.letters.models.Models.WordsAnswer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
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
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ModelsController {

    private final Models models;
    private final KnownNames names;

    ModelsController(Models models, KnownNames names) {
        this.models = models;
        this.names = names;
    }

    /** @param version its words; null to leave them as they are, or to write them later */
    record ModelRequest(
            int changes,
            @NotNull String name,
            @NotNull String type,
            @NotEmpty List<@NotNull String> kinds,
            @Nullable @Valid ModelVersionRequest version) {

        ModelDetails details() {
            return new ModelDetails(changes, name, type, kinds, version == null ? null : version.details());
        }
    }

    record ModelVersionRequest(
            @NotNull String language,
            @NotNull LocalDate holdsFrom,
            @NotNull @Valid ModelWords words) {

        VersionDetails details() {
            return new VersionDetails(language, holdsFrom, words);
        }
    }

    record TryRequest(@NotNull UUID fileId, @NotNull @Valid ModelVersionRequest version) {}

    record RetireRequest(boolean retired) {}

    record MadeModel(UUID id) {}

    /** What letters can say, by name. */
    @GetMapping("/api/letter-names")
    List<Name> names(Viewer viewer) {
        return names.all(viewer);
    }

    /** What letters are written by, with the versions of each. */
    @GetMapping("/api/letter-models")
    List<ModelAnswer> all(Viewer viewer) {
        return models.all(viewer);
    }

    /** The words of a version. */
    @GetMapping("/api/letter-models/versions/{id}")
    WordsAnswer words(Viewer viewer, @PathVariable UUID id) {
        return models.words(viewer, id);
    }

    /** What a version changed against the one before it, word by word. */
    @GetMapping("/api/letter-models/versions/{id}/changes")
    VersionChanges changes(Viewer viewer, @PathVariable UUID id) {
        return models.changes(viewer, id);
    }

    /** Adds a model, with its first version where its words are given. */
    @PostMapping("/api/set-up/letter-models")
    @ResponseStatus(HttpStatus.CREATED)
    MadeModel add(Viewer viewer, @Valid @RequestBody ModelRequest body) {
        return new MadeModel(models.add(viewer, body.details()));
    }

    /** Fills words that are not kept yet for a file. */
    @PostMapping("/api/set-up/letter-models/try")
    TriedAnswer tried(Viewer viewer, @Valid @RequestBody TryRequest body) {
        return models.tried(viewer, body.fileId(), body.version().details());
    }

    /** Changes a model, and adds a version where words are given. */
    @PutMapping("/api/set-up/letter-models/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ModelRequest body) {
        models.change(viewer, id, body.details());
    }

    /** Takes a model out of use, or back into it. */
    @PostMapping("/api/set-up/letter-models/{id}/retirement")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void retire(Viewer viewer, @PathVariable UUID id, @RequestBody RetireRequest body) {
        models.retire(viewer, id, body.retired());
    }

    /** Adds a version; former ones stay as they are. */
    @PostMapping("/api/set-up/letter-models/{id}/versions")
    @ResponseStatus(HttpStatus.CREATED)
    MadeModel addVersion(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ModelVersionRequest body) {
        return new MadeModel(models.addVersion(viewer, id, body.details()));
    }
}
