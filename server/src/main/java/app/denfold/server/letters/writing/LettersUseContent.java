package app.denfold.server.letters.writing;

import app.denfold.server.content.destroying.UsesContent;
import org.springframework.stereotype.Component;

/** The pages of letters that are written are kept while they are looked at. */
@Component
class LettersUseContent implements UsesContent {

    private final DraftLetterRepository letters;

    LettersUseContent(DraftLetterRepository letters) {
        this.letters = letters;
    }

    @Override
    public boolean uses(String sha256) {
        return letters.existsByPreviewSha256(sha256);
    }
}
