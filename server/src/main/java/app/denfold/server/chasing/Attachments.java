package app.denfold.server.chasing;

import java.nio.file.Path;
import java.util.List;
import java.util.UUID;

/** What goes with a mail besides its words; whoever queued the mail knows it. Asked outside of transactions. */
public interface Attachments {

    /**
     * A file that goes with a mail.
     *
     * @param name with its ending
     * @param isTemporary whether it is deleted once the mail was handed over
     */
    record Attachment(String name, String mediaType, Path file, boolean isTemporary) {}

    /**
     * @param notice number of the mail
     * @return none where only words go
     * @throws app.denfold.server.problems.Refusal when it can no longer be sent, in words for whoever sent it
     */
    List<Attachment> of(UUID notice);
}
