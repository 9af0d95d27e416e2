package app.denfold.server.letters.writing;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.copying.ChosenPage;
import app.denfold.server.documents.DocumentVersion.PageSource;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.paging.PagesOfOthers;
import app.denfold.server.letters.KeptFormRepository;
import app.denfold.server.letters.KeptModel;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** What follows the pages of a letter: what its model attaches, and papers of the file that its writer chose. */
@Component
class AttachedPapers {

    private final KeptFormRepository forms;
    private final Documents documents;
    private final PagesOfOthers others;
    private final Contents contents;

    AttachedPapers(KeptFormRepository forms, Documents documents, PagesOfOthers others, Contents contents) {
        this.forms = forms;
        this.documents = documents;
        this.others = others;
        this.contents = contents;
    }

    /** Whether anything can follow: behind other pages the fields of a form are lost. */
    static boolean canFollow(ModelWords words) {
        return words.form() == null || !words.form().leaveOpen();
    }

    /** A page that follows, and where it comes from, so that what was covered on it stays so. */
    record Page(ChosenPage page, PageSource source) {}

    /** @throws Refusal when something was attached that cannot be, by now, or that the viewer does not see */
    List<Page> of(Viewer viewer, DraftLetter draft, KeptModel model, ModelWords words) {
        if (!canFollow(words) && !draft.writing().papers().isEmpty()) {
            throw Refusal.conflict(
                    "form-stays-open",
                    "Nothing can be attached to a form whose fields stay open: they would be lost. Take the papers out.");
        }
        List<Page> pages = new ArrayList<>();
        for (ModelWords.Attachment attachment : words.attached()) {
            if (attachment.always() || draft.writing().attached().contains(attachment.formId())) {
                Content content = contents.content(
                        forms.findById(attachment.formId()).orElseThrow().sha256());
                IntStream.rangeClosed(1, content.pages())
                        .mapToObj(page ->
                                new Page(new ChosenPage(content.sha256(), page, 0), new PageSource(null, 0, page, 0)))
                        .forEach(pages::add);
            }
        }
        for (UUID paper : draft.writing().papers()) {
            pages.addAll(ofPaper(viewer, draft, model, paper));
        }
        return pages;
    }

    private List<Page> ofPaper(Viewer viewer, DraftLetter draft, KeptModel model, UUID id) {
        PagesOfOthers.Into letter = new PagesOfOthers.Into(draft.fileId(), Set.of(model.type()), model.name());
        requireSeen(viewer, id);
        FiledDocument paper = others.giving(viewer, letter, id);
        Content content = others.paged(paper);
        List<Integer> turns = others.turns(content);
        return IntStream.rangeClosed(1, content.pages())
                .mapToObj(page -> {
                    int turn = turns.get(page - 1);
                    return new Page(
                            new ChosenPage(content.sha256(), page, turn),
                            new PageSource(paper.id(), paper.versions().size(), page, turn));
                })
                .toList();
    }

    private void requireSeen(Viewer viewer, UUID id) {
        if (documents.visible(viewer, List.of(id)).isEmpty()) {
            throw Refusal.conflict(
                    "attached-unseen",
                    "A paper is attached that is no longer there, or that you may not see. Take it out, or ask whoever"
                            + " attached it.");
        }
    }

    /** A paper that was chosen. @param name null for one that is gone or that the viewer may not see */
    record Attached(UUID id, @Nullable String name) {}

    /** The papers of the file that were chosen, in their order. */
    List<Attached> chosen(Viewer viewer, DraftLetter draft) {
        List<UUID> ids = draft.writing().papers();
        Map<UUID, String> names = documents.visible(viewer, ids).stream()
                .collect(Collectors.toMap(FiledDocument::id, FiledDocument::name));
        return ids.stream().map(id -> new Attached(id, names.get(id))).toList();
    }
}
