package app.denfold.server.letters.forms;

import app.denfold.server.content.destroying.UsesContent;
import app.denfold.server.letters.KeptFormRepository;
import org.springframework.stereotype.Component;

/** Forms are kept, so that each paper can be explained by what it was filled in on. */
@Component
class FormsUseContent implements UsesContent {

    private final KeptFormRepository forms;

    FormsUseContent(KeptFormRepository forms) {
        this.forms = forms;
    }

    @Override
    public boolean uses(String sha256) {
        return forms.existsBySha256(sha256);
    }
}
