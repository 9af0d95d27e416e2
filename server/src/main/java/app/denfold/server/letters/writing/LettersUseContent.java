package app.denfold.server.letters.writing;

import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.content.destroying.UsesContent;
import app.denfold.server.people.PeopleEvents.FileDestroyed;
import java.util.List;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** The pages of letters that are written are kept while they are looked at. */
@Component
class LettersUseContent implements UsesContent {

    private final DraftLetterRepository letters;
    private final ObjectProvider<DestroyContent> destroy;

    LettersUseContent(DraftLetterRepository letters, ObjectProvider<DestroyContent> destroy) {
        this.letters = letters;
        this.destroy = destroy;
    }

    @Override
    public boolean uses(String sha256) {
        return letters.existsByPreviewSha256(sha256);
    }

    /** Letters that were begun to somebody go with the file. */
    @EventListener
    void on(FileDestroyed event) {
        List<String> shown = letters.findPreviewsOf(event.fileId());
        letters.deleteOf(event.fileId());
        shown.forEach(destroy.getObject()::unlessUsed);
    }
}
