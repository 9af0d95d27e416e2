package app.denfold.server.documents.paging;

import app.denfold.server.access.Viewer;
import app.denfold.server.documents.paging.RearrangePages.WantedPage;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RearrangePagesController {

    private final RearrangePages pages;

    RearrangePagesController(RearrangePages pages) {
        this.pages = pages;
    }

    /**
     * @param version number of the one that was looked at
     * @param emptied papers that go to the wastebasket, since their pages were put in
     */
    record RearrangeRequest(
            int version,
            @NotEmpty List<@NotNull @Valid WantedPage> pages,
            @Nullable List<@NotNull UUID> emptied) {}

    record SplitOffRequest(int version, int after) {}

    record NewerVersion(int version) {}

    record SplitOff(UUID documentId) {}

    /** Makes a newer version of the paper's pages in another order, some turned, taken out or put in from other papers. */
    @PostMapping("/api/documents/{id}/pages")
    @ResponseStatus(HttpStatus.CREATED)
    NewerVersion rearrange(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody RearrangeRequest body) {
        return new NewerVersion(pages.rearrange(
                viewer, id, body.version(), body.pages(), body.emptied() == null ? List.of() : body.emptied()));
    }

    /** Makes of the pages after one a paper of their own. */
    @PostMapping("/api/documents/{id}/split")
    @ResponseStatus(HttpStatus.CREATED)
    SplitOff split(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody SplitOffRequest body) {
        return new SplitOff(pages.split(viewer, id, body.version(), body.after()));
    }
}
