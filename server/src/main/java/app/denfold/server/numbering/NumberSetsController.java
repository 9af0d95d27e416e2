package app.denfold.server.numbering;

import app.denfold.core.numbering.NumberPlace;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.ZipContents;
import app.denfold.server.content.covering.CoveredCopies;
import app.denfold.server.content.covering.CoveredCopies.BundlePart;
import app.denfold.server.numbering.RunningNumbers.FetchedSet;
import app.denfold.server.numbering.RunningNumbers.FoundNumber;
import app.denfold.server.numbering.RunningNumbers.NumberPlan;
import app.denfold.server.numbering.RunningNumbers.NumberSetAnswer;
import app.denfold.server.numbering.RunningNumbers.Wish;
import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class NumberSetsController {

    private final RunningNumbers numbers;
    private final CoveredCopies copies;
    private final ZipContents zips;

    NumberSetsController(RunningNumbers numbers, CoveredCopies copies, ZipContents zips) {
        this.zips = zips;
        this.numbers = numbers;
        this.copies = copies;
    }

    /** @param first null to go on where the last set with these letters ended @param size of the letters in points */
    record NumbersRequest(
            @NotEmpty List<@NotNull UUID> documents,
            @NotNull String prefix,
            int digits,
            @Nullable Long first,
            @NotNull NumberPlace place,
            float size) {

        Wish wish() {
            return new Wish(documents, prefix, digits, first, place, size);
        }
    }

    record GivenSet(UUID id) {}

    /** Which numbers the pages of papers would have; nothing is given yet. */
    @PostMapping("/api/number-sets/look")
    NumberPlan look(Viewer viewer, @Valid @RequestBody NumbersRequest body) {
        return numbers.look(viewer, body.wish());
    }

    /** Gives the numbers; a job writes them on copies. */
    @PostMapping("/api/number-sets")
    @ResponseStatus(HttpStatus.ACCEPTED)
    GivenSet give(Viewer viewer, @Valid @RequestBody NumbersRequest body) {
        return new GivenSet(numbers.give(viewer, body.wish()));
    }

    /** Tries again to make copies that could not be made. */
    @PostMapping("/api/number-sets/{id}/again")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void again(Viewer viewer, @PathVariable UUID id) {
        numbers.again(viewer, id);
    }

    /** Sets in which papers of a file have numbers. */
    @GetMapping("/api/files/{id}/number-sets")
    List<NumberSetAnswer> ofFile(Viewer viewer, @PathVariable UUID id) {
        return numbers.ofFile(viewer, id);
    }

    /** Where a number stands: one place, or none. */
    @GetMapping("/api/page-numbers")
    List<FoundNumber> find(Viewer viewer, @RequestParam String typed) {
        return numbers.find(viewer, typed).stream().toList();
    }

    /** The numbered copies of a set as one PDF, with contents and bookmarks. */
    @GetMapping(path = "/api/number-sets/{id}/joined", produces = MediaType.APPLICATION_PDF_VALUE)
    void joined(Viewer viewer, @PathVariable UUID id, HttpServletResponse response) throws IOException {
        FetchedSet set = numbers.fetch(viewer, id);
        Path made = copies.bundle(
                set.words(),
                set.parts().stream()
                        .map(p -> new BundlePart(p.sha256(), p.title()))
                        .toList());
        try {
            head(response, MediaType.APPLICATION_PDF_VALUE, set, ".pdf");
            response.setContentLengthLong(Files.size(made));
            Files.copy(made, response.getOutputStream());
        } finally {
            Files.deleteIfExists(made);
        }
    }

    /** The numbered copies of a set, each by itself, in one ZIP. */
    @GetMapping(path = "/api/number-sets/{id}/zipped", produces = "application/zip")
    void zipped(Viewer viewer, @PathVariable UUID id, HttpServletResponse response) throws IOException {
        FetchedSet set = numbers.fetch(viewer, id);
        head(response, "application/zip", set, ".zip");
        zips.write(
                set.parts().stream().map(p -> new ZipContents.Named(p.title(), p.sha256())),
                response.getOutputStream());
    }

    private static void head(HttpServletResponse response, String type, FetchedSet set, String ending) {
        response.setContentType(type);
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(set.words().replace('/', '-') + ending, StandardCharsets.UTF_8)
                        .build()
                        .toString());
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
    }
}
