package app.denfold.server.letters.writing;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.letters.writing.WriteLetters.Written;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The pages of letters that are written, as they will be filed. They are laid out once, however many look at them. */
@Component
class PreviewLetters {

    private static final int TRIES = 5;

    private final DraftLetterRepository letters;
    private final WriteLetters write;
    private final LayOutLetters layOut;
    private final AttachedPapers attached;
    private final Contents contents;
    private final DestroyContent destroy;
    private final TransactionTemplate transactions;

    PreviewLetters(
            DraftLetterRepository letters,
            WriteLetters write,
            LayOutLetters layOut,
            AttachedPapers attached,
            Contents contents,
            DestroyContent destroy,
            TransactionTemplate transactions) {
        this.letters = letters;
        this.write = write;
        this.layOut = layOut;
        this.attached = attached;
        this.contents = contents;
        this.destroy = destroy;
        this.transactions = transactions;
    }

    /** Its pages as they are now. */
    record Pages(String sha256, int count) {}

    /** Lays it out unless that was done already. @throws Refusal when it is changed all the time, or filed */
    Pages pages(Viewer viewer, UUID id) {
        for (int tries = 0; tries < TRIES; tries++) {
            Optional<Pages> pages = pages(Objects.requireNonNull(transactions.execute(t -> whole(viewer, id))));
            if (pages.isPresent()) {
                return pages.get();
            }
        }
        throw Refusal.conflict(
                "changed-meanwhile", "Somebody is changing this letter right now. Open it again in a moment.");
    }

    /** A letter, and what follows it. */
    record Whole(Written written, LayOutLetters.Wanted wanted, List<AttachedPapers.Page> attached) {

        String key() {
            return LayOutLetters.key(wanted);
        }
    }

    /** Takes part in the running transaction. @throws Refusal when something is attached that cannot be */
    Whole whole(Viewer viewer, UUID id) {
        Written written = write.written(viewer, id);
        ModelWords words = written.version().words();
        List<AttachedPapers.Page> behind = attached.of(viewer, written.draft(), written.model(), words);
        return new Whole(
                written,
                layOut.wanted(
                        written.letter(),
                        words,
                        written.model().name(),
                        written.version().language(),
                        behind.stream().map(AttachedPapers.Page::page).toList()),
                behind);
    }

    /** @return empty when the letter was changed meanwhile */
    Optional<Pages> pages(Whole whole) {
        DraftLetter draft = whole.written.draft();
        String shown = draft.previewSha256();
        Optional<String> now = shown != null && whole.key().equals(draft.previewOf())
                ? Optional.of(shown)
                : show(whole, layOut.layOut(whole.wanted));
        return now.map(sha256 -> new Pages(sha256, contents.content(sha256).pages()));
    }

    /** @return what is shown from now on: of two that were laid out alike at once the first; empty for one that is old */
    private Optional<String> show(Whole whole, Contents.Prepared made) {
        DraftLetter read = whole.written.draft();
        return Objects.requireNonNull(transactions.execute(t -> {
            DraftLetter draft = letters.findToFile(read.id())
                    .filter(d -> d.filedAt() == null)
                    .orElseThrow(() -> Refusal.conflict("filed", "This letter was filed meanwhile."));
            if (draft.changes() != read.changes()) {
                return Optional.<String>empty();
            }
            String before = draft.previewSha256();
            if (before != null && whole.key().equals(draft.previewOf())) {
                return Optional.of(before);
            }
            contents.register(made);
            letters.show(draft.id(), made.sha256(), whole.key());
            if (before != null && !before.equals(made.sha256())) {
                destroy.unlessUsed(before);
            }
            return Optional.of(made.sha256());
        }));
    }

    /** The pages as they were last laid out, unless they say something else than the viewer may know by now. */
    @Transactional(readOnly = true)
    public String shown(Viewer viewer, UUID id) {
        Whole whole = whole(viewer, id);
        DraftLetter draft = whole.written.draft();
        String shown = draft.previewSha256();
        if (shown == null || !whole.key().equals(draft.previewOf())) {
            throw Refusal.notFound("page");
        }
        return shown;
    }
}
