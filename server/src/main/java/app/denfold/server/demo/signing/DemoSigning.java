package app.denfold.server.demo.signing;

import app.denfold.core.filing.DocumentState;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.signing.asking.AskDetails;
import app.denfold.server.signing.asking.AskDetails.AskedSigner;
import app.denfold.server.signing.asking.AskToSign;
import app.denfold.server.signing.asking.ProposeSigners;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Papers of the demo practice that wait for signatures. */
@Component
public class DemoSigning {

    private static final int MOST = 14;

    /** This one is signed at the desk. */
    private static final String AT_THE_DESK = "Tamsin Korhola";

    private final AskToSign ask;
    private final ProposeSigners propose;
    private final Documents documents;
    private final Accounts accounts;

    DemoSigning(AskToSign ask, ProposeSigners propose, Documents documents, Accounts accounts) {
        this.ask = ask;
        this.propose = propose;
        this.documents = documents;
        this.accounts = accounts;
    }

    /** Asks for what is missing; of some the practice signs first, through others a colleague looks first. */
    public void load(Viewer ottilie, List<PersonFile> people, LocalDate today) {
        int asked = 0;
        for (PersonFile person : people) {
            for (FiledDocument document : documents.ofFile(person.id())) {
                boolean wanted = documents.state(document) == DocumentState.UNSIGNED
                        && !person.name().equals(AT_THE_DESK)
                        && asked < MOST;
                if (wanted && ask(ottilie, document, asked, today)) {
                    asked++;
                }
            }
        }
    }

    private boolean ask(Viewer ottilie, FiledDocument document, int number, LocalDate today) {
        List<AskedSigner> signers = new ArrayList<>();
        ProposeSigners.Proposal proposal = propose.known(ottilie, List.of(document.id()));
        List<ProposeSigners.RoleToSign> roles = new ArrayList<>(proposal.roles());
        if (number % 3 == 2) {
            Collections.reverse(roles);
        } else if (number % 4 == 1 && roles.size() > 1) {
            signers.add(new AskedSigner(0, Task.APPROVE, null, colleague("dilan@oakhollin.example"), null, null));
        }
        for (ProposeSigners.RoleToSign role : roles) {
            signers.add(signer(signers.size(), role, proposal.candidates()));
        }
        if (signers.stream().anyMatch(s -> s.accountId() == null && s.name() == null)) {
            return false;
        }
        ask.ask(
                ottilie,
                new AskDetails(
                        List.of(new AskDetails.AskedPaper(
                                document.id(), document.versions().size())),
                        signers,
                        List.of(),
                        number % 3 == 0 ? "Please look at the second paragraph, it is new this year." : null,
                        number % 2 == 0 ? today.plusDays(4L + number) : null,
                        false,
                        5,
                        3,
                        number % 5 == 0));
        return true;
    }

    private AskedSigner signer(int step, ProposeSigners.RoleToSign role, List<ProposeSigners.Candidate> candidates) {
        Integer proposed = role.proposed();
        if (proposed == null) {
            return role.role().equals("yard")
                    ? new AskedSigner(step, Task.SIGN, role.role(), colleague("bram@oakhollin.example"), null, null)
                    : new AskedSigner(step, Task.SIGN, role.role(), null, null, null);
        }
        ProposeSigners.Candidate candidate = candidates.get(proposed);
        return new AskedSigner(
                step, Task.SIGN, role.role(), candidate.accountId(), candidate.name(), candidate.email());
    }

    private @Nullable UUID colleague(String email) {
        return accounts.viewerByEmail(email).map(Viewer::accountId).orElse(null);
    }
}
