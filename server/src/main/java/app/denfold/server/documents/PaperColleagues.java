package app.denfold.server.documents;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Colleagues to whom a paper can be brought. */
@Component
public class PaperColleagues {

    private final Accounts accounts;
    private final Documents documents;

    PaperColleagues(Accounts accounts, Documents documents) {
        this.accounts = accounts;
        this.documents = documents;
    }

    /** Colleagues who may see a paper, by their names. */
    public List<Viewer> whoSee(FiledDocument document) {
        return accounts.staff().stream()
                .filter(v -> !documents.visible(v, List.of(document.id())).isEmpty())
                .toList();
    }

    /**
     * @param field in which he was named
     * @throws Refusal when that is no colleague, or he may not see the paper
     */
    public Viewer require(String field, UUID account, FiledDocument document) {
        Viewer colleague = accounts.viewer(account)
                .filter(v -> v.role().worksHere())
                .orElseThrow(() -> Refusal.invalid(field, "Only colleagues can be named here."));
        if (documents.visible(colleague, List.of(document.id())).isEmpty()) {
            throw Refusal.invalid(field, colleague.name() + " may not see this paper.");
        }
        return colleague;
    }
}
