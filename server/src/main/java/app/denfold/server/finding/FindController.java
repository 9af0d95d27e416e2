package app.denfold.server.finding;

import app.denfold.server.access.Viewer;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.Refusal;
import app.denfold.server.relations.PeopleAround;
import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Finding papers and the words in them. */
@RestController
class FindController {

    private static final int PEOPLE_OFFERED = 6;
    private static final int OUTSIDERS_OFFERED = 3;
    private static final JsonMapper JSON = new JsonMapper();

    private final FindPapers find;
    private final SuggestPapers suggest;
    private final WordsInPapers words;
    private final FoundCsv csv;
    private final PersonFiles files;
    private final PeopleAround around;
    private final MeantWords meant;

    FindController(
            FindPapers find,
            SuggestPapers suggest,
            WordsInPapers words,
            FoundCsv csv,
            PersonFiles files,
            PeopleAround around,
            MeantWords meant) {
        this.around = around;
        this.meant = meant;
        this.find = find;
        this.suggest = suggest;
        this.words = words;
        this.csv = csv;
        this.files = files;
    }

    record SuggestedPerson(
            UUID id, String name, String number, @Nullable LocalDate birthDate) {}

    record SuggestedOutsider(UUID id, String name, @Nullable String organisation) {}

    record SuggestionsAnswer(
            List<SuggestedPerson> people,
            List<SuggestedOutsider> outsiders,
            List<SuggestPapers.SuggestedPaper> papers) {}

    /** What is offered while a person types. */
    @GetMapping("/api/find/suggestions")
    SuggestionsAnswer suggestions(Viewer viewer, @RequestParam String typed) {
        List<PersonFile> people = typed.isBlank() ? List.of() : files.find(viewer, typed, "", PEOPLE_OFFERED);
        return new SuggestionsAnswer(
                people.stream()
                        .map(p -> new SuggestedPerson(p.id(), p.name(), p.number(), p.birthDate()))
                        .toList(),
                around.find(viewer, typed, OUTSIDERS_OFFERED).stream()
                        .map(o -> new SuggestedOutsider(o.id(), o.name(), o.organisation()))
                        .toList(),
                suggest.suggest(viewer, typed));
    }

    /** @param words the line with mistyped words set right; null when nothing comes near */
    record MeantAnswer(@Nullable String words) {}

    /** What was meant by words that no paper holds. @param fileId in which they are looked for; null for all papers */
    @GetMapping("/api/find/meant")
    MeantAnswer meant(Viewer viewer, @RequestParam String typed, @RequestParam(required = false) UUID fileId) {
        return new MeantAnswer(meant.meant(viewer, fileId, typed).orElse(null));
    }

    /** The papers that meet the criteria; see {@link FindPapers#page}. */
    @PostMapping("/api/find")
    FindPapers.FoundPage page(
            Viewer viewer,
            @RequestBody FindCriteria criteria,
            @RequestParam(defaultValue = "-dated") String sort,
            @RequestParam(defaultValue = "0") int offset,
            @RequestParam(defaultValue = "50") int limit) {
        return find.page(viewer, criteria, sort, offset, limit);
    }

    /** How many there are, and how many have each value. */
    @PostMapping("/api/find/counts")
    FindPapers.FoundCounts counts(Viewer viewer, @RequestBody FindCriteria criteria) {
        return find.counts(viewer, criteria);
    }

    /** @param criteria as JSON, so that a link can ask for it */
    @GetMapping(path = "/api/find/csv", produces = "text/csv")
    void csv(
            Viewer viewer,
            @RequestParam("for") String criteria,
            @RequestParam(defaultValue = "-dated") String sort,
            HttpServletResponse response)
            throws IOException {
        FindCriteria asked = read(criteria);
        // refused before anything is written
        find.page(viewer, asked, sort, 0, 1);
        response.setContentType("text/csv");
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.setHeader("Content-Disposition", "attachment; filename=\"papers.csv\"");
        csv.write(viewer, asked, sort, response.getWriter());
    }

    private static FindCriteria read(String json) {
        try {
            return JSON.readValue(json, FindCriteria.class);
        } catch (JacksonException bad) {
            throw Refusal.invalid("for", "What is asked for cannot be read.");
        }
    }

    /** @param documents up to 100 ids */
    record AroundRequest(
            @NotNull List<UUID> documents, @NotNull FindCriteria criteria) {}

    /** For each of these papers the first place where wanted words stand, with what stands around it. */
    @PostMapping("/api/find/around")
    List<WordsInPapers.AroundAnswer> around(Viewer viewer, @Valid @RequestBody AroundRequest request) {
        return words.around(viewer, request.documents(), request.criteria());
    }

    /** Where in one paper the words stand. @param typed as one line */
    @GetMapping("/api/documents/{id}/versions/{number}/words")
    WordsOnPages.PaperWords wordsIn(
            Viewer viewer, @PathVariable UUID id, @PathVariable int number, @RequestParam String typed) {
        return words.in(viewer, id, number, typed);
    }

    /** In which words a version differs from an older one. @param from number of the older one */
    @GetMapping("/api/documents/{id}/versions/{number}/differences")
    VersionDifferences.Differences differences(
            Viewer viewer, @PathVariable UUID id, @PathVariable int number, @RequestParam int from) {
        return words.differences(viewer, id, from, number);
    }

    /** Where in the newest versions of a file's papers the words stand; papers without them are left out. */
    @GetMapping("/api/files/{id}/words")
    List<WordsInPapers.WordsInFile> wordsInFile(Viewer viewer, @PathVariable UUID id, @RequestParam String typed) {
        return words.inFile(viewer, id, typed);
    }
}
