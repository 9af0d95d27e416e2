package app.denfold.server.relations;

import app.denfold.core.people.RelationKind;
import app.denfold.server.access.Viewer;
import app.denfold.server.relations.PeopleAround.NewRelation;
import app.denfold.server.relations.PeopleAround.OutsiderAnswer;
import app.denfold.server.relations.PeopleAround.RelationAnswer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RelationsController {

    private static final int MOST_FOUND = 8;

    private final PeopleAround around;

    RelationsController(PeopleAround around) {
        this.around = around;
    }

    record RelationKindAnswer(String code, String label) {}

    record RelationRequest(
            @NotNull(message = "is needed") RelationKind kind,
            @Nullable String note,
            @Nullable UUID otherFile,
            @Nullable UUID outsider,
            @Nullable @Valid OutsiderDetails newOutsider) {}

    record RelatedAnswer(UUID id) {}

    record FoundOutsider(
            UUID id,
            String name,
            @Nullable String organisation,
            @Nullable String email) {}

    record ChangedOutsider(int version, @NotNull @Valid OutsiderDetails details) {}

    @GetMapping("/api/relation-kinds")
    List<RelationKindAnswer> kinds() {
        return Arrays.stream(RelationKind.values())
                .map(k -> new RelationKindAnswer(k.name(), k.label()))
                .toList();
    }

    @GetMapping("/api/files/{id}/relations")
    List<RelationAnswer> of(Viewer viewer, @PathVariable UUID id) {
        return around.of(viewer, id);
    }

    /** Who is proposed to sign in these roles of a paper's type. */
    @GetMapping("/api/files/{id}/signers")
    List<PeopleAround.ProposedSigner> signers(Viewer viewer, @PathVariable UUID id, @RequestParam List<String> role) {
        return around.signers(viewer, id, role);
    }

    @PostMapping("/api/files/{id}/relations")
    @ResponseStatus(HttpStatus.CREATED)
    RelatedAnswer add(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody RelationRequest body) {
        return new RelatedAnswer(around.add(
                viewer,
                id,
                new NewRelation(body.kind(), body.note(), body.otherFile(), body.outsider(), body.newOutsider())));
    }

    @DeleteMapping("/api/relations/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Viewer viewer, @PathVariable UUID id) {
        around.remove(viewer, id);
    }

    @GetMapping("/api/outsiders/found")
    List<FoundOutsider> find(Viewer viewer, @RequestParam String text) {
        return around.find(viewer, text, MOST_FOUND).stream()
                .map(o -> new FoundOutsider(o.id(), o.name(), o.organisation(), o.email()))
                .toList();
    }

    @GetMapping("/api/outsiders/{id}")
    OutsiderAnswer outsider(Viewer viewer, @PathVariable UUID id) {
        return around.outsider(viewer, id);
    }

    @PutMapping("/api/outsiders/{id}")
    OutsiderAnswer change(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ChangedOutsider body) {
        around.change(viewer, id, body.version(), body.details());
        return around.outsider(viewer, id);
    }
}
