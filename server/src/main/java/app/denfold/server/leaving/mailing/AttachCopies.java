package app.denfold.server.leaving.mailing;

import app.denfold.core.filing.FileNames;
import app.denfold.paper.Format;
import app.denfold.server.chasing.Attachments;
import app.denfold.server.content.Contents;
import app.denfold.server.leaving.CopiesOut;
import app.denfold.server.leaving.CopiesOut.Fetched;
import app.denfold.server.leaving.CopiesOut.Given;
import app.denfold.server.leaving.JoinCopies;
import app.denfold.server.problems.Refusal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Attaches copies to the mail with which they go. */
@Component
class AttachCopies implements Attachments {

    private final CopyMailRepository mails;
    private final CopiesOut copies;
    private final JoinCopies join;
    private final Contents contents;

    AttachCopies(CopyMailRepository mails, CopiesOut copies, JoinCopies join, Contents contents) {
        this.mails = mails;
        this.copies = copies;
        this.join = join;
        this.contents = contents;
    }

    @Override
    public List<Attachment> of(UUID notice) {
        return mails.findByNoticeId(notice)
                .filter(CopyMail::attached)
                .map(this::attachments)
                .orElse(List.of());
    }

    private List<Attachment> attachments(CopyMail mail) {
        List<Fetched> all = copies.ofMail(mail.id()).stream().map(Given::file).toList();
        if (all.isEmpty()) {
            throw Refusal.gone("copies-gone", "What was to be attached is no longer there.");
        }
        String title = mail.title();
        if (title != null && all.size() > 1) {
            String named = FileNames.safe(JoinCopies.named(title));
            return List.of(new Attachment(named + ".pdf", Format.PDF.mediaType(), join.pdf(all, title), true));
        }
        List<Attachment> attached = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (Fetched copy : all) {
            String name = FileNames.unique(FileNames.safe(copy.name()), taken);
            taken.add(name);
            attached.add(new Attachment(
                    name + contents.ending(copy.sha256()),
                    contents.content(copy.sha256()).mediaType(),
                    contents.file(copy.sha256()),
                    false));
        }
        return attached;
    }
}
