package app.denfold.server.letters.forms;

import app.denfold.paper.forms.FormBox;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.letters.KeptForm;
import app.denfold.server.letters.KeptFormRepository;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes PDF forms of others in, and says which fields they have. */
@Service
public class Forms {

    private static final String PDF = "application/pdf";

    private final KeptFormRepository forms;
    private final Contents contents;
    private final PaperWorkers workers;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    Forms(
            KeptFormRepository forms,
            Contents contents,
            PaperWorkers quickWorkers,
            AuditTrail trail,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.forms = forms;
        this.contents = contents;
        this.workers = quickWorkers;
        this.trail = trail;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    /** @param fields those that can be filled in, in the order of the form; none of a flat one */
    public record FormAnswer(UUID id, String name, int pages, List<FormBox> fields) {
        static FormAnswer of(KeptForm form) {
            return new FormAnswer(form.id(), form.name(), form.pages(), form.fields());
        }
    }

    /** @throws Refusal when the viewer is no administrator, or it is no PDF that can be filled in */
    public FormAnswer add(Viewer viewer, UploadedFile file) {
        viewer.requireAdministrator();
        Contents.Prepared prepared = contents.prepare(file.path(), file.name());
        Content content = Objects.requireNonNull(transactions.execute(t -> taken(prepared, file.name())));
        List<FormBox> fields = fields(content);
        return FormAnswer.of(Objects.requireNonNull(transactions.execute(t -> {
            KeptForm form = forms.save(new KeptForm(
                    file.name(), content.sha256(), content.pages(), fields, viewer.name(), calendar.now()));
            trail.record(AuditEntry.general(viewer.actor(), "set-up", "took in the form “" + file.name() + "”"));
            return form;
        })));
    }

    private Content taken(Contents.Prepared prepared, String name) {
        if (prepared.refused().isPresent()) {
            throw Refusal.invalid("file", prepared.refused().get());
        }
        Contents.Taken taken = contents.register(prepared);
        if (taken instanceof Contents.SetAside aside) {
            throw Refusal.invalid("file", aside.reason());
        }
        Content content = contents.content(prepared.sha256());
        if (!content.mediaType().equals(PDF)) {
            throw Refusal.invalid("file", "“" + name + "” is no PDF. Save the form as PDF, then choose it again.");
        }
        return content;
    }

    private List<FormBox> fields(Content content) {
        try {
            return workers.form(contents.wholeFile(content));
        } catch (WorkerFailed hostile) {
            throw Refusal.invalid("file", "The form cannot be read: " + hostile.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "The form could not be read just now: " + ended.getMessage() + ". Try again in a moment.", ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The form", failed);
        }
    }

    FormAnswer one(UUID id) {
        return FormAnswer.of(kept(id));
    }

    /** Its bytes. */
    String content(UUID id) {
        return kept(id).sha256();
    }

    private KeptForm kept(UUID id) {
        return forms.findById(id).orElseThrow(() -> Refusal.notFound("form"));
    }
}
